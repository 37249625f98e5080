/**
 * A schema as one page to look at: every table in full, what a service makes of it, and the diagram.
 *
 * @since 0.1.0
 */
package dev.vinekit.page;
