package dev.vinekit.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Lists of texts as one text: in braces, with quotes where they are needed (PostgreSQL manual, section 8.15.6). */
public final class ArrayText {
    private ArrayText() {
    }

    /** The text for elements, of which those that are empty are NULL. */
    public static String of(List<Optional<String>> elements) {
        return elements.stream().map(element -> element.map(ArrayText::quoted).orElse("NULL"))
                .collect(Collectors.joining(",", "{", "}"));
    }

    private static String quoted(String element) {
        boolean plain = element.matches("[^{},\"\\\\\\s]+") && !element.equalsIgnoreCase("NULL");
        return plain ? element : '"' + element.replace("\\", "\\\\").replace("\"", "\\\"") + '"';
    }

    /** The elements of such a text, of which those that are empty are NULL. */
    public static List<Optional<String>> elements(String text) {
        List<Optional<String>> elements = new ArrayList<>();
        int i = 1;
        while (i < text.length() - 1) {
            StringBuilder element = new StringBuilder();
            boolean quoted = text.charAt(i) == '"';
            for (i += quoted ? 1 : 0; i < text.length() - 1 && text.charAt(i) != (quoted ? '"' : ','); i++) {
                i += quoted && text.charAt(i) == '\\' ? 1 : 0;
                element.append(text.charAt(i));
            }
            elements.add(!quoted && element.toString().equalsIgnoreCase("NULL") ? Optional.empty()
                    : Optional.of(element.toString()));
            i += quoted ? 2 : 1;
        }
        return elements;
    }
}
