package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.schema.Schema;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SampleOfRowsTest {
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb"})
    void identifiersAreNoBytes(String engine) throws SQLException {
        String identifier = "00000000-0000-4000-8000-000000000001";
        try (TestDatabases database = TestDatabases.on(engine, "CREATE TABLE lot (id UUID PRIMARY KEY);"
                + "INSERT INTO lot VALUES ('" + identifier + "');")) {
            Schema schema = VineKit.read(database.database(), Scope.all());

            assertThat(VineKit.sampleRows(database.database(), schema, schema.tables().get(0), 1).rows())
                    .containsExactly(List.of(identifier));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void rowsAreTextBytesAreCountedAndLongTextsAreCut(String engine) throws SQLException {
        String bytes = engine.equals("postgresql") ? "BYTEA" : "BLOB";
        String hex = engine.equals("postgresql") ? "'\\x0102'" : "X'0102'";
        try (TestDatabases database = TestDatabases.on(engine, "CREATE TABLE label (id INT PRIMARY KEY, title "
                + "VARCHAR(2000), picture " + bytes + ");"
                + "INSERT INTO label VALUES (1, 'Old vines', " + hex + ");"
                + "INSERT INTO label VALUES (2, NULL, NULL);"
                + "INSERT INTO label VALUES (3, '" + "x".repeat(1500) + "', " + hex + ");"
                + "INSERT INTO label VALUES (4, 'Not shown', NULL);")) {
            Schema schema = VineKit.read(database.database(), Scope.all());

            SampleOfRows sample = VineKit.sampleRows(database.database(), schema, schema.tables().get(0), 3);

            assertThat(sample.columns()).extracting(String::toLowerCase).containsExactly("id", "title", "picture");
            assertThat(sample.rows()).containsExactly(List.of("1", "Old vines", "2 bytes"),
                    List.of("2", "NULL", "NULL"), List.of("3", "x".repeat(1000), "2 bytes"));
        }
    }
}
