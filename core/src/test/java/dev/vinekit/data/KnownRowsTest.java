package dev.vinekit.data;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class KnownRowsTest {
    private static final String TABLES = """
            CREATE TABLE vessel (id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, code VARCHAR(9), litres INT);
            CREATE TABLE sample (code VARCHAR(9) PRIMARY KEY, seal VARBINARY(4), twice INT GENERATED ALWAYS AS (2 * 2));
            CREATE TABLE lot (id BINARY(16) DEFAULT RANDOM_UUID() PRIMARY KEY, n INT);
            """;

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "INSERT INTO vessel (code, litres) VALUES ('B-1', 225), ('B-2', 300) | vessel | [{code=B-1, id=1, litres=225}, {code=B-2, id=2, litres=300}]",
        "INSERT INTO vessel (id, code) VALUES (7, 'B-1')                     | vessel | [{code=B-1, id=7}]",
        "INSERT INTO Vessel (Litres, Code) VALUES (1 + 1, 'B''1')            | vessel | [{code=B'1, id=1}]",
        "INSERT INTO vessel (code, litres) VALUES (NULL, 5)                  | vessel | [{id=1, litres=5}]",
        "INSERT INTO sample VALUES ('S1', X'00ff')                           | sample | [{code=S1, seal=00ff}]",
        "INSERT INTO lot VALUES (X'000000000000400080000000000000aa', 5)     | lot    | [{id=00000000-0000-4000-8000-0000000000aa, n=5}]",
        "INSERT INTO other (code) VALUES ('x')                               | vessel | []",
        "INSERT INTO vessel (code) VALUES ('a'); INSERT INTO vessel (code) VALUES ('b') | vessel | [{code=a, id=1}, {code=b, id=2}]"})
    void rowsOfAScriptAreKnownAsFarAsTheyAreConstant(String script, String table, String rows) throws SQLException {
        try (TestDatabases database = TestDatabases.h2(TABLES)) {
            Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.known");
            Entity entity = mapping.entities().stream()
                    .filter(each -> each.table().name().name().equalsIgnoreCase(table)).findFirst().orElseThrow();
            KnownRows known = new KnownRows(mapping, script);

            assertThat(known.of(entity).stream().map(KnownRowsTest::named).toList().toString()).isEqualTo(rows);
            assertThat(known.has(entity)).isEqualTo(!rows.equals("[]"));
        }
    }

    private static Map<String, String> named(Map<Field, String> row) {
        Map<String, String> named = new TreeMap<>();
        row.forEach((field, value) -> named.put(field.jsonName(), value));
        return named;
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "contact_email | [a-z]+\\.[a-z]+@example\\.com",
        "website       | https://example\\.com/[^/]+",
        "phone         | \\+1 555 01\\d\\d",
        "postcode      | \\d{5}",
        "lot_code      | [A-Z]{2}\\d{4}",
        "username      | [a-z']+\\d\\d",
        "notes         | [A-Z][^,]*, .+\\.",
        "full_name     | \\S+ \\S+.*",
        "emphasis      | [A-Z].*",
        "currency      | [A-Z]{3}"})
    void namesOfColumnsTellWhatTheirTextsAreLike(String column, String pattern) throws SQLException {
        try (TestDatabases database =
                TestDatabases.h2("CREATE TABLE thing (id INT PRIMARY KEY, " + column + " VARCHAR(90))")) {
            Entity entity = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.texts").entities()
                    .get(0);
            List<String> texts = new ReadableTexts(7).of(entity, entity.fields().get(1));

            assertThat(texts).hasSizeGreaterThan(5).doesNotHaveDuplicates().allMatch(text -> text.matches(pattern))
                    .isEqualTo(new ReadableTexts(7).of(entity, entity.fields().get(1)));
        }
    }

    @ParameterizedTest
    @CsvSource({"a.b@example.com, a.b7@example.com", "https://example.com/x, https://example.com/x-7",
            "Old oak, Old oak 7"})
    void aNumberTellsReadableTextsApart(String text, String numbered) {
        assertThat(ReadableTexts.numbered(text, 7)).isEqualTo(numbered);
    }
}
