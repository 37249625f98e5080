package dev.vinekit.source.openapi;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.SqlType;
import dev.vinekit.sql.ArrayText;
import java.math.BigDecimal;
import java.util.Base64;
import java.util.HexFormat;
import java.util.regex.Pattern;

/** JSON Schemas of values (draft 2020-12, with the formats of the OpenAPI format registry). */
final class TypeSchemas {
    static final JsonNodeFactory JSON = new JsonNodeFactory(true);

    /** Regular expressions that mean the same in Java and in ECMA-262, which JSON Schema refers to. */
    private static final Pattern PLAIN_REGEX =
            Pattern.compile("(?:[A-Za-z0-9 _,;:@%&=!<>\"'#~/-]|\\\\[dwstnr.\\\\/^$*+?()\\[\\]{}|-]"
            + "|[\\[\\]^$|()*+?{}.]|\\(\\?[:=!])*");

    private TypeSchemas() {
    }

    /** The values of a field as answers have them. */
    static ObjectNode stored(Field field) {
        return nullable(type(field), field.column().nullable());
    }

    /**
     * The values of a field that are taken.
     *
     * @param mayBeNull whether null is, in place of leaving it out
     */
    static ObjectNode taken(Entity entity, Field field, boolean mayBeNull) {
        ObjectNode schema = type(field);
        field.rules().forEach(rule -> rule(schema, rule));
        entity.rowRules().forEach(rule -> {
            if (rule instanceof RowRule.OneOf oneOf && oneOf.field().equals(field)) {
                ArrayNode options = schema.putArray("enum");
                oneOf.options().forEach(options::add);
            }
        });
        return nullable(schema, mayBeNull);
    }

    private static ObjectNode nullable(ObjectNode schema, boolean mayBeNull) {
        if (mayBeNull && schema.has("type")) {
            ArrayNode types = schema.get("type") instanceof ArrayNode several ? several
                    : JSON.arrayNode().add(schema.get("type"));
            schema.set("type", types.add("null"));
            if (schema.get("enum") instanceof ArrayNode options) {
                options.addNull();
            }
        }
        return schema;
    }

    /** The values of a field as paths and parameters have them. */
    static ObjectNode inUrl(Field field) {
        return field.type() == JavaType.BINARY && field.converter().isEmpty()
                ? JSON.objectNode().put("type", "string").put("contentEncoding", "base64url") : type(field);
    }

    /** The JSON type without what else the column demands; anything for a type of a person's own. */
    static ObjectNode type(Field field) {
        ObjectNode schema = JSON.objectNode();
        if (field.converter().isPresent()) {
            return schema;
        }
        if (field.enumeration().isPresent()) {
            ArrayNode options = schema.put("type", "string").putArray("enum");
            field.enumeration().get().constants().values().forEach(options::add);
            return schema;
        }
        if (field.member().isPresent()) {
            ObjectNode items = type(field.member().get());
            field.memberRules().forEach(rule -> rule(items, rule));
            schema.put("type", "array").set("items",
                    nullable(items, field.column().type().kind() == SqlType.Kind.ARRAY));
            return schema;
        }
        return type(field.type());
    }

    private static ObjectNode type(JavaType type) {
        ObjectNode schema = JSON.objectNode();
        if (!type.jsonType().isEmpty()) {
            schema.put("type", type.jsonType());
        }
        if (!type.jsonFormat().isEmpty()) {
            schema.put("format", type.jsonFormat());
        }
        return type == JavaType.BINARY ? schema.put("contentEncoding", "base64") : schema;
    }

    /** How many characters so many bytes take in Base64 (RFC 4648, section 4). */
    private static int base64(int bytes) {
        return (bytes + 2) / 3 * 4;
    }

    private static void rule(ObjectNode schema, FieldRule rule) {
        if (rule instanceof FieldRule.Length length) {
            if (length.least() > 0) {
                schema.put("minLength", Math.max(length.least(), schema.path("minLength").asInt(0)));
            }
            if (length.most() < Integer.MAX_VALUE) {
                schema.put("maxLength", Math.min(length.most(), schema.path("maxLength").asInt(Integer.MAX_VALUE)));
            }
        } else if (rule instanceof FieldRule.Bytes bytes) {
            if (bytes.least() > 0) {
                schema.put("minLength", Math.max(base64(bytes.least()), schema.path("minLength").asInt(0)));
            }
            if (bytes.most() < Integer.MAX_VALUE / 2) {
                schema.put("maxLength", Math.min(base64(bytes.most()),
                        schema.path("maxLength").asInt(Integer.MAX_VALUE)));
            }
        } else if (rule instanceof FieldRule.Least least) {
            schema.put(least.inclusive() ? "minimum" : "exclusiveMinimum", least.bound());
        } else if (rule instanceof FieldRule.Most most) {
            schema.put(most.inclusive() ? "maximum" : "exclusiveMaximum", most.bound());
        } else if (rule instanceof FieldRule.Digits digits) {
            BigDecimal bound = BigDecimal.ONE.movePointRight(digits.integer());
            if (!schema.has("maximum") && !schema.has("exclusiveMaximum")) {
                schema.put("exclusiveMaximum", bound);
            }
            if (!schema.has("minimum") && !schema.has("exclusiveMinimum")) {
                schema.put("exclusiveMinimum", bound.negate());
            }
            schema.put("multipleOf", BigDecimal.ONE.movePointLeft(digits.fraction()));
        } else if (rule instanceof FieldRule.Scalar) {
            schema.putArray("type").add("string").add("number");
        } else if (rule instanceof FieldRule.Pattern pattern) {
            if (PLAIN_REGEX.matcher(pattern.regex()).matches() && !schema.has("pattern")) {
                schema.put("pattern", "^(?:" + pattern.regex() + ")$");
            } else {
                schema.put("description", "Matches " + pattern.regex());
            }
        }
    }

    /** A value as JSON has it. */
    static JsonNode value(Field field, String text) {
        if (field.enumeration().isPresent()) {
            return JSON.textNode(text);
        }
        if (field.member().isPresent()) {
            ArrayNode list = JSON.arrayNode();
            ArrayText.elements(text).forEach(element ->
                    list.add(element.map(part -> value(field.member().get(), part)).orElse(JSON.nullNode())));
            return list;
        }
        return value(field.type(), text);
    }

    private static JsonNode value(JavaType type, String text) {
        return switch (type.nature()) {
            case TRUTH -> JSON.booleanNode(text.equalsIgnoreCase("true") || text.equals("1"));
            case NUMBER -> JSON.numberNode(new BigDecimal(text));
            case BYTES -> JSON.textNode(Base64.getEncoder().encodeToString(HexFormat.of().parseHex(text)));
            case MOMENT -> JSON.textNode(text.replace(' ', 'T'));
            case DOCUMENT -> parsed(text);
            case TEXT, CHOICE, IDENTIFIER, LIST -> JSON.textNode(text);
        };
    }

    private static JsonNode parsed(String json) {
        try {
            return OpenApi.MAPPER.readTree(json);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException("not JSON: " + json, e);
        }
    }
}
