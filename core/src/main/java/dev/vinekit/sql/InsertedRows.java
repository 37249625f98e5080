package dev.vinekit.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The rows of an INSERT statement that gives constants.
 *
 * @param table its name without its schema
 * @param columns in the order of the values; empty if the statement names none, and means all
 * @param rows the values as text, binary ones in hexadecimal; NULL, and what is more than a constant, is empty
 */
public record InsertedRows(String table, List<String> columns, List<List<Optional<String>>> rows) {
    /** Words in front of a constant in quotes that say of what type it is. */
    private static final Set<String> TYPES =
            Set.of("DATE", "TIME", "TIMESTAMP", "UUID", "X", "WITH", "ZONE", "JSON", "E");

    /** The INSERT statements of a script; of one that gives no constants there are no rows. */
    public static List<InsertedRows> of(String script) {
        List<InsertedRows> found = new ArrayList<>();
        Reader reader = new Reader(Lexer.tokens(script));
        while (reader.more()) {
            if (reader.takes("INSERT") && reader.takes("INTO")) {
                found.add(reader.insert());
            } else {
                reader.next();
            }
        }
        return found;
    }

    private static final class Reader {
        private final List<Token> tokens;
        private int position;

        Reader(List<Token> tokens) {
            this.tokens = tokens;
        }

        boolean more() {
            return peek().kind() != Token.Kind.END;
        }

        private Token peek() {
            return tokens.get(Math.min(position, tokens.size() - 1));
        }

        Token next() {
            Token token = peek();
            position++;
            return token;
        }

        boolean takes(String word) {
            boolean there = peek().isWord(word);
            position += there ? 1 : 0;
            return there;
        }

        private boolean takesSymbol(String symbol) {
            boolean there = peek().isSymbol(symbol);
            position += there ? 1 : 0;
            return there;
        }

        InsertedRows insert() {
            String table = next().text();
            while (takesSymbol(".")) {
                table = next().text();
            }
            List<String> columns = new ArrayList<>();
            boolean named = takesSymbol("(");
            while (named && more() && !takesSymbol(")")) {
                columns.add(next().text());
                takesSymbol(",");
            }
            while (more() && !peek().isWord("VALUES") && !peek().isSymbol(";")) {
                next();
            }
            List<List<Optional<String>>> rows = new ArrayList<>();
            if (takes("VALUES")) {
                while (takesSymbol("(")) {
                    rows.add(row());
                    takesSymbol(",");
                }
            }
            return new InsertedRows(table, columns, rows);
        }

        private List<Optional<String>> row() {
            List<Optional<String>> values = new ArrayList<>();
            while (more()) {
                values.add(value());
                if (takesSymbol(")")) {
                    break;
                }
                takesSymbol(",");
            }
            return values;
        }

        /** What stands before the next comma or closing bracket of this level. */
        private Optional<String> value() {
            List<Token> parts = new ArrayList<>();
            int depth = 0;
            while (more() && (depth > 0 || !peek().isSymbol(",") && !peek().isSymbol(")"))) {
                depth += peek().isSymbol("(") ? 1 : peek().isSymbol(")") ? -1 : 0;
                parts.add(next());
            }
            return constant(parts);
        }

        private static Optional<String> constant(List<Token> parts) {
            if (parts.isEmpty()) {
                return Optional.empty();
            }
            Token last = parts.get(parts.size() - 1);
            if (last.kind() == Token.Kind.STRING && parts.subList(0, parts.size() - 1).stream()
                    .allMatch(part -> TYPES.stream().anyMatch(part::isWord))) {
                return Optional.of(last.text());
            }
            boolean signed = parts.size() == 2 && (parts.get(0).isSymbol("-") || parts.get(0).isSymbol("+"));
            if (last.kind() == Token.Kind.NUMBER && (parts.size() == 1 || signed)) {
                return Optional.of((signed && parts.get(0).isSymbol("-") ? "-" : "") + last.text());
            }
            boolean truth = parts.size() == 1 && (last.isWord("TRUE") || last.isWord("FALSE"));
            return truth ? Optional.of(last.text()) : Optional.empty();
        }
    }
}
