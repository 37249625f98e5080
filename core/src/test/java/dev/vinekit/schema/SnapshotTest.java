package dev.vinekit.schema;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SnapshotTest {
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void everythingThatWasReadComesBack(String engine) throws Exception {
        try (TestDatabases clauses = TestDatabases.clauses(engine)) {
            Schema schema = VineKit.read(clauses.database(), Scope.all());

            String text = VineKit.snapshot(schema);

            assertThat(Snapshot.read(text)).isEqualTo(schema);
            assertThat(VineKit.snapshot(VineKit.read(clauses.database(), Scope.all()))).isEqualTo(text);
        }
    }

    @Test
    void saysWhatDefaultsMean() throws Exception {
        try (TestDatabases database = TestDatabases.on("postgresql", """
                CREATE SEQUENCE ticket;
                CREATE TABLE t (a INT DEFAULT nextval('ticket'), b UUID DEFAULT gen_random_uuid(), c DATE DEFAULT now(),
                    d TEXT DEFAULT 'it''s', e NUMERIC DEFAULT -1.5, f BOOLEAN DEFAULT TRUE, g INT DEFAULT 1 + random()::int,
                    h TIMESTAMP DEFAULT CURRENT_TIMESTAMP, i TEXT);
                """)) {
            Table table = VineKit.read(database.database(), Scope.all()).tables().get(0);

            assertThat(table.columns()).extracting(column -> column.defaultValue().map(DefaultValue::meaning)
                    .orElse(null))
                    .containsExactly(DefaultValue.Meaning.SEQUENCE, DefaultValue.Meaning.NEW_UUID,
                            DefaultValue.Meaning.NOW, DefaultValue.Meaning.CONSTANT, DefaultValue.Meaning.CONSTANT,
                            DefaultValue.Meaning.CONSTANT, DefaultValue.Meaning.EXPRESSION, DefaultValue.Meaning.NOW,
                            null);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "{}", "[1]", "{\"format\": 2, \"schema\": {}}",
            "{\"format\": 1, \"schema\": {\"x\": 1}}"})
    void whatIsNoSnapshotIsRefused(String text) {
        assertThatThrownBy(() -> Snapshot.read(text)).isInstanceOf(IllegalArgumentException.class);
    }
}
