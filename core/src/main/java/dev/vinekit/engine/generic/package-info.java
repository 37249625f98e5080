/** Any database with a JDBC driver and no package of its own here, as far as standard metadata tell. */
package dev.vinekit.engine.generic;
