package dev.vinekit;

import java.time.Duration;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Schemas that nobody chose go all the way to a green matrix. */
@Tag("thorough")
class RandomSchemasTest {
    /** For the schemas of each engine. */
    private static final Duration TIME = Duration.ofSeconds(Integer.getInteger("schemas.seconds", 30));

    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb"})
    void schemasOfServersGoAllTheWay(String engine) throws Exception {
        TestDatabases.require(engine);
        RandomSchema.assertGreen(engine, TIME);
    }

    /** Those that once did not. */
    @ParameterizedTest
    @CsvFileSource(resources = "random-schemas.csv")
    void schemasThatFailedOnceGoAllTheWay(String engine, long number) throws Exception {
        TestDatabases.require(engine);
        RandomSchema.assertGreen(engine, number);
    }
}
