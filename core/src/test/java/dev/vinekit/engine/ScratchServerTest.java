package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.TestDatabases;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScratchServerTest {
    @ParameterizedTest
    @CsvSource({"postgresql, SELECT datname FROM pg_database", "mariadb, SHOW DATABASES"})
    void databasesOfKilledProcessesAreDroppedAndNoOthers(String engine, String databases) throws SQLException {
        String left = "vinekit_scratch_1700000000_0123456789abcdef";
        String young = "vinekit_scratch_" + Instant.now().getEpochSecond() + "_0123456789abcdef";
        String somebodys = "vinekit_scratch_1700000000_notes";
        try (TestDatabases own = TestDatabases.on(engine, "");
                Connection connection = own.database().connect();
                Statement statement = connection.createStatement()) {
            for (String name : List.of(left, young, somebodys)) {
                statement.execute("CREATE DATABASE " + name);
            }
            ScratchDatabase scratch = own.database().engine().scratchOn(own.database());

            assertThat(names(statement, databases)).doesNotContain(left).contains(young, somebodys);
            assertThat(names(statement, databases)).anyMatch(name -> scratch.url().contains("/" + name));

            scratch.close();

            assertThat(names(statement, databases)).noneMatch(name -> scratch.url().contains("/" + name));
            statement.execute("DROP DATABASE " + young);
            statement.execute("DROP DATABASE " + somebodys);
        }
    }

    /** A server that starts deletes the temporary tables of all others in the directory that they share. */
    @Test
    void temporaryFilesOfServersAreApart() throws SQLException {
        try (TestDatabases own = TestDatabases.on("mariadb", "");
                Connection connection = own.database().connect();
                Statement statement = connection.createStatement()) {
            assertThat(names(statement, "SELECT CONCAT(@@tmpdir, '/data/') = @@datadir")).containsExactly("1");
        }
    }

    private static List<String> names(Statement statement, String databases) throws SQLException {
        List<String> names = new ArrayList<>();
        try (ResultSet row = statement.executeQuery(databases)) {
            while (row.next()) {
                names.add(row.getString(1));
            }
        }
        return names;
    }
}
