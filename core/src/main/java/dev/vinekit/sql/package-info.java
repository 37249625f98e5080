/** The SQL that the job meets: identifiers and quoting, and the meaning of check expressions. */
package dev.vinekit.sql;
