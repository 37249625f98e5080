/** What is particular to one database: connections, catalog queries, SQL spelling, scratch databases. */
package dev.vinekit.engine;
