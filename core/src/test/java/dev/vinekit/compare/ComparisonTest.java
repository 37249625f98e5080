package dev.vinekit.compare;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.core.JsonPointer;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.BooleanNode;
import com.fasterxml.jackson.databind.node.LongNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.Snapshot;
import dev.vinekit.schema.Table;
import dev.vinekit.sql.ChangeScript;
import java.io.IOException;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ComparisonTest {
    private static final String BEFORE = """
            CREATE TABLE parcel (id INT PRIMARY KEY, name VARCHAR(20) NOT NULL, soil VARCHAR(9), hectares NUMERIC(5, 2),
                CONSTRAINT soil_check CHECK (soil IN ('clay', 'loam')));
            CREATE TABLE harvest (id INT PRIMARY KEY, parcel_id INT, kilos INT,
                CONSTRAINT harvest_parcel FOREIGN KEY (parcel_id) REFERENCES parcel (id));
            """;

    private static final Map<String, Map<String, String>> CHANGES = Map.of(
            "h2", Map.of(
                    "retype", "ALTER TABLE parcel ALTER COLUMN name SET DATA TYPE VARCHAR(40)",
                    "require", "ALTER TABLE harvest ALTER COLUMN kilos SET NOT NULL",
                    "rename", "ALTER TABLE harvest ALTER COLUMN kilos RENAME TO kilograms",
                    "uncheck", "ALTER TABLE parcel DROP CONSTRAINT soil_check",
                    "unrefer", "ALTER TABLE harvest DROP CONSTRAINT harvest_parcel",
                    "narrow", "ALTER TABLE parcel ALTER COLUMN hectares SET DATA TYPE NUMERIC(4, 1)"),
            "postgresql", Map.of(
                    "retype", "ALTER TABLE parcel ALTER COLUMN name TYPE VARCHAR(40)",
                    "require", "ALTER TABLE harvest ALTER COLUMN kilos SET NOT NULL",
                    "rename", "ALTER TABLE harvest RENAME COLUMN kilos TO kilograms",
                    "uncheck", "ALTER TABLE parcel DROP CONSTRAINT soil_check",
                    "unrefer", "ALTER TABLE harvest DROP CONSTRAINT harvest_parcel",
                    "narrow", "ALTER TABLE parcel ALTER COLUMN hectares TYPE NUMERIC(4, 1)"),
            "mariadb", Map.of(
                    "retype", "ALTER TABLE parcel MODIFY COLUMN name VARCHAR(40) NOT NULL",
                    "require", "ALTER TABLE harvest MODIFY COLUMN kilos INT NOT NULL",
                    "rename", "ALTER TABLE harvest RENAME COLUMN kilos TO kilograms",
                    "uncheck", "ALTER TABLE parcel DROP CONSTRAINT soil_check",
                    "unrefer", "ALTER TABLE harvest DROP FOREIGN KEY harvest_parcel",
                    "narrow", "ALTER TABLE parcel MODIFY COLUMN hectares NUMERIC(4, 1)"),
            "mysql", Map.of(
                    "retype", "ALTER TABLE parcel MODIFY COLUMN name VARCHAR(40) NOT NULL",
                    "require", "ALTER TABLE harvest MODIFY COLUMN kilos INT NOT NULL",
                    "rename", "ALTER TABLE harvest RENAME COLUMN kilos TO kilograms",
                    "uncheck", "ALTER TABLE parcel DROP CONSTRAINT soil_check",
                    "unrefer", "ALTER TABLE harvest DROP FOREIGN KEY harvest_parcel",
                    "narrow", "ALTER TABLE parcel MODIFY COLUMN hectares NUMERIC(4, 1)"),
            "sqlite", Map.of(
                    "retype", remade("name VARCHAR(40) NOT NULL, soil VARCHAR(9), hectares NUMERIC(5, 2), "
                            + "CONSTRAINT soil_check CHECK (soil IN ('clay', 'loam'))"),
                    "require",
                    "DROP TABLE harvest; CREATE TABLE harvest (id INT PRIMARY KEY, parcel_id INT, kilos INT NOT NULL, "
                            + "CONSTRAINT harvest_parcel FOREIGN KEY (parcel_id) REFERENCES parcel (id))",
                    "rename", "ALTER TABLE harvest RENAME COLUMN kilos TO kilograms",
                    "uncheck", remade("name VARCHAR(20) NOT NULL, soil VARCHAR(9), hectares NUMERIC(5, 2)"),
                    "unrefer",
                    "DROP TABLE harvest; CREATE TABLE harvest (id INT PRIMARY KEY, parcel_id INT, kilos INT)",
                    "narrow", remade("name VARCHAR(20) NOT NULL, soil VARCHAR(9), hectares NUMERIC(4, 1), "
                            + "CONSTRAINT soil_check CHECK (soil IN ('clay', 'loam'))")));

    private static String remade(String columns) {
        return "DROP TABLE parcel; CREATE TABLE parcel (id INT PRIMARY KEY, " + columns + ")";
    }

    /** What changes, in the engine's own words or plain SQL, and whether a statement is commented out. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2 | retype | false", "h2 | require | false", "h2 | rename | false", "h2 | uncheck | false",
                "h2 | unrefer | false",
        "h2 | narrow | false", "h2 | everything | true",
        "postgresql | retype | false", "postgresql | require | false", "postgresql | rename | false",
        "postgresql | uncheck | false", "postgresql | unrefer | false", "postgresql | narrow | false",
        "postgresql | everything | true",
        "mariadb | retype | false", "mariadb | require | false", "mariadb | rename | false",
        "mariadb | uncheck | false",
        "mariadb | unrefer | false", "mariadb | narrow | false", "mariadb | everything | true",
        "mysql | retype | false", "mysql | require | false", "mysql | rename | false", "mysql | uncheck | false",
        "mysql | unrefer | false", "mysql | narrow | false", "mysql | everything | true",
        "sqlite | retype | false", "sqlite | require | false", "sqlite | rename | false", "sqlite | uncheck | false",
        "sqlite | unrefer | false", "sqlite | everything | true"})
    void scriptTakesADatabaseInTheOldStateToTheNewOne(String engine, String change, boolean loses) throws SQLException {
        String sql = change.equals("everything") ? everything(engine) : CHANGES.get(engine).get(change);
        try (TestDatabases changed = TestDatabases.on(engine, BEFORE);
                TestDatabases following = TestDatabases.on(engine, BEFORE)) {
            Schema before = VineKit.read(changed.database(), Scope.all());
            changed.run(sql);
            Schema after = VineKit.read(changed.database(), Scope.all());
            SchemaDifference difference = SchemaDifference.of(before, after);

            ChangeScript script = VineKit.changes(difference);

            assertThat(difference.changes()).isNotEmpty();
            assertThat(script.text().contains("DECIDE")).isEqualTo(loses);
            assertThat(script.decisions().isEmpty()).isNotEqualTo(loses);
            if (engine.equals("sqlite")) {
                following.run("PRAGMA foreign_keys = OFF");
            }
            following.run(script.decided().replaceAll("(?m)^( *)-- (?=(ALTER|DROP) .*;)", "$1"));
            assertThat(SchemaDifference.of(VineKit.read(following.database(), Scope.all()), after).changes()).isEmpty();
        }
    }

    /** Columns, tables, views, keys, references and indexes come and go. */
    private static String everything(String engine) {
        String comment = switch (engine) {
            case "mariadb", "mysql" -> "ALTER TABLE parcel COMMENT = 'It''s a; field'; ";
            case "sqlite" -> "";
            default ->
                    "COMMENT ON TABLE parcel IS 'It''s a; field'; COMMENT ON COLUMN parcel.name IS 'as on the map'; ";
        };
        return CHANGES.get(engine).get("retype")
                + "; ALTER TABLE parcel ADD COLUMN slope INT DEFAULT 0 NOT NULL; ALTER TABLE harvest DROP COLUMN kilos; "
                + "CREATE INDEX parcel_name ON parcel (name, slope); CREATE UNIQUE INDEX harvest_once ON harvest (parcel_id, id); "
                + "CREATE TABLE tasting (id INT PRIMARY KEY, harvest_id INT NOT NULL, points INT CHECK (points < 100), "
                + "CONSTRAINT tasting_harvest FOREIGN KEY (harvest_id) REFERENCES harvest (id)); "
                + "CREATE VIEW steep AS SELECT id, name FROM parcel WHERE slope > 30; " + comment;
    }

    @Test
    void unchangedSchemaGivesNoScript() throws SQLException {
        Schema schema = read(BEFORE);

        SchemaDifference difference = SchemaDifference.of(schema, read(BEFORE));

        assertThat(difference.isEmpty()).isTrue();
        assertThat(VineKit.changes(difference).isEmpty()).isTrue();
    }

    /** A statement, and what it means; the last word says whether that breaks clients. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "ALTER TABLE harvest DROP COLUMN kilos                        | API kilos is gone from answers, and refused when it is sent breaks",
        "ALTER TABLE harvest DROP COLUMN kilos                        | CODE Harvest.kilos is gone -",
        "ALTER TABLE harvest ADD COLUMN note VARCHAR(9)               | API note is new in answers -",
        "ALTER TABLE harvest ADD COLUMN note VARCHAR(9) NOT NULL      | API note is new in answers, and must be sent to create a row breaks",
        "ALTER TABLE harvest ADD COLUMN n INT DEFAULT 1 NOT NULL      | API n is new in answers, and must be sent to replace a row breaks",
        "ALTER TABLE harvest ALTER COLUMN kilos RENAME TO kilograms   | API kilos is now kilograms breaks",
        "ALTER TABLE harvest ALTER COLUMN kilos SET NOT NULL          | API kilos must be sent to create a row breaks",
        "ALTER TABLE parcel ALTER COLUMN name DROP NOT NULL           | API name may be null in answers breaks",
        "ALTER TABLE harvest ALTER COLUMN kilos SET DATA TYPE BIGINT  | API kilos was a whole number and is a whole number of up to 64 bits -",
        "ALTER TABLE harvest ALTER COLUMN kilos SET DATA TYPE DATE    | API kilos was a whole number and is a date breaks",
        "ALTER TABLE parcel ALTER COLUMN name SET DATA TYPE VARCHAR(9) | API name takes at most 9 characters; it took at most 20 characters breaks",
        "ALTER TABLE parcel ALTER COLUMN name SET DATA TYPE VARCHAR(40) | API name takes at most 40 characters; it took at most 20 characters -",
        "ALTER TABLE parcel ADD CONSTRAINT once UNIQUE (name)         | API two rows with the same name are refused (409) breaks",
        "ALTER TABLE parcel ADD CHECK (hectares > 1)                  | API hectares has other rules breaks",
        "ALTER TABLE parcel ADD CHECK (MOD(id, 2) = 0)                | API the database may refuse rows by the check breaks",
        "ALTER TABLE parcel DROP CONSTRAINT soil_check; ALTER TABLE parcel ADD CONSTRAINT soil_check CHECK (soil IN ('loam', 'sand')) | API soil no longer takes clay breaks",
        "ALTER TABLE harvest DROP CONSTRAINT harvest_parcel           | API /parcels/{key}/harvests is gone breaks",
        "DROP TABLE harvest                                           | API /harvests is gone breaks",
        "CREATE TABLE press (id INT PRIMARY KEY)                      | API /presses is new -",
        "ALTER TABLE harvest RENAME TO picking                        | API /harvests is now /pickings breaks",
        "ALTER TABLE harvest DROP PRIMARY KEY; ALTER TABLE harvest ADD COLUMN n INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY | API rows are named by n, no longer by id breaks",
        "ALTER TABLE harvest DROP PRIMARY KEY                         | API read is no longer possible breaks"})
    void everyChangeIsSaidInTermsOfCodeAndClients(String sql, String effect) throws SQLException {
        Mapping before = VineKit.map(read(BEFORE), "com.example.made");
        Mapping after = VineKit.map(read(BEFORE + sql), "com.example.made");

        Comparison comparison = Comparison.of(before, after);

        assertThat(comparison.effects()).extracting(found -> found.on() + " "
                        + found.text().replaceAll("by the check .*", "by the check")
                        + (found.breaking() ? " breaks" : " -"))
                .contains(effect);
    }

    /**
     * The engine's own definitions of the state before and after are the judge: where they differ, something is said.
     */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2 | CREATE DOMAIN grade AS INT CHECK (VALUE > 0) | ALTER DOMAIN grade ADD CONSTRAINT small CHECK (VALUE < 9) | domain grade changed",
        "h2 | CREATE DOMAIN grade AS INT CHECK (VALUE > 0) | ALTER DOMAIN grade SET DEFAULT 3 | domain grade changed",
        "h2 | CREATE SEQUENCE ticket | ALTER SEQUENCE ticket INCREMENT BY 5 | sequence ticket changed",
        "h2 | CREATE SEQUENCE ticket | DROP SEQUENCE ticket | sequence ticket removed",
        "postgresql | CREATE DOMAIN grade AS INT CHECK (VALUE > 0) | ALTER DOMAIN grade ADD CONSTRAINT small CHECK (VALUE < 9) | domain grade changed",
        "postgresql | CREATE DOMAIN grade AS INT | ALTER DOMAIN grade SET NOT NULL | domain grade changed",
        "postgresql | CREATE SEQUENCE ticket | ALTER SEQUENCE ticket MAXVALUE 99 | sequence ticket changed",
        "postgresql | CREATE SEQUENCE ticket | CREATE SEQUENCE other | sequence other added",
        "mariadb | CREATE SEQUENCE ticket | ALTER SEQUENCE ticket INCREMENT BY 5 | sequence ticket changed"})
    void whatStandsBesideTablesIsComparedToo(String engine, String before, String change,
            String said) throws SQLException {
        String table = "; CREATE TABLE press (id INT PRIMARY KEY" + (before.contains("grade") ? ", grade grade)" : ")");
        try (TestDatabases database = TestDatabases.on(engine, before + table)) {
            Schema was = VineKit.read(database.database(), Scope.all());
            database.run(change);
            Schema now = VineKit.read(database.database(), Scope.all());

            SchemaDifference difference = SchemaDifference.of(was, now);

            assertThat(VineKit.definition(now)).isNotEqualTo(VineKit.definition(was));
            assertThat(difference.changes()).extracting(one -> ChangeWords.of(one))
                    .extracting(words -> words.what() + " " + words.table().name().toLowerCase(Locale.ROOT)
                            + " " + words.change()).contains(said);
            assertThat(VineKit.changes(difference).isEmpty()).isFalse();
        }
    }

    /** Whatever a schema is made of, down to the last word: where it is another, something is said. */
    @Test
    void everyPartIsCompared() throws SQLException, IOException {
        Schema schema = read(TestDatabases.clausesScript("h2"));
        schema = schema.narrowedTo(schema.tables().stream().map(Table::name)
                .filter(name -> List.of("PEOPLE", "COMP_CHILD", "BARREL_OF_ALL", "a view")
                .contains(name.name())).toList());
        JsonMapper mapper = new JsonMapper();
        JsonNode whole = mapper.readTree(Snapshot.write(schema));
        List<String> unsaid = new ArrayList<>();
        int compared = 0;
        for (String place : leaves("", whole)) {
            JsonNode copy = whole.deepCopy();
            JsonPointer pointer = JsonPointer.compile(place);
            change(copy.at(pointer.head()), pointer, copy.at(pointer));
            Schema other;
            try {
                other = Snapshot.read(mapper.writeValueAsString(copy));
            } catch (Fault | IllegalArgumentException e) {
                continue;
            }
            compared++;
            if (SchemaDifference.of(schema, other).isEmpty()) {
                unsaid.add(place.replaceAll("\\d+", "*"));
            }
        }
        assertThat(compared).isGreaterThan(300);
        assertThat(unsaid.stream().distinct()).as("who owns a table and what the login may do is nobody's change")
                .allMatch(place -> place.contains("/access/") || place.matches("/schema/(engine|defaultSchema)"));
    }

    private static List<String> leaves(String place, JsonNode node) {
        List<String> found = new ArrayList<>();
        if (node.isObject()) {
            node.properties().forEach(entry -> found.addAll(leaves(place + "/" + entry.getKey(), entry.getValue())));
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                found.addAll(leaves(place + "/" + i, node.get(i)));
            }
        } else {
            found.add(place);
        }
        return found;
    }

    /** Puts another value of the same sort in the place of one. */
    private static void change(JsonNode parent, JsonPointer place, JsonNode value) {
        JsonNode other = value.isBoolean() ? BooleanNode.valueOf(!value.booleanValue())
                : value.isNumber() ? LongNode.valueOf(value.longValue() + 1) : TextNode.valueOf(value.asText() + "X");
        if (parent instanceof ObjectNode object) {
            object.set(place.last().getMatchingProperty(), other);
        } else {
            ((ArrayNode) parent).set(place.last().getMatchingIndex(), other);
        }
    }

    @Test
    void renamesAreTakenForWhatTheyProbablyAre() throws SQLException {
        SchemaDifference difference;
        try (TestDatabases database = TestDatabases.on("sqlite", BEFORE)) {
            Schema before = VineKit.read(database.database(), Scope.all());
            database.run("ALTER TABLE parcel RENAME TO field; ALTER TABLE harvest RENAME COLUMN parcel_id TO field_id");
            difference = SchemaDifference.of(before, VineKit.read(database.database(), Scope.all()));
        }

        assertThat(difference.changes()).extracting(change -> ChangeWords.of(change))
                .extracting(words -> words.what() + " " + words.change() + " " + words.detail())
                .containsExactlyInAnyOrder("table renamed probably: it was parcel",
                        "column renamed probably: it was parcel_id");
    }

    private static Schema read(String script) throws SQLException {
        try (TestDatabases database = TestDatabases.h2(script)) {
            return VineKit.read(database.database(), Scope.all());
        }
    }

    /** What a change of the mapping file means, by what it lets clients see and do. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
        "access: {read: [a]}                     | access: {read: [a]}                       | ",
        "access: {read: [a]}                     | access: {read: [a, b]}                    | +list is possible for b; +read is possible for b",
        "access: {read: [a, b]}                  | access: {read: [a]}                       | !list is no longer possible for b; !read is no longer possible for b",
        "access: {read: [a]}                     | access: {read: ['*']}                     | +list is possible for everybody with a token; +read is possible for everybody with a token",
        "access: {read: [a]}                     | access: {read: [a], delete: [a]}          | +delete is possible now",
        "access: {read: [a]}                     |                                           | +no token is needed any more; +create is possible now; +replace is possible now; +patch is possible now; +delete is possible now",
        "                                        | access: {read: [a]}                       | !a token is needed now; !create is no longer possible; !replace is no longer possible; !patch is no longer possible; !delete is no longer possible",
        "access: {read: [a]}, finders: [{by: [name]}] | access: {read: [a]}, finders: [{by: [name], roles: [b]}] | +list by name[is] is possible for b",
        "access: {read: [a]}, finders: [{by: [name], roles: [b]}] | access: {read: [a]}         | !list by name[is] is no longer possible for b",
        "access: {read: [a]}, finders: [{by: [soil, name], roles: [b]}] | access: {read: [a]}, finders: [{by: [name], roles: [b]}] | +list by name[is] is possible for b",
        "access: {read: [a]}, finders: [{by: [name], roles: [b]}] | access: {read: [a, b]}      | +list is possible for b; +read is possible for b",
        "access: {read: [a]}, fields: {soil: {visibility: hidden}} | access: {read: [a]}        | +soil is told in answers; +soil can be sent",
        "access: {read: [a]}, own-rows: {column: name, claim: c, all-for: [a]} | access: {read: [a]} | +rows no longer belong to anybody: whoever may read is shown all of them; !name must be sent to create a row",
        "access: {read: [a]}, own-rows: {column: name, claim: c, all-for: [a]} | access: {read: [a]}, own-rows: {column: name, claim: c, all-for: [a, b]} | +seeing all rows is possible for b",
        "access: {read: [a]}, own-rows: {column: name, claim: c, all-for: [a]} | access: {read: [a]}, own-rows: {column: name, claim: d, all-for: [a]} | +rows belong to whoever has the claim d that NAME has, no longer by c and NAME",
        "require-if-match: false                 | require-if-match: true                    | !If-Match is needed to change or delete a row (428)",
        "                                         | cache-seconds: 60                         | clients may use an answer with rows again for 60 seconds, as it was then",
        "cache-seconds: 60                        |                                           | clients ask anew for every answer with rows"})
    void mappingFileOpensAndCloses(String before, String after, String effects) throws SQLException {
        try (TestDatabases parcels = TestDatabases.on("h2", BEFORE)) {
            Schema schema = VineKit.read(parcels.database(), new Scope(List.of(), List.of("parcel")));

            Comparison comparison = Comparison.of(map(schema, before), map(schema, after));

            assertThat(comparison.effects().stream().filter(effect -> effect.on() == Effect.On.API)
                    .map(effect -> (effect.opens() ? "+" : effect.breaking() ? "!" : "") + effect.text()))
                    .containsExactlyInAnyOrder(effects == null ? new String[0] : effects.split("; "));
            assertThat(comparison.opens()).isEqualTo(effects != null && effects.contains("+"));
            assertThat(comparison.isEmpty()).isEqualTo(effects == null);
        }
    }

    private static Mapping map(Schema schema, String ofParcel) {
        return VineKit.map(schema, MappingFile.parse("vinekit.yaml", "project: {package: com.example.cellar}\n"
                + (ofParcel == null ? "" : "entities: {parcel: {" + ofParcel + "}}\n"), Map.of(), false), Set.of());
    }
}
