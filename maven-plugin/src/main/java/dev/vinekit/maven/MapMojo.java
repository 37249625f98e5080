package dev.vinekit.maven;

import dev.vinekit.VineKit;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.mapping.file.Proposal;
import dev.vinekit.project.Project;
import org.apache.maven.plugins.annotations.Mojo;

/** Writes the mapping file, or adds to it what new tables need. */
@Mojo(name = "map", threadSafe = true)
public final class MapMojo extends StepMojo {
    @Override
    void run() {
        MappingFile file = mapping();
        Mapping mapping = VineKit.map(read(file).schema(), file, Project.tablesBefore(directory()));
        Proposal proposal = Project.proposeMapping(configuration(), mapping, section());
        getLog().info(proposal.added().isEmpty() ? configuration() + " lacks nothing."
                : "Written to " + configuration() + ": " + String.join(", ", proposal.added()));
    }
}
