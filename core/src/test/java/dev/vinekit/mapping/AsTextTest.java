package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.schema.Column;
import dev.vinekit.sql.Dialect;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The texts that stand for values of other types are taken by each engine, and come back as they were. */
class AsTextTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2         | SMALLINT; INTEGER; BIGINT; NUMERIC(6, 2); NUMERIC(5); REAL; DOUBLE PRECISION; DATE; TIME(0); TIME(3); TIMESTAMP(0); TIMESTAMP(6); UUID",
        "postgresql | SMALLINT; INTEGER; BIGINT; NUMERIC(6, 2); NUMERIC(5); REAL; DOUBLE PRECISION; DATE; TIME(0); TIME(3); TIMESTAMP(0); TIMESTAMP(6); UUID;"
            + " INTEGER[]; TEXT[]",
        "mariadb    | SMALLINT; INT; BIGINT; DECIMAL(6, 2); DECIMAL(5); FLOAT; DOUBLE; DATE; TIME; TIME(3); DATETIME; DATETIME(6); UUID; YEAR",
        "sqlite     | SMALLINT; INTEGER; BIGINT; NUMERIC; REAL; DATE; TIME; DATETIME; UUID; BOOLEAN"})
    void examplesComeBackAsTheyWere(String engine, String types) throws SQLException {
        List<String> columns = Arrays.stream(types.split(";")).map(String::strip).toList();
        StringBuilder script = new StringBuilder("CREATE TABLE told (id INT");
        for (int i = 0; i < columns.size(); i++) {
            script.append(", c").append(i).append(' ').append(columns.get(i));
        }
        try (TestDatabases database = TestDatabases.on(engine, script + ")");
                Connection connection = database.database().connect();
                Statement statement = connection.createStatement()) {
            Dialect dialect = database.database().engine().dialect(VineKit.read(database.database(), Scope.all()));
            for (Column column : VineKit.read(database.database(), Scope.all()).tables().get(0).columns()) {
                List<String> texts = Stream.concat(AsText.examples(column.type()).stream(),
                        AsText.numbered(column.type()).map(text -> text.replace("##", "17").replace("#", "17"))
                        .stream()).toList();
                assertThat(column.name().equalsIgnoreCase("id") || !texts.isEmpty()).as(column.type().text()).isTrue();
                for (String text : texts) {
                    statement.executeUpdate("DELETE FROM told");
                    statement.executeUpdate("INSERT INTO told (" + column.name() + ") VALUES ("
                            + dialect.literal(column.type(), text) + ")");
                    try (ResultSet row = statement.executeQuery("SELECT " + column.name() + " FROM told")) {
                        row.next();
                        assertThat(row.getString(1)).as(column.type().text()).isEqualTo(text);
                    }
                }
            }
        }
    }
}
