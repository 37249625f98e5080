package dev.vinekit.examples;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class QuickstartTest {
    @Test
    void printsAGreenResult(@TempDir Path directory) {
        ByteArrayOutputStream printed = new ByteArrayOutputStream();
        PrintStream out = System.out;
        System.setOut(new PrintStream(printed, true, StandardCharsets.UTF_8));
        try {
            Quickstart.main(new String[] {directory.resolve("service").toString()});
        } finally {
            System.setOut(out);
        }

        assertThat(printed.toString(StandardCharsets.UTF_8))
                .contains("PUBLIC.CELLAR_LOG: No primary key")
                .containsPattern("15 tables and views, [5-9]\\d\\d tests, 0 failed");
        assertThat(directory.resolve("service/pom.xml")).exists();
    }
}
