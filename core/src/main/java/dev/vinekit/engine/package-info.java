/**
 * What is particular to one kind of database: connections, catalog queries, SQL spelling, scratch databases.
 *
 * <p>A program names a {@link dev.vinekit.engine.Database} by its URL and leaves the rest to this package. A new
 * engine is an {@link dev.vinekit.engine.Engine} that {@link java.util.ServiceLoader} finds; {@code MetadataCatalog}
 * and the classes that begin with {@code Standard} do for it what standard metadata and standard SQL allow, so that
 * it says only what is different.
 *
 * @since 0.1.0
 */
package dev.vinekit.engine;
