package dev.vinekit.sql;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class ArrayTextTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "a b     | {\"a b\"}",
        "a       | {a}",
        "NULL    | {\"NULL\"}",
        "a,b     | {\"a,b\"}",
        "a\"b    | {\"a\\\"b\"}",
        "a\\b    | {\"a\\\\b\"}",
        "{}      | {\"{}\"}",
        "^^      | {\"\"}"})
    void elementHasQuotesWhereItNeedsThem(String element, String text) {
        assertThat(ArrayText.of(List.of(Optional.of(element)))).isEqualTo(text);
        assertThat(ArrayText.elements(text)).containsExactly(Optional.of(element));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"{}", "{a,b}", "{a,NULL,\"c d\"}", "{1,2,3}", "{\"\",\"\"}"})
    void elementsAndTextLeadToEachOther(String text) {
        assertThat(ArrayText.of(ArrayText.elements(text))).isEqualTo(text);
    }

    @Test
    void nothingIsAnElementWithoutAValue() {
        assertThat(ArrayText.elements("{NULL,a}")).isEqualTo(Arrays.asList(Optional.empty(), Optional.of("a")));
    }
}
