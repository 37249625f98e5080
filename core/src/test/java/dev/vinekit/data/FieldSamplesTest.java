package dev.vinekit.data;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.sql.ExpressionParser;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Values for one field: those that it takes, those that tell rows apart, and those that break a rule of it. */
@Tag("fast")
class FieldSamplesTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "n INT                                         | 10    | 11",
        "n INT CHECK (n BETWEEN 1 AND 12)              | 6     | 7",
        "n INT CHECK (n BETWEEN 1 AND 2)               | 1     | 2",
        "n INT CHECK (n > 0 AND n < 3)                 | 1     | 2",
        "n INT CHECK (n = 5)                           | 5     | 5",
        "n INT CHECK (n >= 2000)                       | 2000  | 2001",
        "n INT CHECK (n <= 3)                          | 3     | 3",
        "n INT CHECK (n < -5)                          | -6    | -6",
        "n NUMERIC(4, 2)                               | 10.00 | 11.00",
        "n NUMERIC(2, 2)                               | 0.99  | 0.99",
        "n NUMERIC(5, 1) CHECK (n > 0 AND n <= 1)      | 0.5   | 0.6",
        "n NUMERIC(3, 1) CHECK (n BETWEEN 8.5 AND 9.5) | 9.0   | 9.1",
        "n DECFLOAT                                    | 10.5  | 11.5"})
    void numbersLieWithinTheirBounds(String column, BigDecimal first, BigDecimal other) throws SQLException {
        Field field = field(column);
        NumberSamples samples = new NumberSamples(field);

        assertThat(samples.value(false, 0, false)).isEqualTo(new Sample.Number(first));
        assertThat(samples.value(true, 0, false)).isEqualTo(new Sample.Number(other));
        assertThat(field.rules()).allMatch(rule -> WrongValues.keeps(rule, first) && WrongValues.keeps(rule, other));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "n INT                            | 2147483647",
        "n INT CHECK (n BETWEEN 1 AND 12) | 12",
        "n INT CHECK (n > 1 AND n < 12)   | 10",
        "n INT CHECK (n = 5)              | 1",
        "n INT CHECK (n > 5 AND n < 5)    | 0",
        "n NUMERIC(3, 1)                  | 2147483647"})
    void numbersLeaveRoomForSoManyRows(String column, int room) throws SQLException {
        assertThat(new NumberSamples(field(column)).room()).isEqualTo(room);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "grape VARCHAR                                            | Grape               | Other grape",
        "grape VARCHAR(5)                                         | Grape               | B",
        "grape VARCHAR(3)                                         | A                   | B",
        "grape VARCHAR(1)                                         | A                   | B",
        "grape CHAR(2)                                            | AB                  | CD",
        "grape VARCHAR(9) CHECK (CHAR_LENGTH(grape) > 8)          | xxxxxxxxx           | yyyyyyyyy",
        "grape VARCHAR(9) CHECK (grape = LOWER(grape))            | Grape               | B",
        "grape VARCHAR(40) CHECK (grape LIKE '%@%')               | grape@example.com   | grape.other@example.com",
        "grape VARCHAR(40) CHECK (grape LIKE 'https://%')         | https://example.com/ | https://example.com/other/",
        "grape VARCHAR(40) CHECK (grape REGEXP '^[a-z]+$')        | a                   | b"})
    void textsReadLikeWordsWhereTheirRulesLetThem(String column, String first, String other) throws SQLException {
        Field field = field(column);
        TextSamples samples = new TextSamples(field, false, 2, Integer.MAX_VALUE);

        assertThat(samples.value(false)).isEqualTo(new Sample.Text(first));
        assertThat(samples.value(true)).isEqualTo(new Sample.Text(other));
        assertThat(TextSamples.keeps(field, first)).isTrue();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "grape VARCHAR",
        "grape VARCHAR(2)",
        "grape VARCHAR(3)",
        "grape CHAR(4)",
        "grape VARCHAR(40) CHECK (grape LIKE '%@%')",
        "grape VARCHAR(40) CHECK (grape LIKE 'AB-%')",
        "grape VARCHAR(9) CHECK (CHAR_LENGTH(grape) = 9)",
        "grape VARCHAR(9) CHECK (grape REGEXP '^[A-Z]-[0-9]{4}$')"})
    void numberedTextsAreAllDifferentAndKeepTheRules(String column) throws SQLException {
        Field field = field(column);
        Sample sample = new TextSamples(field, true, 2, Integer.MAX_VALUE).value(false);
        List<String> texts = IntStream.rangeClosed(1, 99).mapToObj(sample::text).toList();

        assertThat(sample.isNumbered()).isTrue();
        assertThat(texts).doesNotHaveDuplicates().allMatch(text -> TextSamples.keeps(field, text));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "grape VARCHAR(3)                            | Length  | too long",
        "grape VARCHAR(9) CHECK (LENGTH(grape) >= 2) | Length  | too long, too short",
        "grape VARBINARY(3)                          | Bytes   | too long",
        "n INT CHECK (n >= 5)                        | Least   | below its least",
        "n INT CHECK (n > 5)                         | Least   | below its least",
        "n INT CHECK (n < 50)                        | Most    | above its most",
        "n NUMERIC(4, 2)                             | Digits  | with too many digits, with too many decimals",
        "n NUMERIC(4, 2) CHECK (n < 50)              | Digits  | with too many decimals",
        "grape VARCHAR(9) CHECK (grape LIKE 'a%')    | Pattern | out of its pattern",
        "grape VARCHAR(9) CHECK (grape LIKE '%')     | Pattern | ''"})
    void aWrongValueBreaksOneRule(String column, String rule, String names) throws SQLException {
        Mapping mapping = mapping(column);
        Entity entity = mapping.entities().get(0);
        Field field = entity.fields().get(1);
        WrongValues wrong = new WrongValues(entity, new SampleRows(mapping).row(entity, false));
        List<Trial> trials = field.rules().stream().filter(each -> each.getClass().getSimpleName().equals(rule))
                .flatMap(each -> wrong.against(field, each).stream()).toList();

        assertThat(trials).extracting(trial -> ((Trial.Values) trial).how())
                .containsExactly(names.isEmpty() ? new String[0] : names.split(", "));
        for (Trial trial : trials) {
            Object value = ((Trial.Values) trial).values().get(field);
            if (!(field.rules().get(0) instanceof FieldRule.Bytes)) {
                assertThat(field.rules()).as("%s", value).filteredOn(each -> !WrongValues.keeps(each, value))
                        .hasSize(1);
            }
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "colour = 'red'                     | true",
        "colour <> 'red'                    | false",
        "colour = 'red' AND n = 7           | true",
        "colour = 'red' AND n = 8           | false",
        "colour = 'blue' OR n >= 7          | true",
        "NOT (n > 7)                        | true",
        "colour IS NOT NULL                 | true",
        "colour IS NULL                     | false",
        "sweet                              | true",
        "NOT sweet                          | false",
        "sweet = TRUE                       | true",
        "note IS NULL                       | true",
        "note = 'x'                         | false",
        "UPPER(colour) = 'RED'              | false",
        "TRUE                               | true",
        "FALSE OR n < 8                     | true"})
    void conditionsAreKnownToHoldOrNot(String condition, boolean holds) throws SQLException {
        Mapping mapping = mapping("colour VARCHAR(9), n INT, sweet BOOLEAN, note VARCHAR(9)");
        Entity entity = mapping.entities().get(0);
        Map<Field, Sample> values = new LinkedHashMap<>();
        entity.fields().forEach(field -> values.put(field, switch (field.column().name()) {
            case "COLOUR" -> new Sample.Text("red");
            case "N" -> new Sample.Number(BigDecimal.valueOf(7));
            case "SWEET" -> new Sample.Truth(true);
            default -> new Sample.Nothing();
        }));

        RowCondition row = new RowCondition(entity, new SampleRow(values));

        assertThat(row.holds(ExpressionParser.parse(condition, name -> name.toUpperCase(Locale.ROOT))))
                .isEqualTo(holds);
    }

    private static Field field(String column) throws SQLException {
        return mapping(column).entities().get(0).fields().get(1);
    }

    private static Mapping mapping(String columns) throws SQLException {
        try (TestDatabases database = TestDatabases.h2("CREATE TABLE wine (id INT PRIMARY KEY, " + columns + ")")) {
            return VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.wines");
        }
    }
}
