package dev.vinekit.sql;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Looks at the single words of SQL text and leaves strings and comments alone. */
public final class SqlText {
    private SqlText() {
    }

    /** The text with every bare occurrence of a word replaced, in any case. */
    public static String replace(String sql, String word, String replacement) {
        StringBuilder result = new StringBuilder();
        int copied = 0;
        for (Token token : Lexer.tokens(sql)) {
            if (token.isWord(word)) {
                result.append(sql, copied, token.start()).append(replacement);
                copied = token.start() + word.length();
            }
        }
        return result.append(sql.substring(copied)).toString();
    }

    /** What follows the first bare occurrence of a word, in any case. */
    public static String after(String sql, String word) {
        return Lexer.tokens(sql, Quoting.BRACKETS).stream().filter(token -> token.isWord(word)).findFirst()
                .map(token -> sql.substring(token.start() + word.length()).strip()).orElse(sql);
    }

    /** The text from its first opening parenthesis: of a statement that makes an index, what is indexed. */
    public static String inParentheses(String sql) {
        return Lexer.tokens(sql).stream().filter(token -> token.kind() == Token.Kind.SYMBOL && token.text().equals("("))
                .findFirst()
                .map(token -> sql.substring(token.start())).orElse(sql);
    }

    /** The strings in a text, without their quotes. */
    public static List<String> strings(String sql) {
        return Lexer.tokens(sql).stream().filter(token -> token.kind() == Token.Kind.STRING).map(Token::text).toList();
    }

    /** The numbers in a text, without signs. */
    public static List<String> numbers(String sql) {
        return Lexer.tokens(sql).stream().filter(token -> token.kind() == Token.Kind.NUMBER).map(Token::text).toList();
    }

    /** The text without a quoted identifier and the point behind it, wherever they stand. */
    public static String withoutQualifier(String sql, String qualifier) {
        StringBuilder result = new StringBuilder();
        int copied = 0;
        List<Token> tokens = Lexer.tokens(sql, Quoting.BACKSLASHES);
        for (int i = 0; i + 1 < tokens.size(); i++) {
            Token token = tokens.get(i);
            Token next = tokens.get(i + 1);
            boolean qualifies = token.kind() == Token.Kind.QUOTED_IDENTIFIER && token.text().equals(qualifier)
                    && next.kind() == Token.Kind.SYMBOL && next.text().equals(".");
            if (qualifies) {
                result.append(sql, copied, token.start());
                copied = next.start() + 1;
            }
        }
        return result.append(sql.substring(copied)).toString();
    }

    /** Everything that may be an identifier: bare words, folded, and quoted identifiers as they are. */
    public static Set<String> identifiers(String sql, UnaryOperator<String> fold) {
        Set<String> found = new LinkedHashSet<>();
        for (Token token : Lexer.tokens(sql)) {
            if (token.kind() == Token.Kind.WORD) {
                found.add(fold.apply(token.text()));
            } else if (token.kind() == Token.Kind.QUOTED_IDENTIFIER) {
                found.add(token.text());
            }
        }
        return found;
    }
}
