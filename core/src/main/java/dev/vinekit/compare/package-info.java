/**
 * What a change of the schema means for the code and for clients of its API.
 *
 * <p>A {@link dev.vinekit.compare.Comparison} of two mappings has the difference of their schemas, and each {@link
 * dev.vinekit.compare.Effect} of it: whether it breaks a client, whether it opens something that was closed. {@link
 * dev.vinekit.VineKit#compare} makes one of a project and the present schema.
 *
 * @since 0.1.0
 */
package dev.vinekit.compare;
