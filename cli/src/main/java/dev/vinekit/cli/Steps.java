package dev.vinekit.cli;

import dev.vinekit.Scope;
import dev.vinekit.SeedRequest;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.page.SchemaPage;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.FileChange;
import dev.vinekit.project.Project;
import dev.vinekit.project.ProjectLock;
import dev.vinekit.report.Reports;
import dev.vinekit.run.Compilation;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Snapshot;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.source.SourceTree;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/** The steps of the front door, each with its line of progress. */
final class Steps {
    private final Stages stages;
    private CompletableFuture<Optional<SchemaPage>> schemaPage = CompletableFuture.completedFuture(Optional.empty());

    Steps(Stages stages) {
        this.stages = stages;
    }

    /** Fails early if the database does not let us in. */
    void reach(Database database) {
        if (!database.runsOnConnect().isEmpty()) {
            stages.warn("The URL has " + String.join(", ", database.runsOnConnect())
                    + ": it runs or loads something with your rights each time a connection is made.");
        }
        stages.run("connect", () -> VineKit.login(database), login ->
                login.product() + " " + login.version()
                        + (login.user().isEmpty() ? "" : " as " + login.user()));
    }

    Schema read(Database database, Scope scope) {
        Schema read = stages.run("read", () -> VineKit.read(database, scope), schema ->
                tables(schema) + " of " + database.engine().title() + (!scope.schemas().isEmpty() ? ""
                        : schema.otherThanDefault().map(name -> ", in schema " + name
                                + ": the default schema has no tables").orElse("")));
        Map<TableName, List<Column>> doubtful = VineKit.doubtful(read);
        return doubtful.isEmpty() ? read
                : stages.run("look", () -> VineKit.asRowsTell(database, read), told -> looked(doubtful, told));
    }

    private static String looked(Map<TableName, List<Column>> doubtful, Schema told) {
        List<String> numbers = doubtful.entrySet().stream().flatMap(entry -> entry.getValue().stream()
                .filter(column -> !told.table(entry.getKey()).orElseThrow().column(column.name()).type()
                        .equals(column.type()))
                .map(column -> entry.getKey() + "." + column.name())).sorted().toList();
        long columns = doubtful.values().stream().mapToLong(List::size).sum();
        return "at rows of " + count(doubtful.size(), "table", "tables") + " with "
                + count(columns, "column", "columns") + " of one digit: "
                + (numbers.isEmpty() ? "all truth values" : "numbers in "
                        + numbers.stream().limit(3).collect(Collectors.joining(", "))
                        + (numbers.size() > 3 ? " and " + (numbers.size() - 3) + " more" : ""));
    }

    Mapping map(Schema schema, String basePackage) {
        return stages.run("map", () -> VineKit.map(schema, basePackage), Steps::mapped);
    }

    /** Maps as a file says, and tables of an earlier run as then. */
    Mapping map(Schema schema, MappingFile file, Path directory) {
        return stages.run("map", () -> VineKit.map(schema, file, Project.tablesBefore(directory)), Steps::mapped);
    }

    private static String mapped(Mapping mapping) {
        return count(mapping.entities().size(), "entity", "entities") + " in " + mapping.basePackage();
    }

    /** Generates the service in memory, with the rows and templates that the mapping file names. */
    SourceTree generate(Mapping mapping, MappingFile file, Path directory, Optional<Database> source) {
        return generate(
                mapping, () -> SeedRequest.of(file, directory), () -> Project.templates(directory, file), source);
    }

    /**
     * Generates the service in memory.
     *
     * @param seed which rows, once the project's own script has been looked for
     * @param templates the folder of custom templates; it need not exist
     */
    SourceTree generate(
            Mapping mapping, Supplier<SeedRequest> seed, Supplier<Path> templates, Optional<Database> source) {
        return stages.run("make", () -> VineKit.generate(mapping, seed.get(), Optional.of(templates.get()), source),
                tree -> "code and tests in " + count(tree.files().size(), "file", "files"));
    }

    /** Has the compiler look at what was generated. */
    void check(SourceTree sources) {
        stages.run("check", () -> {
            Runner.check(sources);
            return sources;
        }, tree -> "with the compiler");
    }

    /** Holds a project while a command plans and writes it; completes an interrupted run first. */
    <T> T writing(Path directory, Supplier<T> work) {
        return ProjectLock.during(directory, stages::warn, () -> {
            Project.foreignWrite(directory).ifPresent(stages::warn);
            if (Project.finish(directory)) {
                stages.warn("An earlier run was interrupted while it wrote to " + directory + "; its changes are complete now.");
            }
            return work.get();
        });
    }

    ChangeSet plan(SourceTree sources, Path directory, Scope scope) {
        return stages.run("plan", () -> VineKit.plan(sources, directory, scope), changes ->
                count(changes.changes().size(), "file", "files") + ": " + counts(changes));
    }

    Project write(ChangeSet changes) {
        return stages.run("write", () -> VineKit.write(changes), project -> "to " + project.directory());
    }

    Compilation compile(Project project) {
        return stages.run("compile", "files", () -> Runner.compile(project), Steps::compiled);
    }

    private static String compiled(Compilation done) {
        String all = count(done.sources(), "source file", "source files")
                + (done.warnings().isEmpty() ? "" : ", " + count(done.warnings().size(), "warning", "warnings"));
        return done.compiled() == done.sources() ? all : done.compiled() == 0 ? all + ", none changed"
                : done.compiled() + " of " + all + ", the rest as before";
    }

    void compileService(Project project) {
        stages.run("compile", "files", () -> Runner.compileService(project),
                done -> compiled(done) + " of the service");
    }

    /** Runs tests on the tables that the project was generated for. */
    TestReport summarised(Project project, Supplier<TestReport> run) {
        return summarised(() -> project.schema().map(Snapshot::read), run);
    }

    /**
     * Runs tests; meanwhile the page about the schema is made that lies beside their report.
     *
     * @param tested the tables that they run on
     */
    TestReport summarised(Supplier<Optional<Schema>> tested, Supplier<TestReport> run) {
        schemaPage = CompletableFuture.supplyAsync(() -> tested.get().map(SchemaPage::of).map(SchemaPage::drawn));
        return stages.run("test", "tests", run, report -> count(report.outcomes().size(), "test", "tests")
                + " on a scratch database with " + count(report.seedRows(), "seed row", "seed rows"));
    }

    /** Writes what a run has shown, and tells where it is. */
    Path report(Project project, TestReport report) {
        Optional<String> schema = schemaPage(project, report);
        return stages.run("report", () -> Reports.write(project, report, schema), page -> "a page, "
                + (schema.isPresent() ? "the schema beside it, " : "") + "and JUnit's XML");
    }

    /** What the tests have shown is told even if there is no picture of the tables. */
    private Optional<String> schemaPage(Project project, TestReport report) {
        try {
            return schemaPage.join().map(page -> page.withProofs(report).html(project.service().basePackage()));
        } catch (CompletionException e) {
            stages.warn("There is no page about the schema, it could not be made: " + e.getCause());
            return Optional.empty();
        }
    }

    static String counts(ChangeSet changes) {
        return changes.counts().entrySet().stream()
                .map(entry -> entry.getValue() + " " + label(entry.getKey()))
                .collect(Collectors.joining(", "));
    }

    static String label(FileChange.Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    static String tables(Schema schema) {
        long views = schema.tables().stream().filter(Table::isView).count();
        String text = count(schema.tables().size() - views, "table", "tables");
        return views == 0 ? text : text + " and " + count(views, "view", "views");
    }

    static String count(long number, String one, String many) {
        return number + " " + (number == 1 ? one : many);
    }
}
