/** Files on disk: what was generated last, what a new generation changes, and writing it all or not at all. */
package dev.vinekit.project;
