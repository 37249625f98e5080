package dev.vinekit.change;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.sql.ChangeScript;
import java.sql.SQLException;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Random changes of random schemas with rows at their limits, applied in every way that people apply scripts: a script
 * takes effect completely or changes nothing, and no value is ever lost.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class ChangeScripts {
    private final String engine;
    private int applied;
    private int refused;

    ChangeScripts(String engine) {
        this.engine = engine;
    }

    /** A script that never does anything loses nothing either. */
    @AfterAll
    void bothHappen() {
        System.out.printf("%d scripts took effect, %d were refused%n", applied, refused);
        assertThat(4 * applied).isGreaterThanOrEqualTo(refused);
    }

    static Stream<Arguments> aFew() {
        return cases(1, 20);
    }

    static Stream<Arguments> many() {
        return cases(10_001, 40);
    }

    /** The same changes in each run; {@code -Dchanges.seed} and {@code -Dchanges.count} give others. */
    private static Stream<Arguments> cases(int number, int count) {
        long first = Long.getLong("changes.seed", number);
        int many = Integer.getInteger("changes.count", count);
        return IntStream.range(0, many)
                .mapToObj(i -> Arguments.of(first + i, Client.values()[i % Client.values().length]));
    }

    @ParameterizedTest
    @MethodSource("aFew")
    void scriptTakesEffectOrChangesNothing(long seed, Client client) throws Exception {
        apply(seed, client);
    }

    @Tag("thorough")
    @ParameterizedTest
    @MethodSource("many")
    void scriptsTakeEffectOrChangeNothing(long seed, Client client) throws Exception {
        apply(seed, client);
    }

    private void apply(long seed, Client client) throws Exception {
        RandomChange change = new RandomChange(engine, seed);
        Schema before = schema(change.scriptBefore());
        Schema after = schema(change.scriptAfter());
        SchemaDifference difference = SchemaDifference.of(before, after);
        ChangeScript script = VineKit.changes(difference);
        Map<String, String> renamed = difference.changes().stream()
                .filter(SchemaChange.ColumnRenamed.class::isInstance).map(SchemaChange.ColumnRenamed.class::cast)
                .collect(Collectors.toMap(column -> lower(column.table().name() + "." + column.was().name()),
                        column -> lower(column.now().name())));
        String story = "%s, %d, %s%n%s%n-- script%n%s".formatted(engine, seed, client, change, script.text());
        try (TestDatabases database = TestDatabases.on(engine, change.scriptBefore())) {
            if (engine.equals("sqlite")) {
                database.run("PRAGMA foreign_keys = OFF");
            }
            for (String row : change.rows()) {
                database.run(row);
            }
            Contents was = Contents.of(database.scratch().anchor());
            if (!script.decisions().isEmpty()) {
                client.apply(database, script.text());
                assertThat(Contents.of(database.scratch().anchor())).as(story).isEqualTo(was);
            }

            client.apply(database, script.decided());

            Contents now = Contents.of(database.scratch().anchor());
            assertThat(was.lostIn(now, renamed)).as(story).isEmpty();
            if (was.equals(now)) {
                refused++;
            } else {
                applied++;
            }
            SchemaDifference left = SchemaDifference.of(VineKit.read(database.database(), Scope.all()), after);
            if (!left.isEmpty() && script.decisions().isEmpty()) {
                assertThat(now).as("left: " + left.changes() + story).isEqualTo(was);
                assertThat(SchemaDifference.of(VineKit.read(database.database(), Scope.all()), before).changes())
                        .as(story).isEmpty();
            }

            used(database, now);
            now = Contents.of(database.scratch().anchor());
            client.apply(database, script.decided());

            Contents again = Contents.of(database.scratch().anchor());
            assertThat(was.lostIn(again, renamed)).as("again: " + story).isEmpty();
            assertThat(now.lostIn(again, Map.of())).as("again: " + story).isEmpty();
        } catch (SQLException e) {
            throw new IllegalStateException(story + e.getMessage().toLowerCase(Locale.ROOT), e);
        }
    }

    private static String lower(String name) {
        return name.toLowerCase(Locale.ROOT);
    }

    /** Gives new columns the values that an application would, where the type of the column accepts a small number. */
    private static void used(TestDatabases database, Contents contents) {
        contents.columns().stream().map(column -> column.split(" ")[0]).filter(column -> column.contains(".needed_"))
                .filter(column -> !column.contains("_view")).forEach(column -> database.scratch().takes("UPDATE "
                        + column.split("\\.")[0] + " SET " + column.split("\\.")[1] + " = '9'"));
    }

    private Schema schema(String script) throws SQLException {
        try (TestDatabases database = TestDatabases.on(engine, script)) {
            return VineKit.read(database.database(), Scope.all());
        }
    }
}
