/**
 * The SQL that the job meets: identifiers and quoting, scripts and their parts, and the meaning of check expressions
 * as far as it can be told.
 *
 * <p>A {@link dev.vinekit.sql.Dialect} is how an engine spells it.
 *
 * @since 0.1.0
 */
package dev.vinekit.sql;
