/**
 * Text: from a mapping to every file of the generated service, in memory.
 *
 * <p>Templates see view models only, in which no text of a database stands as it is.
 *
 * @since 0.1.0
 */
package dev.vinekit.source;
