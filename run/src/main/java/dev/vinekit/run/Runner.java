package dev.vinekit.run;

import dev.vinekit.Scope;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchPlace;
import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.source.SourceTree;
import dev.vinekit.schema.Schema;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * A generated project at work, one method a step: compile, test, serve. All throw {@link Fault}, which says what
 * would put things right.
 */
public final class Runner {
    private Runner() {
    }

    /**
     * Has the compiler look at generated sources, before they are written. Sources from custom templates, or that need
     * classes of the user, are not looked at, and none are in a Java without a compiler.
     *
     * @throws dev.vinekit.fault.Fault naming the table if they do not compile
     */
    public static void check(SourceTree sources) {
        GeneratedSources.check(sources);
    }

    /** Compiles what has changed in a project, and whatever depends on it, with this JDK. */
    public static Compilation compile(Project project) {
        return new ProjectCompiler(project.directory()).compile();
    }

    /** Compiles a project's service without its tests, as {@link #compile} does. */
    public static Compilation compileService(Project project) {
        return new ProjectCompiler(project.directory()).compileService();
    }

    /** Runs the tests of a compiled project on a scratch database, which is dropped afterwards. */
    public static TestReport test(Project project) {
        return test(project, Scope.all());
    }

    /**
     * Runs the tests of some tables of a compiled project on a scratch database, which is dropped afterwards.
     *
     * @param scope names the tables; all, and the service as a whole, if it names none
     * @throws Fault if a name fits no table
     */
    public static TestReport test(Project project, Scope scope) {
        return new TestRun(project, scope.chosen(project.service())).onEach(() -> SeededDatabase.of(project));
    }

    /**
     * Runs one of several parts of the tests of a compiled project on a scratch database, which is dropped afterwards.
     *
     * @param scope names the tables; all, and the service as a whole, if it names none
     * @throws Fault if a name fits no table, or there are more parts than tables
     */
    public static TestReport test(Project project, Scope scope, Shard shard) {
        return TestRun.of(project, scope.chosen(project.service()), shard).onEach(() -> SeededDatabase.of(project));
    }

    /**
     * Runs the tests of some tables of a compiled project on a database that stays in the project's folder {@code
     * target}.
     *
     * @param scope names the tables; all, and the service as a whole, if it names none
     * @param opened is told the URL
     * @throws Fault if the engine keeps databases on servers only
     */
    public static TestReport testAndKeep(Project project, Scope scope, Consumer<String> opened) {
        TestRun run = new TestRun(project, scope.chosen(project.service()));
        try (SeededDatabase database = SeededDatabase.kept(project)) {
            opened.accept(database.url());
            return run.on(database);
        }
    }

    /**
     * Runs the tests that a change which was just compiled touches, on a scratch database, which is dropped afterwards.
     */
    public static TestReport test(Project project, Compilation compiled) {
        return TestRun.touchedBy(project, compiled).onEach(() -> SeededDatabase.of(project));
    }

    /**
     * Runs the tests of a compiled project on a scratch database on a server, which is dropped afterwards.
     *
     * @param server where the login may make a database
     */
    public static TestReport testOnServer(Project project, Database server) {
        return new TestRun(project).onEach(() -> SeededDatabase.onServer(project, server));
    }

    /**
     * Runs the tests of a compiled project on a database that is empty before; it is left with tables and rows.
     *
     * @param empty a database made for this
     * @param scope names the tables; all, and the service as a whole, if it names none
     */
    public static TestReport testOn(Project project, Database empty, Scope scope) {
        TestRun run = new TestRun(project, scope.chosen(project.service()));
        try (SeededDatabase database = SeededDatabase.on(project, empty)) {
            return run.on(database);
        }
    }

    /**
     * Runs the tests of a compiled project on a scratch database that has the tables of this schema.
     *
     * @param schema as it was just read from a database
     * @param scope names the tables to test; all, and the service as a whole, if it names none
     */
    public static TestReport test(Project project, Schema schema, Scope scope) {
        return test(project, schema, scope, Optional.empty());
    }

    /**
     * Runs the tests of a compiled project as {@link #test(Project, Schema, Scope)} does.
     *
     * @param source the database that the schema was read from: where our own server lacks something that the tables
     *     need, the scratch database is made on its server, if the login may make one
     */
    public static TestReport test(Project project, Schema schema, Scope scope, Optional<Database> source) {
        TestRun run = new TestRun(project, scope.chosen(project.service()));
        ScratchPlace place = new ScratchPlace(Engines.named(schema.engine()), source);
        String definition = place.engine().dialect(schema).definition(schema);
        return run.onEach(() -> SeededDatabase.of(project, definition, place));
    }

    /**
     * A bearer token for the service of a project, to try it out.
     *
     * @param environment the settings that the service runs with
     * @param claims more that the token says; whole numbers are told as numbers
     * @throws Fault if the service has no access control, or not these roles, or a claim is one that every token has
     */
    public static String token(
            Project project, Map<String, String> environment, String subject, List<String> roles,
            Map<String, String> claims, Duration validity) {
        return new DevelopmentTokens(project, environment).token(subject, roles, claims, validity);
    }

    /**
     * Starts the service of a compiled project in this process.
     *
     * @param environment the service's settings, as environment variables would give them
     */
    public static RunningService serve(Project project, Map<String, String> environment) {
        Map<String, String> settings = new HashMap<>(environment);
        if (project.service().secured() && environment.getOrDefault("AUTH_KEYS", "").isEmpty()) {
            settings.put("AUTH_SECRET", new DevelopmentTokens(project, environment).secret());
        }
        return RunningService.start(project, settings);
    }
}
