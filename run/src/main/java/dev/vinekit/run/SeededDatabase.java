package dev.vinekit.run;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchPlace;
import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.project.SourceFolders;
import dev.vinekit.schema.Schema;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;

/** A scratch database with the tables and the seed rows of a project; it goes away when it is closed. */
public final class SeededDatabase implements AutoCloseable {
    private static final Path SCRIPTS = Path.of("src/main/resources/db");

    private final ScratchDatabase scratch;

    private SeededDatabase(ScratchDatabase scratch) {
        this.scratch = scratch;
    }

    /** A database as the project's own scripts make it. */
    public static SeededDatabase of(Project project) {
        return of(project, script(project, "schema.sql"), ScratchPlace.of(Engines.named(project.service().engine())));
    }

    /**
     * A database with other tables, and the project's seed rows.
     *
     * @param definition the statements that make the tables
     */
    public static SeededDatabase of(Project project, String definition, ScratchPlace place) {
        return seeded(project, made(() -> place.with(definition)));
    }

    /**
     * A database as the project's own scripts make it, which stays in the project's folder {@code target}.
     *
     * @throws Fault if the engine keeps databases on servers only
     */
    public static SeededDatabase kept(Project project) {
        try {
            return filled(project, Engines.named(project.service().engine())
                    .keptIn(project.path("target/vinekit")));
        } catch (SQLException | IOException e) {
            throw Fault.inWorld("A database could not be made in " + project.path("target/vinekit")
                    + ": " + e.getMessage() + ".",
                    "Close whatever has the last one open.", e);
        }
    }

    /** A database on a server, made and dropped there. */
    public static SeededDatabase onServer(Project project, Database server) {
        try {
            return filled(project, server.engine().scratchOn(server));
        } catch (SQLException e) {
            throw refused(server, e);
        }
    }

    /**
     * A database that somebody has made for this, with the tables and rows that the project's scripts make in it; they
     * are left there.
     *
     * @throws Fault if it is not empty
     */
    public static SeededDatabase on(Project project, Database empty) {
        try {
            ScratchDatabase database = new ScratchDatabase(
                    empty.engine(), empty.url(), empty.user(), empty.password(), () -> { });
            Schema schema = empty.engine().read(database.anchor(), List.of());
            if (!schema.tables().isEmpty()) {
                database.close();
                throw Fault.inCall(empty + " is not empty: it has the table " + schema.tables().get(0).name() + ".",
                        "Name a database made for the tests alone.");
            }
            return filled(project, database);
        } catch (SQLException e) {
            throw refused(empty, e);
        }
    }

    private static Fault refused(Database database, SQLException e) {
        Engine.ConnectionAdvice advice = database.engine().explain(database.url(), database.user(), e);
        return Fault.inWorld(advice.cause(), advice.fix(), e);
    }

    private static SeededDatabase filled(Project project, ScratchDatabase scratch) {
        String definition = script(project, "schema.sql");
        return seeded(project, made(() -> {
            try {
                scratch.execute(definition);
                return scratch;
            } catch (SQLException e) {
                scratch.close();
                throw e;
            }
        }));
    }

    private static ScratchDatabase made(Making making) {
        try {
            return making.run();
        } catch (SQLException e) {
            throw refused("table definitions", e);
        }
    }

    private static SeededDatabase seeded(Project project, ScratchDatabase scratch) {
        SeededDatabase database = new SeededDatabase(scratch);
        try {
            scratch.execute(script(project, "seed.sql"));
            List<String> broken = Engines.named(project.service().engine()).brokenReferences(scratch.anchor());
            if (!broken.isEmpty()) {
                throw Fault.inCall("Seed rows refer to rows that are not there: from " + String.join(", from ", broken)
                        + ".",
                        "Correct " + SCRIPTS + "/seed.sql in the project, or generate it again.");
            }
            return database;
        } catch (SQLException e) {
            database.close();
            throw refused("seed rows", e);
        } catch (RuntimeException e) {
            database.close();
            throw e;
        }
    }

    private interface Making {
        ScratchDatabase run() throws SQLException;
    }

    public String url() {
        return scratch.url();
    }

    public String user() {
        return scratch.user();
    }

    public String password() {
        return scratch.password();
    }

    Connection connect() throws SQLException {
        return scratch.connect();
    }

    private static Fault refused(String what, SQLException e) {
        String reason = String.valueOf(e.getMessage()).lines().findFirst().orElse("");
        return Fault.inCall("The scratch database does not take the " + what + ": "
                        + reason.replaceAll("; SQL statement:$", ".").replaceAll(" \\[\\d+-\\d+]$", "."),
                "Correct " + SCRIPTS + "/*.sql in the project, or generate it again.");
    }

    private static String script(Project project, String name) {
        Path file = SourceFolders.of(project.directory()).scripts(project.directory()).resolve(name);
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw Fault.inWorld("Reading " + file + " failed.", "Restore the file, or generate the project again.", e);
        }
    }

    @Override
    public void close() {
        scratch.close();
    }
}
