package dev.vinekit.cli;

import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.mapping.file.Proposal;
import dev.vinekit.project.Project;
import dev.vinekit.schema.Schema;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Proposes or refreshes the mapping file. */
@Command(name = "map",
        header = "Writes " + MappingFile.NAME
        + ", in which you say how tables and columns are mapped, or adds to it what new tables need.",
        description = "What is in the file stays: comments, order, entries.")
final class MapCommand extends ToolCommand {
    @Mixin
    private SourceOptions source;

    @Mixin
    private MappedProjectOptions project;

    @Mixin
    private ResultOptions result;

    @Override
    public Integer call() {
        Stages stages = output.stages();
        Steps steps = new Steps(stages);
        Path directory = project.directory();
        MappingFile file = source.inDirectory(directory);
        Schema schema;
        try (Source opened = source.open(output)) {
            schema = steps.read(opened.database(), source.scope());
        }
        Mapping mapping = steps.map(schema, project.inPackage(file), directory);
        boolean fresh = file == MappingFile.NONE;
        Proposal proposal = Project.proposeMapping(source.file(), mapping, source.section(source.file()
                .toAbsolutePath().getParent()));
        stages.end();
        int code = proposal.byHand().isEmpty() ? 0 : VineKitCommand.ATTENTION;
        if (result.isJson()) {
            boolean written = fresh || !proposal.added().isEmpty();
            ResultOptions.print(Results.Mapped.of(source.file(), written, mapping, proposal));
            return code;
        }
        new MappingView(mapping, output.style(), System.out, output.verbose()).print(List.of());
        if (proposal.added().isEmpty() && !fresh) {
            System.out.println("Nothing to add to " + source.file() + ".");
        } else {
            System.out.println((fresh ? "Written: " : "Added to: ") + source.file()
                    + (proposal.added().isEmpty() ? "" : ", with "
                            + Steps.count(proposal.added().size(), "entry", "entries")
                            + " to look at: " + output.style().some(proposal.added(), 40)) + ".");
        }
        proposal.byHand().forEach(line -> System.out.println(output.style().warning("To put in by hand: ") + line));
        System.out.println("Next: edit it, then vinekit generate" + project.option());
        return code;
    }
}
