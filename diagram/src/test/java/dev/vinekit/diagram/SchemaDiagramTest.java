package dev.vinekit.diagram;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Element;

class SchemaDiagramTest {
    @TempDir
    private Path directory;

    private static Schema cellar() {
        try (Cellar cellar = Cellar.open()) {
            return VineKit.read(cellar.database(), Scope.all());
        }
    }

    private Schema read(String script) throws IOException {
        Path file = Files.writeString(directory.resolve("schema.sql"), script);
        try (ScriptDatabase database = VineKit.load("h2", file)) {
            return VineKit.read(database.database(), Scope.all());
        }
    }

    /** Tables that refer to some of those before them, now and then to themselves or to one that comes later. */
    private static String tables(int count, long seed) {
        Random random = new Random(seed);
        StringBuilder script = new StringBuilder();
        StringBuilder later = new StringBuilder();
        for (int i = 0; i < count; i++) {
            script.append("CREATE TABLE rack_").append(i).append(" (id INT PRIMARY KEY, name VARCHAR(40) NOT NULL, ")
                    .append("aisle INT, shelf INT");
            for (int reference = random.nextInt(5); reference > 0; reference--) {
                script.append(", r").append(reference).append(random.nextBoolean() ? " INT NOT NULL" : " INT");
                int target = random.nextInt(8) == 0 ? random.nextInt(count) : random.nextInt(i + 1);
                later.append("ALTER TABLE rack_").append(i).append(" ADD FOREIGN KEY (r").append(reference)
                        .append(") REFERENCES rack_").append(random.nextInt(6) == 0 ? 0 : target).append(";\n");
            }
            script.append(");\n");
        }
        return script.append(later).toString();
    }

    private static void assertTidy(Picture picture) {
        List<Picture.Box> boxes = picture.boxes();
        for (Picture.Box box : boxes) {
            assertThat(boxes).filteredOn(other -> other != box && other.area().intersects(box.area())).as(box.title())
                    .isEmpty();
            Rectangle2D inside = new Rectangle2D.Double(box.area().getX() + 1, box.area().getY() + 1,
                    box.area().getWidth() - 2, box.area().getHeight() - 2);
            assertThat(picture.lines()).flatExtracting(Picture.Line::segments)
                    .noneMatch(segment -> segment.intersects(inside));
        }
        assertThat(picture.lines()).flatExtracting(Picture.Line::segments)
                .allMatch(segment -> segment.getX1() == segment.getX2() || segment.getY1() == segment.getY2());
    }

    @Test
    void theCellarIsDrawnWithAllThatTiesItsTables() {
        Schema schema = cellar();
        Picture picture = Picture.of(SchemaDiagram.svg(schema, Set.of()));

        assertTidy(picture);
        assertThat(picture.boxes()).hasSize(schema.tables().size());
        assertThat(picture.lines()).filteredOn(line -> line.tooltip().contains(" refers to "))
                .hasSize(schema.tables().stream().mapToInt(table -> table.foreignKeys().size()).sum());
        assertThat(picture.box("BLEND_COMPONENT").kind()).isEqualTo("link");
        assertThat(picture.box("CELLAR_STOCK").kind()).isEqualTo("view");
        assertThat(picture.box("VESSEL").kind()).isEqualTo("table");
        assertThat(picture.box("VESSEL_TRANSFER").texts()).contains("from", "to", "NUMERIC(9, 2)");
        assertThat(picture.lines()).extracting(Picture.Line::tooltip)
                .contains("CELLAR_STOCK reads VESSEL", "PARCEL (VARIETY_CODE) refers to GRAPE_VARIETY (CODE)");
    }

    @Test
    void endsOfLinesSayHowManyRowsThereAre() throws IOException {
        Picture picture = Picture.of(SchemaDiagram.svg(read("""
                CREATE TABLE press (id INT PRIMARY KEY);
                CREATE TABLE screw (id INT PRIMARY KEY, press INT NOT NULL REFERENCES press);
                CREATE TABLE spare (id INT PRIMARY KEY, press INT REFERENCES press);
                CREATE TABLE gauge (press INT PRIMARY KEY REFERENCES press);
                """), Set.of()));

        assertThat(picture.line("SCREW (PRESS) refers to PRESS (ID)").marks()).as("exactly one, many or none")
                .filteredOn(mark -> !mark.equals("junction"))
                .containsExactly("end", "polyline 2", "polyline 2", "polyline 3");
        assertThat(picture.line("SPARE (PRESS) refers to PRESS (ID)").marks()).as("one or none, many or none")
                .filteredOn(mark -> !mark.equals("junction")).containsExactly("end", "end", "polyline 2", "polyline 3");
        assertThat(picture.line("GAUGE (PRESS) refers to PRESS (ID)").marks()).as("exactly one, one or none")
                .filteredOn(mark -> !mark.equals("junction"))
                .containsExactly("end", "polyline 2", "polyline 2", "polyline 2");
    }

    @Test
    void linesEndAtTheColumnsThatTheyAreAbout() {
        Picture picture = Picture.of(SchemaDiagram.svg(cellar(), Set.of()));

        Rectangle2D transfer = picture.box("VESSEL_TRANSFER").area();
        List<Double> ends = Stream.of("from", "to").map(column ->
                picture.line("VESSEL_TRANSFER (" + column + ") refers to VESSEL (ID)").segments())
                .map(segments -> segments.get(segments.size() - 1)).map(last -> last.getY2() - transfer.getY())
                .toList();
        assertThat(ends).containsExactly(Box.HEADER + 1.5 * Box.ROW, Box.HEADER + 2.5 * Box.ROW);
    }

    @Test
    void chosenTablesAreWholeAndTheirNeighboursFoldedToKeys() {
        Schema schema = cellar();
        TableName harvest = new TableName("PUBLIC", "HARVEST");

        Picture picture = Picture.of(SchemaDiagram.svg(schema, Set.of(harvest)));

        assertTidy(picture);
        assertThat(picture.boxes()).extracting(Picture.Box::title)
                .containsExactlyInAnyOrder("HARVEST", "PARCEL", "CELLAR_HAND", "WINE_LOT_HARVEST");
        assertThat(picture.box("HARVEST").texts()).contains("WEIGHT_KG", "BRIX");
        assertThat(picture.box("PARCEL").texts()).contains("ID", "and 8 more").doesNotContain("AREA_HA");
    }

    @Test
    void whatIsReferredToByManyColumnsIsTiedToAllOfThem() throws IOException {
        Picture picture = Picture.of(SchemaDiagram.svg(read("""
                CREATE TABLE shelf (aisle INT, level INT, PRIMARY KEY (aisle, level));
                CREATE TABLE bottle (id INT PRIMARY KEY, aisle INT NOT NULL, level INT NOT NULL,
                    FOREIGN KEY (aisle, level) REFERENCES shelf);
                """), Set.of()));

        assertTidy(picture);
        assertThat(picture.line("BOTTLE (AISLE, LEVEL) refers to SHELF (AISLE, LEVEL)").marks())
                .as("with a bracket at each side").filteredOn(mark -> mark.equals("polyline 2")).hasSize(4);
    }

    @Test
    void theColumnsOfAKeyAreMarkedWhereTheyAreAndNoOthers() throws IOException {
        Picture picture = Picture.of(SchemaDiagram.svg(read("""
                CREATE TABLE shelf (aisle INT, height INT, level INT, place INT, PRIMARY KEY (level, aisle, place));
                CREATE TABLE bottle (place INT NOT NULL, id INT PRIMARY KEY, level INT NOT NULL, aisle INT NOT NULL,
                    FOREIGN KEY (level, aisle, place) REFERENCES shelf (level, aisle, place));
                """), Set.of()));

        Rectangle2D shelf = picture.box("SHELF").area();
        Rectangle2D bottle = picture.box("BOTTLE").area();
        assertThat(picture.line("BOTTLE (LEVEL, AISLE, PLACE) refers to SHELF (LEVEL, AISLE, PLACE)").dots())
                .containsExactlyInAnyOrder(
                        beside(shelf.getMaxX(), shelf, 0), beside(shelf.getMaxX(), shelf, 2),
                        beside(shelf.getMaxX(), shelf, 3),
                        beside(bottle.getX(), bottle, 0), beside(bottle.getX(), bottle, 2),
                        beside(bottle.getX(), bottle, 3));
    }

    private static Point2D beside(double x, Rectangle2D table, int row) {
        return new Point2D.Double(x, table.getY() + Box.HEADER + Box.ROW * (row + 0.5));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 15, 80, 200})
    void manyTablesStayTidyAndTheSame(int count) throws IOException {
        Schema schema = read(tables(count, count));

        String svg = SchemaDiagram.svg(schema, Set.of());

        Picture picture = Picture.of(svg);
        assertTidy(picture);
        assertThat(picture.boxes()).hasSize(count);
        assertThat(picture.lines()).hasSize(schema.tables().stream().mapToInt(table -> table.foreignKeys().size())
                .sum());
        assertThat(picture.boxes()).allMatch(box -> box.texts().contains("AISLE") == count < 60);
        assertThat(SchemaDiagram.svg(schema, Set.of())).isEqualTo(svg);
    }

    @Test
    void hostileNamesAndCommentsAreTextAndNoMore() throws IOException {
        String script = "<script>alert(1)</script>";
        String turned = "safe\\u202Egnp.exe";
        Picture picture = Picture.of(SchemaDiagram.svg(read("""
                CREATE TABLE "%1$s" (id INT PRIMARY KEY, "' onload='x" VARCHAR(9), "]]>&amp;" INT);
                COMMENT ON TABLE "%1$s" IS U&'</title><image href="x"/> \\0007 \\202E';
                CREATE TABLE U&"safe\\202Egnp.exe" (id INT PRIMARY KEY, "%1$s" INT REFERENCES "%1$s");
                """.formatted(script)), Set.of()));

        assertTidy(picture);
        assertThat(picture.elements("*")).extracting(Element::getLocalName)
                .isSubsetOf("svg", "title", "style", "rect", "g", "text", "polyline", "circle");
        assertThat(picture.boxes()).extracting(Picture.Box::title).containsExactlyInAnyOrder(script, turned);
        assertThat(picture.box(script).texts()).contains("' onload='x", "]]>&amp;");
        assertThat(picture.elements("title")).extracting(Element::getTextContent)
                .contains(script + " (table): </title><image href=\"x\"/> \\u0007 \\u202E");
        assertThat(picture.elements("*")).allMatch(element -> !element.hasAttribute("onload"));
    }
}
