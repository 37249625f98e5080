package dev.vinekit.source.openapi;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.vinekit.data.ExampleRows;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.InWords;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** What clients send to write the rows of a table, with examples that the service takes. */
final class Bodies {
    private final Entity entity;
    private final ExampleRows examples;

    Bodies(Entity entity, ExampleRows examples) {
        this.entity = entity;
        this.examples = examples;
    }

    ObjectNode created() {
        List<Field> fields = entity.inputs().stream().filter(field -> field.input() != Field.Input.ASSIGNED).toList();
        ObjectNode schema = body(fields, Field::requiredOnCreate);
        fields.forEach(field -> filled((ObjectNode) schema.get("properties").get(field.jsonName()), field));
        return schema;
    }

    /** Adds what a row takes where a client says nothing. */
    private static void filled(ObjectNode property, Field field) {
        String words = InWords.filled(field.column());
        if (field.column().isFilledByDatabase() && !words.isEmpty()) {
            String said = property.path("description").asText();
            property.put("description", (said.isEmpty() ? "" : said.matches("(?s).*[.!?]") ? said + " " : said + ". ")
                    + "If left out: " + words);
        }
    }

    /** What replaces a row: the parts of the key may be left out, what the database fills in may not. */
    ObjectNode replaced() {
        return body(entity.inputs(), Bodies::isKept);
    }

    ObjectNode changed() {
        ObjectNode schema = body(entity.inputs(), Bodies::isKept);
        schema.remove("required");
        return schema;
    }

    private static boolean isKept(Field field) {
        return field.requiredOnReplace();
    }

    private ObjectNode body(List<Field> fields, Predicate<Field> isRequired) {
        ObjectNode schema = OpenApi.MAPPER.createObjectNode().put("type", "object").put("additionalProperties", false);
        String rules = entity.rowRules().stream().filter(RowRule.Compare.class::isInstance)
                .map(RowRule.Compare.class::cast)
                .map(rule -> rule.left().jsonName() + " " + words(rule) + " " + rule.right().jsonName())
                .collect(Collectors.joining("; "));
        if (!rules.isEmpty()) {
            schema.put("description", rules);
        }
        ObjectNode properties = schema.putObject("properties");
        ArrayNode required = OpenApi.MAPPER.createArrayNode();
        for (Field field : fields) {
            ObjectNode property = TypeSchemas.taken(entity, field, !isRequired.test(field));
            describe(property, field);
            if (!field.told()) {
                property.put("writeOnly", true);
            }
            properties.set(field.jsonName(), property);
            if (isRequired.test(field)) {
                required.add(field.jsonName());
            }
        }
        if (!required.isEmpty()) {
            schema.set("required", required);
        }
        return schema;
    }

    private static String words(RowRule.Compare rule) {
        return switch (rule.operator()) {
            case EQUAL -> "must equal";
            case NOT_EQUAL -> "must differ from";
            case LESS -> "must be less than";
            case AT_MOST -> "must not be greater than";
            case GREATER -> "must be greater than";
            case AT_LEAST -> "must not be less than";
        };
    }

    /** Adds what the column's comment says. */
    static void describe(ObjectNode property, Field field) {
        if (!field.column().comment().isBlank()) {
            property.put("description", property.has("description")
                    ? field.column().comment() + " " + property.get("description").textValue()
                    : field.column().comment());
        }
    }

    Optional<ObjectNode> exampleOfCreated() {
        return example(field -> field.input() != Field.Input.ASSIGNED);
    }

    /** A row without its key, in place of one that is there. */
    Optional<ObjectNode> exampleOfReplaced() {
        return example(field -> !field.inKey());
    }

    /** The last field of a replacement that is in no key, reference or comparison. */
    Optional<ObjectNode> exampleOfChanged() {
        return example(field -> !field.inKey()).map(whole -> {
            List<String> names = entity.inputs().stream().filter(field -> whole.has(field.jsonName()) && isAlone(field))
                    .map(Field::jsonName).toList();
            return names.isEmpty() ? OpenApi.MAPPER.createObjectNode() : whole.retain(names.get(names.size() - 1));
        });
    }

    private boolean isAlone(Field field) {
        return entity.relations().stream().noneMatch(relation -> relation.fields().contains(field))
                && entity.rowRules().stream().noneMatch(rule -> rule instanceof RowRule.Compare compare
                        && (compare.left().equals(field) || compare.right().equals(field)));
    }

    private Optional<ObjectNode> example(Predicate<Field> wanted) {
        Optional<Map<Field, String>> row = examples.another(entity);
        boolean readable = entity.inputs().stream().noneMatch(field -> field.converter().isPresent());
        if (row.isEmpty() || !readable) {
            return Optional.empty();
        }
        ObjectNode example = OpenApi.MAPPER.createObjectNode();
        row.get().forEach((field, text) -> {
            if (wanted.test(field)) {
                example.set(field.jsonName(), TypeSchemas.value(field, text));
            }
        });
        return Optional.of(example);
    }
}
