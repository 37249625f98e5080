package dev.vinekit.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Takes a script of statements apart. */
public final class Script {
    private static final Pattern DELIMITER = Pattern.compile("(?i)DELIMITER[ \\t]+(\\S+)[^\\n]*");
    private static final Pattern INCLUDE = Pattern.compile("(?i)(?:SOURCE|\\\\[.!])[ \\t]+\\S");
    private static final Pattern DOLLAR_TAG = Pattern.compile("\\$(?:[A-Za-z_\\x80-\\uffff][\\w\\x80-\\uffff]*)?\\$");
    private static final Pattern DOLLAR_QUOTED = Pattern.compile("(?s)\\$(\\w*)\\$.*?\\$\\1\\$");
    private static final Pattern COPY = Pattern.compile("(?is)COPY\\s.*\\sFROM\\s+stdin\\b.*");

    /**
     * Statements that may hold others (SQLite: triggers; MariaDB: stored programs; PostgreSQL: bodies of standard SQL).
     */
    private static final Pattern PROGRAM =
            Pattern.compile(
                    "(?is)(?:/\\*!\\d*\\s*)?CREATE\\s+(?:OR\\s+REPLACE\\s+)?(?:/?\\*?[^;]{0,80}?\\bDEFINER\\s*=\\s*\\S+\\s+(?:\\*/\\s*/\\*!\\d*\\s*)?)?"
            + "(?:TEMP(?:ORARY)?\\s+|AGGREGATE\\s+)?(?:TRIGGER|FUNCTION|PROCEDURE|EVENT)\\b");
    private static final Set<String> BLOCKS = Set.of("LOOP", "WHILE", "REPEAT");
    private static final Set<String> BEFORE_STATEMENTS =
            Set.of(";", ":", "THEN", "ELSE", "BEGIN", "DO", "LOOP", "REPEAT", "ROW");

    private final String text;
    private final ScriptSyntax syntax;
    private final List<Part> parts = new ArrayList<>();
    private String delimiter = ";";
    private int position;
    private int start = -1;
    private final List<Integer> dropped = new ArrayList<>();
    private int line = 1;
    private int counted;

    private Script(String text, ScriptSyntax syntax) {
        this.text = text;
        this.syntax = syntax;
    }

    /**
     * A part of a script.
     *
     * @param kind what it is
     * @param text a statement without what ends it, or the whole of a line
     * @param line where it begins, from 1
     * @param rows the rows that follow a {@code COPY}; empty for everything else
     */
    public record Part(Kind kind, String text, int line, String rows) {
    }

    /** What parts of a script are. */
    public enum Kind {
        /** A statement for the server. */
        STATEMENT,
        /** A statement for the server, with rows for it to read. */
        COPY,
        /** A line for a client program. */
        CLIENT_LINE
    }

    /** The parts of a script in order, without comments between them. */
    public static List<Part> parts(String text, ScriptSyntax syntax) {
        Script script = new Script(text.startsWith("\ufeff") ? text.substring(1) : text, syntax);
        script.read();
        return script.parts;
    }

    private void read() {
        while (position < text.length()) {
            if (start < 0 && lineForClient()) {
                continue;
            }
            char c = text.charAt(position);
            if (text.startsWith(delimiter, position) && !insideProgram()) {
                end(position);
                position += delimiter.length();
                copiedRows();
            } else if (isComment(c)) {
                comment();
            } else if (c == '\'' || c == '"' || c == '`' || c == '[' && syntax.bracketNames()) {
                begin();
                quoted(c == '[' ? ']' : c, c == '\'' && escapesHere() || c == '"' && syntax.backslashEscapes());
            } else if (c == '$' && syntax.dollarQuotes() && !afterWord() && dollarQuoted()) {
                continue;
            } else {
                if (!Character.isWhitespace(c)) {
                    begin();
                }
                if (c == '\\' && syntax.delimiterLines() && position + 1 == endOfLine(position)) {
                    dropped.add(position);
                }
                position++;
            }
        }
        end(text.length());
    }

    private void begin() {
        if (start < 0) {
            start = position;
        }
    }

    private void end(int until) {
        if (start >= 0) {
            String statement = withoutDropped(until).strip();
            boolean rows = syntax.copyBlocks() && COPY.matcher(statement).matches();
            parts.add(new Part(rows ? Kind.COPY : Kind.STATEMENT, statement, lineOf(start), ""));
        }
        start = -1;
    }

    /** The client program of MariaDB and MySQL drops a backslash at the end of a line. */
    private String withoutDropped(int until) {
        StringBuilder statement = new StringBuilder(text.substring(start, until));
        for (int i = dropped.size() - 1; i >= 0; i--) {
            statement.deleteCharAt(dropped.get(i) - start);
        }
        dropped.clear();
        return statement.toString();
    }

    /** The rows after a COPY: the lines up to one that holds a backslash and a point. */
    private void copiedRows() {
        if (parts.isEmpty() || parts.get(parts.size() - 1).kind() != Kind.COPY
                || !parts.get(parts.size() - 1).rows().isEmpty()) {
            return;
        }
        Part copy = parts.remove(parts.size() - 1);
        int first = Math.min(text.length(), endOfLine(position) + 1);
        int last = first;
        while (last < text.length() && !text.startsWith("\\.", last)) {
            last = Math.min(text.length(), endOfLine(last) + 1);
        }
        parts.add(new Part(Kind.COPY, copy.text(), copy.line(), text.substring(first, last)));
        position = Math.min(text.length(), endOfLine(last) + 1);
    }

    private boolean lineForClient() {
        boolean atLineStart = position == 0 || text.charAt(position - 1) == '\n';
        if (!atLineStart) {
            return false;
        }
        int end = endOfLine(position);
        if (syntax.delimiterLines() && text.regionMatches(true, position, "DELIMITER", 0, 9)) {
            Matcher matcher = DELIMITER.matcher(text).region(position, end);
            if (matcher.lookingAt()) {
                delimiter = matcher.group(1);
                position = end;
                return true;
            }
        }
        boolean included = syntax.delimiterLines() && INCLUDE.matcher(text).region(position, end).lookingAt();
        if (included || syntax.clientLine() != ' ' && text.charAt(position) == syntax.clientLine()) {
            parts.add(new Part(Kind.CLIENT_LINE, text.substring(position, end).strip(), lineOf(position), ""));
            position = end;
            return true;
        }
        return false;
    }

    private boolean isComment(char c) {
        return text.startsWith("--", position) && isDashComment() || c == '#' && syntax.hashComments()
                || text.startsWith("/*", position);
    }

    /** MariaDB wants a blank behind the two dashes. */
    private boolean isDashComment() {
        return !syntax.hashComments() || position + 2 >= text.length()
                || Character.isWhitespace(text.charAt(position + 2));
    }

    private void comment() {
        if (!text.startsWith("/*", position)) {
            position = endOfLine(position);
            return;
        }
        if (syntax.conditionalComments() && (text.startsWith("/*!", position) || text.startsWith("/*M!", position))
                && !text.startsWith("/*M!999999", position)) {
            begin();
        }
        int depth = 1;
        position += 2;
        while (position < text.length() && depth > 0) {
            if (text.startsWith("*/", position)) {
                depth--;
                position += 2;
            } else if (syntax.nestedComments() && text.startsWith("/*", position)) {
                depth++;
                position += 2;
            } else {
                position++;
            }
        }
    }

    private void quoted(char quote, boolean escapes) {
        position++;
        while (position < text.length()) {
            char c = text.charAt(position++);
            if (c == '\\' && escapes) {
                position++;
            } else if (c == quote) {
                return;
            }
        }
    }

    /** Whether a backslash escapes in the string that begins here: always, or in PostgreSQL's E'' strings. */
    private boolean escapesHere() {
        return syntax.backslashEscapes() || syntax.copyBlocks() && position > 0
                && Character.toUpperCase(text.charAt(position - 1)) == 'E'
                && (position == 1 || !Character.isJavaIdentifierPart(text.charAt(position - 2)));
    }

    private boolean dollarQuoted() {
        Matcher tag = DOLLAR_TAG.matcher(text).region(position, text.length());
        if (!tag.lookingAt()) {
            return false;
        }
        begin();
        int end = text.indexOf(tag.group(), tag.end());
        position = end < 0 ? text.length() : end + tag.group().length();
        return true;
    }

    private boolean afterWord() {
        return position > 0 && Character.isJavaIdentifierPart(text.charAt(position - 1));
    }

    /** Whether what ends a statement here ends one inside of a trigger, function or procedure. */
    private boolean insideProgram() {
        if (!syntax.programBodies() || start < 0 || !delimiter.equals(";")) {
            return false;
        }
        String statement = syntax.dollarQuotes()
                ? DOLLAR_QUOTED.matcher(text.substring(start, position)).replaceAll("''")
                : text.substring(start, position);
        if (!PROGRAM.matcher(statement).lookingAt()) {
            return false;
        }
        int depth = 0;
        String before = "";
        List<Token> tokens = Lexer.tokens(statement, syntax.backslashEscapes() ? Quoting.BACKSLASHES
                : Quoting.STANDARD);
        for (int i = 0; i < tokens.size(); i++) {
            Token token = tokens.get(i);
            String word = token.kind() == Token.Kind.WORD ? token.text().toUpperCase(Locale.ROOT) : token.text();
            String next = i + 1 < tokens.size() ? tokens.get(i + 1).text().toUpperCase(Locale.ROOT) : "";
            if (word.equals("END")) {
                depth--;
                before = word;
                i += next.equals("IF") || next.equals("CASE") || BLOCKS.contains(next) ? 1 : 0;
                continue;
            }
            boolean opens = word.equals("BEGIN") || word.equals("CASE") || BLOCKS.contains(word) && !next.equals("(")
                    || word.equals("IF") && BEFORE_STATEMENTS.contains(before);
            depth += token.kind() == Token.Kind.WORD && opens ? 1 : 0;
            before = word;
        }
        return depth > 0;
    }

    private int endOfLine(int from) {
        int end = text.indexOf('\n', from);
        return end < 0 ? text.length() : end;
    }

    private int lineOf(int place) {
        for (; counted < place; counted++) {
            if (text.charAt(counted) == '\n') {
                line++;
            }
        }
        return line;
    }
}
