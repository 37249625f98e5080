package dev.vinekit.change;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Programs;
import dev.vinekit.TestDatabases;
import dev.vinekit.sql.Script;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.h2.tools.RunScript;

/** The ways in which people apply a script. */
enum Client {
    /** One statement after the other, until one fails. */
    STOPS {
        @Override
        void apply(TestDatabases database, String script) throws SQLException {
            try (Connection connection = database.scratch().connect()) {
                run(connection, database, script, false);
            }
        }
    },
    /** One statement after the other, whatever fails. */
    GOES_ON {
        @Override
        void apply(TestDatabases database, String script) throws SQLException {
            try (Connection connection = database.scratch().connect()) {
                run(connection, database, script, true);
            }
        }
    },
    /** All statements in a transaction, which is rolled back if one fails, as runners of change scripts do. */
    IN_A_TRANSACTION {
        @Override
        void apply(TestDatabases database, String script) throws SQLException {
            try (Connection connection = database.scratch().connect()) {
                connection.setAutoCommit(false);
                if (run(connection, database, script, false)) {
                    connection.commit();
                } else {
                    connection.rollback();
                }
            }
        }
    },
    /** The engine's own program as it is started by default: most go on after an error. */
    PROGRAM {
        @Override
        void apply(TestDatabases database, String script) throws SQLException, IOException, InterruptedException {
            Path file = Files.createTempFile("change", ".sql");
            try {
                Files.writeString(file, script);
                program(database, file);
            } finally {
                Files.delete(file);
            }
        }
    };

    private static final Pattern PLACE = Pattern.compile("//([^:/]+):(\\d+)/([^?]+)");

    abstract void apply(TestDatabases database, String script) throws SQLException, IOException, InterruptedException;

    /** Whether no statement failed. */
    private static boolean run(Connection connection, TestDatabases database, String script, boolean goesOn)
            throws SQLException {
        boolean good = true;
        boolean isSqlite = database.scratch().engine().name().equals("sqlite");
        if (isSqlite && connection.getAutoCommit()) {
            try (Statement statement = connection.createStatement()) {
                statement.execute("PRAGMA foreign_keys = OFF");
            }
        }
        for (Script.Part part : Script.parts(script, database.scratch().engine().scriptSyntax())) {
            try (Statement statement = connection.createStatement()) {
                statement.execute(part.text());
            } catch (SQLException e) {
                good = false;
                if (!goesOn) {
                    return false;
                }
            }
        }
        return good;
    }

    private static void program(TestDatabases database, Path script)
            throws SQLException, IOException, InterruptedException {
        String url = database.scratch().url();
        Matcher place = PLACE.matcher(url);
        boolean isServer = place.find();
        String user = database.scratch().user();
        String password = database.scratch().password();
        switch (database.scratch().engine().name()) {
            case "h2" -> runScript(database, script);
            case "sqlite" -> start(List.of("sqlite3", url.replaceAll("^jdbc:sqlite:|[?].*", "")), Map.of(), script);
            case "postgresql" -> start(List.of("psql", "-X", "-q", "-h", place.group(1), "-p", place.group(2), "-U", user,
                    "-d", place.group(3)), Map.of("PGPASSWORD", password), script);
            case "mariadb" -> start(List.of("mariadb", "--no-defaults", "--force", "--protocol=tcp", "-h", place.group(1),
                    "-P", place.group(2), "-u", user, place.group(3)), Map.of("MYSQL_PWD", password), script);
            default -> GOES_ON.apply(database, Files.readString(script));
        }
    }

    /** H2's own tool; where it is told to go on, it prints each error. */
    private static void runScript(TestDatabases database, Path script) throws SQLException, IOException {
        try (Connection connection = database.scratch().connect(); Reader text = Files.newBufferedReader(script)) {
            RunScript.execute(connection, text);
        } catch (SQLException e) {
            assertThat(e.getMessage()).as("a refusal says why").isNotBlank();
        }
    }

    private static void start(List<String> command, Map<String, String> environment, Path script)
            throws IOException, InterruptedException {
        Programs.require(command.get(0));
        ProcessBuilder builder = new ProcessBuilder(new ArrayList<>(command)).redirectInput(script.toFile())
                .redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD);
        builder.environment().putAll(environment);
        Process process = builder.start();
        if (!process.waitFor(60, TimeUnit.SECONDS)) {
            process.destroyForcibly();
            throw new IOException(command.get(0) + " did not end");
        }
    }
}
