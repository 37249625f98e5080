package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.engine.Restorer;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.TextRows;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * Keeps a copy of every table in a database of its own, and lets triggers note which tables are written to: these are
 * put back whole. Rows that go or change because of another one's row do so without triggers, so that tables which
 * refer to a changed one count as changed. A table with triggers of its own, or rows with a history, is not put back.
 */
final class FamilyRestorer implements Restorer {
    private static final String HERE = " WHERE TABLE_SCHEMA = DATABASE() ";
    private static final List<String> EVENTS = List.of("INSERT", "UPDATE", "DELETE");

    private static final String TABLES = "SELECT TABLE_NAME, TABLE_TYPE FROM information_schema.TABLES" + HERE
            + "AND TABLE_TYPE NOT IN ('VIEW', 'SEQUENCE') ORDER BY TABLE_NAME";

    private static final String COLUMNS = "SELECT TABLE_NAME, COLUMN_NAME, GENERATION_EXPRESSION, COLUMN_TYPE, IS_NULLABLE,"
            + " COLUMN_DEFAULT, EXTRA FROM information_schema.COLUMNS" + HERE + "ORDER BY TABLE_NAME, ORDINAL_POSITION";

    /** Whose rows follow those of which table. */
    private static final String FOLLOWERS = "SELECT DISTINCT REFERENCED_TABLE_NAME, TABLE_NAME"
            + " FROM information_schema.REFERENTIAL_CONSTRAINTS WHERE CONSTRAINT_SCHEMA = DATABASE()"
            + " AND (DELETE_RULE NOT IN ('RESTRICT', 'NO ACTION') OR UPDATE_RULE NOT IN ('RESTRICT', 'NO ACTION'))";

    private static final String NUMBERS = "SELECT TABLE_NAME, AUTO_INCREMENT FROM information_schema.TABLES" + HERE
            + "AND AUTO_INCREMENT IS NOT NULL";

    private static final String SEQUENCES = "SELECT TABLE_NAME FROM information_schema.TABLES" + HERE
            + "AND TABLE_TYPE = 'SEQUENCE' ORDER BY TABLE_NAME";

    private static final List<String> STRUCTURE = List.of(COLUMNS,
            "SELECT TABLE_NAME, INDEX_NAME, NON_UNIQUE, COLUMN_NAME FROM information_schema.STATISTICS" + HERE
            + "ORDER BY TABLE_NAME, INDEX_NAME, SEQ_IN_INDEX",
            "SELECT TABLE_NAME, CONSTRAINT_NAME, CONSTRAINT_TYPE FROM information_schema.TABLE_CONSTRAINTS" + HERE
            + "ORDER BY TABLE_NAME, CONSTRAINT_NAME",
            "SELECT CONSTRAINT_NAME, CHECK_CLAUSE FROM information_schema.CHECK_CONSTRAINTS"
            + " WHERE CONSTRAINT_SCHEMA = DATABASE() ORDER BY CONSTRAINT_NAME, CHECK_CLAUSE",
            "SELECT TABLE_NAME, VIEW_DEFINITION FROM information_schema.VIEWS" + HERE + "ORDER BY TABLE_NAME",
            "SELECT TRIGGER_NAME, ACTION_STATEMENT FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = DATABASE()"
            + " ORDER BY TRIGGER_NAME",
            "SELECT ROUTINE_NAME, ROUTINE_DEFINITION FROM information_schema.ROUTINES WHERE ROUTINE_SCHEMA = DATABASE()"
            + " ORDER BY ROUTINE_NAME");

    private final ScratchDatabase database;
    private final ScratchDatabase copies;
    private final Map<String, String> putBack = new LinkedHashMap<>();
    private final Set<String> fixed = new HashSet<>();
    private final Set<String> filled;
    private final List<List<String>> structure;
    private final Map<String, String> numbers;
    private final Map<String, String> sequences;
    private final String notes;
    private final String copyPrefix;

    /** @param copies a database that has nothing else; closed with this */
    FamilyRestorer(ScratchDatabase database, ScratchDatabase copies) throws SQLException {
        this.database = database;
        this.copies = copies;
        try (Statement statement = copies.anchor().createStatement()) {
            copyPrefix = quoted(single(statement, "SELECT DATABASE()")) + ".";
            notes = copyPrefix + "written";
            statement.execute("CREATE TABLE " + notes + " (name VARCHAR(64) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin)");
        }
        try (Statement statement = database.anchor().createStatement()) {
            statement.execute("SET SESSION sql_mode = 'NO_AUTO_VALUE_ON_ZERO'");
            statement.execute("/*!80000 SET SESSION information_schema_stats_expiry = 0 */");
            List<List<String>> tables = TextRows.of(statement, TABLES);
            tables.stream().filter(table -> !table.get(1).equals("BASE TABLE")).forEach(table -> fixed.add(table.get(0)));
            TextRows.of(statement, "SELECT DISTINCT EVENT_OBJECT_TABLE FROM information_schema.TRIGGERS"
                    + " WHERE TRIGGER_SCHEMA = DATABASE()").forEach(row -> fixed.add(row.get(0)));
            copy(statement, tables.stream().map(table -> table.get(0)).toList());
            structure = structure(statement);
            numbers = numbers(statement);
            sequences = sequences(statement);
            for (Map.Entry<String, String> sequence : sequences.entrySet()) {
                restart(statement, sequence);
            }
            filled = filled(statement);
        }
    }

    private void copy(Statement statement, List<String> tables) throws SQLException {
        Map<String, List<String>> columns = TextRows.of(statement, COLUMNS).stream()
                .filter(row -> row.get(2) == null || row.get(2).isEmpty())
                .collect(Collectors.groupingBy(row -> row.get(0), Collectors.mapping(row -> quoted(row.get(1)),
                        Collectors.toList())));
        Map<String, Set<String>> followers = new HashMap<>();
        TextRows.of(statement, FOLLOWERS).forEach(
                row -> followers.computeIfAbsent(row.get(0), key -> new TreeSet<>()).add(row.get(1)));
        for (String table : tables) {
            String copy = copyPrefix + "copy_" + putBack.size();
            String list = String.join(", ", columns.get(table));
            statement.execute("CREATE TABLE " + copy + " AS SELECT " + list + " FROM " + quoted(table));
            putBack.put(table, "INSERT INTO " + quoted(table) + " (" + list + ") SELECT " + list + " FROM " + copy);
        }
        for (String table : tables) {
            for (String event : EVENTS) {
                String noted = (event.equals("INSERT") ? Set.of(table) : following(table, followers)).stream()
                        .map(name -> "('" + name.replace("\\", "\\\\").replace("'", "''") + "')")
                        .collect(Collectors.joining(", "));
                statement.execute("CREATE TRIGGER " + quoted("vinekit_" + List.copyOf(putBack.keySet()).indexOf(table) + "_"
                        + event) + " AFTER " + event + " ON " + quoted(table) + " FOR EACH ROW INSERT INTO " + notes
                        + " VALUES " + noted);
            }
        }
    }

    private static Set<String> following(String table, Map<String, Set<String>> followers) {
        Set<String> all = new TreeSet<>();
        List<String> open = new ArrayList<>(List.of(table));
        while (!open.isEmpty()) {
            String next = open.remove(0);
            if (all.add(next)) {
                open.addAll(followers.getOrDefault(next, Set.of()));
            }
        }
        return all;
    }

    @Override
    public boolean restore() throws SQLException {
        try (Statement statement = database.anchor().createStatement()) {
            if (!structure(statement).equals(structure)) {
                return false;
            }
            Set<String> touched = TextRows.of(statement, "SELECT DISTINCT name FROM " + notes).stream().map(row -> row.get(0))
                    .collect(Collectors.toCollection(TreeSet::new));
            Set<String> emptied = new TreeSet<>(filled);
            emptied.removeAll(filled(statement));
            touched.addAll(emptied);
            if (touched.stream().anyMatch(fixed::contains)) {
                return false;
            }
            if (!touched.isEmpty()) {
                putBack(statement, touched);
            }
            Map<String, String> now = numbers(statement);
            for (Map.Entry<String, String> number : numbers.entrySet()) {
                if (!number.getValue().equals(now.get(number.getKey()))) {
                    statement.execute("ALTER TABLE " + quoted(number.getKey()) + " AUTO_INCREMENT = " + number.getValue());
                }
            }
            Map<String, String> next = sequences(statement);
            for (Map.Entry<String, String> sequence : sequences.entrySet()) {
                if (!sequence.getValue().equals(next.get(sequence.getKey()))) {
                    restart(statement, sequence);
                }
            }
            return true;
        }
    }

    private static void restart(Statement statement, Map.Entry<String, String> sequence) throws SQLException {
        statement.execute("ALTER SEQUENCE " + quoted(sequence.getKey()) + " RESTART " + sequence.getValue());
    }

    private void putBack(Statement statement, Set<String> tables) throws SQLException {
        statement.execute("SET SESSION foreign_key_checks = 0");
        database.anchor().setAutoCommit(false);
        try {
            for (String table : tables) {
                statement.execute("DELETE FROM " + quoted(table));
                statement.execute(putBack.get(table));
            }
            statement.execute("DELETE FROM " + notes);
            database.anchor().commit();
        } finally {
            database.anchor().setAutoCommit(true);
            statement.execute("SET SESSION foreign_key_checks = 1");
        }
    }

    @Override
    public void close() {
        copies.close();
    }

    /** The tables that have rows: emptying a table at one stroke has no trigger. */
    private Set<String> filled(Statement statement) throws SQLException {
        Set<String> filled = new TreeSet<>();
        List<String> names = List.copyOf(putBack.keySet());
        String query = names.stream().map(name -> "SELECT " + names.indexOf(name) + " WHERE EXISTS (SELECT 1 FROM "
                + quoted(name) + ")").collect(Collectors.joining(" UNION ALL "));
        if (!query.isEmpty()) {
            TextRows.of(statement, query).forEach(row -> filled.add(names.get(Integer.parseInt(row.get(0)))));
        }
        return filled;
    }

    private static List<List<String>> structure(Statement statement) throws SQLException {
        List<List<String>> structure = new ArrayList<>();
        for (String query : STRUCTURE) {
            structure.addAll(TextRows.of(statement, query));
        }
        return structure;
    }

    private static Map<String, String> numbers(Statement statement) throws SQLException {
        Map<String, String> numbers = new LinkedHashMap<>();
        TextRows.of(statement, NUMBERS).forEach(row -> numbers.put(row.get(0), row.get(1)));
        return numbers;
    }

    /** What comes next of sequences, as far as the server has not put numbers aside. */
    private static Map<String, String> sequences(Statement statement) throws SQLException {
        Map<String, String> sequences = new LinkedHashMap<>();
        for (List<String> row : TextRows.of(statement, SEQUENCES)) {
            sequences.put(row.get(0), single(statement, "SELECT next_not_cached_value FROM " + quoted(row.get(0))));
        }
        return sequences;
    }

    private static String single(Statement statement, String query) throws SQLException {
        return TextRows.of(statement, query).get(0).get(0);
    }

    private static String quoted(String name) {
        return "`" + name.replace("`", "``") + "`";
    }
}
