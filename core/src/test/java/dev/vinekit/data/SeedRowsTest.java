package dev.vinekit.data;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.SeedRequest;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.Mapping;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The database takes what was made up for it, however much that is, and says what it then holds. */
class SeedRowsTest {
    private static final String GROWERS = """
            CREATE TABLE grower (
                id INTEGER PRIMARY KEY, full_name VARCHAR(60) NOT NULL, email VARCHAR(80) NOT NULL UNIQUE CHECK (email LIKE '%_@_%'),
                city VARCHAR(40), since DATE NOT NULL, until DATE, CHECK (until >= since));
            CREATE TABLE plot (
                code VARCHAR(8) PRIMARY KEY, grower_id INTEGER NOT NULL REFERENCES grower (id), vines INTEGER CHECK (vines > 0));
            """;

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void aThousandRowsOfEachTableAreTaken(String engine) throws SQLException {
        List<String> counts = seeded(engine, GROWERS, SeedRequest.NONE.withRows(1000),
                "SELECT COUNT(*), COUNT(DISTINCT email) FROM grower", "SELECT COUNT(*), COUNT(DISTINCT code) FROM plot",
                "SELECT COUNT(*) FROM grower WHERE until < since", "SELECT COUNT(*) FROM grower WHERE city IS NULL");

        assertThat(counts.subList(0, 3)).containsExactly("1000 1000", "1000 1000", "0");
        assertThat(Integer.parseInt(counts.get(3))).as("some have no city").isBetween(50, 250);
    }

    @Test
    void theSameNumberGivesTheSameRowsAndAnotherOneOthers() throws SQLException {
        String first = script("h2", GROWERS, new SeedRequest("", 20, 7));

        assertThat(script("h2", GROWERS, new SeedRequest("", 20, 7))).isEqualTo(first);
        assertThat(script("h2", GROWERS, new SeedRequest("", 20, 8))).isNotEqualTo(first);
    }

    @Test
    void valuesLookLikeWhatTheirColumnsPromise() throws SQLException {
        List<String> people = seeded("h2", GROWERS, SeedRequest.NONE.withRows(20),
                "SELECT full_name, email FROM grower");

        assertThat(people).hasSize(20).allSatisfy(person ->
                assertThat(person).matches("[\\p{L}'. -]+ [a-z.']+\\d+@example\\.com"));
    }

    @Test
    void keysThatLeaveNoRoomEndATableAndTheScriptSaysSo() throws SQLException {
        String table =
                "CREATE TABLE side (name VARCHAR(5) PRIMARY KEY CHECK (name IN ('left', 'right')), note VARCHAR(9))";

        assertThat(script("h2", table, SeedRequest.NONE)).contains("its keys leave room for no more");
        assertThat(seeded("h2", table, SeedRequest.NONE, "SELECT name FROM side ORDER BY name"))
                .containsExactly("left", "right");
    }

    @Test
    void keysOfAFewValuesEachAreFilledAltogether() throws SQLException {
        String table =
                "CREATE TABLE rack (open BOOLEAN NOT NULL, wood VARCHAR(5) NOT NULL CHECK (wood IN ('oak', 'ash')), "
                + "size INT NOT NULL CHECK (size IN (1, 3, 9)), UNIQUE (open, wood, size))";

        assertThat(seeded("h2", table, SeedRequest.NONE.withRows(50), "SELECT COUNT(*) FROM rack"))
                .containsExactly("12");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2|CREATE TABLE a (id INT PRIMARY KEY, b_id INT); CREATE TABLE b (id INT PRIMARY KEY, a_id INT NOT NULL REFERENCES a (id)); "
            + "ALTER TABLE a ADD FOREIGN KEY (b_id) REFERENCES b (id)",
        "mariadb|CREATE TABLE a (id INT PRIMARY KEY, b_id INT); CREATE TABLE b (id INT PRIMARY KEY, a_id INT NOT NULL REFERENCES a (id)); "
            + "ALTER TABLE a ADD FOREIGN KEY (b_id) REFERENCES b (id)",
        "postgresql|CREATE TABLE a (id INT PRIMARY KEY, b_id INT NOT NULL); CREATE TABLE b (id INT PRIMARY KEY, a_id INT NOT NULL "
            + "REFERENCES a (id)); ALTER TABLE a ADD FOREIGN KEY (b_id) REFERENCES b (id) DEFERRABLE",
        "sqlite|CREATE TABLE a (id INT PRIMARY KEY, b_id INT NOT NULL REFERENCES b (id) DEFERRABLE INITIALLY DEFERRED); "
            + "CREATE TABLE b (id INT PRIMARY KEY, a_id INT NOT NULL REFERENCES a (id) DEFERRABLE INITIALLY DEFERRED)"})
    void tablesThatReferToEachOtherAreFilled(String engine, String tables) throws SQLException {
        assertThat(seeded(engine, tables, SeedRequest.NONE, "SELECT COUNT(*), COUNT(b_id) FROM a",
                "SELECT COUNT(*), COUNT(a_id) FROM b"))
                .containsExactly("5 5", "5 5");
    }

    @Test
    void ownRowsStayAndTheOthersReferToThem() throws SQLException {
        String own =
                "INSERT INTO grower (id, full_name, email, since) VALUES (70, 'Ada Rowan', 'ada@example.com', DATE '2020-01-02');\n";

        List<String> rows = seeded("h2", GROWERS, SeedRequest.NONE.completing(own), "SELECT id, full_name FROM grower",
                "SELECT DISTINCT grower_id FROM plot", "SELECT COUNT(*) FROM plot");

        assertThat(rows).containsExactly("70 Ada Rowan", "70", "5");
        assertThat(script("h2", GROWERS, SeedRequest.NONE.completing(own))).startsWith(own);
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "size INT NOT NULL CHECK (size * size = 144)",
        "size INT NOT NULL CHECK (MOD(size, 7) = 3), width INT NOT NULL, CHECK (width = 2 * size)",
        "code VARCHAR(20) NOT NULL UNIQUE CHECK (code = UPPER(code) AND CHAR_LENGTH(code) > 3)",
        "code VARCHAR(20) NOT NULL CHECK (code REGEXP '^[A-Z]{3}-[0-9]{2}$' OR code = 'none'), kind INT CHECK (kind IS NULL OR code <> 'none')"})
    void checksThatNobodyUnderstandsAreAskedOfTheDatabase(String columns) throws SQLException {
        assertThat(seeded("h2", "CREATE TABLE cask (id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, " + columns + ")",
                SeedRequest.NONE,
                "SELECT COUNT(*) FROM cask")).containsExactly("5");
    }

    /** Rows that must refer to one of two tables, or to one of them only. */
    @ParameterizedTest
    @ValueSource(strings = {"person_id IS NOT NULL OR firm_id IS NOT NULL", "(person_id IS NULL) <> (firm_id IS NULL)"})
    void oneOfTwoReferencesIsFilled(String check) throws SQLException {
        String tables =
                "CREATE TABLE person (id INT PRIMARY KEY); CREATE TABLE firm (id INT PRIMARY KEY); CREATE TABLE bill (id INT PRIMARY KEY, "
                + "person_id INT REFERENCES person (id), firm_id INT REFERENCES firm (id), CHECK (" + check + "))";

        assertThat(seeded("h2", tables, SeedRequest.NONE, "SELECT COUNT(*) FROM bill WHERE " + check))
                .containsExactly("5");
    }

    @Test
    void checksThatNoRowKeepsAreNamed() throws SQLException {
        String tables = """
                CREATE TABLE cask (
                    id INT PRIMARY KEY, size INT NOT NULL,
                    CONSTRAINT even_size CHECK (MOD(size, 2) = 0), CONSTRAINT odd_size CHECK (MOD(size, 2) = 1));
                CREATE TABLE hoop (id INT PRIMARY KEY, cask_id INT NOT NULL REFERENCES cask (id));
                """;
        try (TestDatabases database = TestDatabases.h2(tables)) {
            Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.made");

            assertThat(VineKit.generate(mapping).unfilled().values()).hasSize(2)
                    .anySatisfy(reason -> assertThat(reason).contains("EVEN_SIZE", "ODD_SIZE", "together"))
                    .anySatisfy(reason -> assertThat(reason).contains("must refer to rows of CASK"));
        }
    }

    private static String script(String engine, String tables, SeedRequest request) throws SQLException {
        try (TestDatabases database = TestDatabases.on(engine, tables)) {
            return VineKit.seed(VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.made"),
                    request);
        }
    }

    /** What queries find after the rows were inserted, a line for each row. */
    private static List<String> seeded(String engine, String tables, SeedRequest request,
            String... queries) throws SQLException {
        List<String> found = new ArrayList<>();
        try (TestDatabases database = TestDatabases.on(engine, tables + ";\n" + script(engine, tables, request));
                Connection connection = database.database().connect();
                Statement statement = connection.createStatement()) {
            for (String query : queries) {
                try (ResultSet row = statement.executeQuery(query)) {
                    while (row.next()) {
                        List<String> values = new ArrayList<>();
                        for (int i = 1; i <= row.getMetaData().getColumnCount(); i++) {
                            values.add(row.getString(i));
                        }
                        found.add(String.join(" ", values));
                    }
                }
            }
        }
        return found;
    }
}
