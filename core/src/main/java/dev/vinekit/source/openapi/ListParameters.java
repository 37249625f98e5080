package dev.vinekit.source.openapi;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Relation;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Describes the query parameters of lists: sorting, narrowing, and what a row is to have. */
final class ListParameters {
    private final Entity entity;

    ListParameters(Entity entity) {
        this.entity = entity;
    }

    /** Adds each as a component. */
    void addTo(ObjectNode parameters) {
        String name = entity.name().value();
        List<String> sortable = Stream.concat(
                (entity.key().isEmpty() ? entity.sortable() : entity.key()).stream(),
                        filterFields().stream().filter(field -> field.type() != JavaType.FLOAT)).map(Field::jsonName).distinct().toList();
        names(parameters, name + ".sort", "sort", "What to order by, with a minus in front for descending order; rows without a value come "
                + "before others", sortable.stream().flatMap(sort -> Stream.of(sort, "-" + sort)).toList());
        names(parameters, name + ".fields", "fields", "The answer has these fields only",
                entity.fields().stream().map(Field::jsonName).toList());
        if (isIncluding()) {
            names(parameters, name + ".include", "include", "The rows referred to that the answer is to have",
                    entity.relations().stream().filter(Relation::followed).map(Relation::jsonName).toList());
        }
        for (Field field : filterFields()) {
            for (String operator : operators(field)) {
                ObjectNode schema = switch (operator) {
                    case "isNull" -> OpenApi.MAPPER.createObjectNode().put("type", "boolean");
                    case "contains", "startsWith" -> OpenApi.MAPPER.createObjectNode().put("type", "string");
                    case "in" -> {
                        ObjectNode many = OpenApi.MAPPER.createObjectNode().put("type", "array").put("maxItems", 100);
                        many.set("items", TypeSchemas.inUrl(field));
                        yield many;
                    }
                    default -> TypeSchemas.inUrl(field);
                };
                ObjectNode parameter = OpenApi.parameter(field.jsonName() + (operator.isEmpty() ? "" : "." + operator), "query",
                        described(field, operator), schema);
                if (operator.equals("in")) {
                    parameter.put("style", "form").put("explode", false);
                }
                parameters.set(filterName(field, operator), parameter);
            }
        }
    }

    private static void names(ObjectNode parameters, String component, String name, String description, List<String> options) {
        ObjectNode many = OpenApi.MAPPER.createObjectNode().put("type", "array");
        ArrayNode names = many.putObject("items").put("type", "string").putArray("enum");
        options.forEach(names::add);
        parameters.set(component, OpenApi.parameter(name, "query", description, many).put("style", "form").put("explode", false));
    }

    /** Whether rows can be asked for with those that they refer to. */
    boolean isIncluding() {
        return entity.relations().stream().anyMatch(Relation::followed);
    }

    private List<Field> filterFields() {
        return Stream.concat(entity.filters().stream(),
                entity.finders().stream().flatMap(finder -> finder.fields().stream())).distinct().toList();
    }

    private static List<String> operators(Field field) {
        List<String> operators = new ArrayList<>(List.of("", "not", "in", "isNull"));
        if (field.type().isOrdered() && field.enumeration().isEmpty() || field.type() == JavaType.STRING) {
            operators.addAll(List.of("atLeast", "atMost", "greater", "less"));
        }
        if (field.type() == JavaType.STRING && field.column().type().isText()) {
            operators.addAll(List.of("contains", "startsWith"));
        }
        return operators;
    }

    /** The names of the components that narrow a list. */
    List<String> filters() {
        return filterFields().stream()
                .flatMap(field -> operators(field).stream().map(operator -> filterName(field, operator))).toList();
    }

    /** The component of a parameter, in the letters that components may have. */
    private String filterName(Field field, String operator) {
        return entity.name().value().replaceAll("[^A-Za-z0-9_]", "_") + ".filter" + entity.fields().indexOf(field)
                + (operator.isEmpty() ? "" : "." + operator);
    }

    private static String described(Field field, String operator) {
        String name = field.jsonName();
        return switch (operator) {
            case "not" -> "Rows with another " + name;
            case "in" -> "Rows with one of these " + name;
            case "isNull" -> "Rows without, or with, a " + name;
            case "atLeast" -> "Rows with this " + name + " or more";
            case "atMost" -> "Rows with this " + name + " or less";
            case "greater" -> "Rows with more than this " + name;
            case "less" -> "Rows with less than this " + name;
            case "contains" -> "Rows whose " + name + " contains this";
            case "startsWith" -> "Rows whose " + name + " starts with this";
            default -> "Rows with this " + name;
        };
    }
}
