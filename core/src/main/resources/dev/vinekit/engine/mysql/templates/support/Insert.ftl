import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * An INSERT of one row. Columns without a value are left out, so that the database's defaults apply. The database does not
 * answer with the row: it is read afterwards, by its key.
 */
public final class Insert {
    private final String table;
    private final Map<String, Value> values = new LinkedHashMap<>();
    private final Map<String, String> defaults = new LinkedHashMap<>();
<#if s.stamped>
    private final Map<String, String> expressions = new LinkedHashMap<>();
</#if>

    /** Begins the statement; names of tables and columns are spelled as SQL wants them. */
    public Insert(String table) {
        this.table = table;
    }

    private record Value(String marker, Object value) {
    }

    public Insert set(String column, Object value) {
        return set(column, "?", value);
    }

    /** Sets a column whose parameter marker is more than a question mark. */
    public Insert set(String column, String marker, Object value) {
        if (value != null) {
            values.put(column, new Value(marker, value));
        }
        return this;
    }

<#if s.stamped>
    /** Sets a column to what SQL says. */
    public Insert put(String column, String sql) {
        expressions.put(column, sql);
        return this;
    }

</#if>
    /** Gives a column that has no value yet its default, so that the row can be told from others by it. */
    public Insert orDefault(String column, String sql) {
        if (!values.containsKey(column)) {
            defaults.put(column, sql);
        }
        return this;
    }

    /**
     * Inserts the row and returns it as stored, with everything that the database filled in.
     *
     * @param columns those that the row is made of
     * @param key the columns of the key, one of which the database may give a number; none if there is no key
     */
    public <T> T returning(Connection connection, String columns, Sql.RowMapper<T> mapper, String... key)
            throws SQLException {
        if (!defaults.isEmpty()) {
            askForDefaults(connection);
        }
        long number = run(connection);
        for (String column : key) {
            if (number != 0) {
                values.putIfAbsent(column, new Value("?", number));
            }
        }
        List<String> telling = values.keySet().containsAll(List.of(key)) && key.length > 0 ? List.of(key)
                : List.copyOf(values.keySet());
        String where = telling.stream().map(column -> column + " = " + values.get(column).marker())
                .collect(Collectors.joining(" AND "));
        return Sql.first(connection, "SELECT " + columns + "\nFROM " + table + (where.isEmpty() ? "" : "\nWHERE " + where)
                + "\nLIMIT 1",
                mapper, telling.stream().map(column -> values.get(column).value()).toArray())
                .orElseThrow(() -> new SQLException("The row that was inserted into " + table + " is not there."));
    }

    /**
     * Inserts rows that the database numbers, many by one statement, and returns them as stored, in their order.
     *
     * @param number the column that has the numbers
     */
    public static <T> List<T> returningAll(Connection connection, List<Insert> rows, String columns,
            Sql.RowMapper<T> mapper, String number) throws SQLException {
        if (rows.isEmpty()) {
            return List.of();
        }
        Map<Insert, Long> numbers = new HashMap<>();
        Map<String, List<Insert>> byStatement = rows.stream()
                .collect(Collectors.groupingBy(Insert::sql, LinkedHashMap::new, Collectors.toList()));
        for (Map.Entry<String, List<Insert>> same : byStatement.entrySet()) {
            runAll(connection, same.getKey(), same.getValue(), numbers);
        }
        Map<Long, T> stored = new HashMap<>();
        String markers = String.join(", ", Collections.nCopies(rows.size(), "?"));
        Sql.list(connection, "SELECT " + columns + ", " + number + "\nFROM " + rows.get(0).table + "\nWHERE " + number
                + " IN (" + markers + ")",
                row -> stored.put(row.getLong(row.getMetaData().getColumnCount()), mapper.map(row)),
                numbers.values().toArray());
        List<T> inOrder = rows.stream().map(row -> stored.get(numbers.get(row))).toList();
        if (stored.size() < rows.size()) {
            throw new SQLException("Not all rows that were inserted into " + rows.get(0).table + " are there.");
        }
        return inOrder;
    }

    private static void runAll(Connection connection, String sql, List<Insert> rows, Map<Insert, Long> numbers)
            throws SQLException {
        Execution execution = new Execution(sql);
        try (PreparedStatement statement = connection.prepareStatement(sql, Statement.RETURN_GENERATED_KEYS)) {
            for (Insert row : rows) {
                Sql.bind(statement, row.bound()).addBatch();
            }
            statement.executeBatch();
            try (ResultSet key = statement.getGeneratedKeys()) {
                for (Insert row : rows) {
                    if (!key.next()) {
                        throw new SQLException("A row that was inserted into " + row.table + " has no number.");
                    }
                    numbers.put(row, key.getLong(1));
                }
            }
        } finally {
            execution.end(rows.size() + " rows");
        }
    }

    private Object[] bound() {
        return values.values().stream().map(Value::value).toArray();
    }

    private void askForDefaults(Connection connection) throws SQLException {
        List<String> columns = List.copyOf(defaults.keySet());
        List<Object> found = Sql.first(connection, "SELECT " + String.join(", ", defaults.values()), row -> {
            List<Object> read = new ArrayList<>();
            for (int i = 1; i <= columns.size(); i++) {
                read.add(row.getObject(i) instanceof byte[] bytes ? bytes : row.getString(i));
            }
            return read;
        }).orElseThrow();
        for (int i = 0; i < columns.size(); i++) {
            set(columns.get(i), found.get(i));
        }
    }

    /** The number that the database gave the row; 0 if it gave none. */
    private long run(Connection connection) throws SQLException {
        String sql = sql();
        Object[] bound = bound();
        Execution execution = new Execution(sql);
        try (PreparedStatement statement = Sql.bind(
                connection.prepareStatement(sql, Statement.RETURN_GENERATED_KEYS), bound)) {
            statement.executeUpdate();
            try (ResultSet row = statement.getGeneratedKeys()) {
                return row.next() ? row.getLong(1) : 0;
            }
        } finally {
            execution.end(bound);
        }
    }

    private String sql() {
<#if s.stamped>
        List<String> columns = new ArrayList<>(values.keySet());
        List<String> markers = new ArrayList<>(values.values().stream().map(Value::marker).toList());
        columns.addAll(expressions.keySet());
        markers.addAll(expressions.values());
        return columns.isEmpty()
                ? "INSERT INTO " + table + " " + ${s.insertOfDefaults}
                : "INSERT INTO " + table + " (" + String.join(", ", columns) + ")\n"
                        + "VALUES (" + String.join(", ", markers) + ")";
<#else>
        return values.isEmpty()
                ? "INSERT INTO " + table + " " + ${s.insertOfDefaults}
                : "INSERT INTO " + table + " (" + String.join(", ", values.keySet()) + ")\n"
                        + "VALUES (" + values.values().stream().map(Value::marker).collect(Collectors.joining(", ")) + ")";
</#if>
    }
}
