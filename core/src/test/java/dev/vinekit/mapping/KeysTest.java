package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.data.SampleRows;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What an engine lets stand in a key is a key. */
class KeysTest {
    private static final List<Operation> ALL = List.of(Operation.values()).subList(0, Operation.RESTORE.ordinal());

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2         | SMALLINT; INTEGER; BIGINT; NUMERIC(8, 2); DECFLOAT(10); REAL; DOUBLE PRECISION; VARCHAR; VARCHAR(20); VARCHAR_IGNORECASE(20); CHAR(4);"
            + " VARBINARY(20); BINARY(8); DATE; TIME; TIME WITH TIME ZONE; TIMESTAMP; TIMESTAMP WITH TIME ZONE; UUID; INTERVAL DAY; INTERVAL YEAR TO MONTH;"
            + " INTERVAL DAY TO SECOND; INTERVAL HOUR",
        "postgresql | SMALLINT; INTEGER; BIGINT; NUMERIC; NUMERIC(8, 2); REAL; DOUBLE PRECISION; TEXT; VARCHAR(20); CHAR(4); BYTEA; DATE; TIME; TIMETZ; TIMESTAMP;"
            + " TIMESTAMPTZ; UUID; INTERVAL; INET; CIDR; MACADDR; MACADDR8; BIT(5); BIT VARYING(9); MONEY; NAME; OID; PG_LSN; TSVECTOR",
        "mariadb    | SMALLINT; INT; BIGINT UNSIGNED; MEDIUMINT; DECIMAL(8, 2); FLOAT; DOUBLE; VARCHAR(20); VARCHAR(20) COLLATE utf8mb4_bin; CHAR(4); VARBINARY(20);"
            + " BINARY(16); DATE; TIME(3); DATETIME(3); TIMESTAMP(6); YEAR; UUID; INET6; BIT(7)",
        "sqlite     | INTEGER; TEXT; TEXT COLLATE NOCASE; BLOB; REAL; NUMERIC; VARCHAR(20); DATE; DATETIME; UUID"})
    void everyTypeOfAKeyHasAllOperations(String engine, String types) throws SQLException {
        List<String> keys = Arrays.stream(types.split(";")).map(String::strip).toList();
        String script = IntStream.range(0, keys.size())
                .mapToObj(i -> "CREATE TABLE by_" + i + " (k " + keys.get(i) + " NOT NULL PRIMARY KEY, n INTEGER);\n"
                + "CREATE TABLE of_" + i + " (id INTEGER NOT NULL PRIMARY KEY, k " + keys.get(i)
                + " NOT NULL, FOREIGN KEY (k) REFERENCES by_" + i + " (k));\n")
                .collect(Collectors.joining());
        try (TestDatabases database = TestDatabases.on(engine, script)) {
            Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.keys");
            SampleRows samples = new SampleRows(mapping);

            assertThat(mapping.entities()).hasSize(2 * keys.size()).allSatisfy(entity -> {
                String type = entity.fields().get(entity.fields().size() - 1).column().type().text();
                assertThat(entity.operations()).as("%s %s", engine, type).containsAll(ALL);
                assertThat(entity.filters()).as("%s %s", engine, type).containsAll(entity.key());
                assertThat(entity.relations()).allMatch(Relation::followed);
                assertThat(samples.isEndless(entity))
                        .as("rows for a key of %s %s", engine, entity.key().get(0).column().type().text()).isTrue();
            });
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "postgresql | INTEGER[]; INT4RANGE",
        "h2         | INTEGER ARRAY"})
    void whatHasManyValuesIsNoKey(String engine, String types) throws SQLException {
        for (String type : types.split("; ")) {
            try (TestDatabases database =
                    TestDatabases.on(engine, "CREATE TABLE made (k " + type + " NOT NULL PRIMARY KEY, n INTEGER)")) {
                Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.keys");

                assertThat(mapping.entities().get(0).operations()).as(type)
                        .containsExactly(Operation.LIST, Operation.CREATE);
            }
        }
    }
}
