/** SQLite, version 3.37 or later. */
package dev.vinekit.engine.sqlite;
