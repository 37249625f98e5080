package dev.vinekit.sql;

/**
 * What is particular to the scripts of an engine.
 *
 * @param backslashEscapes whether a backslash in a string escapes the next character
 * @param dollarQuotes whether {@code $tag$} quotes
 * @param hashComments whether {@code #} begins a comment
 * @param conditionalComments whether the server runs what stands in {@code /*!} comments
 * @param nestedComments whether a comment may hold another
 * @param delimiterLines whether a {@code DELIMITER} line changes what ends a statement
 * @param copyBlocks whether the rows of a {@code COPY ... FROM stdin} follow it
 * @param clientLine the character that begins a line for the client program; a blank if there is none
 * @param programBodies whether triggers or functions may hold statements without quotes, between {@code BEGIN} and
 *     {@code END} for instance
 */
public record ScriptSyntax(
        boolean backslashEscapes,
        boolean dollarQuotes,
        boolean hashComments,
        boolean conditionalComments,
        boolean nestedComments,
        boolean delimiterLines,
        boolean copyBlocks,
        char clientLine,
        boolean programBodies) {
    /** H2: dollar quoting without tags. */
    public static final ScriptSyntax H2 =
            new ScriptSyntax(false, true, false, false, true, false, false, ' ', false);

    /** PostgreSQL, with what its client programs write and read. */
    public static final ScriptSyntax POSTGRESQL =
            new ScriptSyntax(false, true, false, false, true, false, true, '\\', true);

    /** MariaDB and MySQL, with what their client programs write and read. */
    public static final ScriptSyntax MARIADB =
            new ScriptSyntax(true, false, true, true, false, true, false, ' ', true);

    /** SQLite, with what its client program writes and reads. */
    public static final ScriptSyntax SQLITE =
            new ScriptSyntax(false, false, false, false, false, false, false, '.', true);

    /** What the standard says, and nothing more. */
    public static final ScriptSyntax STANDARD =
            new ScriptSyntax(false, false, false, false, false, false, false, ' ', false);
}
