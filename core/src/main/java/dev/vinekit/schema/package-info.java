/** Facts: what a database says about its tables, as immutable values. */
package dev.vinekit.schema;
