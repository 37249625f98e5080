/**
 * Files on disk: what was generated last, what a new generation changes, and writing it all or not at all.
 *
 * <p>A {@link dev.vinekit.project.ChangeSet} can be looked at before anything is written. Lines that people have
 * changed are merged with what is generated anew; where both changed the same ones, both stay, marked.
 *
 * @since 0.1.0
 */
package dev.vinekit.project;
