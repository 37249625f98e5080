package dev.vinekit.engine.h2;

import dev.vinekit.engine.Restorer;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScriptError;
import dev.vinekit.engine.TextRows;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Keeps a copy of every table in a schema of its own. H2 tells which tables were written to: these are put back whole.
 * A database whose tables themselves have changed is left alone.
 */
final class H2Restorer implements Restorer {
    private static final String COPIES = "\"vinekit restore\"";

    private static final String TABLES = """
            SELECT TABLE_SCHEMA, TABLE_NAME, LAST_MODIFICATION FROM INFORMATION_SCHEMA.TABLES
            WHERE TABLE_TYPE = 'BASE TABLE' AND TABLE_SCHEMA NOT IN ('INFORMATION_SCHEMA', 'vinekit restore')
            ORDER BY TABLE_SCHEMA, TABLE_NAME
            """;

    private static final String COLUMNS = """
            SELECT TABLE_SCHEMA, TABLE_NAME, COLUMN_NAME, IS_GENERATED, DATA_TYPE, CHARACTER_MAXIMUM_LENGTH,
                NUMERIC_PRECISION, NUMERIC_SCALE, IS_NULLABLE, COLUMN_DEFAULT, GENERATION_EXPRESSION
            FROM INFORMATION_SCHEMA.COLUMNS WHERE TABLE_SCHEMA NOT IN ('INFORMATION_SCHEMA', 'vinekit restore')
            ORDER BY TABLE_SCHEMA, TABLE_NAME, ORDINAL_POSITION
            """;

    /** What else tells that tables have changed. */
    private static final List<String> STRUCTURE = List.of(COLUMNS,
            "SELECT CONSTRAINT_SCHEMA, CONSTRAINT_NAME, TABLE_NAME, CONSTRAINT_TYPE FROM INFORMATION_SCHEMA.TABLE_CONSTRAINTS"
            + " ORDER BY CONSTRAINT_SCHEMA, TABLE_NAME, CONSTRAINT_NAME",
            "SELECT CONSTRAINT_SCHEMA, CONSTRAINT_NAME, CHECK_CLAUSE FROM INFORMATION_SCHEMA.CHECK_CONSTRAINTS"
            + " ORDER BY CONSTRAINT_SCHEMA, CONSTRAINT_NAME",
            "SELECT INDEX_SCHEMA, INDEX_NAME, TABLE_NAME FROM INFORMATION_SCHEMA.INDEXES"
            + " WHERE INDEX_SCHEMA NOT IN ('INFORMATION_SCHEMA', 'vinekit restore') ORDER BY 1, 2",
            "SELECT TABLE_SCHEMA, TABLE_NAME, VIEW_DEFINITION FROM INFORMATION_SCHEMA.VIEWS ORDER BY 1, 2",
            "SELECT DOMAIN_SCHEMA, DOMAIN_NAME, DATA_TYPE, DOMAIN_DEFAULT FROM INFORMATION_SCHEMA.DOMAINS ORDER BY 1, 2");

    /** Where sequences and columns that number themselves go on. */
    private static final String NUMBERS = """
            SELECT 'ALTER SEQUENCE ' || QUOTE_IDENT(SEQUENCE_SCHEMA) || '.' || QUOTE_IDENT(SEQUENCE_NAME)
                || ' RESTART WITH ' || BASE_VALUE
            FROM INFORMATION_SCHEMA.SEQUENCES
            UNION ALL
            SELECT 'ALTER TABLE ' || QUOTE_IDENT(TABLE_SCHEMA) || '.' || QUOTE_IDENT(TABLE_NAME) || ' ALTER COLUMN '
                || QUOTE_IDENT(COLUMN_NAME) || ' RESTART WITH ' || IDENTITY_BASE
            FROM INFORMATION_SCHEMA.COLUMNS
            WHERE IS_IDENTITY = 'YES' AND TABLE_SCHEMA NOT IN ('INFORMATION_SCHEMA', 'vinekit restore')
            """;

    private final ScratchDatabase database;
    private final Map<String, String> putBack = new LinkedHashMap<>();
    private final List<List<String>> structure;
    private final List<String> numbers;
    private Map<String, String> written;

    H2Restorer(ScratchDatabase database) throws SQLException {
        this.database = database;
        try (Statement statement = database.anchor().createStatement()) {
            statement.execute("CREATE SCHEMA " + COPIES);
            Map<String, List<String>> columns = TextRows.of(statement, COLUMNS).stream().filter(row -> row.get(3).equals("NEVER"))
                    .collect(Collectors.groupingBy(row -> table(row.get(0), row.get(1)),
                            Collectors.mapping(row -> quoted(row.get(2)), Collectors.toList())));
            for (String table : written(statement).keySet()) {
                String copy = COPIES + ".\"" + putBack.size() + "\"";
                String list = String.join(", ", columns.getOrDefault(table, List.of()));
                statement.execute("CREATE TABLE " + copy + " AS SELECT " + list + " FROM " + table);
                putBack.put(table, "DELETE FROM " + table + "; INSERT INTO " + table + " (" + list
                        + ") OVERRIDING SYSTEM VALUE SELECT " + list + " FROM " + copy);
            }
            structure = structure(statement);
            numbers = numbers(statement);
            written = written(statement);
        }
    }

    @Override
    public boolean restore() throws SQLException {
        try (Statement statement = database.anchor().createStatement()) {
            if (!structure(statement).equals(structure)) {
                return false;
            }
            Map<String, String> now = written(statement);
            List<String> touched = now.keySet().stream().filter(table -> !now.get(table).equals(written.get(table)))
                    .toList();
            if (!touched.isEmpty()) {
                putBack(touched);
            }
            List<String> before = numbers(statement);
            for (String number : numbers) {
                if (!before.contains(number)) {
                    statement.execute(number);
                }
            }
            written = written(statement);
            return true;
        }
    }

    /** References are not looked at while rows go and come; the rows that come keep them. */
    private void putBack(List<String> tables) throws ScriptError {
        database.execute("SET REFERENTIAL_INTEGRITY FALSE");
        try {
            for (String table : tables) {
                database.execute(putBack.get(table));
            }
        } finally {
            database.execute("SET REFERENTIAL_INTEGRITY TRUE");
        }
    }

    @Override
    public void close() {
        // What it has goes with the database.
    }

    private static Map<String, String> written(Statement statement) throws SQLException {
        Map<String, String> written = new LinkedHashMap<>();
        TextRows.of(statement, TABLES).forEach(row -> written.put(table(row.get(0), row.get(1)), row.get(2)));
        return written;
    }

    private static List<List<String>> structure(Statement statement) throws SQLException {
        List<List<String>> structure = new ArrayList<>();
        for (String query : STRUCTURE) {
            structure.addAll(TextRows.of(statement, query));
        }
        return structure;
    }

    private static List<String> numbers(Statement statement) throws SQLException {
        return TextRows.of(statement, NUMBERS).stream().map(row -> row.get(0)).toList();
    }

    private static String table(String schema, String name) {
        return quoted(schema) + "." + quoted(name);
    }

    private static String quoted(String name) {
        return '"' + name.replace("\"", "\"\"") + '"';
    }
}
