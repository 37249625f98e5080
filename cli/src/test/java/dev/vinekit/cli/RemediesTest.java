package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.fault.Remedy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What would put things right is said in the tool's words by the tool, and in the library's by the library. */
class RemediesTest {
    private static final String[] WORDS = Collections.nCopies(3, "cellar").toArray(new String[0]);

    @ParameterizedTest
    @EnumSource
    void bothNameTheSameThings(Remedy.Kind kind) {
        Remedy remedy = Remedy.of(kind, WORDS);

        assertThat(Remedies.text(remedy)).doesNotContain("%").satisfies(text -> assertThat(count(text))
                .isEqualTo(count(remedy.text())));
    }

    @Test
    void theLibraryNamesNoOptionOfTheTool() throws IOException {
        Set<String> options = new TreeSet<>();
        VineKitCommand.commandLine().getSubcommands().values().forEach(command -> command.getCommandSpec().options()
                .forEach(option -> options.add(option.longestName())));
        assertThat(options).contains("--dir", "--schema", "--verbose");
        Pattern named = Pattern.compile("\"[^\"]*(" + String.join("|", options) + ")\\b(?!=|-)[^\"]*\"");

        for (Path module : List.of(Path.of("../core/src/main/java"), Path.of("../run/src/main/java"))) {
            try (Stream<Path> files = Files.walk(module)) {
                for (Path file : files.filter(Files::isRegularFile).toList()) {
                    assertThat(named.matcher(Files.readString(file)).results().map(found -> found.group())).as("%s",
                            file).isEmpty();
                }
            }
        }
    }

    private static long count(String text) {
        return Pattern.compile("cellar").matcher(text).results().count();
    }
}
