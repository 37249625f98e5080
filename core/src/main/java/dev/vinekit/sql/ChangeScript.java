package dev.vinekit.sql;

import java.util.List;

/**
 * A script that takes a database from one state of its schema to another. It is laid out so that it either takes effect
 * completely or changes nothing, as far as the engine allows, and so that no row is lost however it is applied.
 *
 * @param text the statements, with comments; empty if nothing has changed
 * @param decided the same as if the user had decided to leave out every statement that waits for a decision
 * @param decisions for each statement that is commented out until the user decides: why, as a sentence. While there are
 *     any, the script stops at its first statement
 * @param warnings what the user should know before applying it, as sentences
 */
public record ChangeScript(String text, String decided, List<String> decisions, List<String> warnings) {
    /** Nothing has changed. */
    public static final ChangeScript NONE = new ChangeScript("", "", List.of(), List.of());

    public ChangeScript {
        decisions = List.copyOf(decisions);
        warnings = List.copyOf(warnings);
    }

    /** Whether nothing has changed. */
    public boolean isEmpty() {
        return text.isEmpty();
    }
}
