package dev.vinekit;

import dev.vinekit.cellar.Cellar;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.mariadb.MariadbAdministrator;
import dev.vinekit.engine.postgresql.PostgresqlAdministrator;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Assumptions;

/** Databases for tests, each gone when it is closed. */
public final class TestDatabases implements AutoCloseable {
    private final Engine engine;
    private final ScratchDatabase scratch;

    private TestDatabases(Engine engine, ScratchDatabase scratch) {
        this.engine = engine;
        this.scratch = scratch;
    }

    /** An H2 database in memory made by a script. */
    public static TestDatabases h2(String script) throws SQLException {
        return on("h2", script);
    }

    /**
     * Skips the test on a machine without the server that the engine needs. Continuous integration installs it, and
     * fails if a test was skipped.
     */
    public static void require(String engineName) {
        boolean missing = engineName.equals("mariadb") && Stream.of("/usr/sbin", "/usr/bin", "/usr/local/bin")
                .noneMatch(folder -> Files.isExecutable(Path.of(folder, "mariadbd")));
        Assumptions.assumeFalse(missing, "There is no MariaDB server here.");
    }

    /** The cellar on an engine. */
    public static Cellar cellar(String engineName) {
        require(engineName);
        return Cellar.open(engineName);
    }

    /** A database on an engine made by a script. */
    public static TestDatabases on(String engineName, String script) throws SQLException {
        require(engineName);
        Engine engine = Engines.named(engineName);
        ScratchDatabase scratch = engine.scratch();
        scratch.execute(script);
        return new TestDatabases(engine, scratch);
    }

    /** A database where the login may do everything, also make other logins. */
    public static TestDatabases administered(String engineName, String script) throws SQLException {
        Engine engine = Engines.named(engineName);
        ScratchDatabase scratch = administered(engine);
        scratch.execute(script);
        return new TestDatabases(engine, scratch);
    }

    /** An empty database of the same kind; where only the file system says who may do what, any. */
    public static ScratchDatabase administered(Engine engine) throws SQLException {
        return switch (engine.name()) {
            case "h2" -> new ScratchDatabase(engine, "jdbc:h2:mem:administered-" + UUID.randomUUID(), "sa", "",
                    () -> { });
            case "sqlite" -> engine.scratch();
            default -> engine.scratchOn(administrator(engine.name()));
        };
    }

    /** The login that may do everything on a server. */
    public static Database administrator(String engineName) throws SQLException {
        require(engineName);
        return engineName.equals("mariadb") ? MariadbAdministrator.database() : PostgresqlAdministrator.database();
    }

    /**
     * Every clause that an engine has for tables and what is about them, and names that nobody would choose who had to
     * generate code.
     */
    public static TestDatabases clauses(String engineName) throws SQLException, IOException {
        return on(engineName, clausesScript(engineName));
    }

    /** The same as a script. */
    public static String clausesScript(String engineName) throws IOException {
        try (InputStream script = TestDatabases.class.getResourceAsStream("clauses-" + engineName + ".sql")) {
            String wide = IntStream.rangeClosed(1, 200).mapToObj(i -> ", c" + i + " INT")
                    .collect(Collectors.joining("", "CREATE TABLE wide (id INT PRIMARY KEY", ");"));
            return new String(script.readAllBytes(), StandardCharsets.UTF_8) + wide;
        }
    }

    public Database database() {
        return new Database(engine, scratch.url(), scratch.user(), scratch.password());
    }

    /** Runs another script. */
    public void run(String script) throws SQLException {
        scratch.execute(script);
    }

    @Override
    public void close() throws SQLException {
        scratch.close();
    }
}
