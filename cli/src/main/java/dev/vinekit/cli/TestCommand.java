package dev.vinekit.cli;

import dev.vinekit.VineKit;
import dev.vinekit.project.Project;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Runs the generated tests. */
@Command(name = "test", description = {
    "Compiles a generated project and runs its tests on a scratch database.",
    "With --url the scratch database has the tables as they are in that database now;",
    "nothing is written to it. --tables names the tables whose tests are to run."})
final class TestCommand extends ToolCommand {
    @Mixin
    private ProjectOptions project;

    @Mixin
    private SourceOptions source;

    @Option(names = "--on", paramLabel = "URL",
            description = "Empty database to test on instead of a scratch database; it is left with tables and rows. "
                    + "--user and --password-env are its login.")
    private String emptyUrl;

    @Override
    public Integer call() {
        Stages stages = output.stages();
        Steps steps = new Steps(stages);
        Project existing = Project.existing(project.directory());
        TestReport report;
        if (emptyUrl != null) {
            steps.compile(existing);
            report = steps.summarised(() -> VineKit.testOn(existing, source.login(emptyUrl), source.tables()));
        } else if (source.isGiven()) {
            source.inDirectory(project.directory());
            Schema schema;
            try (Source opened = source.open(output)) {
                schema = steps.read(opened.database(), source.scopeOfAllTables());
            }
            steps.compile(existing);
            report = steps.summarised(() -> VineKit.test(existing, schema, source.tables()));
        } else {
            steps.compile(existing);
            report = steps.summarised(() -> VineKit.test(existing, source.tables()));
        }
        stages.total();
        new Matrix(report, output.style(), System.out).print();
        return report.isGreen() ? 0 : VineKitCommand.ATTENTION;
    }
}
