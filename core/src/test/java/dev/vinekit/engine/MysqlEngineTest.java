package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.schema.Access;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Expression;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.SQLSyntaxErrorException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** MySQL as it really is. */
class MysqlEngineTest {
    private static final Engine MYSQL = Engines.named("mysql");
    private static final Dialect DIALECT = MYSQL.dialect(new Schema("mysql", "", List.of()));

    @TempDir
    private Path directory;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "TINYINT(1)            | BOOLEAN             | 0  | 0  | 0 | false",
        "BIT                   | BOOLEAN             | 0  | 0  | 0 | false",
        "TINYINT UNSIGNED      | TINYINT             | 0  | 0  | 0 | true",
        "MEDIUMINT UNSIGNED    | MEDIUMINT           | 0  | 0  | 0 | true",
        "INT(6) ZEROFILL       | INTEGER             | 0  | 0  | 0 | true",
        "BIGINT UNSIGNED       | BIGINT              | 0  | 0  | 0 | true",
        "DECIMAL(9,2)          | DECIMAL             | 0  | 9  | 2 | false",
        "FLOAT                 | REAL                | 0  | 0  | 0 | false",
        "BIT(12)               | BIT                 | 12 | 0  | 0 | false",
        "YEAR                  | YEAR                | 0  | 0  | 0 | false",
        "VARCHAR(40)           | VARCHAR             | 40 | 0  | 0 | false",
        "TINYTEXT              | TEXT                | 0  | 0  | 0 | false",
        "VARBINARY(9)          | BINARY              | 9  | 0  | 0 | false",
        "TIME(3)               | TIME                | 0  | 3  | 0 | false",
        "DATETIME(6)           | TIMESTAMP           | 0  | 6  | 0 | false",
        "TIMESTAMP(2)          | TIMESTAMP_WITH_ZONE | 0  | 2  | 0 | false",
        "JSON                  | JSON                | 0  | 0  | 0 | false",
        "POINT SRID 4326       | GEOMETRY            | 0  | 0  | 0 | false",
        "GEOMETRYCOLLECTION    | GEOMETRY            | 0  | 0  | 0 | false",
        "VECTOR(3)             | OTHER               | 0  | 0  | 0 | false"})
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
    void geometryKeepsItsSystemOfCoordinates() throws SQLException {
        SqlType type = read("CREATE TABLE t (x POINT SRID 4326)").column("x").type();

        assertThat(type.text()).isEqualTo("point SRID 4326");
        assertThat(DIALECT.parameter(type)).isEqualTo("ST_GeomFromText(?, 4326)");
        assertThat(DIALECT.sampleTexts(type)).contains("POINT(1 2)");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '"', value = {
        "INT DEFAULT 5                              | 5                              | CONSTANT",
        "VARCHAR(9) DEFAULT 'it''s a \\\\'          | 'it''s a \\\\'                 | CONSTANT",
        "VARCHAR(9) DEFAULT '5'                     | '5'                            | CONSTANT",
        "VARCHAR(9) DEFAULT ('it''s')               | ('it\\'s')                     | CONSTANT",
        "DATE DEFAULT '2020-01-02'                  | '2020-01-02'                   | CONSTANT",
        "BIT(3) DEFAULT b'101'                      | b'101'                         | CONSTANT",
        "BINARY(2) DEFAULT 'ab'                     | 0x6162                         | EXPRESSION",
        "DATETIME(3) DEFAULT CURRENT_TIMESTAMP(3)   | CURRENT_TIMESTAMP(3)           | NOW",
        "DATE DEFAULT (CURRENT_DATE)                | (curdate())                    | NOW",
        "CHAR(36) DEFAULT (UUID())                  | (uuid())                       | NEW_UUID",
        "BINARY(16) DEFAULT (UUID_TO_BIN(UUID()))   | (uuid_to_bin(uuid()))          | NEW_UUID",
        "INT DEFAULT (1 + 2)                        | ((1 + 2))                      | EXPRESSION",
        "TIMESTAMP DEFAULT CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP | CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP | NOW",
        "DATETIME ON UPDATE CURRENT_TIMESTAMP       | NULL ON UPDATE CURRENT_TIMESTAMP | NOTHING"})
    void defaultsAreReadWithWhatTheyMean(String sql, String text, DefaultValue.Meaning meaning) throws SQLException {
        assertThat(read("CREATE TABLE t (x " + sql + ")").column("x").defaultValue())
                .contains(new DefaultValue(text, meaning));
    }

    @Test
    void numbersOfTheDatabaseAndGeneratedColumnsAreTold() throws SQLException {
        Table table = read("""
                CREATE TABLE t (id BIGINT AUTO_INCREMENT PRIMARY KEY, a INT, n VARCHAR(9) DEFAULT NULL,
                    s INT AS (a + 1) STORED, v VARCHAR(20) AS (CONCAT(n, ' it''s')) VIRTUAL, h INT INVISIBLE)
                """);

        assertThat(table.column("id").identity()).isEqualTo(Column.Identity.AUTO_INCREMENT);
        assertThat(table.column("n").defaultValue()).isEmpty();
        assertThat(table.column("s").computed()).contains(new Column.Computed("(`a` + 1)", true));
        assertThat(table.column("v").computed()).contains(new Column.Computed("concat(`n`,' it\\'s')", false));
        assertThat(table.column("h").defaultValue()).isEmpty();
    }

    @Test
    void checksAreReadWithoutTheCharacterSetsOfTheirTexts() throws SQLException {
        Table table = read("""
                CREATE TABLE t (a VARCHAR(9), b INT, CONSTRAINT words CHECK (a IN ('red', 'it''s', '_utf8mb4x')),
                    CONSTRAINT numbers CHECK (b BETWEEN -90 AND 90), CONSTRAINT lax CHECK (b <> 5) NOT ENFORCED)
                """);

        assertThat(table.checks()).extracting(Check::name).containsExactly("numbers", "words");
        assertThat(DIALECT.parseCheck(table.checks().get(1).expression())).isEqualTo(new Expression.In(
                new Expression.ColumnRef("a"), List.of(new Expression.Text("red"), new Expression.Text("it's"),
                new Expression.Text("_utf8mb4x"))));
        assertThat(DIALECT.parseCheck(table.checks().get(0).expression())).isEqualTo(new Expression.Between(
                new Expression.ColumnRef("b"), new Expression.Number(BigDecimal.valueOf(-90)),
                new Expression.Number(BigDecimal.valueOf(90))));
    }

    @Test
    void indexesOverExpressionsAreNoKeysOfColumns() throws SQLException {
        Table table = read("""
                CREATE TABLE t (id INT PRIMARY KEY, a VARCHAR(50), j JSON, UNIQUE KEY both_of (id, a), KEY plain (a),
                    UNIQUE KEY letters (a(5)), UNIQUE KEY worked_out ((UPPER(a))), KEY many ((CAST(j->'$.x' AS UNSIGNED ARRAY))))
                """);

        assertThat(table.uniqueKeys()).extracting(key -> key.name()).containsExactly("both_of");
        assertThat(table.indexes()).extracting(Index::name)
                .containsExactly("letters", "many", "plain", "worked_out");
        assertThat(table.indexes().get(3).unique()).isTrue();
        assertThat(table.indexes().get(3).columns()).isEmpty();
        assertThat(table.indexes().get(3).definition()).contains("CREATE UNIQUE INDEX `worked_out` ON `t` ((upper(`a`)))");
    }

    @Test
    void referenceThatSaysNothingHasNoAction() throws SQLException {
        Table table = read("CREATE TABLE p (id INT PRIMARY KEY); CREATE TABLE t (p INT, q INT, "
                + "CONSTRAINT plain FOREIGN KEY (p) REFERENCES p (id), "
                + "CONSTRAINT strict FOREIGN KEY (q) REFERENCES p (id) ON DELETE RESTRICT)");

        assertThat(table.foreignKeys()).extracting(ForeignKey::onDelete)
                .containsExactly(ForeignKey.Action.NO_ACTION, ForeignKey.Action.RESTRICT);
    }

    @Test
    void dumpsOfOlderServersAndSettingsOfServersGoIn() throws SQLException, IOException {
        Path dump = Files.writeString(directory.resolve("dump.sql"), """
                SET @MYSQLDUMP_TEMP_LOG_BIN = @@SESSION.SQL_LOG_BIN;
                SET @@SESSION.SQL_LOG_BIN= 0;
                SET @@GLOBAL.GTID_PURGED=/*!80000 '+'*/ '';
                SET SESSION innodb_strict_mode = 1;
                /*!50003 SET sql_mode = 'STRICT_TRANS_TABLES,NO_AUTO_CREATE_USER,NO_ENGINE_SUBSTITUTION' */;
                CREATE TABLE cask (id INT(11) NOT NULL AUTO_INCREMENT PRIMARY KEY, label VARCHAR(20)) ENGINE=InnoDB;
                /*!50001 CREATE TABLE casks (id TINYINT NOT NULL) ENGINE=MyISAM */;
                /*!50001 DROP TABLE casks */;
                /*!50001 CREATE ALGORITHM=UNDEFINED */ /*!50013 DEFINER=`root`@`%` SQL SECURITY DEFINER */
                /*!50001 VIEW casks AS SELECT id FROM cask */;
                DELIMITER ;;
                /*!50003 CREATE*/ /*!50017 DEFINER=`root`@`localhost`*/ /*!50003 TRIGGER labelled BEFORE INSERT ON cask
                FOR EACH ROW BEGIN SET NEW.label = UPPER(NEW.label); END */;;
                DELIMITER ;
                SET @@SESSION.SQL_LOG_BIN = @MYSQLDUMP_TEMP_LOG_BIN;
                """);
        TestDatabases.require("mysql");

        try (ScriptDatabase loaded = VineKit.load("mysql", dump)) {
            Schema schema = VineKit.read(loaded.database(), Scope.all());

            assertThat(schema.tables()).extracting(table -> table.name().name()).containsExactly("cask", "casks");
            assertThat(schema.objects()).extracting(object -> object.name().name()).containsExactly("labelled");
            assertThat(loaded.skipped()).extracting(ScratchDatabase.Skipped::line).containsExactly(2, 3, 4, 15);
        }
    }

    @Test
    void reservedWordsAreThoseOfTheServer() throws SQLException {
        try (TestDatabases database = TestDatabases.on("mysql", "CREATE TABLE words (w INT)");
                Connection connection = database.database()
                        .connect(); Statement statement = connection.createStatement()) {
            List<String> words = new ArrayList<>();
            try (ResultSet row = statement.executeQuery("SELECT LOWER(WORD) FROM information_schema.KEYWORDS")) {
                while (row.next()) {
                    words.add(row.getString(1));
                }
            }
            assertThat(words).hasSizeGreaterThan(500);
            List<String> refused = new ArrayList<>();
            for (String word : words) {
                String name = DIALECT.identifier(word);
                try {
                    statement.execute("DROP TEMPORARY TABLE IF EXISTS probe, " + name);
                    statement.execute("CREATE TEMPORARY TABLE probe (" + name + " INT)");
                    statement.execute("SELECT " + name + " FROM probe ORDER BY " + name);
                    statement.execute("CREATE TEMPORARY TABLE " + name + " (id INT)");
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
        try (TestDatabases database = TestDatabases.administered("mysql", """
                CREATE TABLE a (id INT PRIMARY KEY); CREATE TABLE b (id INT PRIMARY KEY);
                """)) {
            String name;
            try (Connection admin = database.database().connect(); Statement statement = admin.createStatement()) {
                name = admin.getCatalog();
                statement.execute("CREATE USER picker IDENTIFIED BY 'x'");
                statement.execute("GRANT SELECT ON `" + name.replace("_", "\\_") + "`.* TO picker");
                statement.execute("GRANT INSERT ON `" + name + "`.b TO picker");
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

    @Test
    void urlOfMysqlToAServerOfMariadbIsToldWhatToBeginWith() throws SQLException {
        try (TestDatabases other = TestDatabases.on("mariadb", "CREATE TABLE t (id INT)")) {
            Database database = Database.at(other.database().url().replace("jdbc:mariadb:", "jdbc:mysql:")
                    .replaceAll("[?].*", ""), other.database().user(), other.database().password());

            assertThatThrownBy(() -> VineKit.read(database, Scope.all())).isInstanceOfSatisfying(Fault.class, fault -> {
                assertThat(fault).hasMessageContaining("The server is MariaDB").hasMessageContaining("URL is one of MySQL");
                assertThat(fault.fix()).isEqualTo("Begin the URL with jdbc:mariadb:.");
            });
        }
    }

    @Test
    void urlOfMariadbToAServerOfMysqlIsToldWhatToBeginWith() throws SQLException {
        try (TestDatabases own = TestDatabases.on("mysql", "CREATE TABLE t (id INT)")) {
            Database database = Database.at(own.database().url().replace("jdbc:mysql:", "jdbc:mariadb:")
                    .replaceAll("[?].*", "?sslMode=trust"), own.database().user(), own.database().password());

            assertThatThrownBy(() -> VineKit.read(database, Scope.all())).isInstanceOfSatisfying(Fault.class, fault -> {
                assertThat(fault).hasMessageContaining("The server is MySQL").hasMessageContaining("URL is one of MariaDB");
                assertThat(fault.fix()).isEqualTo("Begin the URL with jdbc:mysql:.");
            });
        }
    }

    private static Table read(String script) throws SQLException {
        try (TestDatabases database = TestDatabases.on("mysql", script)) {
            return VineKit.read(database.database(), Scope.all()).table(new TableName("", "t")).orElseThrow();
        }
    }
}
