import dev.vinekit.Scope;
import dev.vinekit.SeedRequest;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.mapping.Mapping;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;

/** Seed data for the cellar: how long 100,000 rows take to make, and to insert. */
public final class SeedBench {
    private static final int ROWS = 100_000;

    public static void main(String[] arguments) throws Exception {
        Engine engine = Engines.named(arguments[0]);
        Mapping mapping;
        try (Cellar cellar = Cellar.open(engine.name())) {
            mapping = VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar");
        }
        try (ScratchDatabase scratch = ScratchDatabase.of(engine)) {
            scratch.execute(mapping.definition());
            long start = System.nanoTime();
            String seed = VineKit.seed(mapping, SeedRequest.NONE.withRows(ROWS / 10));
            long made = System.nanoTime();
            scratch.execute(seed);
            long inserted = System.nanoTime();
            System.out.printf("%s: %d rows, %.1f MB of SQL: made in %.1f s, inserted in %.1f s, together %.1f s%n",
                    engine.name(),
                    rows(scratch, mapping), seed.length() / 1e6, (made - start) / 1e9, (inserted - made) / 1e9,
                    (inserted - start) / 1e9);
        }
    }

    private static long rows(ScratchDatabase scratch, Mapping mapping) {
        return mapping.entities().stream().filter(entity -> !entity.table().isView()).mapToLong(entity -> {
            try (Statement statement = scratch.anchor().createStatement();
                    ResultSet row = statement.executeQuery("SELECT COUNT(*) FROM " + entity.sqlTable())) {
                row.next();
                return row.getLong(1);
            } catch (SQLException e) {
                throw new IllegalStateException(e);
            }
        }).sum();
    }
}
