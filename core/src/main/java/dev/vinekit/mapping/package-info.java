/**
 * Decisions: which entity, fields, names, Java types and operations a table gets, by rule or as the mapping file
 * says.
 *
 * <p>A {@link dev.vinekit.mapping.Mapping} is what templates are filled from. What a person should know of a decision
 * is a {@link dev.vinekit.mapping.Remark} beside it.
 *
 * @since 0.1.0
 */
package dev.vinekit.mapping;
