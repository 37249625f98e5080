package dev.vinekit.cli;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.engine.Database;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import java.nio.file.Path;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** The whole way on the bundled database. */
@Command(name = "demo",
        header = "The whole way on the bundled cellar database: read, map, generate, compile and test.",
        description = "Needs nothing but this tool; leaves the generated project to read.")
final class DemoCommand extends ToolCommand {
    @Option(names = "--dir", paramLabel = "DIR", defaultValue = "cellar-demo",
            description = "Where to write the project (default: ${DEFAULT-VALUE}).")
    private Path directory;

    @Option(names = "--engine", paramLabel = "NAME", defaultValue = "h2", completionCandidates = CellarEngines.class,
            description = "Database to make the cellar on: ${COMPLETION-CANDIDATES} (default: ${DEFAULT-VALUE}). "
                    + "A server that does not come with the tool must be installed, or named with --url.")
    private String engine;

    @Option(names = "--url", paramLabel = "URL",
            description = "JDBC URL of a server on which a database may be made for the demo, and dropped afterwards.")
    private String url;

    @Mixin
    private LoginOptions login;

    @Mixin
    private ResultOptions result;

    @Option(names = "--serve", description = "Leave the service running afterwards, on a database with the seed rows.")
    private boolean serve;

    @Option(names = "--port", paramLabel = "PORT", defaultValue = "8080",
            description = "Port for --serve; 0 picks a free one (default: ${DEFAULT-VALUE}).")
    private int port;

    @Override
    public Integer call() {
        if (serve && result.isJson()) {
            throw Fault.inCall("--serve and --format json do not go together.", "Leave one of them out.");
        }
        Steps steps = new Steps(output.stages());
        Optional<Database> server = Optional.ofNullable(url).map(login::database);
        String engine = server.map(database -> database.engine().name()).orElse(this.engine);
        Project project = steps.writing(directory, () -> write(steps, server, engine));
        return tested(steps, project, server);
    }

    private Project write(Steps steps, Optional<Database> server, String engine) {
        try (Cellar cellar = output.stages().run("open", () -> server.map(Cellar::openOn).orElseGet(() -> Cellar.open(engine)),
                opened -> "the bundled cellar on " + opened.database().engine().title())) {
            Mapping mapping = steps.map(steps.read(cellar.database(), Scope.all()), "com.example.cellar");
            ChangeSet changes = steps.plan(VineKit.generate(mapping, Cellar.seed(engine)), directory, Scope.all());
            return steps.write(changes);
        }
    }

    private int tested(Steps steps, Project project, Optional<Database> server) {
        steps.compile(project);
        TestReport report = steps.summarised(project,
                () -> server.map(database -> Runner.testOnServer(project, database))
                .orElseGet(() -> Runner.test(project)));
        Path page = steps.report(project, report);
        output.stages().total();
        int code = report.isGreen() ? 0 : VineKitCommand.ATTENTION;
        if (result.isJson()) {
            ResultOptions.print(Results.Tested.of(directory, null, report, page));
            return code;
        }
        new Matrix(report, output.style(), System.out, output.verbose()).print();
        System.out.println("Report: " + page);
        System.out.println("The project is in " + directory + ": read it, change it, run mvn verify in it.");
        if (serve) {
            return new Serving(output.style(), port).scratch(project);
        }
        System.out.println("Add --serve to see it at work.");
        return code;
    }
}
