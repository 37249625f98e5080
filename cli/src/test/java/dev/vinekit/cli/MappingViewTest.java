package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Remark;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.FileChange;
import dev.vinekit.schema.TableName;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What generate says of few tables and of many. */
class MappingViewTest {
    private static final Style TERMINAL = new Style(false, false, 100);
    private static final int SCREEN = 40;

    @TempDir
    private Path directory;

    @Test
    void fewTablesAreShownOneByOneWithWhatToKnow() throws Exception {
        Mapping mapping = mapping(3, "");

        String shown = shown(out -> new MappingView(mapping, TERMINAL, out, false)
                .print(List.of(new TableName("PUBLIC", "CASK_2"))));

        assertThat(shown.lines().filter(line -> line.startsWith("cask_"))).hasSize(3 + 1);
        assertThat(shown).contains("cask_2", "comes along", "cask_0: No primary key");
    }

    @Test
    void manyTablesAreCountedByWhatCanBeDoneWithThem() throws Exception {
        Mapping mapping = mapping(60, "");

        String shown = shown(out -> new MappingView(mapping, TERMINAL, out, false).print(List.of()));
        String all = shown(out -> new MappingView(mapping, TERMINAL, out, true).print(List.of()));

        assertThat(shown).containsPattern("59 +list create read replace patch delete\\s*\\n")
                .containsPattern("1 +list create +cask_0\\s*\\n");
        assertThat(shown.lines()).hasSizeLessThan(SCREEN);
        assertThat(all.lines().filter(line -> line.startsWith("cask_"))).hasSizeGreaterThan(60);
    }

    @Test
    void manyRemarksAreCountedByWhatTheyAreAbout() throws Exception {
        Mapping mapping = mapping(30, ", word VARCHAR(20), CHECK (SOUNDEX(word) = 'X000')");

        String shown = shown(out -> new MappingView(mapping, TERMINAL, out, false).print(List.of()));

        assertThat(shown).contains("31 remarks; README.md in the project has them all",
                "    1  no key: rows cannot be read one by one: cask_0\n")
                .containsPattern("   30  a check is left to the database: cask_0, cask_1, .* and \\d+ more\n");
        assertThat(shown.lines()).hasSizeLessThan(SCREEN).allMatch(line -> line.length() <= 100);
    }

    @Test
    void everyTopicHasWords() {
        assertThat(Remark.Topic.values()).extracting(Remark.Topic::words).doesNotHaveDuplicates()
                .allMatch(words -> words.length() > 10);
    }

    @Test
    void manyFilesAreCountedByTheirSort() throws Exception {
        ChangeSet changes = VineKit.plan(VineKit.generate(mapping(60, "")), directory.resolve("service"));

        String shown = shown(out -> new ChangeView(TERMINAL, out, false).print(changes));
        String all = shown(out -> new ChangeView(TERMINAL, out, true).print(changes));

        assertThat(shown).contains("new        not there before", "60 controllers", "60 repository tests",
                "of the service as a whole");
        assertThat(shown.lines()).hasSizeLessThan(10);
        assertThat(all).contains("Cask17Controller.java", "Cask59Samples.java");
    }

    @Test
    void theOnlyFileOfItsSortIsNamed() throws Exception {
        List<FileChange> changes = new ArrayList<>();
        IntStream.range(0, 30).forEach(i -> changes.add(removed("dto/Cask" + i + "Input.java", "inputs")));
        changes.add(removed("entity/CaskKey.java", "keys"));
        ChangeSet set = new ChangeSet(directory, null, changes, Map.of(), Map.of(), List.of(), Set.of(), List.of());

        assertThat(shown(out -> new ChangeView(TERMINAL, out, false).print(set))).contains("30 inputs, CaskKey.java");
    }

    private static FileChange removed(String path, String sort) {
        return new FileChange(path, FileChange.Kind.REMOVED, "no longer generated", Optional.empty(), Optional.of(sort),
                Optional.empty(), Optional.empty());
    }

    /** Tables named cask_0 and so on, of which the first has no key. */
    private Mapping mapping(int tables, String more) throws SQLException {
        String url = "jdbc:h2:" + directory.resolve("casks");
        String script = IntStream.range(0, tables)
                .mapToObj(i -> "CREATE TABLE cask_" + i + " (id INT" + (i == 0 ? "" : " PRIMARY KEY") + ", litres INT"
                        + more + ");")
                .collect(Collectors.joining());
        try (Connection connection = DriverManager.getConnection(url, "sa", "");
                Statement statement = connection.createStatement()) {
            statement.execute(script);
        }
        return VineKit.map(VineKit.read(Database.at(url, "sa", ""), Scope.all()), "com.example.casks");
    }

    private static String shown(Consumer<PrintStream> printing) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        printing.accept(new PrintStream(bytes, true, StandardCharsets.UTF_8));
        return bytes.toString(StandardCharsets.UTF_8);
    }
}
