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
 * @param bracketNames whether names may stand in brackets
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
        boolean bracketNames,
        boolean copyBlocks,
        char clientLine,
        boolean programBodies) {
    /** What the standard says, and nothing more. */
    public static final ScriptSyntax STANDARD =
            new ScriptSyntax(false, false, false, false, false, false, false, false, ' ', false);
}
