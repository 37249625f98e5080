package dev.vinekit.sql;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.sql.Expression.ColumnRef;
import dev.vinekit.sql.Expression.Comparison;
import dev.vinekit.sql.Expression.Operator;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("fast")
class ExpressionParserTest {
    static Stream<Arguments> understood() {
        ColumnRef litres = new ColumnRef("LITRES");
        return Stream.of(
                Arguments.of("litres > 0", new Comparison(Operator.GREATER, litres, number("0"))),
                Arguments.of("\"litres\" <> -1.5",
                        new Comparison(Operator.NOT_EQUAL, new ColumnRef("litres"), number("-1.5"))),
                Arguments.of("(litres) between 1 and 2", new Expression.Between(litres, number("1"), number("2"))),
                Arguments.of("litres IN (1, 2)", new Expression.In(litres, List.of(number("1"), number("2")))),
                Arguments.of("litres NOT IN (1)",
                        new Expression.Not(new Expression.In(litres, List.of(number("1"))))),
                Arguments.of("litres LIKE 'a''b%' ESCAPE '!'", new Expression.Like(litres, "a'b%", "!")),
                Arguments.of("litres ~ '^x'", new Expression.Matches(litres, "^x")),
                Arguments.of("litres REGEXP '^x'", new Expression.Matches(litres, "^x")),
                Arguments.of("litres IS NOT NULL", new Expression.Not(new Expression.IsNull(litres))),
                Arguments.of("litres >= CAST(0 AS NUMERIC(1, 0))", new Comparison(Operator.AT_LEAST, litres,
                        new Expression.Cast(number("0"), "NUMERIC(1, 0)"))),
                Arguments.of("CHAR_LENGTH(litres) = 3", new Comparison(Operator.EQUAL,
                        new Expression.Call("char_length", List.of(litres)), number("3"))),
                Arguments.of("litres /* a comment */ = TRUE -- another",
                        new Comparison(Operator.EQUAL, litres, new Expression.Truth(true))));
    }

    @ParameterizedTest
    @MethodSource("understood")
    void readsWhatItKnows(String sql, Expression meaning) {
        assertThat(parse(sql)).isEqualTo(meaning);
    }

    @Test
    void andBindsMoreTightlyThanOr() {
        Expression meaning = parse("a = 1 OR b = 2 AND c = 3");

        assertThat(meaning).isInstanceOfSatisfying(Expression.Or.class, or ->
                assertThat(or.parts().get(1)).isInstanceOf(Expression.And.class));
    }

    @Test
    void timesBindsMoreTightlyThanPlus() {
        assertThat(parse("a + b * c")).isEqualTo(new Expression.Arithmetic("+", new ColumnRef("A"),
                new Expression.Arithmetic("*", new ColumnRef("B"), new ColumnRef("C"))));
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "CASE WHEN a THEN 1 END = 1", "a = (SELECT 1)", "a = ", "a = 1 1", "a NOT", "((a)", "'open", "a BETWEEN 1", ""})
    void keepsWhatItDoesNotKnowAsText(String sql) {
        assertThat(parse(sql)).isEqualTo(new Expression.Unknown(sql));
    }

    @Test
    void conjunctsTakeBetweenApart() {
        assertThat(parse("a BETWEEN 1 AND 2 AND (b = 3 AND c = 4)").conjuncts()).hasSize(4);
    }

    @Test
    void columnsAreListedOnceInOrder() {
        assertThat(parse("b > a AND lower(b) IN ('x') OR NOT c IS NULL").columns()).containsExactly("B", "A", "C");
    }

    @Test
    void replacesWordsButNotStringsOrQuotedNames() {
        assertThat(SqlText.replace("VALUE > 1 AND 'VALUE' <> \"VALUE\" AND value < 9", "VALUE", "\"x\""))
                .isEqualTo("\"x\" > 1 AND 'VALUE' <> \"VALUE\" AND \"x\" < 9");
    }

    private static Expression.Number number(String text) {
        return new Expression.Number(new BigDecimal(text));
    }

    private static Expression parse(String sql) {
        return ExpressionParser.parse(sql, word -> word.toUpperCase(Locale.ROOT));
    }
}
