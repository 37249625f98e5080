package dev.vinekit.cli;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Decisions;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.ProjectPaths;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Which database, and which part of it: as the options say, or else the mapping file. */
final class SourceOptions {
    @Option(names = "--url", paramLabel = "URL", description = "JDBC URL, for example jdbc:h2:./data/cellar.")
    private String url;

    @Mixin
    private LoginOptions login;

    @Option(names = "--script", paramLabel = "FILE",
            description = "SQL script, a dump for instance, or a folder of scripts in their order, to read instead of a "
            + "database; needs --engine.")
    private Path script;

    @Option(names = "--engine", paramLabel = "NAME", completionCandidates = ScriptEngines.class,
            description = "What the script is written for: ${COMPLETION-CANDIDATES}.")
    private String engine;

    @Option(names = "--connection", paramLabel = "NAME",
            description = "Database that the mapping file has under this name, in its section connections.")
    private String connection;

    @Option(names = "--schema", paramLabel = "NAME", split = ",",
            description = "Schemas to read; the login's default schema otherwise.")
    private List<String> schemas = List.of();

    @Option(names = "--tables", paramLabel = "NAME", split = ",",
            description = "Tables to read, with * for any letters; what they need comes along.")
    private List<String> tables = List.of();

    @Option(names = "--config", paramLabel = "FILE",
            description = "Mapping file (default: " + MappingFile.NAME
            + " in the project's directory, if it is there).")
    private Path config;

    private Path file = Path.of(MappingFile.NAME);
    private MappingFile decided = MappingFile.NONE;

    boolean isGiven() {
        return url != null || script != null || connection != null;
    }

    boolean isScript() {
        return script != null;
    }

    /**
     * Reads the mapping file; to be called before all else.
     *
     * @param directory where it is looked for
     */
    MappingFile inDirectory(Path directory) {
        file = config == null ? ProjectPaths.of(directory).resolve(MappingFile.NAME).normalize() : config;
        if (config != null && !Files.exists(config)) {
            throw Fault.inCall("There is no mapping file " + config + ".",
                    "Name another with --config, or let map write it.");
        }
        decided = Files.exists(file) ? MappingFile.read(file, System.getenv(), !isGiven()) : MappingFile.NONE;
        return decided;
    }

    /** Where the mapping file is, or would be. */
    Path file() {
        return file;
    }

    /** The database, or a scratch database that the script has made; whoever opens it closes it. */
    Source open(OutputOptions output) {
        Decisions.Source said = said();
        if (!isGiven()) {
            decided.verifySource();
        }
        if (connection != null && (url != null || script != null)) {
            throw Fault.inCall("--connection and --url or --script are given.", "Name one of them.");
        }
        if (connection != null || !isGiven() && (said.url().isPresent() || said.script().isPresent())) {
            return open(output, said);
        }
        if (script == null) {
            return new Source(login.admitted(database()), false, () -> { });
        }
        if (url != null) {
            throw Fault.inCall("Both --url and --script are given.", "Name a database or a script, not both.");
        }
        if (engine == null) {
            throw Fault.inCall("--script needs the engine that the script is written for.",
                    "Add --engine with one of: " + Engines.all().stream().filter(any -> !any.libraries().isEmpty())
                            .map(Engine::name).collect(Collectors.joining(", ")) + ".");
        }
        return load(output, engine, script);
    }

    /** What the mapping file names; the login of the command line comes first. */
    private Source open(OutputOptions output, Decisions.Source said) {
        if (said.url().isPresent() && said.script().isPresent() || said.script().isPresent()
                && said.engine().isEmpty()) {
            throw Fault.inCall(file + " must name a url, or a script together with its engine.",
                    "Correct the section source.");
        }
        if (said.script().isPresent()) {
            Path folder = file.toAbsolutePath().getParent();
            return load(output, said.engine().get(), ProjectPaths.of(folder).resolve(said.script().get()));
        }
        return new Source(login.admitted(login.database(file.toString(), said.url().get(), said.user().orElse(""), said.password().orElse(""))),
                false, () -> { });
    }

    /** What the mapping file says of the database: of that under the name of the option, or else of the usual one. */
    private Decisions.Source said() {
        return connection == null ? decided.decisions().source() : decided.connection(connection);
    }

    private static Source load(OutputOptions output, String engine, Path script) {
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
                    + "a script with --script, or either in " + MappingFile.NAME + ". None at hand? vinekit demo needs none.");
        }
        return login.database(url);
    }

    Scope scope() {
        Decisions said = decided.decisions();
        return new Scope(
                schemas.isEmpty() ? said().schemas() : schemas,
                tables.isEmpty() ? said.tables().include() : tables,
                said.tables().exclude());
    }

    /** The tables that the command line names. */
    Scope tables() {
        return new Scope(List.of(), tables);
    }

    /** What the mapping file chooses, whatever tables the command line names. */
    Scope scopeOfAllTables() {
        Scope scope = scope();
        return new Scope(scope.schemas(), decided.decisions().tables().include(), scope.excluded());
    }

    boolean namesTables() {
        return !tables.isEmpty();
    }

    /** What a new mapping file says of the source that the options name; a password is never in it. */
    Map<String, String> section(Path beside) {
        Map<String, String> section = new LinkedHashMap<>();
        if (script != null) {
            Path folder = beside.toAbsolutePath().normalize();
            Path absolute = script.toAbsolutePath().normalize();
            if (absolute.startsWith(folder)) {
                section.put("script", folder.relativize(absolute).toString().replace('\\', '/'));
                section.put("engine", engine);
            }
        } else if (url != null) {
            section.put("url", login.database(url).urlWithout("${DB_PASSWORD}"));
            login.section(section);
        }
        return section;
    }

    /** Another database with the same login. */
    Database login(String anotherUrl) {
        return login.database(anotherUrl);
    }
}
