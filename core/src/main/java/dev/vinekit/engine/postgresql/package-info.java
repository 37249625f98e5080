/** PostgreSQL, version 12 or later. */
package dev.vinekit.engine.postgresql;
