package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Deferral;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** SQLite as it really is. */
@Tag("fast")
class SqliteEngineTest {
    private static final Dialect DIALECT = Engines.named("sqlite").dialect(new Schema("sqlite", "", List.of()));

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "INTEGER                  | BIGINT              | 0  | 0  | 0", "TINYINT           | BIGINT | 0 | 0 | 0",
        "UNSIGNED BIG INT         | BIGINT              | 0  | 0  | 0", "CHARINT           | BIGINT | 0 | 0 | 0",
        "VARCHAR(20)              | VARCHAR             | 20 | 0  | 0", "NATIVE CHARACTER(7) | VARCHAR | 7 | 0 | 0",
        "CHAR(2)                  | CHAR                | 2  | 0  | 0", "CLOB              | TEXT   | 0 | 0 | 0",
        "BLOB                     | BINARY              | 0  | 0  | 0", "DOUBLE PRECISION  | DOUBLE | 0 | 0 | 0",
        "FLOAT                    | DOUBLE              | 0  | 0  | 0", "NUMERIC(9, 2)     | DECIMAL | 0 | 9 | 2",
        "DECIMAL(30)              | DECIMAL             | 0  | 15 | 0", "BOOLEAN           | BOOLEAN | 0 | 0 | 0",
        "DATE                     | DATE                | 0  | 0  | 0", "DATETIME          | TIMESTAMP | 0 | 9 | 0",
        "TIMESTAMP WITH TIME ZONE | TIMESTAMP_WITH_ZONE | 0  | 9  | 0", "uuid              | UUID   | 0 | 0 | 0",
        "JSON                     | JSON                | 0  | 0  | 0", "ANY               | ANY    | 0 | 0 | 0",
        "MONEY                    | ANY                 | 0  | 0  | 0", "string            | VARCHAR | 0 | 0 | 0",
        "serial                   | BIGINT              | 0  | 0  | 0"})
    void declaredTypesSayWhatIsMeant(String sql, SqlType.Kind kind, int length, int precision, int scale)
            throws SQLException {
        SqlType type = read("CREATE TABLE t (x " + sql + ")").column("x").type();

        assertThat(type.kind()).isEqualTo(kind);
        assertThat(type.text()).isEqualTo(sql);
        assertThat(type.length()).isEqualTo(length);
        assertThat(type.precision()).isEqualTo(precision);
        assertThat(type.scale()).isEqualTo(scale);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "id INTEGER PRIMARY KEY                 |               | BY_DEFAULT",
        "id INTEGER PRIMARY KEY AUTOINCREMENT   |               | AUTO_INCREMENT",
        "id INTEGER, PRIMARY KEY (id)           |               | BY_DEFAULT",
        "id integer NOT NULL, PRIMARY KEY (id ) |               | BY_DEFAULT",
        "id INTEGER PRIMARY KEY DESC            |               | NONE",
        "id INT PRIMARY KEY                     |               | NONE",
        "id INTEGER PRIMARY KEY                 | WITHOUT ROWID | NONE",
        "id INTEGER, b INT, PRIMARY KEY (id, b) |               | NONE"})
    void rowIdsNumberThemselves(String columns, String options, Column.Identity identity) throws SQLException {
        Table table = read("CREATE TABLE t (" + columns + ") " + (options == null ? "" : options));

        assertThat(table.column("id").identity()).isEqualTo(identity);
        assertThat(table.column("id").nullable()).isFalse();
        assertThat(table.primaryKey().orElseThrow().columns().get(0)).isEqualTo("id");
    }

    @Test
    void optionsOfTablesAreKept() throws SQLException {
        assertThat(read("CREATE TABLE t (a INT PRIMARY KEY, b TEXT) STRICT, WITHOUT ROWID").options())
                .isEqualTo("STRICT, WITHOUT ROWID");
        assertThat(read("CREATE TABLE t (a INT PRIMARY KEY)").options()).isEmpty();
    }

    @Test
    void whatOnlyTheDefinitionTellsIsRead() throws SQLException {
        Table table = read("""
                CREATE TABLE t ( -- a comment, with ( and '
                    a TEXT COLLATE NOCASE CHECK (length(a) > 2) /* , */, "b ,)" INT CONSTRAINT positive CHECK ("b ,)" > 0),
                    c INT GENERATED ALWAYS AS ("b ,)" + 1) STORED, d INT AS ((c) * 2),
                    e INT CONSTRAINT up REFERENCES t (a) DEFERRABLE INITIALLY DEFERRED UNIQUE,
                    CONSTRAINT "two of" UNIQUE (a, e), CHECK (a <> ')'))
                """);

        assertThat(table.column("a").collation()).contains("NOCASE");
        assertThat(table.column("c").computed()).contains(new Column.Computed("\"b ,)\" + 1", true));
        assertThat(table.column("d").computed()).contains(new Column.Computed("(c) * 2", false));
        assertThat(table.checks()).containsExactlyInAnyOrder(new Check("", "length(a) > 2"),
                new Check("positive", "\"b ,)\" > 0"), new Check("", "a <> ')'"));
        assertThat(table.uniqueKeys()).containsExactlyInAnyOrder(new UniqueKey("", List.of("e")),
                new UniqueKey("two of", List.of("a", "e")));
        assertThat(table.foreignKeys()).as("a is no key").containsExactly(new ForeignKey("up", List.of("e"),
                new TableName("", "t"), List.of("a"), ForeignKey.Action.NO_ACTION, ForeignKey.Action.NO_ACTION,
                Deferral.INITIALLY_DEFERRED).without("key"));
    }

    @Test
    void referencesFindTheirTargetInAnyCase() throws SQLException {
        Table table = read("CREATE TABLE Tree (Id INTEGER PRIMARY KEY); "
                + "CREATE TABLE t (tree_id INT REFERENCES TREE ON DELETE SET NULL, other INT REFERENCES tree (ID))");

        assertThat(table.foreignKeys()).extracting(ForeignKey::target).containsOnly(new TableName("", "Tree"));
        assertThat(table.foreignKeys()).extracting(ForeignKey::targetColumns).containsOnly(List.of("Id"));
        assertThat(table.foreignKeys()).extracting(ForeignKey::onDelete)
                .containsExactlyInAnyOrder(ForeignKey.Action.SET_NULL, ForeignKey.Action.NO_ACTION);
    }

    @Test
    void partialAndExpressionIndexesAreKeptApartFromKeys() throws SQLException {
        Table table = read("CREATE TABLE t (a TEXT UNIQUE, b TEXT); CREATE UNIQUE INDEX low ON t (lower(b)); "
                + "CREATE INDEX part ON t (b) WHERE a IS NULL; CREATE INDEX plain ON t (b, a); "
                + "CREATE UNIQUE INDEX nocase ON t (b COLLATE NOCASE)");

        assertThat(table.uniqueKeys()).containsExactly(new UniqueKey("", List.of("a")));
        assertThat(table.indexes()).extracting(Index::name).containsExactly("low", "nocase", "part", "plain");
        assertThat(table.indexes()).filteredOn(index -> index.definition().isEmpty())
                .containsExactly(Index.over("plain", false, List.of("b", "a")));
    }

    @ParameterizedTest
    @CsvSource({"name, name", "order, \"\"\"order\"\"\"", "a b, \"\"\"a b\"\"\"", "strict, \"\"\"strict\"\"\""})
    void identifiersAreQuotedWhenNeeded(String name, String spelled) {
        assertThat(DIALECT.identifier(name)).isEqualTo(spelled.replace("\"\"\"", "\"").replace("\"\"", "\""));
    }

    @Test
    void likeIgnoresCaseAndInDoesNot() throws SQLException {
        Table table = read("CREATE TABLE t (id INT NOT NULL PRIMARY KEY, a TEXT CHECK (a LIKE 'x%'), "
                + "b TEXT CHECK (b IN ('p', 'q')), c TEXT COLLATE NOCASE CHECK (c IN ('p', 'q')))");
        Entity entity = VineKit.map(new Schema("sqlite", "", List.of(table)), "com.example.made").entities().get(0);

        assertThat(entity.field("a").rules()).contains(new FieldRule.Pattern("(?iu:x.*)"));
        assertThat(entity.field("b").enumeration()).isPresent();
        assertThat(entity.field("c").enumeration()).isEmpty();
    }

    @Test
    void scratchDatabaseLeavesNoFile() throws Exception {
        Path file;
        try (ScratchDatabase scratch = Engines.named("sqlite").scratch()) {
            scratch.execute("CREATE TABLE t (id INT); INSERT INTO t VALUES (1)");
            file = Path.of(scratch.url().replaceFirst("^jdbc:sqlite:", "").replaceFirst("[?].*", ""));
            assertThat(file).exists();
        }

        assertThat(file.getParent()).doesNotExist();
    }

    private static Table read(String script) throws SQLException {
        try (TestDatabases database = TestDatabases.on("sqlite", script)) {
            return VineKit.read(database.database(), Scope.all()).table(new TableName("", "t")).orElseThrow();
        }
    }
}
