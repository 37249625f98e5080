/** Decisions: which entity, fields, names, Java types and operations a table gets. */
package dev.vinekit.mapping;
