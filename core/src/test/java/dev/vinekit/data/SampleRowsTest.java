package dev.vinekit.data;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.sql.Dialect;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where an engine takes rows that a person writes by hand, there are sample rows: as many as seed and tests make. */
class SampleRowsTest {
    private static final int ROWS = 99;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2         | a SMALLINT CHECK (a BETWEEN 1 AND 12), b INT CHECK (b BETWEEN 1 AND 31), n INT, PRIMARY KEY (a, b)",
        "h2         | a SMALLINT CHECK (a BETWEEN 1 AND 3), b CHAR(1), c ENUM('red', 'white'), PRIMARY KEY (a, b, c)",
        "h2         | a TINYINT PRIMARY KEY",
        "h2         | a NUMERIC(2) CHECK (a >= 0), b BOOLEAN, c NUMERIC(2) CHECK (c >= 0), PRIMARY KEY (a, b, c)",
        "h2         | a VARCHAR(9) CHECK (a IN ('x', 'y')), b BIGINT, PRIMARY KEY (a, b)",
        "h2         | a BOOLEAN, b BIGINT, PRIMARY KEY (a, b)",
        "h2         | a VARBINARY(40) PRIMARY KEY CHECK (OCTET_LENGTH(a) = 32)",
        "h2         | a VARBINARY(40) CHECK (OCTET_LENGTH(a) BETWEEN 5 AND 8), b INT PRIMARY KEY",
        "h2         | a INT PRIMARY KEY, b INT CHECK (b IS NULL OR b BETWEEN 5 AND 6)",
        "h2         | a INT PRIMARY KEY, b VARCHAR(20) NOT NULL UNIQUE, c INT, UNIQUE (c, b)",
        "postgresql | a SMALLINT CHECK (a BETWEEN 1 AND 12), b INT CHECK (b BETWEEN 1 AND 31), PRIMARY KEY (a, b)",
        "postgresql | a BYTEA PRIMARY KEY CHECK (octet_length(a) = 20)",
        "postgresql | a BYTEA, b INT PRIMARY KEY, CHECK (a IS NULL OR length(a) = 16)",
        "postgresql | a INT4RANGE NOT NULL, b INT PRIMARY KEY, EXCLUDE USING gist (a WITH &&)",
        "postgresql | a DATERANGE NOT NULL, b INT PRIMARY KEY, EXCLUDE USING gist (a WITH &&)",
        "postgresql | a TSRANGE NOT NULL, b INT PRIMARY KEY, EXCLUDE USING gist (a WITH &&)",
        "postgresql | a TSTZRANGE NOT NULL, b INT PRIMARY KEY, EXCLUDE USING gist (a WITH &&)",
        "postgresql | a TEXT CHECK (a IN ('x', 'y')), b BIGINT, PRIMARY KEY (a, b)",
        "mariadb    | a VARCHAR(9) CHECK (a IN ('x', 'y')), b BIGINT, PRIMARY KEY (a, b)",
        "mariadb    | a TINYINT(1) PRIMARY KEY, b INT",
        "mariadb    | a ENUM('x', 'y'), b BIGINT, PRIMARY KEY (a, b)",
        "mariadb    | a VARCHAR(40) NOT NULL, b INT PRIMARY KEY, UNIQUE (a(5))",
        "mariadb    | a TINYINT CHECK (a BETWEEN 1 AND 12), b TINYINT CHECK (b BETWEEN 1 AND 31), PRIMARY KEY (a, b)",
        "sqlite     | a BLOB NOT NULL PRIMARY KEY CHECK (length(a) = 16)",
        "sqlite     | a INT NOT NULL CHECK (a BETWEEN 1 AND 12), b INT NOT NULL CHECK (b BETWEEN 1 AND 31), PRIMARY KEY (a, b)"})
    void everyShapeOfRowCanBeMadeUpWithoutEnd(String engine, String columns) throws SQLException {
        try (TestDatabases database = TestDatabases.on(engine, "CREATE TABLE shape (" + columns + ")")) {
            Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.shapes");
            Entity shape = mapping.entities().get(0);
            Dialect dialect = database.database().engine().dialect(mapping.schema());
            SampleRows samples = new SampleRows(mapping);

            assertThat(samples.isEndless(shape)).as(columns).isTrue();
            try (Connection connection = database.database().connect();
                    Statement statement = connection.createStatement()) {
                for (int n = 1; n <= ROWS; n++) {
                    assertThat(statement.executeUpdate(insert(shape, samples.row(shape, false), dialect, n))).isOne();
                }
            }
        }
    }

    private static String insert(Entity shape, SampleRow row, Dialect dialect, int n) {
        List<String> names = new ArrayList<>();
        List<String> values = new ArrayList<>();
        for (Map.Entry<Field, Sample> value : row.values().entrySet()) {
            names.add(value.getKey().sqlName());
            values.add(value.getValue() instanceof Sample.Nothing ? "NULL"
                    : dialect.literal(value.getKey().column().type(), value.getValue().text(n)));
        }
        return "INSERT INTO " + shape.sqlTable() + " (" + String.join(", ", names) + ") VALUES ("
                + String.join(", ", values) + ")";
    }
}
