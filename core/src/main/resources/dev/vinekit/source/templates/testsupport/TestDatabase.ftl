import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.OffsetTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import org.junit.jupiter.api.extension.ExtensionContext;

/**
 * A database for tests only: made from {@code db/schema.sql} and filled from {@code db/seed.sql}, once for all tests, and
 * gone when the last has ended.
 */
public final class TestDatabase implements AutoCloseable {
<#assign restarts = s.tables?filter(t -> t.sql.restart??)>
<#if restarts?has_content>
    /** Counters of few numbers, which all tests together would use up. */
    private static final List<String> RESTARTS = List.of(<#list restarts as t>${t.sql.restart}<#sep>, </#list>);

</#if>
    private final String url;
    private final String user;
    private final String password;
    private final EmptyDatabase server;
    private final Connection anchor;
    private Connection transaction;
    private final Map<Tables, Set<List<Object>>> seedKeys = new EnumMap<>(Tables.class);
    private final Map<Tables, List<String>> seedRows = new EnumMap<>(Tables.class);

    /** On a database that is ready, if the class path or the system properties name one; else on one of its own. */
    private TestDatabase() {
        Properties ready = ready();
        server = ready.containsKey("url") ? null : new EmptyDatabase();
        url = server == null ? ready.getProperty("url") : server.url();
        user = server == null ? ready.getProperty("user", "") : server.user();
        password = server == null ? ready.getProperty("password", "") : server.password();
        try {
            anchor = connect();
            if (server != null) {
                run("/db/schema.sql");
                run("/db/seed.sql");
            }
            for (Tables table : Tables.values()) {
                seedKeys.put(table, new HashSet<>(keys(table)));
                seedRows.put(table, rows(table));
            }
        } catch (SQLException | IOException e) {
            throw new IllegalStateException("The test database could not be made.", e);
        }
    }

    private static Properties ready() {
        Properties properties = new Properties();
        for (String name : List.of("url", "user", "password")) {
            if (System.getProperty("test.database." + name) != null) {
                properties.setProperty(name, System.getProperty("test.database." + name));
            }
        }
        try (InputStream named = TestDatabase.class.getResourceAsStream("/test-database.properties")) {
            if (named != null) {
                properties.load(named);
            }
        } catch (IOException e) {
            throw new IllegalStateException("test-database.properties cannot be read.", e);
        }
        return properties;
    }

    /** The one database of this run. */
    public static TestDatabase of(ExtensionContext context) {
        return context.getRoot().getStore(ExtensionContext.Namespace.GLOBAL)
                .getOrComputeIfAbsent(TestDatabase.class, key -> new TestDatabase(), TestDatabase.class);
    }

    public String url() {
        return url;
    }

    public String user() {
        return user;
    }

    public String password() {
        return password;
    }

    public Connection connect() throws SQLException {
        return DriverManager.getConnection(url, user, password);
    }

    /** Begins a transaction, on the one connection for tests that take everything back. */
    public Connection begin() throws SQLException {
        if (transaction == null || transaction.isClosed()) {
            transaction = connect();
        }
        transaction.setAutoCommit(false);
        return transaction;
    }

    /**
     * Deletes the rows that a test has added.
     *
     * @param tables each after those that it refers to
     */
    public void restore(List<Tables> tables) throws SQLException {
        boolean deleted = true;
        for (List<Tables> grown = grown(tables); deleted && !grown.isEmpty(); grown = grown(tables)) {
            deleted = false;
            for (int i = grown.size() - 1; i >= 0; i--) {
                deleted |= deleteAdded(grown.get(i));
            }
        }
<#if restarts?has_content>
        for (String statement : RESTARTS) {
            Sql.update(anchor, statement);
        }
</#if>
        Numbers.restart();
    }

    /** Fails unless these tables hold exactly the seed rows. */
    public void assertUnchanged(List<Tables> tables) throws SQLException {
        for (Tables table : tables) {
            assertThat(rows(table)).as("rows of %s", table.sqlName()).isEqualTo(seedRows.get(table));
        }
    }

    /** The tables that do not have as many rows as at first. */
    private List<Tables> grown(List<Tables> tables) throws SQLException {
        List<String> counts = tables.stream().map(table -> "SELECT " + tables.indexOf(table) + ", COUNT(*) FROM " + table.sqlName()).toList();
        List<Tables> grown = new ArrayList<>();
        if (!tables.isEmpty()) {
            Sql.list(anchor, String.join(" UNION ALL ", counts), row -> row.getLong(2) == seedRows.get(tables.get(row.getInt(1))).size()
                    || grown.add(tables.get(row.getInt(1))));
        }
        grown.sort(Comparator.comparing(tables::indexOf));
        return grown;
    }

    /** Deletes rows that were not there at first; false if there are none, or none that can go yet. */
    private boolean deleteAdded(Tables table) throws SQLException {
        boolean deleted = false;
        for (List<Object> key : keys(table)) {
            if (!seedKeys.get(table).contains(key)) {
                deleted |= delete(table, key);
            }
        }
        return deleted;
    }

    private boolean delete(Tables table, List<Object> key) throws SQLException {
        try {
            return Sql.update(anchor, "DELETE FROM " + table.sqlName() + " WHERE " + table.match(), key.toArray()) > 0;
        } catch (SQLException e) {
            SqlError.Kind kind = SqlError.of(e).kind();
            if (kind == SqlError.Kind.REFERENCE || kind == SqlError.Kind.REFERRED) {
                return false;
            }
            throw e;
        }
    }

    private List<List<Object>> keys(Tables table) throws SQLException {
        int width = table.columns().size();
        String sql = "SELECT " + String.join(", ", table.columns()) + " FROM " + table.sqlName();
        return Sql.list(anchor, sql, row -> {
            List<Object> key = new ArrayList<>();
            for (int i = 1; i <= width; i++) {
                Object value = TestValues.read(row, i, row.getMetaData().getColumnTypeName(i));
                key.add(value instanceof String || value instanceof OffsetTime<#if s.binary> || value instanceof Binary</#if> ? value : row.getObject(i));
            }
            return key;
        });
    }

    private List<String> rows(Tables table) throws SQLException {
        return Sql.list(anchor, table.query(), TestRow::of).stream()
                .map(TestRow::toString).sorted().toList();
    }

    private void run(String script) throws SQLException, IOException {
        try (InputStream text = TestDatabase.class.getResourceAsStream(script);
                Statement statement = anchor.createStatement()) {
            // A comment first: some drivers take texts that begin with certain words for commands that reach files.
            statement.executeUpdate("-- " + script + "\n" + new String(text.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    @Override
    public void close() throws SQLException {
        if (transaction != null) {
            transaction.close();
        }
        anchor.close();
        if (server != null) {
            server.close();
        }
    }
}
