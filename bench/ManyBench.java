import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import dev.vinekit.source.SourceTree;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.stream.Stream;

/** Many tables of PostgreSQL from reading to the report of their tests. */
public final class ManyBench {
    public static void main(String[] arguments) throws Exception {
        int tables = Integer.parseInt(arguments[0]);
        Engine engine = Engines.named("postgresql");
        Path directory = Files.createTempDirectory("many");
        try (ScratchDatabase database = ScratchDatabase.of(engine)) {
            database.execute(script(tables));
            long start = System.nanoTime();
            Mapping mapping = VineKit.map(VineKit.read(
                    new Database(engine, database.url(), database.user(), database.password()),
                    Scope.all()), "com.example.many");
            SourceTree sources = VineKit.generate(mapping);
            Project project = VineKit.write(VineKit.plan(sources, directory));
            long written = System.nanoTime();
            Runner.compile(project);
            long compiled = System.nanoTime();
            TestReport report = Runner.test(project);
            long end = System.nanoTime();
            System.out.printf(
                    "%d tables: %d tests, %s; generated in %.1f s, compiled in %.1f s, tested in %.1f s, together %.1f s%n",
                    tables, report.outcomes().size(), report.isGreen() ? "green" : report.failures().size() + " failed",
                    (written - start) / 1e9, (compiled - written) / 1e9, (end - compiled) / 1e9, (end - start) / 1e9);
        } finally {
            try (Stream<Path> files = Files.walk(directory)) {
                files.sorted(Comparator.reverseOrder()).forEach(file -> file.toFile().delete());
            }
        }
    }

    /** Tables of a cellar in chains of five: each but the first of a chain refers to the one before. */
    private static String script(int tables) {
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < tables; i++) {
            script.append("""
                    CREATE TABLE rack_%1$d (
                        id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                        code VARCHAR(12) NOT NULL CONSTRAINT rack_%1$d_code UNIQUE,
                        wood VARCHAR(10) NOT NULL CONSTRAINT rack_%1$d_wood CHECK (wood IN ('oak', 'acacia', 'ash')),
                        shelves SMALLINT NOT NULL CONSTRAINT rack_%1$d_shelves CHECK (shelves BETWEEN 1 AND 20),
                        load_kilos NUMERIC(8, 2) NOT NULL CHECK (load_kilos > 0),
                        built_on DATE NOT NULL,
                        emptied_on DATE,
                        note VARCHAR(200),
                        in_use BOOLEAN DEFAULT TRUE NOT NULL,
                        %2$s
                        CONSTRAINT rack_%1$d_days CHECK (emptied_on >= built_on)
                    );
                    """.formatted(i, i % 5 == 0 ? "" : "beside_id INT NOT NULL REFERENCES rack_%d (id),".formatted(i - 1)));
        }
        return script.toString();
    }
}
