package dev.vinekit.sql;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What a CREATE TABLE statement says that a catalog may not tell: names of constraints, checks, expressions of
 * generated columns, collations and deferral. Columns are told apart without regard to case.
 */
public final class TableText {
    private final Map<String, String> generated = new HashMap<>();
    private final Map<String, String> collations = new HashMap<>();
    private final List<NamedCheck> checks = new ArrayList<>();
    private final Map<List<String>, String> uniqueNames = new HashMap<>();
    private final Map<List<String>, Reference> references = new HashMap<>();
    private String primaryKeyName = "";
    private boolean autoincrement;

    private final String sql;
    private final List<Token> tokens;
    private int position;

    private TableText(String sql) {
        this.sql = sql;
        this.tokens = Lexer.tokens(sql, Quoting.BRACKETS);
    }

    /**
     * A check constraint.
     *
     * @param name empty if it has none
     */
    public record NamedCheck(String name, String expression) {
    }

    /**
     * A foreign key.
     *
     * @param name empty if it has none
     */
    public record Reference(String name, boolean deferred) {
    }

    /** Reads a statement; what it does not understand it passes over. */
    public static TableText of(String createTable) {
        TableText text = new TableText(createTable);
        text.read();
        return text;
    }

    /** The expression of a generated column. */
    public Optional<String> generated(String column) {
        return Optional.ofNullable(generated.get(key(column)));
    }

    public Optional<String> collation(String column) {
        return Optional.ofNullable(collations.get(key(column)));
    }

    public List<NamedCheck> checks() {
        return List.copyOf(checks);
    }

    /** The name of a unique constraint; empty if it has none. */
    public String uniqueName(List<String> columns) {
        return uniqueNames.getOrDefault(keys(columns), "");
    }

    public String primaryKeyName() {
        return primaryKeyName;
    }

    /** What is said of a foreign key over these columns. */
    public Reference reference(List<String> columns) {
        return references.getOrDefault(keys(columns), new Reference("", false));
    }

    /** Whether numbers of deleted rows are not given again. */
    public boolean isAutoincrement() {
        return autoincrement;
    }

    private static String key(String column) {
        return column.toLowerCase(Locale.ROOT);
    }

    private static List<String> keys(List<String> columns) {
        return columns.stream().map(TableText::key).toList();
    }

    private void read() {
        while (!at().isSymbol("(") && !atEnd()) {
            position++;
        }
        position++;
        while (!atEnd() && !at().isSymbol(")")) {
            part();
            while (!atEnd() && !at().isSymbol(",") && !at().isSymbol(")")) {
                skip();
            }
            if (at().isSymbol(",")) {
                position++;
            }
        }
    }

    private void part() {
        String name = constraintName();
        boolean ofTable = !name.isEmpty() || at().isWord("PRIMARY") || at().isWord("UNIQUE") || at().isWord("CHECK")
                || at().isWord("FOREIGN");
        if (ofTable) {
            tableConstraint(name);
        } else {
            column(take().text());
        }
    }

    private void tableConstraint(String name) {
        if (takeWord("PRIMARY")) {
            primaryKeyName = name;
            position++;
            autoincrement |= names().size() == 1 && tokens.get(position - 2).isWord("AUTOINCREMENT");
        } else if (takeWord("UNIQUE")) {
            uniqueNames.put(keys(names()), name);
        } else if (takeWord("CHECK")) {
            checks.add(new NamedCheck(name, parenthesised()));
        } else if (takeWord("FOREIGN")) {
            position++;
            reference(keys(names()), name);
        }
    }

    private void column(String column) {
        while (!atEnd() && !at().isSymbol(",") && !at().isSymbol(")")) {
            String name = constraintName();
            if (takeWord("PRIMARY")) {
                primaryKeyName = name;
            } else if (takeWord("AUTOINCREMENT")) {
                autoincrement = true;
            } else if (takeWord("UNIQUE")) {
                uniqueNames.put(List.of(key(column)), name);
            } else if (takeWord("CHECK")) {
                checks.add(new NamedCheck(name, parenthesised()));
            } else if (takeWord("COLLATE")) {
                collations.put(key(column), take().text());
            } else if (takeWord("AS")) {
                generated.put(key(column), parenthesised());
            } else if (at().isWord("REFERENCES")) {
                reference(List.of(key(column)), name);
            } else {
                skip();
            }
        }
    }

    private void reference(List<String> columns, String name) {
        boolean deferrable = false;
        boolean deferred = false;
        while (!atEnd() && !at().isSymbol(",") && !at().isSymbol(")") && !at().isWord("CONSTRAINT")
                && !at().isWord("CHECK") && !at().isWord("COLLATE") && !at().isWord("UNIQUE")) {
            if (at().isWord("DEFERRABLE")) {
                deferrable = !tokens.get(position - 1).isWord("NOT");
            } else if (at().isWord("DEFERRED")) {
                deferred = true;
            }
            skip();
        }
        references.put(columns, new Reference(name, deferrable && deferred));
    }

    private String constraintName() {
        return takeWord("CONSTRAINT") ? take().text() : "";
    }

    /** The names between parentheses. */
    private List<String> names() {
        List<String> found = new ArrayList<>();
        if (at().isSymbol("(")) {
            boolean expected = true;
            int depth = 0;
            do {
                Token token = take();
                depth += token.isSymbol("(") ? 1 : token.isSymbol(")") ? -1 : 0;
                if (depth == 1 && expected && !token.isSymbol("(")) {
                    found.add(token.text());
                }
                expected = depth == 1 && (token.isSymbol("(") || token.isSymbol(","));
            } while (depth > 0 && !atEnd());
        }
        return found;
    }

    /** What stands between parentheses, as it was written. */
    private String parenthesised() {
        int from = at().start() + 1;
        skip();
        int until = tokens.get(position - 1).start();
        return until >= from ? sql.substring(from, until).strip() : "";
    }

    /** Passes over a token, or over everything in parentheses. */
    private void skip() {
        int depth = 0;
        do {
            Token token = take();
            depth += token.isSymbol("(") ? 1 : token.isSymbol(")") ? -1 : 0;
        } while (depth > 0 && !atEnd());
    }

    private boolean takeWord(String word) {
        if (at().isWord(word)) {
            position++;
            return true;
        }
        return false;
    }

    private Token take() {
        Token token = at();
        if (!atEnd()) {
            position++;
        }
        return token;
    }

    private Token at() {
        return tokens.get(Math.min(position, tokens.size() - 1));
    }

    private boolean atEnd() {
        return at().kind() == Token.Kind.END;
    }
}
