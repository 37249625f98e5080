package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What may be lost when a column takes another type. */
class TypeChangeTest {
    private static final List<String> POSTGRESQL = List.of(
            "smallint > integer > bigint", "real > double precision", "varchar(10) > varchar(20) > varchar",
            "char(4) > varchar(4) > text",
            "numeric(6,2) > numeric(8,2) > numeric(10,4)", "smallint > numeric(5)", "integer > numeric(12,2)",
            "integer > text",
            "date > text", "timestamp(3) > timestamp(6)", "uuid > text", "boolean > varchar(5)");
    private static final List<String> MARIADB = List.of(
            "tinyint > smallint > mediumint > int > bigint", "tinyint unsigned > smallint unsigned",
            "binary(4) > varbinary(8)",
            "enum('a','b') > enum('a','b','c')", "datetime(3) > datetime(6)", "varchar(10) > longtext");

    @ParameterizedTest
    @CsvSource({"postgresql", "mariadb", "mysql"})
    void widerTypesLoseNothingAndNarrowerOnesMay(String engine) throws SQLException {
        for (String chain : engine.equals("postgresql") ? POSTGRESQL : MARIADB) {
            List<String> types = Arrays.stream(chain.split(" > ")).toList();
            List<SqlType> read = read(engine, types);
            for (int i = 0; i < types.size(); i++) {
                for (int j = 0; j < types.size(); j++) {
                    assertThat(TypeChange.losesData(read.get(i), read.get(j)))
                            .as("%s to %s", types.get(i), types.get(j)).isEqualTo(j < i);
                }
            }
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "postgresql | date           | timestamp(3)  | SAFE",
        "mariadb    | date           | datetime      | SAFE",
        "postgresql | timestamp      | date          | BY_VALUE",
        "postgresql | timestamp      | timestamptz   | UNKNOWN",
        "mariadb    | datetime       | timestamp     | UNKNOWN",
        "postgresql | date           | timestamptz   | UNKNOWN",
        "postgresql | uuid           | bytea         | UNKNOWN",
        "postgresql | jsonb          | integer       | UNKNOWN",
        "postgresql | integer        | varchar(3)    | BY_VALUE",
        "postgresql | text           | integer       | BY_VALUE",
        "mysql      | int            | smallint      | BY_VALUE"})
    void changeIsSafeOrJudgedByValuesOrLeftToTheUser(String engine, String was, String now, String expected)
            throws SQLException {
        List<SqlType> read = read(engine, List.of(was, now));

        assertThat(TypeChange.of(read.get(0), read.get(1))).hasToString(expected);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "postgresql | integer                     | boolean",
        "postgresql | uuid                        | bytea",
        "postgresql | varchar(10)                 | char(10)",
        "postgresql | numeric(6,2)                | numeric(6,4)",
        "postgresql | numeric(6,4)                | numeric(6,2)",
        "postgresql | numeric                     | numeric(20,2)",
        "postgresql | double precision            | numeric(20,2)",
        "mariadb    | int                         | int unsigned",
        "mariadb    | enum('a','b')               | enum('a','c')",
        "mysql      | int                         | int unsigned"})
    void othersMayLoseSomething(String engine, String was, String now) throws SQLException {
        List<SqlType> read = read(engine, List.of(was, now));

        assertThat(TypeChange.losesData(read.get(0), read.get(1))).isTrue();
    }

    private static List<SqlType> read(String engine, List<String> types) throws SQLException {
        StringBuilder columns = new StringBuilder("id INT PRIMARY KEY");
        for (int i = 0; i < types.size(); i++) {
            columns.append(", c").append(i).append(' ').append(types.get(i));
        }
        try (TestDatabases database = TestDatabases.on(engine, "CREATE TABLE changed (" + columns + ")")) {
            Table table = VineKit.read(database.database(), Scope.all()).tables().get(0);
            return table.columns().stream().skip(1).map(column -> column.type()).toList();
        }
    }
}
