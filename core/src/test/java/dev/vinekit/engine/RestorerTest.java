package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.SeedRequest;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Script;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Databases that are put back to what they were, whatever was done to their rows. */
class RestorerTest {
    /** Racks in racks, bottles that go with their rack, notes without a key, a ring of two. */
    private static final String TABLES = """
            CREATE TABLE rack (id INT PRIMARY KEY, inside INT REFERENCES rack (id) ON DELETE CASCADE, place VARCHAR(20) UNIQUE);
            CREATE TABLE bottle (id %1$s, rack_id INT %2$s, litres DECIMAL(6, 2),
                millilitres %3$s, taken TIMESTAMP NULL, FOREIGN KEY (rack_id) REFERENCES rack (id) ON DELETE CASCADE ON UPDATE CASCADE);
            CREATE TABLE label (bottle_id INT, line INT, words VARCHAR(40), PRIMARY KEY (bottle_id, line),
                FOREIGN KEY (bottle_id) REFERENCES bottle (id) ON DELETE CASCADE);
            CREATE TABLE note (words VARCHAR(40), at TIMESTAMP NULL);
            CREATE TABLE hand (id INT PRIMARY KEY, cellar_id INT);
            CREATE TABLE cellar (id INT PRIMARY KEY, keeper INT, FOREIGN KEY (keeper) REFERENCES hand (id));
            %4$s
            INSERT INTO rack VALUES (1, NULL, 'north'), (2, 1, 'north, below'), (3, NULL, 'it''s south');
            INSERT INTO bottle (rack_id, litres) VALUES (1, 0.75), (2, 1.5), (2, 3), (3, 0.75);
            INSERT INTO label VALUES (1, 1, 'Amber'), (1, 2, NULL), (3, 1, 'Slate');
            INSERT INTO note VALUES ('corked', NULL), ('corked', NULL), (NULL, '2024-05-01 10:00:00');
            INSERT INTO hand VALUES (1, NULL);
            INSERT INTO cellar VALUES (1, 1);
            UPDATE hand SET cellar_id = 1;
            """;
    private static final String RING = "ALTER TABLE hand ADD FOREIGN KEY (cellar_id) REFERENCES cellar (id);";

    private static final Map<String, String> SCRIPTS = Map.of(
            "h2", TABLES.formatted("INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY", "",
                    "DECIMAL(8) GENERATED ALWAYS AS (litres * 1000)", RING + "CREATE SEQUENCE crate_number;"),
            "postgresql", TABLES.formatted("INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY", "",
                    "DECIMAL(8) GENERATED ALWAYS AS (litres * 1000) STORED", RING + """
                    CREATE SEQUENCE crate_number;
                    CREATE TABLE turn (year INT, n INT, words TEXT, PRIMARY KEY (year, n)) PARTITION BY LIST (year);
                    CREATE TABLE turn_2024 PARTITION OF turn FOR VALUES IN (2024);
                    CREATE TABLE turn_other PARTITION OF turn DEFAULT;
                    INSERT INTO turn VALUES (2024, 1, 'a'), (2025, 1, 'b');
                    CREATE FUNCTION plain(name TEXT) RETURNS TEXT IMMUTABLE LANGUAGE plpgsql AS $$
                    BEGIN RETURN lower(name); END $$;
                    CREATE FUNCTION sign(name TEXT) RETURNS TEXT IMMUTABLE LANGUAGE plpgsql AS $$
                    BEGIN RETURN plain(name) || '!'; END $$;
                    CREATE TABLE vat (id INT PRIMARY KEY, name TEXT, sign TEXT GENERATED ALWAYS AS (sign(name)) STORED);
                    CREATE TABLE steel_vat (metal TEXT, PRIMARY KEY (id)) INHERITS (vat);
                    INSERT INTO vat VALUES (1, 'oak');
                    INSERT INTO steel_vat (id, name, metal) VALUES (2, 'steel', 'x');
                    CREATE FUNCTION loud() RETURNS trigger LANGUAGE plpgsql AS $$
                    BEGIN NEW.words := upper(NEW.words); INSERT INTO vat VALUES (100 + NEW.n * 10 + NEW.year % 10, 'by a trigger') ON CONFLICT DO NOTHING;
                    RETURN NEW; END $$;
                    CREATE TRIGGER loud BEFORE INSERT OR UPDATE ON turn FOR EACH ROW EXECUTE FUNCTION loud();
                    """),
            "mariadb", TABLES.formatted("INT AUTO_INCREMENT PRIMARY KEY", "",
                    "DECIMAL(8) GENERATED ALWAYS AS (litres * 1000) STORED", RING + "CREATE SEQUENCE crate_number;"),
            "mysql", TABLES.formatted("INT AUTO_INCREMENT PRIMARY KEY", "",
                    "DECIMAL(8) GENERATED ALWAYS AS (litres * 1000) STORED", RING),
            "sqlite", TABLES.formatted("INTEGER PRIMARY KEY AUTOINCREMENT", "",
                    "INT GENERATED ALWAYS AS (litres * 1000) STORED", ""));

    private static final List<String> DAMAGES = List.of(
            "UPDATE bottle SET litres = 6 WHERE id = 2",
            "DELETE FROM rack WHERE id = 1",
            "UPDATE rack SET id = 7 WHERE id = 3",
            "INSERT INTO bottle (rack_id, litres) VALUES (3, 9)",
            "INSERT INTO note VALUES ('corked', NULL)",
            "DELETE FROM note WHERE words IS NULL",
            "UPDATE note SET words = 'fine' WHERE words = 'corked'",
            "DELETE FROM label; DELETE FROM bottle; UPDATE hand SET cellar_id = NULL; DELETE FROM cellar",
            "UPDATE rack SET place = 'x' WHERE id = 1; UPDATE rack SET place = 'north' WHERE id = 3");
    private static final List<String> EMPTYING = List.of(
            "TRUNCATE TABLE label",
            "TRUNCATE TABLE label; INSERT INTO label VALUES (2, 2, 'other')");
    private static final Map<String, List<String>> MORE = Map.of(
            "h2", List.of("SELECT NEXT VALUE FOR crate_number"),
            "mariadb", List.of("SELECT NEXT VALUE FOR crate_number"),
            "postgresql", List.of("TRUNCATE rack CASCADE",
            "DELETE FROM turn WHERE year = 2024; UPDATE turn SET n = 5, year = 2024",
            "TRUNCATE turn_2024; INSERT INTO turn_other VALUES (2026, 1, 'c')",
            "UPDATE vat SET name = 'other'",
            "DELETE FROM vat",
            "SELECT nextval('crate_number')",
            "CREATE TEMP TABLE t AS SELECT 1 AS n; DROP TABLE t"));

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void rowsAndNumbersAreAsTheyWere(String engine) throws SQLException {
        List<String> damages = Stream.of(DAMAGES, engine.equals("sqlite") ? List.<String>of() : EMPTYING,
                MORE.getOrDefault(engine, List.of())).flatMap(List::stream).toList();
        try (TestDatabases made = TestDatabases.on(engine, SCRIPTS.get(engine));
                Restorer restorer = made.database().engine().restorer(made.scratch())) {
            Map<String, List<String>> before = rows(made.database());
            String next = next(made.database());
            assertThat(restorer.restore()).isTrue();
            for (String damage : damages) {
                run(made.database(), damage);
                assertThat(rows(made.database()).equals(before)).as(damage)
                        .isEqualTo(damage.contains("crate") || damage.contains("TEMP"));

                assertThat(restorer.restore()).as(damage).isTrue();
                assertThat(rows(made.database())).as(damage).isEqualTo(before);
                assertThat(next(made.database())).as(damage).isEqualTo(next);
                assertThat(restorer.restore()).isTrue();
            }
        }
    }

    /** What a number is next, by taking it. */
    private static String next(Database database) throws SQLException {
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            connection.setAutoCommit(false);
            statement.execute("INSERT INTO bottle (rack_id, litres) VALUES (NULL, 1)");
            String next = TextRows.of(statement, "SELECT max(id) FROM bottle").get(0).get(0);
            connection.rollback();
            return next;
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2 postgresql mariadb mysql | ALTER TABLE note ADD COLUMN more INT",
        "h2 postgresql mariadb mysql | CREATE TABLE more (n INT)",
        "h2 postgresql mariadb mysql | CREATE VIEW more AS SELECT id FROM rack",
        "h2 postgresql mariadb mysql | CREATE INDEX more ON note (words)",
        "h2 postgresql mariadb mysql | ALTER TABLE note ADD CONSTRAINT more CHECK (words <> 'x')",
        "h2 postgresql mariadb       | DROP TABLE note",
        "h2 postgresql               | CREATE DOMAIN more AS INT",
        "mariadb mysql               | CREATE TRIGGER more BEFORE INSERT ON note FOR EACH ROW SET NEW.words = 'x'"})
    void tablesThatHaveChangedAreNotPutBack(String engines, String change) throws SQLException {
        for (String engine : engines.split(" ")) {
            try (TestDatabases made = TestDatabases.on(engine, SCRIPTS.get(engine));
                    Restorer restorer = made.database().engine().restorer(made.scratch())) {
                run(made.database(), change);

                assertThat(restorer.restore()).as(engine).isFalse();
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"DROP TABLE label", "ALTER TABLE note ADD COLUMN more INT"})
    void filesAreCopiedBackWithTheirTables(String change) throws SQLException {
        try (TestDatabases made = TestDatabases.on("sqlite", SCRIPTS.get("sqlite"));
                Restorer restorer = made.database().engine().restorer(made.scratch())) {
            Schema before = VineKit.read(made.database(), Scope.all());
            run(made.database(), change);

            assertThat(restorer.restore()).isTrue();
            assertThat(VineKit.read(made.database(), Scope.all())).isEqualTo(before);
        }
    }

    /** A trigger of the tables' own would change the rows that come back. */
    @ParameterizedTest
    @ValueSource(strings = {"mariadb", "mysql"})
    void tableWithATriggerOfItsOwnIsNotPutBack(String engine) throws SQLException {
        try (TestDatabases made = TestDatabases.on(engine, SCRIPTS.get(engine)
                        + "CREATE TRIGGER loud BEFORE INSERT ON note FOR EACH ROW SET NEW.words = 'loud';");
                Restorer restorer = made.database().engine().restorer(made.scratch())) {
            run(made.database(), "UPDATE bottle SET litres = 6");
            assertThat(restorer.restore()).isTrue();
            run(made.database(), "DELETE FROM note");
            assertThat(restorer.restore()).isFalse();
        }
    }

    /** Tables with every clause, and names that nobody would choose; whichever rows go and change. */
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void whateverIsDoneToRowsIsUndone(String engine) throws Exception {
        long seed = new Random().nextLong();
        Random random = new Random(seed);
        try (TestDatabases made = TestDatabases.clauses(engine)) {
            Database database = made.database();
            Schema schema = VineKit.read(database, Scope.all());
            String rows = VineKit.fill(database, VineKit.map(schema, "a"), SeedRequest.NONE);
            Script.parts(rows, database.engine().scriptSyntax()).forEach(part -> made.scratch().takes(part.text()));
            try (Restorer restorer = database.engine().restorer(made.scratch())) {
                Map<String, List<String>> before = rows(database);
                assertThat(before.values().stream().mapToInt(List::size).sum()).isGreaterThan(20);
                for (int round = 0; round < 5; round++) {
                    int changed = 0;
                    for (Table table : schema.tables()) {
                        boolean spared = table.isView() || random.nextInt(3) == 0;
                        changed += spared ? 0 : damage(database, schema, table, random);
                    }

                    assertThat(changed).isPositive();
                    if (!restorer.restore()) {
                        assertThat(engine).isIn("mariadb", "mysql");
                        return;
                    }
                    assertThat(rows(database)).as("seed %s, round %s", seed, round).isEqualTo(before);
                }
            }
        }
    }

    /** Deletes rows of a table, or gives them the values of another, as far as the database lets us. */
    private static int damage(Database database, Schema schema, Table table, Random random) throws SQLException {
        Dialect dialect = database.engine().dialect(schema);
        String name = dialect.table(table.name(), schema.defaultSchema());
        String column = dialect.identifier(table.columns().get(random.nextInt(table.columns().size())).name());
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            return random.nextBoolean() ? statement.executeUpdate("DELETE FROM " + name)
                    : statement.executeUpdate("UPDATE " + name + " SET " + column + " = NULL");
        } catch (SQLException e) {
            return 0;
        }
    }

    private static void run(Database database, String script) throws SQLException {
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            for (String sql : script.split("; ")) {
                statement.execute(sql);
            }
        }
    }

    private static Map<String, List<String>> rows(Database database) throws SQLException {
        Map<String, List<String>> rows = new TreeMap<>();
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            for (Entity entity : VineKit.map(VineKit.read(database, Scope.all()), "a").entities()) {
                if (!entity.table().isView()) {
                    List<String> texts = new ArrayList<>();
                    TextRows.of(statement, "SELECT " + entity.fields().stream().map(Field::selected)
                            .collect(Collectors.joining(", ")) + " FROM " + entity.sqlTable())
                            .forEach(row -> texts.add(row.toString()));
                    texts.sort(null);
                    rows.put(entity.title(), texts);
                }
            }
        }
        return rows;
    }
}
