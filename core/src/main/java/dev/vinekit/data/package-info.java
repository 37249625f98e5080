/** Rows that satisfy the constraints of a table: as samples for generated tests, and as seed rows. */
package dev.vinekit.data;
