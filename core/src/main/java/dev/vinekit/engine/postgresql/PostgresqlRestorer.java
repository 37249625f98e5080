package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.Restorer;
import dev.vinekit.engine.TextRows;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.postgresql.PGConnection;

/**
 * Keeps a copy of every table in a schema of its own, and lets triggers write down the keys of the rows that are
 * touched: only these are put back. A table without a key, or one that was emptied, is put back whole. What changes
 * tables, types or functions themselves is noticed and not undone.
 */
final class PostgresqlRestorer implements Restorer {
    /** Nothing removes the dead rows of databases without autovacuum. */
    private static final int RESTORED_BEFORE_VACUUM = 500;

    private static final String START = """
            SET search_path = '';
            SET session_replication_role = replica;
            SET lock_timeout = '10s';
            SET enable_hashjoin = off;
            SET enable_mergejoin = off;
            CREATE SCHEMA vinekit_restore;
            CREATE UNLOGGED TABLE vinekit_restore.whole (n integer);
            CREATE UNLOGGED TABLE vinekit_restore.structure (changed boolean);
            CREATE FUNCTION vinekit_restore.touch_whole() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER AS $$
            BEGIN
                INSERT INTO vinekit_restore.whole VALUES (TG_ARGV[0]::integer);
                RETURN NULL;
            END $$;
            CREATE FUNCTION vinekit_restore.note_change() RETURNS event_trigger LANGUAGE plpgsql SECURITY DEFINER AS $$
            BEGIN
                INSERT INTO vinekit_restore.structure
                SELECT true FROM pg_catalog.pg_event_trigger_ddl_commands() c
                WHERE c.schema_name IS DISTINCT FROM 'pg_temp' LIMIT 1;
            END $$;
            CREATE FUNCTION vinekit_restore.note_drop() RETURNS event_trigger LANGUAGE plpgsql SECURITY DEFINER AS $$
            BEGIN
                INSERT INTO vinekit_restore.structure
                SELECT true FROM pg_catalog.pg_event_trigger_dropped_objects() o WHERE NOT o.is_temporary LIMIT 1;
            END $$;
            """;

    /** Functions that the tables use for their columns look for what they call where they always do. */
    private static final String END = """
            RESET search_path;
            CREATE EVENT TRIGGER vinekit_restore_change ON ddl_command_end EXECUTE FUNCTION vinekit_restore.note_change();
            CREATE EVENT TRIGGER vinekit_restore_drop ON sql_drop EXECUTE FUNCTION vinekit_restore.note_drop();
            """;

    /** Each table that rows can be written to, with the one that it is a partition of, if it is one. */
    private static final String TABLES = """
            SELECT c.oid::regclass::text, c.relkind = 'p', pg_partition_root(c.oid)::regclass::text,
                ARRAY(SELECT quote_ident(a.attname) FROM pg_attribute a
                    WHERE a.attrelid = c.oid AND a.attnum > 0 AND NOT a.attisdropped AND a.attgenerated = ''
                    ORDER BY a.attnum),
                ARRAY(SELECT quote_ident(a.attname) FROM (
                        SELECT i.indrelid, i.indkey FROM pg_index i
                        WHERE i.indrelid = c.oid AND i.indisunique AND i.indimmediate AND i.indisvalid
                          AND i.indpred IS NULL AND i.indexprs IS NULL
                          AND NOT EXISTS (SELECT 1 FROM pg_attribute n WHERE n.attrelid = c.oid
                              AND n.attnum = ANY (i.indkey) AND NOT n.attnotnull)
                        ORDER BY i.indisprimary DESC, i.indexrelid LIMIT 1) k
                    JOIN pg_attribute a ON a.attrelid = k.indrelid AND a.attnum = ANY (k.indkey)
                    ORDER BY a.attnum)
            FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE c.relkind IN ('r', 'p') AND c.relpersistence <> 't'
              AND n.nspname <> 'information_schema' AND n.nspname NOT LIKE 'pg\\_%' AND n.nspname <> 'vinekit_restore'
            ORDER BY 1
            """;

    private static final String SEQUENCES = """
            SELECT c.oid::regclass::text FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE c.relkind = 'S' AND c.relpersistence <> 't' AND n.nspname NOT LIKE 'pg\\_%' ORDER BY 1
            """;

    private final Connection connection;
    private int restored;

    private PostgresqlRestorer(Connection connection) {
        this.connection = connection;
    }

    /**
     * For a database on our own server.
     *
     * @param url of the database
     */
    static Restorer of(String url) throws SQLException {
        Connection connection = DriverManager.getConnection(
                url, "postgres", PostgresqlServer.running().server().administratorPassword());
        try (Statement statement = connection.createStatement()) {
            connection.setAutoCommit(false);
            statement.execute(START);
            statement.execute(preparation(statement));
            statement.execute(END);
            connection.commit();
            connection.setAutoCommit(true);
            return new PostgresqlRestorer(connection);
        } catch (SQLException | RuntimeException e) {
            connection.close();
            throw e;
        }
    }

    @Override
    public boolean restore() throws SQLException {
        try (Statement statement = connection.createStatement()) {
            boolean done;
            try (ResultSet row = statement.executeQuery("SELECT vinekit_restore.restore()")) {
                row.next();
                done = row.getBoolean(1);
            }
            if (++restored % RESTORED_BEFORE_VACUUM == 0) {
                statement.execute("VACUUM");
            }
            return done;
        }
    }

    @Override
    public boolean renew(Connection used) throws SQLException {
        try (Statement statement = used.createStatement()) {
            statement.execute("DISCARD ALL");
            return true;
        }
    }

    @Override
    public void close() throws SQLException {
        int process = connection.unwrap(PGConnection.class).getBackendPID();
        connection.close();
        PostgresqlServer server = PostgresqlServer.running();
        try (Connection other = DriverManager.getConnection(server.url(), "postgres", server.server().administratorPassword());
                Statement statement = other.createStatement()) {
            // It takes a moment to end, and whoever drops the database may not end processes of this role.
            statement.execute("SELECT pg_terminate_backend(pid, 5000) FROM pg_stat_activity WHERE pid = " + process);
        }
    }

    private static String preparation(Statement statement) throws SQLException {
        StringBuilder script = new StringBuilder();
        StringBuilder body = new StringBuilder("""
                BEGIN
                    IF EXISTS (SELECT FROM vinekit_restore.structure) THEN
                        RETURN false;
                    END IF;
                """);
        List<WrittenTable> tables = tables(statement);
        List<String> names = tables.stream().map(WrittenTable::name).toList();
        for (WrittenTable table : tables) {
            int n = names.indexOf(table.root());
            script.append(table.root().equals(table.name()) ? table.copied(n) : "").append(table.watched(n));
            body.append(table.root().equals(table.name()) ? table.putBack(n) : "");
        }
        body.append("    DELETE FROM vinekit_restore.whole;\n");
        for (List<String> sequence : TextRows.of(statement, SEQUENCES)) {
            body.append(reset(statement, sequence.get(0)));
        }
        return script + "CREATE FUNCTION vinekit_restore.restore() RETURNS boolean LANGUAGE plpgsql AS $restore$\n" + body
                + "    RETURN true;\nEND $restore$;\n";
    }

    private static String reset(Statement statement, String sequence) throws SQLException {
        try (ResultSet row = statement.executeQuery("SELECT last_value, is_called FROM " + sequence)) {
            row.next();
            String state = row.getLong(1) + ", " + row.getBoolean(2);
            return "    PERFORM pg_catalog.setval('" + sequence.replace("'", "''") + "', " + state + ") FROM " + sequence
                    + "\n        WHERE (last_value, is_called) IS DISTINCT FROM (" + state + ");\n";
        }
    }

    private static List<WrittenTable> tables(Statement statement) throws SQLException {
        List<WrittenTable> tables = new ArrayList<>();
        try (ResultSet row = statement.executeQuery(TABLES)) {
            while (row.next()) {
                String root = row.getString(3);
                tables.add(new WrittenTable(row.getString(1), row.getBoolean(2),
                        root == null ? row.getString(1) : root, texts(row, 4), texts(row, 5)));
            }
        }
        return tables;
    }

    private static List<String> texts(ResultSet row, int column) throws SQLException {
        return List.of((String[]) row.getArray(column).getArray());
    }

    /**
     * A table, with all names as SQL spells them.
     *
     * @param root the table that it is a part of, or itself
     * @param columns all that are not computed
     * @param key what tells its rows apart; empty if nothing does
     */
    private record WrittenTable(String name, boolean partitioned, String root, List<String> columns, List<String> key) {
        /** The table without those that inherit from it, which are put back themselves. */
        String alone() {
            return (partitioned ? "" : "ONLY ") + name;
        }

        /** A copy of its rows, and where the keys of touched ones are written down. */
        String copied(int n) {
            String copy = "CREATE UNLOGGED TABLE vinekit_restore.rows_" + n + " AS SELECT " + list(columns) + " FROM "
                    + alone() + ";\n";
            return key.isEmpty() ? copy : copy + "ALTER TABLE vinekit_restore.rows_" + n + " ADD PRIMARY KEY ("
                    + list(key) + ");\n"
                    + "CREATE UNLOGGED TABLE vinekit_restore.keys_" + n + " AS SELECT " + list(key) + " FROM " + alone()
                    + " WITH NO DATA;\n" + touch(n);
        }

        private String touch(int n) {
            return """
                    CREATE FUNCTION vinekit_restore.touch_%1$s() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER AS $touch$
                    BEGIN
                        IF TG_OP <> 'INSERT' THEN
                            INSERT INTO vinekit_restore.keys_%1$s VALUES (%2$s);
                        END IF;
                        IF TG_OP <> 'DELETE' THEN
                            INSERT INTO vinekit_restore.keys_%1$s VALUES (%3$s);
                        END IF;
                        RETURN NULL;
                    END $touch$;
                    """.formatted(n, of("OLD."), of("NEW."));
        }

        /** The triggers; those for rows of a table are on its partitions by themselves. */
        String watched(int n) {
            boolean whole = key.isEmpty();
            String events = whole ? "INSERT OR UPDATE OR DELETE OR TRUNCATE" : "TRUNCATE";
            String emptied = "CREATE TRIGGER vinekit_restore_whole AFTER " + events + " ON " + name
                    + " FOR EACH STATEMENT EXECUTE FUNCTION vinekit_restore.touch_whole('" + n + "');\n";
            return whole || !root.equals(name) ? emptied : emptied
                    + "CREATE TRIGGER vinekit_restore_rows AFTER INSERT OR UPDATE OR DELETE ON " + name
                    + " FOR EACH ROW EXECUTE FUNCTION vinekit_restore.touch_" + n + "();\n";
        }

        String putBack(int n) {
            if (columns.isEmpty()) {
                return "    IF EXISTS (SELECT FROM vinekit_restore.whole WHERE n = " + n + ") THEN\n        RETURN false;\n"
                        + "    END IF;\n";
            }
            String copied = "INSERT INTO " + name + " (" + list(columns) + ") OVERRIDING SYSTEM VALUE SELECT " + list(columns)
                    + " FROM vinekit_restore.rows_" + n;
            String whole = """
                        IF EXISTS (SELECT FROM vinekit_restore.whole WHERE n = %s) THEN
                            DELETE FROM %s;
                            %s;
                    """.formatted(n, alone(), copied);
            String touched = " WHERE (" + list(key) + ") IN (SELECT " + list(key) + " FROM vinekit_restore.keys_" + n + ")";
            return whole + (key.isEmpty() ? "    END IF;\n" : """
                            DELETE FROM vinekit_restore.keys_%1$s;
                        ELSIF EXISTS (SELECT FROM vinekit_restore.keys_%1$s) THEN
                            DELETE FROM %2$s%3$s;
                            %4$s%3$s;
                            DELETE FROM vinekit_restore.keys_%1$s;
                        END IF;
                    """.formatted(n, alone(), touched, copied));
        }

        private String of(String row) {
            return key.stream().map(column -> row + column).collect(Collectors.joining(", "));
        }

        private static String list(List<String> names) {
            return String.join(", ", names);
        }
    }
}
