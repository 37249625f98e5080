package dev.vinekit.run;

import java.time.Duration;
import java.util.Optional;

/**
 * How one generated test ended.
 *
 * @param entity the entity that it is about; empty for the tests of the service as a whole
 * @param aspect what it is about: {@code repository}, {@code rules}, {@code contract} or an operation
 * @param testClass the simple name of its class
 * @param failure why it failed; empty if it passed
 * @param exchanges what it asked the service and what came back, as text; empty if nothing
 */
public record TestOutcome(
        String entity, String aspect, String testClass, String name, Duration duration, Optional<String> failure,
        String exchanges) {
    public boolean passed() {
        return failure.isEmpty();
    }
}
