package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the docs say about passwords can be taken over as it stands. */
@Tag("thorough")
class PasswordExampleTest {
    private static final Path DOCS = Path.of("../docs/access.md");
    private static final Path HANDS = Path.of("../examples/cellar-hands");
    private static final String ENTRY = "pin_hash: {visibility: write-only}";
    private static final Pattern CLASS = Pattern.compile("(?s)```java\n(package com\\.example\\.house;.*?(?:class|record) (\\w+).*?)```");
    private static final Pattern COLUMN = Pattern.compile("\n +(pin_hash: \\{ visibility: write-only, type: .*})\n");

    @Test
    void exampleForPasswordsIsGreen(@TempDir Path directory) throws Exception {
        String docs = Files.readString(DOCS);
        Matcher column = COLUMN.matcher(docs);
        assertThat(column.find()).isTrue();
        String mapping = Files.readString(HANDS.resolve("vinekit.yaml"));
        assertThat(mapping).contains(ENTRY);
        MappingFile file = MappingFile.parse("vinekit.yaml", mapping.replace(ENTRY, column.group(1)), Map.of(), false);
        Project project;
        try (TestDatabases hands = TestDatabases.h2(Files.readString(HANDS.resolve("schema.sql")))) {
            project = VineKit.write(VineKit.plan(VineKit.generate(
                    VineKit.map(VineKit.read(hands.database(), Scope.all()), file, Set.of())), directory));
        }
        Path house = Files.createDirectories(project.directory().resolve("src/main/java/com/example/house"));
        for (Matcher code = CLASS.matcher(docs); code.find();) {
            // Tests make many rows: what is to take long for whoever tries passwords takes a moment here.
            Files.writeString(house.resolve(code.group(2) + ".java"), code.group(1).replace("gensalt(12)", "gensalt(4)"));
        }
        assertThat(house.resolve("PasswordHash.java")).exists();
        Path pom = project.directory().resolve("pom.xml");
        Files.writeString(pom, Files.readString(pom).replaceFirst("(?s)</dependencies>(?!.*</dependencies>)", """
                <dependency>
                  <groupId>org.springframework.security</groupId>
                  <artifactId>spring-security-crypto</artifactId>
                  <version>6.4.2</version>
                </dependency>
                </dependencies>"""));

        TestReport report = Runner.test(project, QuickCompiler.compile(project));

        assertThat(report.outcomes()).anyMatch(outcome -> outcome.testClass().equals("HandControllerTest"))
                .allMatch(outcome -> outcome.failure().isEmpty());
    }
}
