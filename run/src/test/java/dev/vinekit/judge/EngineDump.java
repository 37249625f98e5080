package dev.vinekit.judge;

import dev.vinekit.Programs;
import dev.vinekit.engine.Database;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * What an engine's own program writes of a database: a second opinion on everything that this project reads and
 * defines.
 */
final class EngineDump {
    private static final Pattern SERVER = Pattern.compile("jdbc:\\w+://([^:/]+):(\\d+)/([^?]*).*");

    private EngineDump() {
    }

    /**
     * The programs that write dumps here: PostgreSQL's as the environment variable {@code PG_DUMP} names it, for it
     * must not be older than the server, and MariaDB's as it is installed.
     */
    static Optional<Path> program(String engine) {
        return switch (engine) {
            case "postgresql" -> Optional.ofNullable(System.getenv("PG_DUMP")).map(Path::of).filter(Files::isExecutable);
            case "mariadb" -> Programs.find("mariadb-dump");
            default -> Optional.empty();
        };
    }

    /** The statements, those of tables with their lines; of engines without a program what the engine tells in SQL. */
    static List<String> of(Database database) throws SQLException, IOException, InterruptedException {
        return switch (database.engine().name()) {
            case "postgresql" -> postgresql(database);
            case "mariadb" -> mariadb(database);
            case "h2" -> rows(database, "SCRIPT NODATA NOPASSWORDS NOSETTINGS");
            case "sqlite" -> sqlite(database);
            case "mysql" -> mysql(database);
            default -> throw new IllegalArgumentException("no dump of " + database.engine().name());
        };
    }

    private static List<String> postgresql(Database database) throws IOException, InterruptedException {
        Matcher server = SERVER.matcher(database.url());
        if (!server.matches()) {
            throw new IllegalArgumentException(database.url());
        }
        return statements(run("PGPASSWORD", database.password(), program("postgresql").orElseThrow().toString(),
                "--schema-only", "--no-owner",
                "--no-privileges", "-h", server.group(1), "-p", server.group(2), "-U", database.user(),
                server.group(3)));
    }

    private static List<String> mariadb(Database database) throws IOException, InterruptedException {
        Matcher server = SERVER.matcher(database.url());
        if (!server.matches()) {
            throw new IllegalArgumentException(database.url());
        }
        return statements(run("MYSQL_PWD", database.password(), program("mariadb").orElseThrow().toString(),
                "--no-data", "--routines",
                "--triggers", "--skip-comments", "--skip-add-drop-table", "--protocol=tcp", "-h", server.group(1),
                "-P", server.group(2),
                "-u", database.user(), server.group(3)));
    }

    /** How the server itself spells each thing: what a dump of MySQL's own is made of. */
    private static List<String> mysql(Database database) throws SQLException {
        List<String> statements = new ArrayList<>();
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            List<String> asked = new ArrayList<>();
            try (ResultSet row = statement.executeQuery("""
                    SELECT IF(TABLE_TYPE = 'VIEW', 'VIEW', 'TABLE'), TABLE_NAME FROM information_schema.TABLES
                    WHERE TABLE_SCHEMA = DATABASE()
                    UNION ALL SELECT 'TRIGGER', TRIGGER_NAME FROM information_schema.TRIGGERS
                    WHERE TRIGGER_SCHEMA = DATABASE()
                    UNION ALL SELECT ROUTINE_TYPE, ROUTINE_NAME FROM information_schema.ROUTINES
                    WHERE ROUTINE_SCHEMA = DATABASE()
                    """)) {
                while (row.next()) {
                    asked.add("SHOW CREATE " + row.getString(1) + " `" + row.getString(2).replace("`", "``") + "`");
                }
            }
            for (String show : asked) {
                try (ResultSet row = statement.executeQuery(show)) {
                    row.next();
                    statements.add(row.getString(show.matches("SHOW CREATE (?:TABLE|VIEW) (?s).*") ? 2 : 3));
                }
            }
        }
        return statements;
    }

    /** What the pragmas tell, and the text of whatever is no table. */
    private static List<String> sqlite(Database database) throws SQLException {
        List<String> told = new ArrayList<>();
        told.addAll(
                rows(database,
                        "SELECT 'table ' || l.name || ' ' || l.type || ' ' || l.wr || ' ' || l.strict FROM pragma_table_list l WHERE l.schema = 'main' "
                + "AND l.name NOT LIKE 'sqlite\\_%' ESCAPE '\\'"));
        told.addAll(
                rows(database,
                        "SELECT 'column ' || s.name || '.' || c.name || ' ' || c.type || ' ' || c.\"notnull\" || ' ' || c.pk || ' ' || c.hidden "
                + "|| ' default ' || COALESCE(c.dflt_value, 'none') FROM sqlite_schema s JOIN pragma_table_xinfo(s.name) c WHERE s.type IN ('table', 'view')"));
        told.addAll(
                rows(database,
                        "SELECT 'reference ' || s.name || ' ' || group_concat(f.\"from\" || ' to ' || f.\"table\" || '.' || COALESCE(f.\"to\", "
                + "(SELECT k.name FROM pragma_table_info(f.\"table\") k WHERE k.pk = f.seq + 1)) || ' ' || f.on_update || ' ' || f.on_delete || ' ' || f.match) "
                + "FROM sqlite_schema s JOIN pragma_foreign_key_list(s.name) f WHERE s.type = 'table' GROUP BY s.name, f.id"));
        told.addAll(
                rows(database,
                        "SELECT 'index ' || CASE WHEN i.name LIKE 'sqlite\\_autoindex%' ESCAPE '\\' THEN '' ELSE i.name END || ' on ' || s.name || ' ' || i.\"unique\" "
                + "|| ' ' || i.origin || ' ' || i.partial || ' ' || (SELECT group_concat(COALESCE(x.name, '?') || ' ' || x.desc || ' ' || x.coll) FROM pragma_index_xinfo(i.name) x WHERE x.key) "
                + "FROM sqlite_schema s JOIN pragma_index_list(s.name) i WHERE s.type = 'table'"));
        told.addAll(
                rows(database,
                        "SELECT sql FROM sqlite_schema d WHERE type IN ('view', 'trigger') OR type = 'index' AND (SELECT i.partial FROM "
                + "pragma_index_list(d.tbl_name) i WHERE i.name = d.name) OR type = 'index' AND EXISTS (SELECT 1 FROM pragma_index_xinfo(d.name) x WHERE x.cid = -2)"));
        return told;
    }

    private static List<String> rows(Database database, String sql) throws SQLException {
        List<String> rows = new ArrayList<>();
        try (Connection connection = database.connect(); Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            while (row.next()) {
                rows.add(row.getString(1));
            }
        }
        return rows;
    }

    private static String run(String variable, String secret, String... command) throws IOException,
            InterruptedException {
        Path output = Files.createTempFile("dump", ".sql");
        try {
            ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true)
                    .redirectOutput(output.toFile());
            builder.environment().put(variable, secret);
            int code = builder.start().waitFor();
            String text = Files.readString(output, StandardCharsets.UTF_8);
            if (code != 0) {
                throw new IOException(command[0] + " ended with " + code + ": "
                        + text.lines().limit(3).collect(Collectors.joining(" ")));
            }
            return text;
        } finally {
            Files.deleteIfExists(output);
        }
    }

    /** Statements as the dump lays them out: each ends with a line that a semicolon ends, and begins a line. */
    private static List<String> statements(String dump) {
        List<String> statements = new ArrayList<>();
        StringBuilder open = new StringBuilder();
        for (String line : dump.split("\n", -1)) {
            if (open.isEmpty() && (line.isBlank() || line.startsWith("--") || line.startsWith("DELIMITER")
                    || line.startsWith("\\"))) {
                continue;
            }
            open.append(line).append('\n');
            if (line.endsWith(";") && quotesAreEven(open)) {
                statements.add(open.toString().strip());
                open.setLength(0);
            }
        }
        return statements;
    }

    /** Whether no text in dollars is open. */
    private static boolean quotesAreEven(StringBuilder text) {
        Matcher dollars = Pattern.compile("\\$\\w*\\$").matcher(text);
        int count = 0;
        while (dollars.find()) {
            count++;
        }
        return count % 2 == 0;
    }
}
