/** A schema as a picture: boxes and lines, where they stand, and the SVG that draws them. */
package dev.vinekit.diagram;
