package dev.vinekit.source;

import java.util.List;
import java.util.Optional;

/**
 * A rule of the database, and the generated tests that prove that the service keeps it.
 *
 * @param kind what sort of rule, in lower case
 * @param name of the constraint or column
 * @param text what it says
 * @param tests the names of the methods
 * @param reason why it cannot be proved, or with tests, what they leave out
 * @param unbreakable whether no request can break it
 */
public record TestedRule(String kind, String name, String text, List<String> tests, Optional<String> reason,
        boolean unbreakable) {
    public TestedRule {
        tests = List.copyOf(tests);
    }
}
