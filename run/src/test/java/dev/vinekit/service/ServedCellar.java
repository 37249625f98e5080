package dev.vinekit.service;

import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.engine.Database;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import dev.vinekit.run.SeededDatabase;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The cellar's generated service at work, one for each engine, shared by tests that leave alone the rows of others. */
final class ServedCellar implements AutoCloseable {
    private static final Map<String, ServedCellar> SHARED = new HashMap<>();

    static {
        Runtime.getRuntime().addShutdownHook(new Thread(() -> SHARED.values().forEach(ServedCellar::close)));
    }

    private final Project project;
    private final SeededDatabase database;
    private final RunningService service;

    private ServedCellar(Project project, Map<String, String> settings) {
        this.project = project;
        this.database = SeededDatabase.of(project);
        this.service = Runner.serve(project, with(settings));
    }

    /** The one that tests share. */
    static synchronized ServedCellar on(String engine) {
        TestDatabases.require(engine);
        return SHARED.computeIfAbsent(engine, key -> new ServedCellar(project(key, ""), Map.of()));
    }

    /** One of its own on a database of its own. */
    static ServedCellar alone(Project project, Map<String, String> settings) {
        return new ServedCellar(project, settings);
    }

    /** The compiled project of another schema, without rows. */
    static Project project(String engine, String script, String mappingFile) {
        return CompiledProjects.SHARED.get(List.of(engine, script, mappingFile), directory -> {
            try (TestDatabases database = TestDatabases.on(engine, script)) {
                return generate(database.database(), mappingFile, "com.example.made", "", directory);
            }
        });
    }

    /** The compiled project, mapped as a mapping file says. */
    static Project project(String engine, String mappingFile) {
        return CompiledProjects.SHARED.get(List.of(engine, mappingFile), directory -> {
            try (Cellar cellar = TestDatabases.cellar(engine)) {
                return generate(cellar.database(), mappingFile.isEmpty() ? "{}\n" : mappingFile, "com.example.cellar",
                        Cellar.seed(engine), directory);
            }
        });
    }

    private static Project generate(
            Database database, String mappingFile, String basePackage, String seed, Path directory) throws IOException {
        Path file = Files.writeString(Files.createTempFile("vinekit", ".yaml"), mappingFile);
        Project project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(
                VineKit.read(database, Scope.all()), MappingFile.read(file, Map.of(), false).inPackage(basePackage),
                Set.of()), seed), directory));
        Files.delete(file);
        QuickCompiler.compileService(project);
        return project;
    }

    /** Another service on the same database. */
    RunningService replica(Map<String, String> settings) {
        return Runner.serve(project, with(settings));
    }

    /** Settings for a service on this database. */
    Map<String, String> with(Map<String, String> settings) {
        Map<String, String> all = new HashMap<>(Map.of("DB_URL", database.url(), "DB_USER", database.user(),
                "DB_PASSWORD", database.password(), "HTTP_PORT", "0", "HTTP_HOST", "127.0.0.1"));
        all.putAll(settings);
        return all;
    }

    /** A connection to the database itself. */
    Connection connect() throws SQLException {
        return DriverManager.getConnection(database.url(), database.user(), database.password());
    }

    Http http() {
        return new Http(url());
    }

    /** Where the entry point is. */
    String url() {
        return service.url();
    }

    Project project() {
        return project;
    }

    @Override
    public void close() {
        service.close();
        database.close();
    }
}
