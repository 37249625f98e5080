package dev.vinekit.sql;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Words of SQL are told from strings, quoted names and comments that look like them. */
@Tag("fast")
class SqlTextTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "VALUE > 0                    | litres > 0",
        "value > 0 AND VALUE < 9      | litres > 0 AND litres < 9",
        "VALUE <> 'VALUE'             | litres <> 'VALUE'",
        "VALUE <> 'it''s VALUE'       | litres <> 'it''s VALUE'",
        "\"VALUE\" = VALUE            | \"VALUE\" = litres",
        "VALUES > VALUE_1             | VALUES > VALUE_1",
        "/* VALUE */ VALUE IS NULL    | /* VALUE */ litres IS NULL",
        "coalesce(VALUE, 0)           | coalesce(litres, 0)"})
    void bareWordIsReplacedAndNothingThatHoldsIt(String sql, String replaced) {
        assertThat(SqlText.replace(sql, "VALUE", "litres")).isEqualTo(replaced);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "CREATE VIEW v AS SELECT 1                | SELECT 1",
        "create view \"as\" as select 'as' AS x   | select 'as' AS x",
        "CREATE VIEW [as] /* as */ AS SELECT 2    | SELECT 2",
        "nothing of the sort                      | nothing of the sort"})
    void whatFollowsAWordBeginsBehindItsFirstBareOccurrence(String sql, String rest) {
        assertThat(SqlText.after(sql, "AS")).isEqualTo(rest);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "CREATE INDEX \"odd (name\" ON t (a, lower(b)) | (a, lower(b))",
        "CREATE INDEX i ON t(a)                        | (a)",
        "no parentheses                                | no parentheses"})
    void whatIsIndexedBeginsWithTheFirstParenthesisOutsideNames(String sql, String rest) {
        assertThat(SqlText.inParentheses(sql)).isEqualTo(rest);
    }

    @Test
    void stringsAndNumbersAreTakenOutOfAText() {
        String check = "grade IN ('a''b', 'c') OR litres BETWEEN 10 AND 99.5 OR \"12\" = '13'";

        assertThat(SqlText.strings(check)).containsExactly("a'b", "c", "13");
        assertThat(SqlText.numbers(check)).containsExactly("10", "99.5");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "select `cellar`.`cask`.`id` from `cellar`.`cask` | select `cask`.`id` from `cask`",
        "select 'cellar.' from `other`.`cask`             | select 'cellar.' from `other`.`cask`",
        "select `cellar` from `x`                         | select `cellar` from `x`"})
    void qualifierGoesWhereverItQualifies(String sql, String bare) {
        assertThat(SqlText.withoutQualifier(sql, "cellar")).isEqualTo(bare);
    }

    @Test
    void identifiersAreBareWordsFoldedAndQuotedOnesAsTheyAre() {
        Set<String> found = SqlText.identifiers("lower(Name) <> 'Text' AND \"Kind\" IS NOT NULL -- comment",
                word -> word.toUpperCase(Locale.ROOT));

        assertThat(found).contains("LOWER", "NAME", "Kind", "IS").doesNotContain("Text", "TEXT", "COMMENT");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "A%     | A1, A, Abc              | a, bA",
        "%@%._% | x@y.z, @.a              | x@y, x.y@",
        "a_c    | abc, a.c                | ac, abbc",
        "50\\%  | 50%                     | 50x, 500",
        "\\_x   | _x                      | ax",
        "(a+)*$ | (a+)*$                  | aaa",
        "x\\    | x\\                     | x"})
    void likeMatchesWhatTheEngineDoes(String like, String matching, String others) {
        Pattern regex = Pattern.compile(LikePattern.regex(like, '\\'), Pattern.DOTALL);

        assertThat(List.of(matching.split(", "))).allMatch(text -> regex.matcher(text).matches());
        assertThat(List.of(others.split(", "))).noneMatch(text -> regex.matcher(text).matches());
    }

    @Test
    void literalMatchesItselfOnly() {
        for (String text : List.of("a.b", "[x]", "^$", "\\d", "{2}", "a|b", "(?i)x", "*", "+?")) {
            Pattern regex = Pattern.compile(LikePattern.literal(text));

            assertThat(regex.matcher(text).matches()).as(text).isTrue();
            assertThat(regex.matcher(text + "x").matches()).as(text).isFalse();
        }
    }
}
