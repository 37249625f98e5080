package dev.vinekit;

import dev.vinekit.compare.Comparison;
import dev.vinekit.data.RowSearch;
import dev.vinekit.data.SampleRows;
import dev.vinekit.data.SeedScript;
import dev.vinekit.data.TriggerEffects;
import dev.vinekit.engine.Catalog;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.LoginRole;
import dev.vinekit.engine.RowCount;
import dev.vinekit.engine.SampleOfRows;
import dev.vinekit.engine.ScratchPlace;
import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Mapper;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Remark;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.Project;
import dev.vinekit.report.Reports;
import dev.vinekit.run.Compilation;
import dev.vinekit.run.DevelopmentTokens;
import dev.vinekit.run.ProjectCompiler;
import dev.vinekit.run.RunningService;
import dev.vinekit.run.ScratchConditions;
import dev.vinekit.run.ScratchTriggers;
import dev.vinekit.run.SeededDatabase;
import dev.vinekit.run.ServiceRole;
import dev.vinekit.run.TestReport;
import dev.vinekit.run.TestRun;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.Snapshot;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.source.EngineTraits;
import dev.vinekit.source.SourceFile;
import dev.vinekit.source.SourceTree;
import dev.vinekit.source.Sources;
import dev.vinekit.sql.Dialect;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/**
 * Vine Kit, one method a step: read, map, generate, plan, write, compile, test, serve. Every step takes a value and
 * gives a value; only reading, writing, testing and serving touch anything else. All throw {@link Fault}, which says
 * what would put things right.
 */
public final class VineKit {
    private VineKit() {
    }

    /** Connects, and tells who is connected to what. */
    public static Engine.Login login(Database database) {
        return ask(database, connection -> database.engine().login(connection));
    }

    /**
     * Makes a scratch database from a script, a dump for instance; it goes away when it is closed.
     *
     * @param engineName the engine that the script is written for, in lower case
     */
    public static ScriptDatabase load(String engineName, Path script) {
        return ScriptDatabase.of(engineName, script);
    }

    /**
     * How many rows the tables of a schema have; those of large tables are estimated. Tables that the login may not
     * read are left out.
     *
     * @param all whether to count large tables too
     */
    public static Map<TableName, RowCount> rowCounts(Database database, Schema schema, boolean all) {
        return ask(database, connection -> RowCount.of(connection, database.engine(), schema, all));
    }

    /** The first rows of a table. */
    public static SampleOfRows sampleRows(Database database, Schema schema, Table table, int limit) {
        return ask(database, connection -> SampleOfRows.read(
                connection, database.engine().dialect(schema).table(table.name(), schema.defaultSchema()), limit));
    }

    /**
     * The statements that make a login role with exactly the rights that a service needs, for an administrator to run.
     *
     * @param name the role's
     * @param password in the clear
     * @param connections how many the role may have at a time, at least as many as the service's pool
     */
    public static String roleScript(Database database, Mapping mapping, String name, String password, int connections) {
        LoginRole role = ServiceRole.of(mapping, name, password, connections);
        return ask(database, connection -> database.engine().roleScript(connection, mapping.schema(), role));
    }

    /** A schema as a JSON text, for other programs and for comparison. */
    public static String snapshot(Schema schema) {
        return Snapshot.write(schema);
    }

    /** The statements that make the tables and views of a schema in an empty database of its engine. */
    public static String definition(Schema schema) {
        return Engines.named(schema.engine()).dialect(schema).definition(schema);
    }

    /** Reads the schema of a database; the database is not changed. */
    public static Schema read(Database database, Scope scope) {
        return ask(database, connection -> {
            Schema read = database.engine().read(connection, scope.schemas());
            return scope.narrow(read, read.tables().isEmpty() ? Catalog.schemasWithTables(connection) : List.of());
        });
    }

    /**
     * The columns whose type is a guess that the rows may speak against, by table: MariaDB's numbers of one digit, for
     * instance.
     */
    public static Map<TableName, List<Column>> doubtful(Schema schema) {
        return Engines.named(schema.engine()).doubtful(schema);
    }

    /**
     * A schema with the types that its rows tell for columns in doubt. Up to 10,000 rows of each table that has some
     * are looked at; tables that the login may not read are left as they are.
     *
     * @param schema as it was just read from the database
     */
    public static Schema asRowsTell(Database database, Schema schema) {
        return doubtful(schema).isEmpty() ? schema
                : ask(database, connection -> database.engine().asRowsTell(connection, schema));
    }

    /**
     * Decides what every table becomes.
     *
     * @param basePackage the package that the generated packages will lie in, for example {@code com.example.cellar}
     */
    public static Mapping map(Schema schema, String basePackage) {
        return map(schema, MappingFile.NONE.inPackage(basePackage), Set.of());
    }

    /**
     * Decides what every table becomes, as a mapping file says.
     *
     * @param file names the package
     * @param settled tables that were mapped before: of two tables that want one name, they keep it
     * @throws Fault naming every mistake in the file with its place
     */
    public static Mapping map(Schema schema, MappingFile file, Set<String> settled) {
        Mapper.Result result = Mapper.map(
                schema, Engines.named(schema.engine()).dialect(schema), file.decisions(), Sources.classNames(),
                settled);
        file.verify(result.mistakes());
        return result.mapping();
    }

    /** Writes every file of the service, in memory, with made-up seed rows. */
    public static SourceTree generate(Mapping mapping) {
        return generate(mapping, Optional.empty());
    }

    /**
     * Writes every file of the service, in memory, with made-up seed rows.
     *
     * @param ownTemplates a folder of templates that replace ours of the same name; need not be there
     */
    public static SourceTree generate(Mapping mapping, Optional<Path> ownTemplates) {
        return generate(mapping, SeedRequest.NONE, ownTemplates);
    }

    /**
     * Writes every file of the service, in memory.
     *
     * @param seed SQL that inserts the seed rows into an empty database; tables that it leaves empty get made-up ones
     */
    public static SourceTree generate(Mapping mapping, String seed) {
        return generate(mapping, SeedRequest.NONE.completing(seed), Optional.empty());
    }

    /**
     * Writes every file of the service, in memory. Where checks of the schema are too much for us, a scratch database
     * is asked for values that keep them.
     *
     * @param seed which rows to insert into an empty database
     * @param ownTemplates a folder of templates that replace ours of the same name; need not be there
     */
    public static SourceTree generate(Mapping mapping, SeedRequest seed, Optional<Path> ownTemplates) {
        return generate(mapping, seed, ownTemplates, Optional.empty());
    }

    /**
     * Writes every file of the service, in memory, as {@link #generate(Mapping, SeedRequest, Optional)} does.
     *
     * @param source the database that the schema was read from: where our own server lacks something that the tables
     *     need, the scratch database is made on its server, if the login may make one
     */
    public static SourceTree generate(Mapping mapping, SeedRequest seed, Optional<Path> ownTemplates,
            Optional<Database> source) {
        Engine engine = Engines.named(mapping.schema().engine());
        EngineTraits traits = new EngineTraits(engine.title(), engine.exampleUrl(), engine.libraries().stream()
                .map(library -> new EngineTraits.Library(
                        library.group(), library.artifact(), library.version(), library.scope()))
                .toList(), engine.getClass());
        ScratchPlace place = new ScratchPlace(engine, source);
        Optional<String> lacking = lacking(mapping, place);
        SampleRows plain = lacking.isPresent() ? new SampleRows(mapping) : samples(mapping, place);
        TriggerEffects effects = engine.makesScratch() && lacking.isEmpty()
                ? ScratchTriggers.of(place, mapping, seed(mapping, plain, seed)) : TriggerEffects.NONE;
        SampleRows samples = plain.withTriggers(effects);
        List<Remark> remarks = lacking.map(reason -> mapping.entities().stream().map(entity -> entity.table().name())
                .filter(table -> ScratchTriggers.concern(mapping.schema(), table))
                .map(table -> new Remark(table, Remark.Topic.TRIGGER, "What its triggers do was not found out. "
                        + reason)).toList()).orElse(effects.remarks());
        return Sources.of(mapping.withRemarks(remarks), traits, engine.dialect(mapping.schema()), samples,
                seed(mapping, samples, seed), ownTemplates);
    }

    /** SQL that inserts rows into an empty database, the same for the same request. */
    public static String seed(Mapping mapping, SeedRequest request) {
        return seed(mapping, samples(mapping, ScratchPlace.of(Engines.named(mapping.schema().engine()))), request);
    }

    private static String seed(Mapping mapping, SampleRows samples, SeedRequest request) {
        Dialect dialect = Engines.named(mapping.schema().engine()).dialect(mapping.schema());
        return new SeedScript(mapping, dialect, samples).text(request.own(), request.rows(), request.number());
    }

    /** What no server within reach has for the tables; not looked for where they need nothing but the engine. */
    private static Optional<String> lacking(Mapping mapping, ScratchPlace place) {
        boolean extended = mapping.schema().objects().stream()
                .anyMatch(object -> object.kind() == SchemaObject.Kind.EXTENSION);
        try {
            return extended && place.engine().makesScratch() ? place.lacks(mapping.definition()) : Optional.empty();
        } catch (SQLException e) {
            throw Fault.inWorld("The scratch database does not take the table definitions: "
                    + String.valueOf(e.getMessage()).lines().findFirst().orElse("") + ".",
                    "Run again with --verbose to see the reason.", e);
        }
    }

    private static SampleRows samples(Mapping mapping, ScratchPlace place) {
        if (!place.engine().makesScratch() || !RowSearch.isNeeded(mapping)) {
            return new SampleRows(mapping);
        }
        try (ScratchConditions conditions = new ScratchConditions(place, mapping)) {
            return new SampleRows(mapping, RowSearch.in(mapping, conditions));
        }
    }

    /** What the files mean for a directory; nothing is written. */
    public static ChangeSet plan(SourceTree sources, Path directory) {
        return plan(sources, directory, Scope.all());
    }

    /**
     * What the files mean for a directory; nothing is written. If the schema has changed since the last run, a script
     * that takes other databases from the one to the other is among the files.
     *
     * @param scope what the schema was read with
     */
    public static ChangeSet plan(SourceTree sources, Path directory, Scope scope) {
        Project project = Project.toWrite(directory);
        boolean sameScope = Project.serviceBefore(directory)
                .filter(before -> before.scope().equals(scope.words())
                        && before.engine().equals(sources.mapping().schema().engine()))
                .isPresent();
        List<SourceFile> scripts = !sameScope ? List.of() : project.schema().map(Snapshot::read)
                .flatMap(before -> ChangeScript.of(before, sources.mapping().schema(), project.nextScript())).stream()
                .toList();
        return project.plan(sources, scope.words(), scripts);
    }

    /** What the files mean for a project, for the tables and the schema of its last run; nothing is written. */
    public static ChangeSet planAgain(SourceTree sources, Project project) {
        return Project.toWrite(project.directory()).plan(sources, project.service().scope(), List.of());
    }

    /**
     * What has changed between the last run in a project and now.
     *
     * @param now the present schema, mapped
     * @param file the decisions that both states are mapped by
     * @throws Fault if the last run did not record its schema
     */
    public static Comparison compare(Project project, Mapping now, MappingFile file) {
        Schema before = project.schema().map(Snapshot::read).orElseThrow(() -> Fault.inCall(
                "The last run in " + project.directory() + " did not record its schema.", "Run generate once more."));
        Set<String> settled = Project.tablesBefore(project.directory());
        Dialect dialect = Engines.named(before.engine()).dialect(before);
        return Comparison.of(
                Mapper.map(before, dialect, file.decisions(), Sources.classNames(), settled).mapping(), now);
    }

    /**
     * The statements that take a database from one state of its schema to another; those that lose data are commented
     * out.
     */
    public static String changes(SchemaDifference difference) {
        return Engines.named(difference.after().engine()).dialect(difference.after()).changes(difference);
    }

    /** Writes a change set: all of it or nothing. */
    public static Project write(ChangeSet changes) {
        Project project = Project.toWrite(changes.directory());
        project.write(changes);
        return project;
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
     * Writes what a run of the tests has shown: a page to read, and JUnit's XML for a build server.
     *
     * @return the page, in the project's folder {@code target}
     */
    public static Path report(Project project, TestReport report) {
        return report(project, report, Optional.empty());
    }

    /**
     * Writes what a run of the tests has shown, with a page about the schema beside it.
     *
     * @param schemaPage the page's HTML
     * @return the page about the tests, in the project's folder {@code target}
     */
    public static Path report(Project project, TestReport report, Optional<String> schemaPage) {
        return Reports.write(report, project.service().basePackage(), schemaPage,
                project.directory().resolve("target/vinekit/report"));
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
     * @throws Fault if the service has no access control, or not these roles
     */
    public static String token(
            Project project, Map<String, String> environment, String subject, List<String> roles, Duration validity) {
        return new DevelopmentTokens(project, environment).token(subject, roles, validity);
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

    private static <T> T ask(Database database, Question<T> question) {
        try (Connection connection = database.connect()) {
            return question.ask(connection);
        } catch (SQLException e) {
            throw database.refused(e);
        }
    }

    private interface Question<T> {
        T ask(Connection connection) throws SQLException;
    }
}
