/**
 * The front door: from a database to a tested service, one call a step.
 *
 * <p>{@link dev.vinekit.VineKit} has a method for each step; each takes a value and gives one, so that a program can
 * stop anywhere, look, and go on:
 *
 * <pre>{@code
 * Database database = Database.at("jdbc:postgresql://localhost/cellar", "reader", password);
 * Schema schema = VineKit.read(database, Scope.all());
 * Mapping mapping = VineKit.map(schema, "com.example.cellar");
 * ChangeSet changes = VineKit.plan(VineKit.generate(mapping), Path.of("service"));
 * Project project = VineKit.write(changes);
 * }</pre>
 *
 * <p>Whatever goes wrong is a {@link dev.vinekit.fault.Fault} that says what would put it right. All values are
 * immutable and safe for use by several threads; the same input gives the same output, on any machine.
 *
 * @since 0.1.0
 */
package dev.vinekit;
