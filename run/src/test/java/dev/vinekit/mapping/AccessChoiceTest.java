package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Compilation;
import dev.vinekit.run.Runner;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Who may read what, once something is said of a table: a and b are tables, v shows a, w shows v and b. */
class AccessChoiceTest {
    private static final String SCRIPT = """
            CREATE TABLE a (id INT PRIMARY KEY, n INT);
            CREATE TABLE b (id INT PRIMARY KEY, a_id INT REFERENCES a (id));
            CREATE VIEW v AS SELECT id, n FROM a;
            CREATE VIEW w AS SELECT v.n, b.id FROM v JOIN b ON b.a_id = v.id;
            """;

    @TempDir
    private Path folder;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "{}                                                                                  | a:* b:* v:* w:*",
        "{entities: {a: {access: {read: [hand]}}}}                                           | a:hand",
        "{http: {other-tables: ['*']}, entities: {a: {access: {read: [hand]}}}}              | a:hand b:* v:hand w:hand",
        "{http: {other-tables: [hand, master]}}                                              | a:hand,master b:hand,master v:hand,master w:hand,master",
        "{http: {other-tables: [master]}, entities: {a: {access: {read: [hand]}}}}           | a:hand b:master",
        "{http: {other-tables: ['*']}, entities: {a: {access: {read: [hand, x]}}, b: {access: {read: [hand]}}}} | a:hand,x b:hand v:hand,x w:hand",
        "{http: {other-tables: ['*']}, entities: {a: {access: {read: [hand]}}, v: {access: {list: ['*']}}}}     | a:hand b:* v:* w:*",
        "{http: {other-tables: ['*']}, entities: {a: {access: {create: [hand]}}}}            | b:*",
        "{entities: {a: {access: {read: [hand]}}, b: {access: {read: ['*']}}}}               | a:hand b:*"})
    void whatIsNotNamedIsDeniedAndViewsShowNoMoreThanTheirTables(String decided, String readers) throws Exception {
        assertThat(readers(SCRIPT, decided)).isEqualTo(readers);
    }

    private String readers(String script, String decided) throws Exception {
        return map(script, decided).entities().stream().filter(entity -> entity.operations().contains(Operation.LIST))
                .map(entity -> entity.table().name().name().toLowerCase(Locale.ROOT) + ":"
                        + String.join(",", entity.roles(Operation.LIST)))
                .collect(Collectors.joining(" "));
    }

    @Test
    void viewsThatNameEachOtherShowWhatTheirTablesDo() throws Exception {
        assertThat(
                readers("CREATE TABLE a (id INT PRIMARY KEY); CREATE VIEW v AS SELECT id AS w FROM a; CREATE VIEW w AS SELECT w AS v FROM v;",
                "{http: {other-tables: ['*']}, entities: {a: {access: {read: [hand]}}}}"))
                .isEqualTo("a:hand v:hand w:hand");
    }

    @Test
    void closedTablesAreSaidAndTheRestIsProved() throws Exception {
        Mapping mapping = map(SCRIPT, "{entities: {a: {access: {read: [hand], create: [hand]}}}}");

        assertThat(mapping.remarks()).filteredOn(remark -> remark.text().contains("http.other-tables"))
                .extracting(remark -> remark.table().name())
                .containsExactly("B", "V", "W");
        prove(mapping);
    }

    /** Who may ask by n may ask by n and more. */
    @Test
    void finderThatAsksForMoreIsForThoseOfTheOthersToo() throws Exception {
        prove(map(SCRIPT, "{entities: {a: {access: {read: [hand], create: [hand]}, finders: ["
                + "{by: [n], roles: [taster]}, {by: [n, id], roles: [buyer]}, {by: [n], match: in, roles: ['*']}]}}}"));
    }

    private void prove(Mapping mapping) {
        Project project = VineKit.write(VineKit.plan(VineKit.generate(mapping, ""), folder.resolve("project")));
        Compilation compilation = QuickCompiler.compile(project);
        assertThat(compilation.warnings()).isEmpty();
        assertThat(Runner.test(project, compilation).failures()).isEmpty();
    }

    private Mapping map(String script, String decided) throws Exception {
        try (TestDatabases database = TestDatabases.h2(script)) {
            Path file = Files.writeString(folder.resolve("vinekit.yaml"), decided);
            return VineKit.map(VineKit.read(database.database(), Scope.all()),
                    MappingFile.read(file, Map.of(), false).inPackage("com.example.made"), Set.of());
        }
    }
}
