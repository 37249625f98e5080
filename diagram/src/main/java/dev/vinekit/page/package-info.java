/** A schema as one page to look at: every table in full, what a service makes of it, and the diagram. */
package dev.vinekit.page;
