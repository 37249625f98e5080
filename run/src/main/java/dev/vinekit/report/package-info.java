/** What is left of a test run for others to read: a page for people, and JUnit's XML for build servers. */
package dev.vinekit.report;
