package dev.vinekit.sql;

/**
 * A word of SQL.
 *
 * @param text without quotes; for a bare word as written
 * @param start offset of its first character
 */
record Token(Kind kind, String text, int start) {
    enum Kind { WORD, QUOTED_IDENTIFIER, STRING, NUMBER, SYMBOL, END }

    boolean isWord(String word) {
        return kind == Kind.WORD && text.equalsIgnoreCase(word);
    }

    boolean isSymbol(String symbol) {
        return kind == Kind.SYMBOL && text.equals(symbol);
    }
}
