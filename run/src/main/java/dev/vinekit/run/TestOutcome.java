package dev.vinekit.run;

import java.time.Duration;
import java.util.Optional;

/**
 * How one generated test ended.
 *
 * @param entity the entity that it is about; empty for the tests of the service as a whole
 * @param aspect what it is about: {@code repository}, {@code rules}, {@code contract} or an operation
 * @param testClass the simple name of its class
 * @param name of its method, or of its case
 * @param failure why it failed; empty if it did not
 * @param off why somebody has switched it off; empty if it ran
 * @param exchanges what it asked the service and what came back, as text; empty if nothing
 */
public record TestOutcome(
        String entity, String aspect, String testClass, String name, Duration duration, Optional<String> failure,
        Optional<String> off, String exchanges) {
    /** Begins the line of a failure that says where it was. */
    static final String AT = "at ";

    /** Where in the tests' sources it failed, as {@code path:line} from the project's directory, if that is known. */
    public Optional<String> place() {
        return failure.stream().flatMap(String::lines).filter(line -> line.startsWith(AT) && line.contains(".java:"))
                .reduce((one, other) -> other).map(line -> line.substring(AT.length()));
    }

    public boolean passed() {
        return !failed() && off.isEmpty();
    }

    public boolean failed() {
        return failure.isPresent();
    }
}
