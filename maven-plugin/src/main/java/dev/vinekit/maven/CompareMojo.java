package dev.vinekit.maven;

import dev.vinekit.VineKit;
import dev.vinekit.compare.ChangeWords;
import dev.vinekit.compare.Comparison;
import dev.vinekit.compare.Effect;
import dev.vinekit.fault.Visible;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.maven.plugin.MojoFailureException;
import org.apache.maven.plugins.annotations.LifecyclePhase;
import org.apache.maven.plugins.annotations.Mojo;
import org.apache.maven.plugins.annotations.Parameter;

/** Ends the build if the database, or what the change scripts make, is no longer what the code was generated for. */
@Mojo(name = "compare", defaultPhase = LifecyclePhase.VALIDATE, threadSafe = true)
public final class CompareMojo extends StepMojo {
    /** Whether the build ends; otherwise the differences are warnings. */
    @Parameter(property = "vinekit.failOnDrift", defaultValue = "true")
    private boolean failOnDrift;

    @Override
    void run() throws MojoFailureException {
        Project project = Project.existing(directory());
        MappingFile file = mapping();
        Mapping now = VineKit.map(read(file).schema(), file, Project.tablesBefore(directory()));
        Comparison comparison = VineKit.compare(project, now);
        if (comparison.isEmpty()) {
            getLog().info("The code is that for these tables.");
            return;
        }
        List<String> lines = lines(comparison);
        if (!failOnDrift) {
            lines.forEach(line -> getLog().warn(Visible.text(line)));
            return;
        }
        lines.forEach(line -> getLog().error(Visible.text(line)));
        throw new MojoFailureException("The code was generated for other tables, or by another mapping file"
                + (comparison.breaksClients() ? "; some of the differences may break clients" : "")
                + (comparison.opens() ? "; some show or allow what was not shown or allowed before" : "") + ".\n"
                + "Run vinekit:generate and look over what it writes, or take the change of the tables back.");
    }

    private static List<String> lines(Comparison comparison) {
        Map<TableName, List<String>> byTable = new TreeMap<>();
        comparison.difference().changes().stream().map(ChangeWords::of).forEach(change ->
                byTable.computeIfAbsent(change.table(), table -> new ArrayList<>()).add("  " + change.text()));
        for (Effect effect : comparison.effects()) {
            byTable.computeIfAbsent(effect.table(), table -> new ArrayList<>()).add("  "
                    + (effect.on() == Effect.On.API ? "API: " : "code: ") + effect.text()
                    + (effect.breaking() ? " [breaks clients]" : "") + (effect.opens() ? " [opens]" : ""));
        }
        List<String> lines = new ArrayList<>();
        byTable.forEach((table, about) -> {
            lines.add(table.name());
            lines.addAll(about);
        });
        return lines;
    }
}
