package com.example.press;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The page shows these tests as they are. */
class DocumentationTest {
    @Test
    void pageShowsTheTestsAsTheyAre() throws IOException {
        StringBuilder tests = new StringBuilder();
        try (Stream<Path> files = Files.list(Path.of("src/test/java/com/example/press"))) {
            for (Path file : files.toList()) {
                tests.append(Files.readString(file));
            }
        }
        List<String> shown = Pattern.compile("```java\n(.*?)```", Pattern.DOTALL)
                .matcher(Files.readString(Path.of("../../docs/junit.md"))).results()
                .map((MatchResult block) -> block.group(1)).toList();

        assertThat(shown).hasSize(5).allSatisfy(block -> assertThat(tests).contains(block));
    }
}
