package dev.vinekit;

import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;

class RandomSchemasOfSqliteTest {
    @Property(tries = 15, seed = "2", shrinking = ShrinkingMode.OFF, edgeCases = EdgeCasesMode.NONE)
    void schemasGoAllTheWay(@ForAll long number) throws Exception {
        RandomSchema.assertGreen("sqlite", number);
    }
}
