import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.schema.Schema;
import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;

/** Reads a PostgreSQL schema of many tables in three ways, and tells how long each takes. */
public final class ReadBench {
    private static final List<String> BARE = List.of(
            "SELECT n.nspname, c.relname, c.relkind, obj_description(c.oid, 'pg_class') FROM pg_class c "
                    + "JOIN pg_namespace n ON n.oid = c.relnamespace WHERE n.nspname = 'public'",
            "SELECT c.relname, a.attname, format_type(a.atttypid, a.atttypmod), a.attnotnull, "
                    + "pg_get_expr(d.adbin, d.adrelid), col_description(c.oid, a.attnum) FROM pg_attribute a "
                    + "JOIN pg_class c ON c.oid = a.attrelid JOIN pg_namespace n ON n.oid = c.relnamespace "
                    + "LEFT JOIN pg_attrdef d ON d.adrelid = a.attrelid AND d.adnum = a.attnum "
                    + "WHERE n.nspname = 'public' AND a.attnum > 0 ORDER BY a.attnum",
            "SELECT c.relname, k.conname, k.contype, k.conkey, k.confkey, pg_get_constraintdef(k.oid) FROM pg_constraint k "
                    + "JOIN pg_class c ON c.oid = k.conrelid JOIN pg_namespace n ON n.oid = c.relnamespace "
                    + "WHERE n.nspname = 'public'",
            "SELECT c.relname, x.relname, i.indisunique, i.indkey, pg_get_indexdef(i.indexrelid) FROM pg_index i "
                    + "JOIN pg_class x ON x.oid = i.indexrelid JOIN pg_class c ON c.oid = i.indrelid "
                    + "JOIN pg_namespace n ON n.oid = c.relnamespace WHERE n.nspname = 'public'");

    private ReadBench() {
    }

    public static void main(String[] arguments) throws SQLException {
        int tables = Integer.parseInt(arguments[0]);
        boolean walks = arguments.length > 1 && arguments[1].equals("walk");
        Engine engine = Engines.named("postgresql");
        try (ScratchDatabase scratch = engine.scratch(); Connection connection = scratch.connect()) {
            scratch.execute(script(tables));
            if (walks) {
                for (int run = 1; run <= 3; run++) {
                    long bare = time(() -> bare(connection));
                    long read = time(() -> engine.read(connection, List.of()));
                    System.out.printf("run %d: bare catalog queries %d ms, read %d ms, ratio %.2f%n",
                            run, bare, read, (double) read / bare);
                }
                long read = time(() -> engine.read(connection, List.of()));
                long walk = time(() -> walk(connection));
                System.out.printf("metadata walk %d ms, read %d ms, ratio %.0f%n", walk, read, (double) walk / read);
            } else {
                Schema schema = engine.read(connection, List.of());
                System.gc();
                Runtime runtime = Runtime.getRuntime();
                System.out.printf("%d tables read; %d MB in use of at most %d MB%n", schema.tables().size(),
                        (runtime.totalMemory() - runtime.freeMemory()) >> 20, runtime.maxMemory() >> 20);
            }
        }
        System.exit(0);
    }

    private interface Work {
        void run() throws SQLException;
    }

    private static long time(Work work) throws SQLException {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1_000_000;
    }

    /** Twelve columns, a key, a unique constraint, two checks and a reference in each table. */
    private static String script(int tables) {
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < tables; i++) {
            script.append("CREATE TABLE t").append(i).append(" (id BIGINT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, "
                    + "code VARCHAR(20) NOT NULL UNIQUE, name VARCHAR(80) NOT NULL DEFAULT 'none', "
                    + "amount NUMERIC(9,2) CHECK (amount >= 0), kind VARCHAR(10) CHECK (kind IN ('a', 'b', 'c')), "
                    + "day DATE DEFAULT CURRENT_DATE, at TIMESTAMPTZ, flag BOOLEAN DEFAULT FALSE NOT NULL, note TEXT, "
                    + "number INTEGER, data JSONB, parent_id BIGINT REFERENCES t").append(i == 0 ? 0 : i - 1)
                    .append(" (id));\n");
        }
        return script.toString();
    }

    private static void bare(Connection connection) throws SQLException {
        for (String sql : BARE) {
            try (Statement statement = connection.createStatement(); ResultSet row = statement.executeQuery(sql)) {
                drain(row);
            }
        }
    }

    private static void walk(Connection connection) throws SQLException {
        DatabaseMetaData metadata = connection.getMetaData();
        try (ResultSet table = metadata.getTables(null, "public", "%", new String[] {"TABLE"})) {
            while (table.next()) {
                String name = table.getString("TABLE_NAME");
                try (ResultSet rows = metadata.getColumns(null, "public", name, "%")) {
                    drain(rows);
                }
                try (ResultSet rows = metadata.getPrimaryKeys(null, "public", name)) {
                    drain(rows);
                }
                try (ResultSet rows = metadata.getImportedKeys(null, "public", name)) {
                    drain(rows);
                }
                try (ResultSet rows = metadata.getExportedKeys(null, "public", name)) {
                    drain(rows);
                }
                try (ResultSet rows = metadata.getIndexInfo(null, "public", name, false, true)) {
                    drain(rows);
                }
            }
        }
    }

    private static void drain(ResultSet rows) throws SQLException {
        int width = rows.getMetaData().getColumnCount();
        while (rows.next()) {
            for (int i = 1; i <= width; i++) {
                rows.getString(i);
            }
        }
    }
}
