package dev.vinekit.examples;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import dev.vinekit.source.SourceTree;
import java.nio.file.Path;

/** From the bundled cellar database to a tested service, one call a step. */
public final class Quickstart {
    private Quickstart() {
    }

    public static void main(String[] arguments) {
        Path directory = Path.of(arguments.length == 0 ? "target/cellar-service" : arguments[0]);
        try (Cellar cellar = Cellar.open()) {
            Mapping mapping = VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar");
            mapping.remarks().forEach(remark -> System.out.println(remark.table() + ": " + remark.text()));

            SourceTree sources = VineKit.generate(mapping, Cellar.seed());
            Project project = VineKit.write(VineKit.plan(sources, directory));
            Runner.compile(project);

            TestReport report = Runner.test(project);
            System.out.println(mapping.entities().size() + " tables and views, " + report.outcomes().size()
                    + " tests, " + report.failures().size() + " failed");
        }
    }
}
