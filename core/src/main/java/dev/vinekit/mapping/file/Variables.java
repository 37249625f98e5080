package dev.vinekit.mapping.file;

import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Fills variables of the environment into texts: <code>${NAME}</code>, <code>${NAME:-default}</code>;
 * <code>$${</code> stands for <code>${</code> itself.
 *
 * <p>Of databases by name one is wanted at most: there a variable that is missing stays as it is written.
 *
 * @param needsSource whether what the section {@code source} says is wanted; variables there may else be missing
 */
record Variables(Map<String, String> environment, boolean needsSource) {
    private static final Pattern VARIABLE = Pattern.compile("\\$\\$\\{|\\$\\{([A-Za-z_][A-Za-z0-9_]*)(?::-([^}]*))?}");

    /**
     * A text with its variables replaced.
     *
     * @throws IllegalArgumentException if one is not set and has no default; the message says which
     */
    String fillIn(String text, List<String> path) {
        Matcher variable = VARIABLE.matcher(text);
        StringBuilder filled = new StringBuilder();
        while (variable.find()) {
            String value = variable.group(1) == null ? "${"
                    : environment.getOrDefault(variable.group(1), variable.group(2));
            if (value == null && path.get(0).equals("connections")) {
                value = variable.group();
            } else if (value == null && (needsSource || !path.get(0).equals("source"))) {
                throw new IllegalArgumentException("The environment variable " + variable.group(1)
                        + " is not set; set it, or give it a default: ${" + variable.group(1) + ":-default}.");
            }
            variable.appendReplacement(filled, Matcher.quoteReplacement(value == null ? "" : value));
        }
        return variable.appendTail(filled).toString();
    }
}
