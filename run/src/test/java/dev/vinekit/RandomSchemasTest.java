package dev.vinekit;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Schemas that nobody chose go all the way to a green matrix. */
@Tag("thorough")
class RandomSchemasTest {
    /** For the schemas of each engine. */
    private static final Duration TIME = Duration.ofSeconds(Integer.getInteger("schemas.seconds", 10));

    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "mysql"})
    void schemasOfServersGoAllTheWay(String engine) throws Exception {
        TestDatabases.require(engine);
        RandomSchema.assertGreen(engine, TIME);
    }

    @ParameterizedTest
    @MethodSource("failedOnce")
    void schemasThatFailedOnceGoAllTheWay(String schema) throws Exception {
        String engine = schema.substring(0, schema.indexOf(','));
        TestDatabases.require(engine);
        RandomSchema.assertGreen(engine, Long.parseLong(schema.substring(engine.length() + 1)));
    }

    static Stream<String> failedOnce() throws Exception {
        return Timebox.of(Files.readAllLines(Path.of("src/test/resources/dev/vinekit/random-schemas.csv")),
                "failed-schemas", 40);
    }
}
