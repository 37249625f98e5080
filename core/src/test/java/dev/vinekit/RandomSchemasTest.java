package dev.vinekit;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

/** Schemas that nobody chose go all the way to a green matrix. */
class RandomSchemasTest {
    @Property(tries = 100, seed = "1", shrinking = ShrinkingMode.OFF, edgeCases = EdgeCasesMode.NONE)
    void schemasOfH2GoAllTheWay(@ForAll("numbers") long number) throws Exception {
        goesAllTheWay("h2", number);
    }

    @Property(tries = 100, seed = "2", shrinking = ShrinkingMode.OFF, edgeCases = EdgeCasesMode.NONE)
    void schemasOfSqliteGoAllTheWay(@ForAll("numbers") long number) throws Exception {
        goesAllTheWay("sqlite", number);
    }

    @Property(tries = 15, seed = "3", shrinking = ShrinkingMode.OFF, edgeCases = EdgeCasesMode.NONE)
    void schemasOfPostgresqlGoAllTheWay(@ForAll("numbers") long number) throws Exception {
        goesAllTheWay("postgresql", number);
    }

    @Property(tries = 15, seed = "4", shrinking = ShrinkingMode.OFF, edgeCases = EdgeCasesMode.NONE)
    void schemasOfMariadbGoAllTheWay(@ForAll("numbers") long number) throws Exception {
        goesAllTheWay("mariadb", number);
    }

    /** Those that once did not. */
    @ParameterizedTest
    @CsvFileSource(resources = "random-schemas.csv")
    void schemasThatFailedOnceGoAllTheWay(String engine, long number) throws Exception {
        goesAllTheWay(engine, number);
    }

    @Provide
    Arbitrary<Long> numbers() {
        return Arbitraries.longs();
    }

    private static void goesAllTheWay(String engine, long number) throws Exception {
        TestReport report = RandomSchema.tested(engine, number);

        assertThat(report.failures()).as("%s %d", engine, number).extracting(TestOutcome::testClass, TestOutcome::name,
                TestOutcome::failure).isEmpty();
        assertThat(report.isGreen()).as("%s %d", engine, number).isTrue();
    }
}
