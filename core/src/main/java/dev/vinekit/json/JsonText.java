package dev.vinekit.json;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.util.Iterator;
import java.util.Map;

/** Writes JSON so that it reads and compares well line by line: whatever fits on a line is on one. */
public final class JsonText {
    private static final int WIDTH = 120;

    private final StringBuilder text = new StringBuilder();

    private JsonText() {
    }

    /** The text of a value, with a line end behind it. */
    public static String of(JsonNode value) {
        JsonText writer = new JsonText();
        writer.write(value, "");
        return writer.text.append('\n').toString();
    }

    private void write(JsonNode value, String margin) {
        if (!value.isContainerNode() || fits(value, WIDTH - margin.length()) >= 0) {
            text.append(value);
            return;
        }
        String inner = margin + " ";
        boolean object = value instanceof ObjectNode;
        text.append(object ? '{' : '[');
        Iterator<Map.Entry<String, JsonNode>> properties = value.properties().iterator();
        Iterator<JsonNode> elements = value.iterator();
        while (elements.hasNext()) {
            JsonNode element = elements.next();
            text.append('\n').append(inner);
            if (object) {
                text.append(TextNode.valueOf(properties.next().getKey())).append(": ");
            }
            write(element, inner);
            text.append(elements.hasNext() ? "," : "");
        }
        text.append('\n').append(margin).append(object ? '}' : ']');
    }

    /** The room that is left when a value has been written on a line; negative if it does not fit, or should not. */
    private static int fits(JsonNode value, int room) {
        if (!value.isContainerNode()) {
            return value.isTextual() ? room - value.textValue().length() - 2 : room - value.asText().length();
        }
        int left = room - 1;
        Iterator<Map.Entry<String, JsonNode>> properties = value.properties().iterator();
        for (JsonNode element : value) {
            left = fits(element, left - 1 - (properties.hasNext() ? properties.next().getKey().length() + 3 : 0));
            if (left < 0) {
                return left;
            }
        }
        return left;
    }
}
