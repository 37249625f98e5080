package dev.vinekit.cli;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engines;
import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.Shard;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import java.nio.file.Path;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Runs the generated tests. */
@Command(name = "test",
        header = "Compiles a generated project and runs its tests on a scratch database.",
        description =
                "With --url the scratch database has the tables as they are in that database now; nothing is written to it. --tables names the "
            + "tables whose tests are to run.")
final class TestCommand extends ToolCommand {
    @Mixin
    private ProjectOptions project;

    @Mixin
    private SourceOptions source;

    @Mixin
    private ResultOptions result;

    private String kept;

    @Option(names = "--on", paramLabel = "URL",
            description = "Empty database to test on instead of a scratch database; it is left with tables and rows. "
                    + "--user and --password-env are its login.")
    private String emptyUrl;

    @Option(names = "--keep-database",
            description =
                    "Test on a database in the project's folder target, and leave it there to look at; for engines that "
                    + "keep one in files, for others there is --on.")
    private boolean keep;

    @Option(names = "--watch",
            description =
                    "Go on after the tests: on each change to the sources or the mapping file, run what it touches.")
    private boolean watch;

    @Option(names = "--shard", paramLabel = "NUMBER/OF",
            description = "One of several parts of the tests, for machines side by side: 2/5 for the second of five. Tables "
                    + "are divided by the times of the last run in the project's folder target, the same on all machines.")
    private String shard;

    @Override
    public Integer call() {
        if (keep && (emptyUrl != null || source.isGiven()) || watch && (keep || emptyUrl != null || source.isGiven())) {
            throw Fault.inCall("--watch, --keep-database, --on and --url or --script do not go together.",
                    "Choose one of them.");
        }
        if (shard != null && (watch || keep || emptyUrl != null || source.isGiven()) || result.isJson() && watch) {
            throw Fault.inCall("--shard and --format json do not go with --watch, nor --shard with --keep-database, --on, "
                    + "--url or --script.", "Leave one of them out.");
        }
        Optional<Shard> part = Optional.ofNullable(shard).map(Shard::parse);
        Stages stages = output.stages();
        Steps steps = new Steps(stages);
        Project existing = Project.existing(project.directory());
        TestReport report;
        if (emptyUrl != null) {
            steps.compile(existing);
            report = steps.summarised(existing, () ->
                    Runner.testOn(existing, source.login(emptyUrl), source.tables()));
        } else if (source.isGiven()) {
            source.inDirectory(project.directory());
            Schema schema;
            Optional<Database> lasting;
            try (Source opened = source.open(output)) {
                schema = steps.read(opened.database(), source.scopeOfAllTables());
                lasting = opened.lasting();
            }
            steps.compile(existing);
            report = steps.summarised(() -> Optional.of(schema),
                    () -> Runner.test(existing, schema, source.tables(), lasting));
        } else {
            steps.compile(existing);
            report = steps.summarised(existing, () -> keep
                    ? Runner.testAndKeep(existing, source.tables(), url -> kept = url)
                    : part.map(some -> Runner.test(existing, source.tables(), some))
                    .orElseGet(() -> Runner.test(existing, source.tables())));
        }
        Path page = steps.report(existing, report);
        stages.total();
        int code = report.isGreen() ? 0 : VineKitCommand.ATTENTION;
        if (result.isJson()) {
            ResultOptions.print(Results.Tested.of(project.directory(), shard, report, page));
            return code;
        }
        shown(report, page);
        if (kept != null) {
            System.out.println("The database is kept: " + kept
                    + Engines.forUrl(kept).keptOwner().map(owner -> ", user " + owner + " without a password").orElse("")
                    + ".");
        }
        if (watch) {
            new Watching(output, existing, this::shown).forEver();
        }
        return code;
    }

    private void shown(TestReport report, Path page) {
        new Matrix(report, output.style(), System.out, output.verbose()).print();
        System.out.println("Report: " + page);
    }
}
