package dev.vinekit.cli;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.fault.Fault;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Which database, and which part of it. */
final class SourceOptions {
    @Option(names = "--url", paramLabel = "URL", description = "JDBC URL, for example jdbc:h2:./data/cellar.")
    private String url;

    @Mixin
    private LoginOptions login;

    @Option(names = "--script", paramLabel = "FILE",
            description = "SQL script, a dump for instance, to read instead of a database; needs --engine.")
    private Path script;

    @Option(names = "--engine", paramLabel = "NAME",
            description = "What the script is written for: h2, postgresql, mariadb or sqlite.")
    private String engine;

    @Option(names = "--schema", paramLabel = "NAME", split = ",",
            description = "Schemas to read; the login's default schema otherwise.")
    private List<String> schemas = List.of();

    @Option(names = "--tables", paramLabel = "NAME", split = ",",
            description = "Tables to read, with * for any letters; what they need comes along.")
    private List<String> tables = List.of();

    boolean isGiven() {
        return url != null || script != null;
    }

    boolean isScript() {
        return script != null;
    }

    /** The database, or a scratch database that the script has made; whoever opens it closes it. */
    Source open(OutputOptions output) {
        if (script == null) {
            return new Source(database(), false, () -> { });
        }
        if (url != null) {
            throw Fault.inCall("Both --url and --script are given.", "Name a database or a script, not both.");
        }
        if (engine == null) {
            throw Fault.inCall("--script needs the engine that the script is written for.",
                    "Add --engine with one of: " + Engines.all().stream().filter(any -> !any.libraries().isEmpty())
                            .map(Engine::name).collect(Collectors.joining(", ")) + ".");
        }
        ScriptDatabase loaded = output.stages().run("load", () -> VineKit.load(engine, script),
                database -> script + " into a scratch database"
                        + (database.skipped().isEmpty() ? "" : ", " + skipped(database) + " skipped"));
        output.stages().skipped(loaded.skipped());
        return new Source(loaded.database(), true, loaded::close);
    }

    private static String skipped(ScriptDatabase database) {
        return Steps.count(database.skipped().size(), "statement", "statements");
    }

    /** The database that is named by its URL. */
    private Database database() {
        if (url == null) {
            throw Fault.inCall("No database is named.", "Name one with --url, for example --url jdbc:h2:./data/cellar, "
                    + "or a script with --script.");
        }
        return login.database(url);
    }

    Scope scope() {
        return new Scope(schemas, tables);
    }

    boolean namesTables() {
        return !tables.isEmpty();
    }

    /** Another database with the same login. */
    Database login(String anotherUrl) {
        return login.database(anotherUrl);
    }
}
