package dev.vinekit.report;

import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Writes what is left of a test run. */
public final class Reports {
    private static final String PAGE = "index.html";
    private static final String SCHEMA_PAGE = "schema.html";

    private Reports() {
    }

    /**
     * Writes what a run of the tests has shown: a page to read, and JUnit's XML for a build server.
     *
     * @return the page, in the project's folder {@code target}
     */
    public static Path write(Project project, TestReport report) {
        return write(project, report, Optional.empty());
    }

    /**
     * Writes what a run of the tests has shown, with a page about the schema beside it.
     *
     * @param schemaPage the page's HTML
     * @return the page about the tests, in the project's folder {@code target}
     */
    public static Path write(Project project, TestReport report, Optional<String> schemaPage) {
        return write(report, project.service().basePackage(), schemaPage,
                project.path("target/vinekit/report"));
    }

    /**
     * Writes a page, and a file of XML for each class of tests, in place of those of the last run.
     *
     * @param title what was tested
     * @param schemaPage a page about the schema, to lie beside it
     * @return the page
     */
    static Path write(TestReport report, String title, Optional<String> schemaPage, Path folder) {
        try {
            Files.createDirectories(folder);
            try (Stream<Path> before = Files.list(folder)) {
                for (Path file : before.filter(file -> file.getFileName().toString().matches("TEST-.*\\.xml"))
                        .toList()) {
                    Files.delete(file);
                }
            }
            Map<String, List<TestOutcome>> byClass = report.outcomes().stream()
                    .collect(Collectors.groupingBy(TestOutcome::testClass, TreeMap::new, Collectors.toList()));
            for (Map.Entry<String, List<TestOutcome>> tests : byClass.entrySet()) {
                Files.writeString(folder.resolve("TEST-" + tests.getKey() + ".xml"),
                        JunitXml.of(tests.getKey(), tests.getValue()));
            }
            Files.deleteIfExists(folder.resolve(SCHEMA_PAGE));
            if (schemaPage.isPresent()) {
                Files.writeString(folder.resolve(SCHEMA_PAGE), schemaPage.get());
            }
            return Files.writeString(folder.resolve(PAGE),
                    HtmlReport.of(report, title, schemaPage.map(page -> SCHEMA_PAGE)));
        } catch (IOException e) {
            throw Fault.inWorld("Writing the report to " + folder + " failed: " + e + ".",
                    "Check that the directory may be written and that the disk is not full.", e);
        }
    }
}
