/** The steps from a schema to its service, as goals of a Maven build. */
package dev.vinekit.maven;
