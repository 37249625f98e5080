/**
 * What is left of a test run for others to read: a page for people, and JUnit's XML for build servers.
 *
 * @since 0.1.0
 */
package dev.vinekit.report;
