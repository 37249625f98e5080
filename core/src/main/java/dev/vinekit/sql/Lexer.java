package dev.vinekit.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Splits SQL into tokens; white space and comments are left out. */
final class Lexer {
    private static final List<String> LONG_SYMBOLS = List.of(
            "!~~*", "~~*", "!~~", "!~*", "~~", "!~", "~*", "<=", ">=", "<>", "!=", "||", "::");

    /** Escapes in {@code U&"..."} (ISO/IEC 9075-2, Unicode escape value). */
    private static final Pattern UNICODE = Pattern.compile("\\\\(?:\\\\|\\+[0-9A-Fa-f]{6}|[0-9A-Fa-f]{4})");

    private final String sql;
    private final Quoting quoting;
    private int position;

    private Lexer(String sql, Quoting quoting) {
        this.sql = sql;
        this.quoting = quoting;
    }

    /** The tokens of a text in standard SQL. */
    static List<Token> tokens(String sql) {
        return tokens(sql, Quoting.STANDARD);
    }

    static List<Token> tokens(String sql, Quoting quoting) {
        return new Lexer(sql, quoting).all();
    }

    private List<Token> all() {
        List<Token> tokens = new ArrayList<>();
        for (skipBlank(); position < sql.length(); skipBlank()) {
            tokens.add(next());
        }
        tokens.add(new Token(Token.Kind.END, "", sql.length()));
        return tokens;
    }

    private void skipBlank() {
        while (position < sql.length()) {
            if (Character.isWhitespace(sql.charAt(position))) {
                position++;
            } else if (isLineComment()) {
                position = endOr(sql.indexOf('\n', position));
            } else if (sql.startsWith("/*", position)) {
                int end = sql.indexOf("*/", position + 2);
                position = end < 0 ? sql.length() : end + 2;
            } else {
                return;
            }
        }
    }

    /** MariaDB and MySQL want a blank behind two dashes, and have a comment of their own (manual, "Comments"). */
    private boolean isLineComment() {
        boolean dashes = sql.startsWith("--", position);
        return quoting != Quoting.BACKSLASHES ? dashes : sql.charAt(position) == '#' || dashes
                && (position + 2 >= sql.length() || Character.isWhitespace(sql.charAt(position + 2)));
    }

    private Token next() {
        int start = position;
        char c = sql.charAt(position);
        if (c == '\'') {
            return quoted(Token.Kind.STRING, c);
        }
        if (c == '"' || c == '`') {
            return quoted(Token.Kind.QUOTED_IDENTIFIER, c);
        }
        if (c == '[' && quoting == Quoting.BRACKETS) {
            return quoted(Token.Kind.QUOTED_IDENTIFIER, ']');
        }
        if ((c == 'U' || c == 'u') && sql.startsWith("&", position + 1) && position + 2 < sql.length()
                && "'\"".indexOf(sql.charAt(position + 2)) >= 0) {
            position += 2;
            Token token = quoted(sql.charAt(position) == '"' ? Token.Kind.QUOTED_IDENTIFIER : Token.Kind.STRING,
                    sql.charAt(position));
            return new Token(token.kind(), UNICODE.matcher(token.text()).replaceAll(escape -> Matcher.quoteReplacement(
                    escape.group().equals("\\\\") ? "\\"
                    : Character.toString(Integer.parseInt(escape.group().replaceAll("[\\\\+]", ""), 16)))), start);
        }
        if (isDigit(c) || c == '.' && position + 1 < sql.length() && isDigit(sql.charAt(position + 1))) {
            return new Token(Token.Kind.NUMBER, number(), start);
        }
        if (Character.isJavaIdentifierStart(c)) {
            while (position < sql.length() && Character.isJavaIdentifierPart(sql.charAt(position))) {
                position++;
            }
            return new Token(Token.Kind.WORD, sql.substring(start, position), start);
        }
        for (String symbol : LONG_SYMBOLS) {
            if (sql.startsWith(symbol, position)) {
                position += symbol.length();
                return new Token(Token.Kind.SYMBOL, symbol, start);
            }
        }
        position++;
        return new Token(Token.Kind.SYMBOL, String.valueOf(c), start);
    }

    /** A quoted token, or the quote alone as a symbol if there is no second one. */
    private Token quoted(Token.Kind kind, char quote) {
        int start = position;
        StringBuilder text = new StringBuilder();
        for (position++; position < sql.length(); position++) {
            char c = sql.charAt(position);
            if (c == '\\' && quoting == Quoting.BACKSLASHES && quote != '`' && position + 1 < sql.length()) {
                text.append(escaped(sql.charAt(++position)));
            } else if (c != quote) {
                text.append(c);
            } else if (position + 1 < sql.length() && sql.charAt(position + 1) == quote) {
                text.append(quote);
                position++;
            } else {
                position++;
                return new Token(kind, text.toString(), start);
            }
        }
        return new Token(Token.Kind.SYMBOL, sql.substring(start, start + 1), start);
    }

    /** What a backslash and this character stand for (MariaDB manual, "String Literals"). */
    static String escaped(char c) {
        return switch (c) {
            case 'n' -> "\n";
            case 't' -> "\t";
            case 'r' -> "\r";
            case 'b' -> "\b";
            case '0' -> "\0";
            case 'Z' -> "\u001a";
            case '%', '_' -> "\\" + c;
            default -> String.valueOf(c);
        };
    }

    private String number() {
        int start = position;
        while (position < sql.length()) {
            char c = sql.charAt(position);
            boolean sign = (c == '+' || c == '-') && "eE".indexOf(sql.charAt(position - 1)) >= 0;
            if (!isDigit(c) && c != '.' && c != 'e' && c != 'E' && !(position > start && sign)) {
                break;
            }
            position++;
        }
        return sql.substring(start, position);
    }

    private int endOr(int index) {
        return index < 0 ? sql.length() : index;
    }

    private static boolean isDigit(char c) {
        return c >= '0' && c <= '9';
    }
}
