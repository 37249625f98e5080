package dev.vinekit.sql;

/** How an engine quotes, beside what the standard says. */
public enum Quoting {
    STANDARD,
    /** A backslash in a string escapes the next character. */
    BACKSLASHES,
    /** Identifiers may stand in square brackets. */
    BRACKETS
}
