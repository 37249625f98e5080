package dev.vinekit.cli;

import dev.vinekit.project.Project;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Runs a generated service. */
@Command(name = "serve",
        header = "Compiles a generated project and runs its service until it is stopped.",
        description = "Without --url it runs on a scratch database with the seed rows.")
final class ServeCommand extends ToolCommand {
    @Mixin
    private ProjectOptions project;

    @Mixin
    private SourceOptions source;

    @Option(names = "--port", paramLabel = "PORT", defaultValue = "8080",
            description = "Port to listen on; 0 picks a free one (default: ${DEFAULT-VALUE}).")
    private int port;

    @Override
    public Integer call() {
        Project existing = Project.existing(project.directory());
        Serving serving = new Serving(output.style(), port);
        Steps steps = new Steps(output.stages());
        if (!source.isGiven()) {
            steps.compileService(existing);
            return serving.scratch(existing);
        }
        try (Source opened = source.open(output)) {
            steps.reach(opened.database());
            steps.compileService(existing);
            return serving.database(existing, opened.database());
        }
    }
}
