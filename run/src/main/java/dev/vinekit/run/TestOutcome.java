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
    public boolean passed() {
        return !failed() && off.isEmpty();
    }

    public boolean failed() {
        return failure.isPresent();
    }
}
