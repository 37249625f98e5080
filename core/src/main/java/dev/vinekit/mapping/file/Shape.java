package dev.vinekit.mapping.file;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.BooleanNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import dev.vinekit.mapping.Mistake;
import dev.vinekit.mapping.Operation;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.yaml.snakeyaml.nodes.MappingNode;
import org.yaml.snakeyaml.nodes.Node;
import org.yaml.snakeyaml.nodes.NodeTuple;
import org.yaml.snakeyaml.nodes.ScalarNode;
import org.yaml.snakeyaml.nodes.SequenceNode;
import org.yaml.snakeyaml.nodes.Tag;

/**
 * Holds a YAML tree against the JSON Schema that ships with the tool, and makes JSON of what fits. Of the schema
 * language (draft 2020-12) it knows what that schema uses.
 */
final class Shape {
    private static final String TEXT = read();
    private static final JsonNode SCHEMA = parse(TEXT);

    private final Variables variables;
    private final Places places;
    private final List<Mistake> mistakes;

    /**
     * A comparison.
     *
     * @param variables fills in what texts name
     * @param places is told where everything stands
     * @param mistakes takes what does not fit
     */
    Shape(Variables variables, Places places, List<Mistake> mistakes) {
        this.variables = variables;
        this.places = places;
        this.mistakes = mistakes;
    }

    /** The JSON Schema. */
    static String schema() {
        return TEXT;
    }

    /** What of a document fits. */
    ObjectNode document(Node root) {
        return convert(root, SCHEMA, new ArrayList<>()) instanceof ObjectNode object
                ? object : JsonNodeFactory.instance.objectNode();
    }

    /** The JSON for a node; nothing if it does not fit or is null. */
    private JsonNode convert(Node node, JsonNode given, List<String> path) {
        JsonNode schema = given.has("$ref") ? SCHEMA.at(given.get("$ref").textValue().substring(1)) : given;
        if (node instanceof ScalarNode scalar && scalar.getTag().equals(Tag.NULL)) {
            return null;
        }
        String type = schema.path("type").textValue();
        if (type.equals("object") && node instanceof MappingNode mapping) {
            return object(mapping, schema, path);
        } else if (type.equals("array") && node instanceof SequenceNode sequence) {
            return array(sequence, schema, path);
        } else if (type.equals("boolean") && node instanceof ScalarNode scalar && scalar.getTag().equals(Tag.BOOL)) {
            return BooleanNode.valueOf(scalar.getValue().equalsIgnoreCase("true"));
        } else if (type.equals("integer") && node instanceof ScalarNode scalar && scalar.getTag().equals(Tag.INT)) {
            return number(scalar, schema, path);
        } else if (type.equals("string") && node instanceof ScalarNode scalar) {
            return text(scalar, schema, path);
        }
        mistake(path, switch (type) {
            case "object" -> "Keys with values belong here, one a line.";
            case "array" -> "A list belongs here, for example [first, second].";
            case "boolean" -> "true or false belongs here.";
            case "integer" -> "A whole number belongs here.";
            default -> "A single text belongs here.";
        });
        return null;
    }

    private ObjectNode object(MappingNode mapping, JsonNode schema, List<String> path) {
        ObjectNode object = JsonNodeFactory.instance.objectNode();
        Set<String> seen = new HashSet<>();
        for (NodeTuple entry : mapping.getValue()) {
            String key = entry.getKeyNode() instanceof ScalarNode scalar ? scalar.getValue() : "";
            List<String> inside = new ArrayList<>(path);
            inside.add(key);
            if (!seen.add(key)) {
                mistakes.add(new Mistake(inside, places.second(inside, entry.getKeyNode()) + "The key \"" + key
                        + "\" is there twice; join the two."));
                continue;
            }
            places.put(inside, entry.getKeyNode());
            JsonNode known = schema.path("properties").path(key);
            JsonNode more = schema.path("additionalProperties");
            if (known.isMissingNode() && !more.isObject()) {
                List<String> names = new ArrayList<>();
                schema.path("properties").fieldNames().forEachRemaining(names::add);
                mistakes.add(Mistake.unknown(inside, "key", key, names));
                continue;
            }
            Optional.ofNullable(convert(entry.getValueNode(), known.isMissingNode() ? more : known, inside))
                    .ifPresent(value -> object.set(key, value));
        }
        for (JsonNode required : schema.path("required")) {
            if (!seen.contains(required.textValue())) {
                mistake(path, "The key \"" + required.textValue() + "\" is missing.");
            }
        }
        return object;
    }

    private ArrayNode array(SequenceNode sequence, JsonNode schema, List<String> path) {
        ArrayNode array = JsonNodeFactory.instance.arrayNode();
        for (Node item : sequence.getValue()) {
            List<String> inside = new ArrayList<>(path);
            inside.add(Integer.toString(array.size()));
            places.put(inside, item);
            Optional.ofNullable(convert(item, schema.path("items"), inside)).ifPresent(array::add);
        }
        return array;
    }

    private JsonNode number(ScalarNode scalar, JsonNode schema, List<String> path) {
        BigInteger least = schema.path("minimum").bigIntegerValue();
        BigInteger most = schema.path("maximum").bigIntegerValue();
        if (!scalar.getValue().matches("[0-9]{1,20}")) {
            mistake(path, "\"" + scalar.getValue() + "\" does not fit; write it with digits alone.");
            return null;
        }
        BigInteger number = new BigInteger(scalar.getValue());
        if (number.compareTo(least) < 0 || number.compareTo(most) > 0) {
            mistake(path, number + " does not fit; it must be at least " + least + " and at most " + most + ".");
            return null;
        }
        return JsonNodeFactory.instance.numberNode(number.intValueExact());
    }

    private JsonNode text(ScalarNode scalar, JsonNode schema, List<String> path) {
        String text;
        try {
            text = variables.fillIn(scalar.getValue(), path);
        } catch (IllegalArgumentException e) {
            mistake(path, e.getMessage());
            return null;
        }
        List<String> options = new ArrayList<>();
        schema.path("enum").forEach(option -> options.add(option.textValue()));
        if (!options.isEmpty() && !options.contains(text)) {
            mistake(path, "\"" + text + "\" is not one of " + String.join(", ", options) + ".");
            return null;
        }
        if (schema.has("pattern") && !Pattern.matches(schema.get("pattern").textValue(), text)) {
            mistake(path, "\"" + text + "\" does not fit; this must match " + schema.get("pattern").textValue() + ".");
            return null;
        }
        return TextNode.valueOf(text);
    }

    private void mistake(List<String> path, String text) {
        mistakes.add(new Mistake(path, text));
    }

    private static JsonNode parse(String json) {
        try {
            return new ObjectMapper().readTree(json);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String quoted(String after, String between) {
        return Operation.words().stream().map(word -> '"' + word + '"' + after).collect(Collectors.joining(between));
    }

    private static String read() {
        try (InputStream file = Shape.class.getResourceAsStream("mapping.schema.json")) {
            String roles = ": {\"$ref\": \"#/$defs/texts\"}";
            return new String(file.readAllBytes(), StandardCharsets.UTF_8)
                    .replace("\"${operation}\"", quoted("", ", "))
                    .replace("\"${right}\"" + roles, quoted(roles, ",\n            "));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
