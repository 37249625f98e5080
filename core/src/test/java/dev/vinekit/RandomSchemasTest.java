package dev.vinekit;

import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

/** Schemas that nobody chose go all the way to a green matrix, here those of engines with servers. */
class RandomSchemasTest {
    @Property(tries = 15, seed = "3", shrinking = ShrinkingMode.OFF, edgeCases = EdgeCasesMode.NONE)
    void schemasOfPostgresqlGoAllTheWay(@ForAll long number) throws Exception {
        RandomSchema.assertGreen("postgresql", number);
    }

    @Property(tries = 15, seed = "4", shrinking = ShrinkingMode.OFF, edgeCases = EdgeCasesMode.NONE)
    void schemasOfMariadbGoAllTheWay(@ForAll long number) throws Exception {
        RandomSchema.assertGreen("mariadb", number);
    }

    /** Those that once did not. */
    @ParameterizedTest
    @CsvFileSource(resources = "random-schemas.csv")
    void schemasThatFailedOnceGoAllTheWay(String engine, long number) throws Exception {
        RandomSchema.assertGreen(engine, number);
    }
}
