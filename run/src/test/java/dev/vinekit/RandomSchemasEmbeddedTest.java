package dev.vinekit;

import java.time.Duration;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** As {@link RandomSchemasTest}, on engines without servers: beside it, in a process of its own. */
@Tag("thorough")
class RandomSchemasEmbeddedTest {
    private static final Duration TIME = Duration.ofSeconds(Integer.getInteger("schemas.seconds", 10));

    @ParameterizedTest
    @ValueSource(strings = {"h2", "sqlite"})
    void schemasGoAllTheWay(String engine) throws Exception {
        RandomSchema.assertGreen(engine, TIME);
    }
}
