/** Text: from a mapping to every file of the generated service, in memory. */
package dev.vinekit.source;
