package dev.vinekit.schema;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

@Tag("fast")
class SchemaTest {
    @Test
    void tablesComeAfterThoseTheyReferToAndViewsLast() throws SQLException {
        Schema schema = read("""
                CREATE TABLE z (id INT PRIMARY KEY);
                CREATE TABLE m (id INT PRIMARY KEY, z_id INT REFERENCES z (id));
                CREATE TABLE a (id INT PRIMARY KEY, m_id INT NOT NULL REFERENCES m (id));
                CREATE VIEW a_view AS SELECT * FROM a;
                CREATE VIEW a_first AS SELECT * FROM a_view;
                """);

        assertThat(names(schema.inReferenceOrder())).containsExactly("Z", "M", "A", "A_VIEW", "A_FIRST");
    }

    @Test
    void inACycleTheRequiredReferenceDecides() throws SQLException {
        Schema schema = read("""
                CREATE TABLE a (id INT PRIMARY KEY, b_id INT);
                CREATE TABLE b (id INT PRIMARY KEY, a_id INT NOT NULL REFERENCES a (id));
                ALTER TABLE a ADD FOREIGN KEY (b_id) REFERENCES b (id);
                CREATE TABLE c (id INT PRIMARY KEY, b_id INT NOT NULL REFERENCES b (id));
                """);

        assertThat(names(schema.inReferenceOrder())).containsExactly("A", "B", "C");
    }

    @Test
    void cycleOfRequiredReferencesStillGivesEveryTableOnce() throws SQLException {
        Schema schema = read("""
                CREATE TABLE a (id INT PRIMARY KEY, b_id INT NOT NULL);
                CREATE TABLE b (id INT PRIMARY KEY, a_id INT NOT NULL REFERENCES a (id));
                ALTER TABLE a ADD FOREIGN KEY (b_id) REFERENCES b (id);
                """);

        assertThat(names(schema.inReferenceOrder())).containsExactlyInAnyOrder("A", "B");
    }

    @Test
    void selfReferenceDoesNotHoldATableBack() throws SQLException {
        Schema schema = read("CREATE TABLE a (id INT PRIMARY KEY, parent INT NOT NULL REFERENCES a (id))");

        assertThat(names(schema.inReferenceOrder())).containsExactly("A");
    }

    @Test
    void narrowingFollowsReferencesAndViewsButNotWhoRefersToIt() throws SQLException {
        Schema schema = read("""
                CREATE TABLE parcel (id INT PRIMARY KEY);
                CREATE TABLE harvest (id INT PRIMARY KEY, parcel_id INT REFERENCES parcel (id));
                CREATE TABLE lot (id INT PRIMARY KEY, harvest_id INT REFERENCES harvest (id));
                CREATE TABLE apart (id INT PRIMARY KEY);
                CREATE VIEW yield AS SELECT * FROM harvest;
                """);

        assertThat(names(schema.narrowedTo(List.of(new TableName("PUBLIC", "YIELD"))).tables()))
                .containsExactly("HARVEST", "PARCEL", "YIELD");
    }

    @Test
    void foreignKeyPairsItsColumns() {
        assertThatThrownBy(() -> new ForeignKey("k", List.of("a", "b"), new TableName("", "t"), List.of("c"),
                ForeignKey.Action.NO_ACTION, ForeignKey.Action.NO_ACTION))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("k");
    }

    @Test
    void listsCannotBeChangedFromOutside() throws SQLException {
        Schema schema = read("CREATE TABLE a (id INT PRIMARY KEY)");

        assertThatThrownBy(() -> schema.tables().clear()).isInstanceOf(UnsupportedOperationException.class);
        assertThatThrownBy(() -> schema.tables().get(0).columns().clear())
                .isInstanceOf(UnsupportedOperationException.class);
    }

    private static Schema read(String script) throws SQLException {
        try (TestDatabases database = TestDatabases.h2(script)) {
            return VineKit.read(database.database(), Scope.all());
        }
    }

    private static List<String> names(List<Table> tables) {
        return tables.stream().map(table -> table.name().name()).toList();
    }
}
