package com.example.cellar.support;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.StreamWriteFeature;
import com.fasterxml.jackson.core.json.JsonWriteFeature;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.cfg.CoercionAction;
import com.fasterxml.jackson.databind.cfg.CoercionInputShape;
import com.fasterxml.jackson.databind.cfg.JsonNodeFeature;
import com.fasterxml.jackson.databind.deser.std.FromStringDeserializer;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.type.LogicalType;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import java.io.IOException;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;

/** JSON as the service reads and writes it: strict on the way in, ISO 8601 and exact decimals on the way out. */
public final class Json {
    /** What is read can be written as a part of a row and of a list, whose levels come on top: Jackson writes 1000. */
    private static final int MOST_LEVELS = 500;

    public static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .disable(JsonFactory.Feature.CHARSET_DETECTION)
                    .disable(JsonFactory.Feature.INTERN_FIELD_NAMES)
                    .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(MOST_LEVELS).build())
                            .build())
            .addModule(new JavaTimeModule())
            .addModule(new SimpleModule().addDeserializer(UUID.class, new UuidReader()))
            .defaultLeniency(false)
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(StreamWriteFeature.WRITE_BIGDECIMAL_AS_PLAIN)
            .enable(JsonWriteFeature.COMBINE_UNICODE_SURROGATES_IN_UTF8)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .disable(JsonNodeFeature.STRIP_TRAILING_BIGDECIMAL_ZEROES)
            .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
            .disable(DeserializationFeature.ADJUST_DATES_TO_CONTEXT_TIME_ZONE)
            .disable(SerializationFeature.WRITE_DATES_AS_TIMESTAMPS)
            .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
            .withCoercionConfig(LogicalType.Textual, config -> config
                    .setCoercion(CoercionInputShape.Boolean, CoercionAction.Fail)
                    .setCoercion(CoercionInputShape.Integer, CoercionAction.Fail)
                    .setCoercion(CoercionInputShape.Float, CoercionAction.Fail))
            .build();

    /** As {@link #MAPPER}, but numbers may come as text: for the parts of a path. */
    static final JsonMapper LENIENT = MAPPER.rebuild().enable(MapperFeature.ALLOW_COERCION_OF_SCALARS).build();

    private Json() {
    }

    /** The value that a JSON text stands for; null for null. */
    public static JsonNode parse(String text) {
        if (text == null) {
            return null;
        }
        try {
            return MAPPER.readTree(text);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException("not JSON", e);
        }
    }

    /** The properties of a record. */
    static List<String> properties(Class<?> type) {
        return Arrays.stream(type.getRecordComponents()).map(RecordComponent::getName).toList();
    }

    /** A record as a JSON object. */
    public static ObjectNode tree(Object value) {
        return MAPPER.valueToTree(value);
    }

    /** Takes the usual form of 36 characters only: Jackson's own takes others too. */
    private static final class UuidReader extends FromStringDeserializer<UUID> {
        private static final long serialVersionUID = 1L;
        private static final Pattern FORM = Pattern.compile("[0-9A-Fa-f]{8}(?:-[0-9A-Fa-f]{4}){3}-[0-9A-Fa-f]{12}");

        UuidReader() {
            super(UUID.class);
        }

        @Override
        protected UUID _deserialize(String text, DeserializationContext context) throws IOException {
            return FORM.matcher(text).matches() ? UUID.fromString(text)
                    : (UUID) context.handleWeirdStringValue(UUID.class, text, "not a UUID");
        }
    }
}
