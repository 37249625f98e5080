/** The command-line tool: commands, options, colours, progress and exit codes over the front door of the core. */
package dev.vinekit.cli;
