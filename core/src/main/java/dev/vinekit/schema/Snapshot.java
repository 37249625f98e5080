package dev.vinekit.schema;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import dev.vinekit.json.JsonText;
import java.util.List;
import java.util.Set;

/** A schema as JSON: a record is an object, its components are properties; what is empty is left out. */
public final class Snapshot {
    /** The version of the form, which changes when a reader of the old form would go wrong. */
    public static final int FORMAT = 1;

    private static final ObjectMapper MAPPER = JsonMapper.builder()
            .addModule(new Jdk8Module())
            .visibility(PropertyAccessor.ALL, JsonAutoDetect.Visibility.NONE)
            .visibility(PropertyAccessor.FIELD, JsonAutoDetect.Visibility.ANY)
            .visibility(PropertyAccessor.CREATOR, JsonAutoDetect.Visibility.ANY)
            .defaultPropertyInclusion(JsonInclude.Value.construct(
                    JsonInclude.Include.NON_EMPTY, JsonInclude.Include.NON_EMPTY))
            .build();

    static {
        for (Class<?> type : List.of(String.class, List.class, Set.class)) {
            MAPPER.configOverride(type).setSetterInfo(JsonSetter.Value.forValueNulls(Nulls.AS_EMPTY));
        }
    }

    private Snapshot() {
    }

    private record Document(int format, Schema schema) {
    }

    /** The schema as a JSON text that ends with a line end; the same for equal schemas. */
    public static String write(Schema schema) {
        return JsonText.of(MAPPER.valueToTree(new Document(FORMAT, schema)));
    }

    /**
     * Reads what {@link #write} wrote.
     *
     * @throws IllegalArgumentException if the text is something else, or of a later form
     */
    public static Schema read(String json) {
        try {
            JsonNode tree = MAPPER.readTree(json);
            if (tree.path("format").intValue() != FORMAT) {
                throw new IllegalArgumentException("a snapshot of form " + tree.path("format") + ", not " + FORMAT);
            }
            return MAPPER.treeToValue(tree.get("schema"), Schema.class);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException("not a snapshot: " + e.getOriginalMessage(), e);
        }
    }
}
