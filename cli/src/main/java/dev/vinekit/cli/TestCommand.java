package dev.vinekit.cli;

import dev.vinekit.VineKit;
import dev.vinekit.project.Project;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Runs the generated tests. */
@Command(name = "test", description = {
    "Compiles a generated project and runs its tests on a scratch database.",
    "With --url the scratch database has the tables as they are in that database now;",
    "nothing is written to it."})
final class TestCommand extends ToolCommand {
    @Mixin
    private ProjectOptions project;

    @Mixin
    private SourceOptions source;

    @Override
    public Integer call() {
        Stages stages = output.stages();
        Steps steps = new Steps(stages);
        Project existing = Project.existing(project.directory());
        TestReport report;
        if (source.isGiven()) {
            Schema schema = steps.read(source.database(), source.scope());
            steps.compile(existing);
            report = steps.summarised(() -> VineKit.test(existing, schema));
        } else {
            steps.compile(existing);
            report = steps.summarised(() -> VineKit.test(existing));
        }
        stages.total();
        new Matrix(report, output.style(), System.out).print();
        return report.isGreen() ? 0 : VineKitCommand.ATTENTION;
    }
}
