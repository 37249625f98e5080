package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.schema.Access;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Expression;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.SQLSyntaxErrorException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** MariaDB as it really is. */
class MariadbEngineTest {
    private static final Engine MARIADB = Engines.named("mariadb");
    private static final Dialect DIALECT = MARIADB.dialect(new Schema("mariadb", "", List.of()));

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "x TINYINT(1) NOT NULL DEFAULT 0                   | BOOLEAN",
        "x TINYINT(1) NOT NULL DEFAULT '1'                 | BOOLEAN",
        "x TINYINT(1) DEFAULT NULL                         | BOOLEAN",
        "x TINYINT(1) CHECK (x IN (0, 1))                  | BOOLEAN",
        "y INT, x TINYINT(1), UNIQUE (x, y)                | BOOLEAN",
        "x TINYINT(1) NOT NULL DEFAULT 2                   | TINYINT",
        "x TINYINT(1) NOT NULL DEFAULT '-1'                | TINYINT",
        "x TINYINT(1) CHECK (x BETWEEN 0 AND 2)            | TINYINT",
        "x TINYINT(1) AUTO_INCREMENT PRIMARY KEY           | TINYINT",
        "x TINYINT(1) UNIQUE                               | TINYINT",
        "x TINYINT(1), FOREIGN KEY (x) REFERENCES kind (k) | TINYINT"})
    void numberOfOneDigitIsATruthValueUnlessTheDefinitionSpeaksAgainstIt(String columns,
            SqlType.Kind kind) throws SQLException {
        try (TestDatabases database =
                TestDatabases.on("mariadb", "CREATE TABLE kind (k TINYINT(1) PRIMARY KEY); CREATE TABLE t (" + columns
                        + ")")) {
            Schema schema = VineKit.read(database.database(), Scope.all());

            assertThat(schema.table(new TableName("", "t")).orElseThrow().column("x").type().kind()).isEqualTo(kind);
        }
    }

    @Test
    void rowsAndThenPeopleSayWhatANumberOfOneDigitIs() throws SQLException {
        try (TestDatabases database = TestDatabases.on("mariadb", """
                CREATE TABLE cask (id INT PRIMARY KEY, stars TINYINT(1), sealed TINYINT(1), toast TINYINT(1));
                INSERT INTO cask VALUES (1, 1, 0, NULL), (2, 3, 1, NULL);
                """)) {
            Schema read = VineKit.read(database.database(), Scope.all());

            Schema told = VineKit.asRowsTell(database.database(), read);

            assertThat(told.tables().get(0).columns()).extracting(column -> column.type().kind()).containsExactly(
                    SqlType.Kind.INTEGER, SqlType.Kind.TINYINT, SqlType.Kind.BOOLEAN, SqlType.Kind.BOOLEAN);
            assertThat(VineKit.definition(told)).isEqualTo(VineKit.definition(read));

            MappingFile file = MappingFile.parse("m", """
                    project: { package: com.example.casks }
                    entities: { cask: { fields: { stars: { type: boolean }, toast: { type: int } } } }
                    """, Map.of(), true);
            Entity cask = VineKit.map(told, file, Set.of()).entities().get(0);
            assertThat(cask.fields()).extracting(Field::type).containsExactly(
                    JavaType.INTEGER, JavaType.BOOLEAN, JavaType.BOOLEAN, JavaType.INTEGER);
        }
    }

    @Test
    void routinesKeepTheModeInWhichTheyWereMadeAndTheDatabaseItsCollation() throws SQLException {
        try (TestDatabases source = TestDatabases.on("mariadb", """
                ALTER DATABASE COLLATE utf8mb4_bin;
                CREATE TABLE cask (id INT PRIMARY KEY, label VARCHAR(3));
                SET sql_mode = '';
                CREATE TRIGGER cask_label BEFORE INSERT ON cask FOR EACH ROW BEGIN SET NEW.label = CONCAT('long', NEW.label); END;
                SET sql_mode = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION';
                """)) {
            Schema read = VineKit.read(source.database(), Scope.all());
            try (TestDatabases copy = TestDatabases.on("mariadb", VineKit.definition(read));
                    Connection connection = copy.database()
                            .connect(); Statement statement = connection.createStatement()) {
                statement.executeUpdate("INSERT INTO cask VALUES (1, 'x')");

                assertThat(VineKit.read(copy.database(), Scope.all())).isEqualTo(read);
                assertThat(text(statement, "SELECT label FROM cask")).isEqualTo("lon");
                assertThat(text(statement, "SELECT @@collation_database")).isEqualTo("utf8mb4_bin");
                assertThatThrownBy(() -> statement.executeUpdate("UPDATE cask SET label = 'four'"))
                        .hasMessageContaining("too long");
            }
        }
    }

    private static String text(Statement statement, String query) throws SQLException {
        try (ResultSet row = statement.executeQuery(query)) {
            row.next();
            return row.getString(1);
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "TINYINT(1)            | BOOLEAN             | 0  | 0  | 0 | false",
        "BOOLEAN               | BOOLEAN             | 0  | 0  | 0 | false",
        "BIT                   | BOOLEAN             | 0  | 0  | 0 | false",
        "TINYINT UNSIGNED      | TINYINT             | 0  | 0  | 0 | true",
        "SMALLINT              | SMALLINT            | 0  | 0  | 0 | false",
        "MEDIUMINT UNSIGNED    | MEDIUMINT           | 0  | 0  | 0 | true",
        "INT                   | INTEGER             | 0  | 0  | 0 | false",
        "BIGINT UNSIGNED       | BIGINT              | 0  | 0  | 0 | true",
        "DECIMAL(9,2)          | DECIMAL             | 0  | 9  | 2 | false",
        "DECIMAL(9,2) UNSIGNED | DECIMAL             | 0  | 9  | 2 | true",
        "FLOAT                 | REAL                | 0  | 0  | 0 | false",
        "DOUBLE                | DOUBLE              | 0  | 0  | 0 | false",
        "BIT(12)               | BIT                 | 12 | 0  | 0 | false",
        "YEAR                  | YEAR                | 0  | 0  | 0 | false",
        "CHAR(3)               | CHAR                | 3  | 0  | 0 | false",
        "VARCHAR(40)           | VARCHAR             | 40 | 0  | 0 | false",
        "TINYTEXT              | TEXT                | 0  | 0  | 0 | false",
        "VARBINARY(9)          | BINARY              | 9  | 0  | 0 | false",
        "LONGBLOB              | BINARY              | 0  | 0  | 0 | false",
        "TIME(3)               | TIME                | 0  | 3  | 0 | false",
        "DATETIME(6)           | TIMESTAMP           | 0  | 6  | 0 | false",
        "TIMESTAMP(2) NULL     | TIMESTAMP_WITH_ZONE | 0  | 2  | 0 | false",
        "UUID                  | UUID                | 0  | 0  | 0 | false",
        "JSON                  | JSON                | 0  | 0  | 0 | false",
        "INET6                 | NETWORK             | 0  | 0  | 0 | false",
        "POINT                 | GEOMETRY            | 0  | 0  | 0 | false"})
    void typesAreReadExactly(String sql, SqlType.Kind kind, int length, int precision, int scale, boolean unsigned)
            throws SQLException {
        SqlType type = read("CREATE TABLE t (x " + sql + ")").column("x").type();

        assertThat(type.kind()).isEqualTo(kind);
        assertThat(type.length()).isEqualTo(length);
        assertThat(type.precision()).isEqualTo(precision);
        assertThat(type.scale()).isEqualTo(scale);
        assertThat(type.unsigned()).isEqualTo(unsigned);
    }

    @Test
    void labelsOfEnumerationsAndSetsAreReadInOrder() throws SQLException {
        Table table = read("CREATE TABLE t (e ENUM('b', 'it''s', 'a,\"c'), s SET('y', 'x'))");

        assertThat(table.column("e").type().labels()).containsExactly("b", "it's", "a,\"c");
        assertThat(table.column("s").type().labels()).containsExactly("y", "x");
    }

    @Test
    void defaultsAreReadWithWhatTheyMean() throws SQLException {
        Table table = read("""
                CREATE TABLE t (id BIGINT AUTO_INCREMENT PRIMARY KEY, a INT DEFAULT 5, b VARCHAR(9) DEFAULT 'it''s',
                    c DATETIME DEFAULT CURRENT_TIMESTAMP, d UUID DEFAULT uuid(), e INT DEFAULT (1 + 2), f INT,
                    g TIMESTAMP NULL DEFAULT NULL ON UPDATE CURRENT_TIMESTAMP)
                """);

        assertThat(table.column("id").identity()).isEqualTo(Column.Identity.AUTO_INCREMENT);
        assertThat(table.column("id").defaultValue()).isEmpty();
        assertThat(table.column("a").defaultValue()).contains(new DefaultValue("5", DefaultValue.Meaning.CONSTANT));
        assertThat(table.column("b").defaultValue())
                .contains(new DefaultValue("'it''s'", DefaultValue.Meaning.CONSTANT));
        assertThat(table.column("c").defaultValue()).map(DefaultValue::meaning).contains(DefaultValue.Meaning.NOW);
        assertThat(table.column("d").defaultValue()).map(DefaultValue::meaning).contains(DefaultValue.Meaning.NEW_UUID);
        assertThat(table.column("e").defaultValue()).map(DefaultValue::meaning)
                .contains(DefaultValue.Meaning.EXPRESSION);
        assertThat(table.column("f").defaultValue()).isEmpty();
        assertThat(table.column("g").defaultValue().orElseThrow().text()).contains("ON UPDATE");
    }

    @Test
    void generatedColumnsSayWhetherTheyAreStored() throws SQLException {
        Table table = read("CREATE TABLE t (a INT, s INT AS (a + 1) STORED, v INT AS (a * 2) VIRTUAL)");

        assertThat(table.column("s").computed()).contains(new Column.Computed("`a` + 1", true));
        assertThat(table.column("v").computed()).contains(new Column.Computed("`a` * 2", false));
    }

    @Test
    void keysAndIndexesAreKeptApart() throws SQLException {
        Table table = read("""
                CREATE TABLE t (id INT PRIMARY KEY, a VARCHAR(50), b INT, UNIQUE KEY both_of (b, a), UNIQUE KEY letters (a(5)),
                    KEY plain (b), KEY down (b DESC), FULLTEXT KEY words (a))
                """);

        assertThat(table.primaryKey()).contains(new UniqueKey("PRIMARY", List.of("id")));
        assertThat(table.uniqueKeys()).containsExactly(new UniqueKey("both_of", List.of("b", "a")));
        assertThat(table.indexes()).extracting(Index::name).containsExactly("down", "letters", "plain", "words");
        assertThat(table.indexes().get(1).unique()).isTrue();
        assertThat(table.indexes().get(1).definition()).contains("CREATE UNIQUE INDEX `letters` ON `t` (`a`(5))");
        assertThat(table.indexes().get(2)).isEqualTo(Index.over("plain", false, List.of("b")));
        assertThat(table.indexes().get(3).definition()).contains("CREATE FULLTEXT INDEX `words` ON `t` (`a`)");
    }

    @Test
    void collationIsToldWhereItIsNotTheTables() throws SQLException {
        Table table =
                read("CREATE TABLE t (a VARCHAR(9), b VARCHAR(9) COLLATE utf8mb4_bin) COLLATE=utf8mb4_general_ci");

        assertThat(table.options()).isEqualTo("COLLATE=utf8mb4_general_ci");
        assertThat(table.column("a").collation()).isEmpty();
        assertThat(table.column("b").collation()).contains("utf8mb4_bin");
        assertThat(DIALECT.comparesExactly(table, table.column("a"))).isFalse();
        assertThat(DIALECT.comparesExactly(table, table.column("b"))).isTrue();
    }

    /** An enumeration would refuse what the database takes, and fail to read what it holds. */
    @Test
    void listOfTextsIsNoEnumerationWhereCaseDoesNotCount() throws SQLException {
        Table table = read("""
                CREATE TABLE t (id INT PRIMARY KEY, a VARCHAR(9) CHECK (a IN ('red', 'white')),
                    b VARCHAR(9) COLLATE utf8mb4_bin CHECK (b IN ('red', 'white')),
                    c VARCHAR(9) CHECK (c LIKE 'a%'), CONSTRAINT n CHECK (id BETWEEN 1 AND 9)) COLLATE=utf8mb4_general_ci
                """);
        Entity entity = VineKit.map(new Schema("mariadb", "", List.of(table)), "com.example.made").entities().get(0);

        assertThat(entity.field("a").enumeration()).isEmpty();
        assertThat(entity.field("a").rules()).contains(new FieldRule.Pattern("(?iu:red|white)"));
        assertThat(entity.field("b").enumeration()).isPresent();
        assertThat(entity.field("c").rules()).contains(new FieldRule.Pattern("(?iu:a.*)"));
        assertThat(entity.field("id").rules()).contains(new FieldRule.Most(BigDecimal.valueOf(9), true));
    }

    @Test
    void backslashesInChecksAreEscapes() {
        assertThat(DIALECT.parseCheck("`a` = 'it\\'s \\\\ \\n'")).isEqualTo(new Expression.Comparison(
                Expression.Operator.EQUAL, new Expression.ColumnRef("a"), new Expression.Text("it's \\ \n")));
    }

    @ParameterizedTest
    @CsvSource({"name, name", "Name, Name", "order, `order`", "a b, `a b`", "a`b, `a``b`", "rank, `rank`", "1a, `1a`"})
    void identifiersAreQuotedExactlyWhenNeeded(String name, String spelled) {
        assertThat(DIALECT.identifier(name)).isEqualTo(spelled);
    }

    @Test
    void reservedWordsAreThoseOfTheServer() throws SQLException {
        try (TestDatabases database = TestDatabases.on("mariadb", "CREATE TABLE words (w INT)");
                Connection connection = database.database()
                        .connect(); Statement statement = connection.createStatement()) {
            List<String> words = new ArrayList<>();
            try (ResultSet row = statement.executeQuery(
                    "SELECT WORD FROM information_schema.KEYWORDS UNION SELECT FUNCTION FROM information_schema.SQL_FUNCTIONS")) {
                while (row.next()) {
                    words.add(row.getString(1).toLowerCase(Locale.ROOT));
                }
            }
            words.removeIf(word -> !word.matches("[a-z_][a-z0-9_]*"));
            assertThat(words).hasSizeGreaterThan(500);
            List<String> refused = new ArrayList<>();
            for (String word : words) {
                String name = DIALECT.identifier(word);
                try {
                    statement.execute("CREATE OR REPLACE TEMPORARY TABLE probe (" + name + " INT)");
                    statement.execute("SELECT " + name + " FROM probe ORDER BY " + name);
                    statement.execute("CREATE OR REPLACE TEMPORARY TABLE " + name + " (id INT)");
                    statement.execute("INSERT INTO " + name + " (id) VALUES (1)");
                } catch (SQLSyntaxErrorException e) {
                    refused.add(word);
                }
            }
            assertThat(refused).isEmpty();
        }
    }

    @Test
    void rightsAreThoseOfTheLogin() throws SQLException {
        try (TestDatabases database = TestDatabases.administered("mariadb", """
                CREATE TABLE a (id INT PRIMARY KEY); CREATE TABLE b (id INT PRIMARY KEY);
                CREATE OR REPLACE USER picker IDENTIFIED BY 'x';
                """)) {
            String name;
            try (Connection admin = database.database().connect()) {
                name = admin.getCatalog();
                admin.createStatement().execute("GRANT SELECT ON `" + name.replace("_", "\\_") + "`.* TO picker");
                admin.createStatement().execute("GRANT INSERT ON `" + name + "`.b TO picker");
            }
            Database picker = Database.at(database.database().url(), "picker", "x");

            Schema schema = VineKit.read(picker, Scope.all());
            assertThat(schema.tables().get(0).access().rights()).containsExactly(Access.Right.SELECT);
            assertThat(schema.tables().get(1).access().rights())
                    .containsExactly(Access.Right.SELECT, Access.Right.INSERT);
            assertThat(VineKit.login(picker).administrator()).isFalse();
            assertThat(VineKit.login(database.database()).administrator()).isTrue();
        }
    }

    private static Table read(String script) throws SQLException {
        try (TestDatabases database = TestDatabases.on("mariadb", script)) {
            return VineKit.read(database.database(), Scope.all()).table(new TableName("", "t")).orElseThrow();
        }
    }
}
