package dev.vinekit.source.openapi;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.BooleanNode;
import com.fasterxml.jackson.databind.node.DecimalNode;
import com.fasterxml.jackson.databind.node.IntNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Relation;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Describes the query parameters of lists: sorting, narrowing, and what a row is to have. */
final class ListParameters {
    private final Entity entity;
    private final List<Relation> included;

    /** @param included the references whose rows an answer can embed */
    ListParameters(Entity entity, List<Relation> included) {
        this.entity = entity;
        this.included = included;
    }

    /** Adds each as a component, and what it takes as one that others share. */
    void addTo(ObjectNode parameters, ObjectNode schemas) {
        String name = entity.name().value();
        List<String> sortable = Stream.concat(
                (entity.key().isEmpty() ? entity.sortable() : entity.key()).stream(),
                        filterFields().stream().filter(field -> field.type() != JavaType.FLOAT)).map(Field::jsonName)
                        .distinct().toList();
        names(parameters, name + ".sort", "sort",
                "What to order by, with a minus for descending order; no value comes first",
                sortable.stream().flatMap(sort -> Stream.of(sort, "-" + sort)).toList());
        names(parameters, name + ".fields", "fields", "The answer has these fields only",
                entity.told().stream().map(Field::jsonName).toList());
        if (isIncluding()) {
            names(parameters, name + ".include", "include", "The rows referred to that the answer is to have",
                    included.stream().map(Relation::jsonName).toList());
        }
        for (Field field : filterFields()) {
            ObjectNode parameter = OpenApi.MAPPER.createObjectNode().put("name", field.jsonName()).put("in", "query")
                    .put("style", "deepObject");
            parameters.set(filterName(field),
                    parameter.set("schema", OpenApi.reference("schemas", comparisons(schemas, field))));
        }
    }

    private static void names(ObjectNode parameters, String component, String name, String description,
            List<String> options) {
        ObjectNode many = OpenApi.MAPPER.createObjectNode().put("type", "array");
        ArrayNode names = many.putObject("items").put("type", "string").putArray("enum");
        options.forEach(names::add);
        parameters.set(component, OpenApi.parameter(name, "query", description, many).put("style", "form")
                .put("explode", false));
    }

    /** Whether rows can be asked for with those that they refer to. */
    boolean isIncluding() {
        return !included.isEmpty();
    }

    private List<Field> filterFields() {
        return Stream.concat(entity.filters().stream(),
                entity.finders().stream().flatMap(finder -> finder.fields().stream())).distinct().toList();
    }

    /** The names of the components that narrow a list. */
    List<String> filters() {
        return filterFields().stream().map(this::filterName).toList();
    }

    /** The component of a parameter, in the letters that components may have. */
    private String filterName(Field field) {
        return entity.name().value().replaceAll("[^A-Za-z0-9_]", "_") + ".filter" + entity.fields().indexOf(field);
    }

    /** The component that tells what columns of a kind are asked, which is added if there is none like it. */
    private static String comparisons(ObjectNode schemas, Field field) {
        ObjectNode comparisons = comparisons(field);
        ObjectNode value = TypeSchemas.inUrl(field);
        String kind = "by." + (field.enumeration().isPresent() ? field.enumeration().get().name().value()
                : value.path("format").asText(value.path("contentEncoding")
                        .asText(value.path("type").asText("value"))));
        String name = kind;
        for (int i = 2; schemas.has(name) && !schemas.get(name).equals(comparisons); i++) {
            name = kind + i;
        }
        schemas.set(name, comparisons);
        return name;
    }

    private static ObjectNode comparisons(Field field) {
        ObjectNode schema = OpenApi.MAPPER.createObjectNode().put("type", "object");
        ObjectNode words = schema.putObject("properties");
        words.set("is", value(field, "This value"));
        words.set("not", value(field, "Another value"));
        ObjectNode many = words.putObject("in").put("type", "string")
                .put("description", "One of these, with commas between them, at most 100");
        example(field).ifPresent(example -> many.putArray("examples").add(example.asText()));
        words.putObject("isNull").put("type", "boolean").put("description", "No value, or any").putArray("examples")
                .add(true);
        if (field.type().isOrdered() && field.enumeration().isEmpty() || field.type() == JavaType.STRING) {
            words.set("atLeast", value(field, "This value or more"));
            words.set("atMost", value(field, "This value or less"));
            words.set("greater", value(field, "More than this value"));
            words.set("less", value(field, "Less than this value"));
        }
        if (field.type() == JavaType.STRING && field.column().type().isText()) {
            words.putObject("contains").put("type", "string").put("description", "This anywhere").putArray("examples")
                    .add("a");
            words.putObject("startsWith").put("type", "string").put("description", "This at the beginning")
                    .putArray("examples").add("a");
        }
        return schema.put("additionalProperties", false);
    }

    private static ObjectNode value(Field field, String description) {
        ObjectNode value = TypeSchemas.inUrl(field).put("description", description);
        example(field).ifPresent(example -> value.putArray("examples").add(example));
        return value;
    }

    /** A value that columns of the field's kind take; none where only the database knows their form. */
    private static Optional<JsonNode> example(Field field) {
        if (field.converter().isPresent()) {
            return Optional.empty();
        }
        String example = field.type().example();
        return Optional.ofNullable(switch (field.type().nature()) {
            case TRUTH -> BooleanNode.TRUE;
            case NUMBER -> field.type().jsonType().equals("integer") ? IntNode.valueOf(Integer.parseInt(example))
                    : DecimalNode.valueOf(new BigDecimal(example));
            case TEXT -> field.column().type().isText() ? TextNode.valueOf(example) : null;
            case CHOICE -> field.enumeration()
                    .map(enumeration -> TextNode.valueOf(enumeration.constants().values().iterator().next()))
                    .orElse(null);
            case BYTES, MOMENT, IDENTIFIER -> TextNode.valueOf(example);
            case DOCUMENT, LIST -> null;
        });
    }
}
