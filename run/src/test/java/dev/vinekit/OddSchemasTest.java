package dev.vinekit;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.project.Project;
import dev.vinekit.project.ServiceDescription;
import dev.vinekit.run.RuleOutcome;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import dev.vinekit.source.SourceTree;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TimeZone;
import java.util.stream.Collectors;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Clauses of schemas of published programs that once failed somewhere on the whole way, each in a table of its own. */
class OddSchemasTest {
    /** Tables of which tests make no rows: their keys have a few values, or the database refuses rows or changes. */
    private static final Map<String, Set<String>> UNTESTED = Map.of(
            "h2", Set.of("grade"),
            "mariadb", Set.of("k", "lease", "valve"),
            "mysql", Set.of("k", "lease", "valve"),
            "postgresql", Set.of("board_role", "fixed", "kind", "lease", "valve"),
            "sqlite", Set.of("clip", "grade", "hose", "pump"));

    /** Checks that no test proves: of tables without more rows, or about two references that tests do not both set. */
    private static final Map<String, Set<String>> UNPROVED = Map.of(
            "h2", Set.of("grade: \"CODE\" IN('a', 'b', 'c')"),
            "mariadb", Set.of("k: `k` in ('red','white')"),
            "mysql", Set.of("k: (`k` in ('red','white'))", "prize: ((`word_code` is null) or (`slug_id` is null))"),
            "postgresql", Set.of("animal: ((mother IS NULL) OR (mother <> father))",
                    "board_role: (role = ANY (ARRAY['chair'::text, 'treasurer'::text, 'warden'::text]))",
                    "kind: (k = ANY (ARRAY['red'::bpchar, 'white'::bpchar, 'rose'::bpchar]))"),
            "sqlite", Set.of("grade: code in ('a','b','c')", "animal: mother is null or mother <> father"));

    @TempDir
    private Path directory;

    @ParameterizedTest
    @ValueSource(strings = {"h2", "mariadb", "mysql", "postgresql", "sqlite"})
    void everyTablePasses(String engine) throws Exception {
        TestDatabases.require(engine);
        try (ScriptDatabase loaded = VineKit.load(engine,
                Path.of("src/test/resources/dev/vinekit/cases/" + engine + ".sql"))) {
            SourceTree sources = generated(loaded.database());
            Project project = VineKit.write(VineKit.plan(sources, directory));
            assertThat(QuickCompiler.compile(project).warnings()).isEmpty();

            TestReport report = Runner.test(project);

            assertThat(report.failures()).isEmpty();
            assertThat(untested(report)).isEqualTo(UNTESTED.get(engine));
            assertThat(unprovedChecks(report)).isEqualTo(UNPROVED.get(engine));
            assertThat(abroad(loaded.database()).files()).isEqualTo(sources.files());
        }
    }

    private static SourceTree generated(Database database) {
        Mapping mapping = VineKit.map(VineKit.asRowsTell(database, VineKit.read(database, Scope.all())),
                "com.example.made");
        return VineKit.generate(mapping);
    }

    /** The same where the clock and the letters differ. */
    private static SourceTree abroad(Database database) {
        Locale locale = Locale.getDefault();
        TimeZone zone = TimeZone.getDefault();
        try {
            Locale.setDefault(Locale.forLanguageTag("tr-TR"));
            TimeZone.setDefault(TimeZone.getTimeZone("Pacific/Kiritimati"));
            return generated(database);
        } finally {
            Locale.setDefault(locale);
            TimeZone.setDefault(zone);
        }
    }

    private static Set<String> unprovedChecks(TestReport report) {
        return report.service().tables().stream().flatMap(table -> report.rules(table).stream()
                .filter(rule -> rule.rule().kind().equals("check")).filter(RuleOutcome::isUnproved)
                .map(rule -> table.table().toLowerCase(Locale.ROOT) + ": " + rule.rule().text()))
                .collect(Collectors.toSet());
    }

    private static Set<String> untested(TestReport report) {
        return report.service().tables().stream()
                .filter(table -> report.aspects().stream().anyMatch(aspect -> report.isUntested(table, aspect)))
                .map(ServiceDescription.TableDescription::table).map(name -> name.toLowerCase(Locale.ROOT))
                .collect(Collectors.toSet());
    }
}
