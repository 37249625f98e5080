/**
 * A generated project at work: compiled in process, served, and tested against a scratch database.
 *
 * <p>{@link dev.vinekit.run.Runner} has a method for each; a {@link dev.vinekit.run.TestReport} is what comes of a
 * test run.
 *
 * @since 0.1.0
 */
package dev.vinekit.run;
