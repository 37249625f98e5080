package dev.vinekit;

import dev.vinekit.compare.Comparison;
import dev.vinekit.data.SampleRows;
import dev.vinekit.data.SeedScript;
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
import dev.vinekit.fault.Remedy;
import dev.vinekit.mapping.Decisions;
import dev.vinekit.mapping.Mapper;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.Project;
import dev.vinekit.project.ScriptPlace;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.Snapshot;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.scratch.ChangeTrial;
import dev.vinekit.scratch.PresentRows;
import dev.vinekit.scratch.ScratchRows;
import dev.vinekit.source.EngineTraits;
import dev.vinekit.source.SourceTree;
import dev.vinekit.source.Sources;
import dev.vinekit.sql.ChangeScript;
import dev.vinekit.sql.Dialect;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * Vine Kit, one method a step: read, map, generate, plan, write. Every step takes a value and gives a value; only
 * reading and writing touch anything else. All throw {@link Fault}, which says what would put things right. To compile,
 * test and serve what was written, there is {@code dev.vinekit.run.Runner} in a module of its own.
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

    /**
     * Reads the schema of a database; the database is not changed. If the scope names no schema, the default one is
     * read, or the only one with tables if the default one has none; {@link Schema#otherThanDefault()} is that one.
     */
    public static Schema read(Database database, Scope scope) {
        return ask(database, connection -> {
            Schema read = database.engine().read(connection, scope.schemas());
            if (!read.tables().isEmpty()) {
                return scope.narrow(read, List.of());
            }
            List<String> others = Catalog.schemasWithTables(connection);
            boolean only = scope.schemas().isEmpty() && others.size() == 1 && !others.contains(read.defaultSchema())
                    && connection.getMetaData().supportsSchemasInTableDefinitions();
            return only ? scope.narrow(database.engine().read(connection, others), List.of())
                    : scope.narrow(read, others);
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
                .toList(), engine.replicates(), engine.pooled(), engine.getClass());
        ScratchRows rows = ScratchRows.of(mapping, new ScratchPlace(engine, source),
                samples -> seed(mapping, samples, seed));
        return Sources.of(mapping.withRemarks(rows.remarks()), traits, engine.dialect(mapping.schema()),
                rows.samples(), seed(mapping, rows.samples(), seed), ownTemplates);
    }

    /** SQL that inserts rows into an empty database, the same for the same request. */
    public static String seed(Mapping mapping, SeedRequest request) {
        return seed(mapping, ScratchRows.samples(mapping, ScratchPlace.of(Engines.named(mapping.schema().engine()))),
                request);
    }

    /**
     * SQL that inserts made-up rows into those tables of a database that are empty, and refers to the rows that others
     * have; the same for the same request and the same rows. Nothing is inserted.
     *
     * @param mapping of the database's schema
     * @param request how many, and its number; its own script is not looked at
     */
    public static String fill(Database database, Mapping mapping, SeedRequest request) {
        Dialect dialect = database.engine().dialect(mapping.schema());
        String present = ask(database, connection -> PresentRows.of(connection, mapping, dialect));
        Function<SampleRows, String> added = samples ->
                new SeedScript(mapping, dialect, samples).added(present, request.rows(), request.number());
        return added.apply(ScratchRows.of(mapping, ScratchPlace.of(database.engine()), added).samples());
    }

    private static String seed(Mapping mapping, SampleRows samples, SeedRequest request) {
        Dialect dialect = Engines.named(mapping.schema().engine()).dialect(mapping.schema());
        return new SeedScript(mapping, dialect, samples).text(request.own(), request.rows(), request.number());
    }

    /** What the files mean for a directory; nothing is written. */
    public static ChangeSet plan(SourceTree sources, Path directory) {
        return plan(sources, directory, Scope.all());
    }

    /**
     * What the files mean for a directory; nothing is written. If the schema has changed since the last run, a script
     * that takes other databases from the one to the other is among the files. It has been tried on scratch databases.
     *
     * @param scope what the schema was read with
     */
    public static ChangeSet plan(SourceTree sources, Path directory, Scope scope) {
        Project project = Project.toWrite(directory);
        boolean sameScope = Project.serviceBefore(directory)
                .filter(before -> before.scope().equals(scope.words())
                        && before.engine().equals(sources.mapping().schema().engine()))
                .isPresent();
        Optional<ChangeFile> script = !sameScope ? Optional.empty() : project.schema().map(Snapshot::read)
                .flatMap(before -> ChangeFile.of(before, sources.mapping().schema()));
        ScriptPlace place = project.nextScript(sources.mapping().decisions());
        return project.plan(sources, scope.words(), script.map(file -> file.source(place)).stream().toList(),
                script.map(ChangeFile::decisions).orElse(List.of()));
    }

    /** What the files mean for a project, for the tables and the schema of its last run; nothing is written. */
    public static ChangeSet planAgain(SourceTree sources, Project project) {
        return Project.toWrite(project.directory()).plan(sources, project.service().scope(), List.of(), List.of());
    }

    /**
     * What has changed between the last run in a project and now.
     *
     * @param now the present schema, mapped
     * @throws Fault if the last run did not record its schema
     */
    public static Comparison compare(Project project, Mapping now) {
        Schema before = project.schema().map(Snapshot::read).orElseThrow(() -> Fault.inCall(
                "The last run in " + project.directory() + " did not record its schema.", Remedy.of(Remedy.Kind.GENERATE_AGAIN)));
        Set<String> settled = Project.tablesBefore(project.directory());
        Dialect dialect = Engines.named(before.engine()).dialect(before);
        Decisions decisions = project.decisions().orElse(now.decisions());
        return Comparison.of(Mapper.map(before, dialect, decisions, Sources.classNames(), settled).mapping(), now);
    }

    /**
     * The script that takes a database from one state of its schema to another. Statements that lose data are commented
     * out, and the script does nothing until the user has decided on them.
     */
    public static ChangeScript changes(SchemaDifference difference) {
        return Engines.named(difference.after().engine()).dialect(difference.after()).changes(difference);
    }

    /**
     * Tries a change script on scratch databases with the old schema and made-up rows; the databases that the schemas
     * were read from are not touched.
     */
    static ChangeTrial.Result trial(SchemaDifference difference, ChangeScript script) {
        Engine engine = Engines.named(difference.before().engine());
        Dialect dialect = engine.dialect(difference.before());
        Mapping mapping = Mapper.map(difference.before(), dialect, Decisions.NONE.inPackage("com.example.trial"),
                Sources.classNames(), Set.of()).mapping();
        try {
            String seed = engine.makesScratch() ? seed(mapping, SeedRequest.NONE) : "";
            return ChangeTrial.of(ScratchPlace.of(engine), difference, script, dialect, seed);
        } catch (Fault e) {
            return new ChangeTrial.Result(ChangeTrial.Verdict.NOT_TRIED, e.getMessage(), 0);
        }
    }

    /**
     * Completes what an earlier run of this user began to write to a directory before it was interrupted. Call it
     * before {@link #plan}, which refuses a directory in that state.
     *
     * @return whether there was something to complete
     */
    public static boolean finish(Path directory) {
        return Project.finish(directory);
    }

    /**
     * Writes a change set: all of it or nothing.
     *
     * @throws Fault if the file system refuses, or if one of the files was changed since the plan was made
     */
    public static Project write(ChangeSet changes) {
        Project project = Project.toWrite(changes.directory());
        project.write(changes);
        return project;
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
