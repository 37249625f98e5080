package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.fault.Fault;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class H2EngineTest {
    private static final Engine H2 = Engines.named("h2");

    @TempDir
    private Path directory;

    @Test
    void readsWhatTheCellarSays() {
        try (Cellar cellar = Cellar.open()) {
            Schema schema = VineKit.read(cellar.database(), Scope.all());

            assertThat(schema.tables()).hasSize(15);
            Table parcel = table(schema, "PARCEL");
            assertThat(parcel.comment()).isEqualTo("A piece of vineyard planted with one variety.");
            assertThat(parcel.column("ID").identity()).isEqualTo(Column.Identity.ALWAYS);
            assertThat(parcel.column("AREA_HA").type())
                    .isEqualTo(SqlType.of(SqlType.Kind.DECIMAL, "NUMERIC(6, 3)").withDigits(6, 3));
            assertThat(parcel.column("AREA_HA").comment()).isEqualTo("Area in hectares");
            assertThat(parcel.column("SOIL").defaultValue().map(DefaultValue::text)).contains("'loam'");
            assertThat(parcel.foreignKeys()).containsExactly(new ForeignKey("PARCEL_VARIETY_FKEY",
                    List.of("VARIETY_CODE"), new TableName("PUBLIC", "GRAPE_VARIETY"), List.of("CODE"),
                    ForeignKey.Action.NO_ACTION, ForeignKey.Action.NO_ACTION));
            assertThat(table(schema, "BLEND_COMPONENT").primaryKey().orElseThrow().columns())
                    .containsExactly("BLEND_ID", "WINE_LOT_ID");
            assertThat(table(schema, "BOTTLING").column("LITRES").computed()).isPresent();
            assertThat(table(schema, "HARVEST").foreignKeys()).extracting(ForeignKey::onDelete)
                    .contains(ForeignKey.Action.SET_NULL);
            assertThat(table(schema, "CELLAR_STOCK").viewQuery().orElseThrow().reads())
                    .extracting(TableName::name).containsExactlyInAnyOrder("VESSEL", "WINE_LOT");
        }
    }

    @Test
    void choosingATableBringsWhatItNeeds() {
        try (Cellar cellar = Cellar.open()) {
            Schema schema = VineKit.read(cellar.database(), new Scope(List.of(), List.of("harvest", "cellar_st*")));

            assertThat(schema.tables()).extracting(table -> table.name().name()).containsExactly(
                    "CELLAR_HAND", "CELLAR_STOCK", "GRAPE_VARIETY", "HARVEST", "PARCEL", "VESSEL", "WINE_LOT");
        }
    }

    @Test
    void unknownTableIsRefusedWithTheNearestName() {
        try (Cellar cellar = Cellar.open()) {
            assertThatThrownBy(() -> VineKit.read(cellar.database(), new Scope(List.of(), List.of("vesel"))))
                    .isInstanceOfSatisfying(Fault.class, fault -> {
                        assertThat(fault.kind()).isEqualTo(Fault.Kind.CALL);
                        assertThat(fault).hasMessage("There is no table or view named vesel.");
                        assertThat(fault.fix()).contains("VESSEL");
                    });
        }
    }

    @Test
    void unknownSchemaIsRefusedWithThoseThereAre() {
        try (Cellar cellar = Cellar.open()) {
            assertThatThrownBy(() -> VineKit.read(cellar.database(), new Scope(List.of("cave"), List.of())))
                    .isInstanceOfSatisfying(Fault.class, fault -> assertThat(fault.fix()).contains("PUBLIC"));
        }
    }

    @Test
    void mistypedFileNameMakesNoDatabase() {
        Database database = Database.at("jdbc:h2:" + directory.resolve("nowhere"), "sa", "");

        assertThatThrownBy(database::connect).isInstanceOfSatisfying(Fault.class, fault -> {
            assertThat(fault.kind()).isEqualTo(Fault.Kind.WORLD);
            assertThat(fault.getMessage()).contains("no database at");
        });
        assertThat(directory).isEmptyDirectory();
    }

    @ParameterizedTest
    @CsvSource({
        "VESSEL, vessel", "FROM, \"\"\"FROM\"\"\"", "from, \"\"\"from\"\"\"", "GROUP BY, \"\"\"GROUP BY\"\"\"",
        "A\"B, \"\"\"A\"\"\"\"B\"\"\"", "ÜBER, \"\"\"ÜBER\"\"\"", "_ID, _id", "1ST, \"\"\"1ST\"\"\""})
    void quotesExactlyWhatNeedsIt(String name, String spelled) {
        String plain = spelled.startsWith("\"") ? spelled.substring(1, spelled.length() - 1).replace("\"\"", "\"")
                : spelled;

        assertThat(H2.dialect(new Schema("h2", "PUBLIC", List.of())).identifier(name)).isEqualTo(plain);
    }

    @Test
    void passwordIsNeverShown() {
        Database database = Database.at("jdbc:h2:mem:x;PASSWORD=secret1", "sa", "secret2");

        assertThat(database.toString()).doesNotContain("secret1", "secret2");
    }

    /** Types within types, of columns and of a domain with the name of a table; the definition makes the same again. */
    @Test
    void arraysAndEnumerationsAreReadWhereverTheyAreWritten() throws SQLException {
        String script = """
                CREATE DOMAIN grade AS ENUM('fine', 'plain');
                CREATE DOMAIN vats AS INT ARRAY[3];
                CREATE TABLE vats (g grade, v vats, e ENUM('a', 'b'), es ENUM('x', 'y') ARRAY, t VARCHAR(3) ARRAY[2],
                    d NUMERIC(5, 2) ARRAY);
                """;
        try (TestDatabases made = TestDatabases.h2(script)) {
            Schema schema = VineKit.read(made.database(), Scope.all());
            Table vats = table(schema, "VATS");

            assertThat(vats.columns()).extracting(column -> column.type().text()).containsExactly(
                    "ENUM('fine', 'plain')", "INTEGER ARRAY[3]", "ENUM('a', 'b')", "ENUM('x', 'y') ARRAY",
                    "VARCHAR(3) ARRAY[2]", "NUMERIC(5, 2) ARRAY");
            assertThat(schema.domains()).extracting(domain -> domain.base().text())
                    .containsExactly("ENUM('fine', 'plain')", "INTEGER ARRAY[3]");
            try (TestDatabases again = TestDatabases.h2(VineKit.definition(schema))) {
                assertThat(VineKit.read(again.database(), Scope.all())).isEqualTo(schema);
            }
        }
    }

    private static Table table(Schema schema, String name) {
        Optional<Table> found = schema.table(new TableName("PUBLIC", name));
        return found.orElseThrow();
    }
}
