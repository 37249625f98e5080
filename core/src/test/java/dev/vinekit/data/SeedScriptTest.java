package dev.vinekit.data;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.SeedRequest;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.engine.RowCount;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.schema.Schema;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("fast")
class SeedScriptTest {
    @ParameterizedTest
    @ValueSource(strings = {
        "a VARCHAR(20) NOT NULL UNIQUE",
        "a VARCHAR(2) NOT NULL UNIQUE",
        "a VARCHAR(1) NOT NULL UNIQUE",
        "a CHAR(5) NOT NULL UNIQUE",
        "a VARCHAR(60) NOT NULL UNIQUE CHECK (a LIKE '%_@_%')",
        "a VARCHAR(60) NOT NULL CHECK (a LIKE 'https://%')",
        "a VARCHAR(6) NOT NULL UNIQUE CHECK (a REGEXP '^[A-Z]{2}[0-9]+$')",
        "a VARCHAR(9) NOT NULL CHECK (CHAR_LENGTH(a) = 9)",
        "a VARCHAR(9) NOT NULL CHECK (a IN ('oak', 'ash'))",
        "a INT NOT NULL CHECK (a BETWEEN 5 AND 6)",
        "a INT NOT NULL CHECK (a > 2000000000)",
        "a INT NOT NULL CHECK (a < -2000000000)",
        "a INT NOT NULL UNIQUE CHECK (a >= 100)",
        "a SMALLINT NOT NULL CHECK (a IN (375, 750))",
        "a TINYINT NOT NULL UNIQUE",
        "a NUMERIC(3, 2) NOT NULL CHECK (a > 2.5 AND a < 2.52)",
        "a NUMERIC(1, 1) NOT NULL",
        "a NUMERIC(20) NOT NULL UNIQUE",
        "a DECFLOAT NOT NULL",
        "a DATE NOT NULL, b DATE NOT NULL, c DATE NOT NULL, CHECK (a <= b), CHECK (c > b)",
        "a TIMESTAMP NOT NULL, b TIMESTAMP NOT NULL, CHECK (b > a)",
        "a TIME NOT NULL, b TIME NOT NULL, CHECK (a < b)",
        "a INT NOT NULL, b INT NOT NULL, CHECK (a < b), CHECK (a >= 0)",
        "a INT NOT NULL, b INT NOT NULL, CHECK (a <> b)",
        "a DATE NOT NULL UNIQUE",
        "a TIMESTAMP WITH TIME ZONE NOT NULL UNIQUE",
        "a TIME NOT NULL UNIQUE",
        "a UUID NOT NULL UNIQUE, b JSON NOT NULL, c VARBINARY(2) NOT NULL, d BINARY(4) NOT NULL",
        "a BOOLEAN NOT NULL, b ENUM('x', 'y') NOT NULL",
        "a INT, CHECK (a * a = 49)",
        "a VARCHAR(9) NOT NULL, b INT NOT NULL, UNIQUE (a, b)"})
    void rowsSatisfyEveryConstraintOfATable(String columns) throws SQLException {
        assertThat(rows("CREATE TABLE t (id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, " + columns + ")"))
                .containsExactly(5L);
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "CREATE TABLE b (id INT PRIMARY KEY, a_id INT NOT NULL UNIQUE REFERENCES a (id))",
        "CREATE TABLE b (a_id INT PRIMARY KEY REFERENCES a (id), n INT)",
        "CREATE TABLE b (id INT PRIMARY KEY, a_name VARCHAR(20) NOT NULL REFERENCES a (name))",
        "CREATE TABLE b (id INT PRIMARY KEY, x INT NOT NULL, y VARCHAR(20), FOREIGN KEY (x, y) REFERENCES a (id, name))",
        "CREATE TABLE b (id INT PRIMARY KEY, parent INT REFERENCES b (id), a_id INT REFERENCES a (id))"})
    void rowsReferToRowsThatAreThere(String second) throws SQLException {
        assertThat(rows("CREATE TABLE a (id INT PRIMARY KEY, name VARCHAR(20) NOT NULL UNIQUE, UNIQUE (id, name)); "
                + second)).containsExactly(5L, 5L);
    }

    @Test
    void numbersGoOnAfterTheSeedRows() throws SQLException {
        String table = "CREATE TABLE t (id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, a INT)";
        try (TestDatabases database = seeded(table);
                Connection connection = database.database().connect();
                Statement statement = connection.createStatement()) {
            statement.executeUpdate("INSERT INTO t (a) VALUES (1)", new String[] {"ID"});
            try (ResultSet key = statement.getGeneratedKeys()) {
                key.next();
                assertThat(key.getInt(1)).isEqualTo(6);
            }
        }
    }

    @Test
    void scriptIsTheSameEachTime() throws SQLException {
        String table = "CREATE TABLE t (id UUID PRIMARY KEY, a VARCHAR(9))";

        assertThat(script(table)).isEqualTo(script(table)).contains("INSERT INTO t (id, a)");
    }

    private static List<Long> rows(String script) throws SQLException {
        try (TestDatabases database = seeded(script)) {
            Schema schema = VineKit.read(database.database(), Scope.all());
            return VineKit.rowCounts(database.database(), schema, true).values().stream().map(RowCount::rows).toList();
        }
    }

    private static TestDatabases seeded(String script) throws SQLException {
        return TestDatabases.h2(script + ";\n" + script(script));
    }

    private static String script(String tables) throws SQLException {
        try (TestDatabases database = TestDatabases.h2(tables)) {
            Schema schema = VineKit.read(database.database(), Scope.all());
            Mapping mapping = VineKit.map(schema, "com.example");
            return VineKit.seed(mapping, SeedRequest.NONE);
        }
    }
}
