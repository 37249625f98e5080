/** The mapping file: reading it, finding its mistakes, proposing and refreshing it. */
package dev.vinekit.mapping.file;
