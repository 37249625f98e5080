/**
 * Seeded databases for tests of one's own, in any project.
 *
 * <p>{@link dev.vinekit.junit.Seeded} on a test class or on a parameter says where the tables come from; the test is
 * given a {@link javax.sql.DataSource}, a {@link java.sql.Connection} or a {@link dev.vinekit.junit.TestDatabase},
 * and whatever it does is undone afterwards.
 *
 * @since 0.1.0
 */
package dev.vinekit.junit;
