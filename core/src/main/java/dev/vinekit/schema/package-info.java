/**
 * Facts: what a database says about its tables, as immutable values.
 *
 * <p>Nothing in here decides or guesses; a {@link dev.vinekit.schema.Schema} can be compared with another and written
 * as JSON.
 *
 * @since 0.1.0
 */
package dev.vinekit.schema;
