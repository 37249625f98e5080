package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.schema.SqlType;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("fast")
class TypeRulesTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "TINYINT            | false | Least -128, Most 127",
        "TINYINT            | true  | Least 0, Most 255",
        "SMALLINT           | false | Least -32768, Most 32767",
        "MEDIUMINT          | false | Least -8388608, Most 8388607",
        "MEDIUMINT          | true  | Least 0, Most 16777215",
        "INTEGER            | false | ''",
        "INTEGER            | true  | Least 0, Most 4294967295",
        "BIGINT             | false | ''",
        "BIGINT             | true  | Least 0, Most 18446744073709551615, Digits 20 0",
        "YEAR               | false | Least 1901, Most 2155",
        "DATE               | false | ''",
        "BOOLEAN            | false | ''"})
    void wholeNumbersHaveTheRangeOfTheirType(SqlType.Kind kind, boolean unsigned, String rules) {
        SqlType type = SqlType.of(kind, kind.name());

        assertThat(told(TypeRules.of(unsigned ? type.withoutSign() : type))).isEqualTo(rules);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "6  | 2  | false | Digits 4 2",
        "6  | 0  | false | Digits 6 0",
        "2  | 2  | false | Digits 0 2",
        "2  | -3 | false | Digits 2 0",
        "0  | 0  | false | ''",
        "6  | 2  | true  | Least 0, Digits 4 2"})
    void decimalsHaveTheDigitsOfTheirType(int precision, int scale, boolean unsigned, String rules) {
        SqlType type = SqlType.of(SqlType.Kind.DECIMAL, "NUMERIC").withDigits(precision, scale);

        assertThat(told(TypeRules.of(unsigned ? type.withoutSign() : type))).isEqualTo(rules);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "CHAR    | 4          | Length 0 4",
        "VARCHAR | 20         | Length 0 20",
        "TEXT    | 0          | ''",
        "TEXT    | 4294967295 | ''",
        "BINARY  | 16         | Bytes 0 16",
        "BINARY  | 0          | ''",
        "JSON    | 0          | ''"})
    void textsAndBytesHaveTheLengthOfTheirType(SqlType.Kind kind, long length, String rules) {
        assertThat(told(TypeRules.of(SqlType.of(kind, kind.name()).withLength(length)))).isEqualTo(rules);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "bit(4)         | 4 | 0101 | true",
        "bit(4)         | 4 | 101  | false",
        "bit(4)         | 4 | 01x1 | false",
        "bit            | 0 | 1    | true",
        "bit varying(3) | 3 | 01   | true",
        "bit varying(3) | 3 | 0101 | false",
        "bit varying    | 0 | 0101 | true",
        "varbit         | 0 | 2    | false"})
    void bitsAreDigits(String type, long length, String value, boolean fits) {
        assertThat(TypeRules.of(SqlType.of(SqlType.Kind.BIT, type).withLength(length))).singleElement()
                .isInstanceOfSatisfying(
                FieldRule.Pattern.class, pattern -> assertThat(value.matches(pattern.regex())).isEqualTo(fits));
    }

    @ParameterizedTest
    @ValueSource(strings = {"red,white", "a.b,c*", "(x),[y]"})
    void enumerationsAreTheirLabels(String labels) {
        List<FieldRule> rules = TypeRules.of(SqlType.of(SqlType.Kind.ENUM, "enum")
                .withLabels(List.of(labels.split(","))));

        assertThat(rules).singleElement().isInstanceOfSatisfying(FieldRule.Pattern.class, pattern -> {
            assertThat(List.of(labels.split(","))).allMatch(label -> label.matches(pattern.regex()));
            assertThat("axb").doesNotMatch(pattern.regex());
        });
    }

    private static String told(List<FieldRule> rules) {
        return rules.stream().map(rule -> {
            if (rule instanceof FieldRule.Least least) {
                return "Least " + least.bound().toPlainString();
            } else if (rule instanceof FieldRule.Most most) {
                return "Most " + most.bound().toPlainString();
            } else if (rule instanceof FieldRule.Digits digits) {
                return "Digits " + digits.integer() + " " + digits.fraction();
            } else if (rule instanceof FieldRule.Length length) {
                return "Length " + length.least() + " " + length.most();
            }
            return "Bytes " + ((FieldRule.Bytes) rule).least() + " " + ((FieldRule.Bytes) rule).most();
        }).collect(Collectors.joining(", "));
    }
}
