package dev.vinekit.cli;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import picocli.CommandLine.Option;

/** In which form results are printed. */
final class ResultOptions {
    private static final ObjectMapper JSON = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT)
            .defaultPropertyInclusion(JsonInclude.Value.construct(JsonInclude.Include.NON_NULL, JsonInclude.Include.ALWAYS))
            .build();

    @Option(names = "--format", paramLabel = "FORM", defaultValue = "text",
            description = "text, or json for other programs.")
    private Format format;

    /** Forms of the output, as the option spells them. */
    enum Format { text, json }

    boolean isJson() {
        return format == Format.json;
    }

    /** Prints a result for other programs. */
    static void print(Record result) {
        try {
            System.out.println(JSON.writeValueAsString(result));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("records of texts and numbers are JSON", e);
        }
    }
}
