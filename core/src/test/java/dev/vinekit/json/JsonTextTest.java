package dev.vinekit.json;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import com.fasterxml.jackson.databind.ObjectMapper;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("fast")
class JsonTextTest {
    private static final ObjectMapper MAPPER = new ObjectMapper();

    @ParameterizedTest
    @ValueSource(strings = {
        "{}", "[]", "null", "1.5", "\"x\"", "{\"a\":[1,{\"b\":null}],\"c\":\"\\\"\\\\\\n\\u0001\"}", "[[[[]]]]",
                "{\"a b\":{\"\":true}}"})
    void whatIsWrittenReadsTheSame(String json) throws IOException {
        assertThat(MAPPER.readTree(JsonText.of(MAPPER.readTree(json))))
                .isEqualTo(MAPPER.readTree(json));
    }

    @Test
    void whatFitsStandsOnOneLine() throws IOException {
        assertThat(JsonText.of(MAPPER.readTree("{\"a\":[1,2,3],\"b\":{\"c\":true}}")))
                .isEqualTo("{\"a\":[1,2,3],\"b\":{\"c\":true}}\n");
    }

    @Test
    void whatDoesNotFitHasALineForEachPart() throws IOException {
        String grapes = "\"" + "grape ".repeat(12) + "\"";

        assertThat(JsonText.of(MAPPER.readTree("{\"a\":[" + grapes + "," + grapes + "],\"b\":1}")))
                .isEqualTo("{\n \"a\": [\n  " + grapes + ",\n  " + grapes + "\n ],\n \"b\": 1\n}\n");
    }
}
