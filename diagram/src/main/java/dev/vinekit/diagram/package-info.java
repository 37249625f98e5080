/**
 * A schema as a picture: boxes and lines, where they stand, and the SVG that draws them.
 *
 * @since 0.1.0
 */
package dev.vinekit.diagram;
