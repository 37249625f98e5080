import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.FileChange;
import dev.vinekit.schema.Schema;
import dev.vinekit.source.SourceTree;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/** Maps, plans and writes a service for many tables, and writes the same bytes bare. */
public final class WriteBench {
    private WriteBench() {
    }

    public static void main(String[] arguments) throws SQLException, IOException {
        int tables = Integer.parseInt(arguments[0]);
        Path directory = Files.createTempDirectory("write-bench");
        Schema schema = schema(tables);
        for (int run = 1; run <= 3; run++) {
            long start = System.nanoTime();
            Mapping mapping = VineKit.map(schema, "com.example.many");
            long mapped = System.nanoTime();
            SourceTree sources = VineKit.generate(mapping);
            long generated = System.nanoTime();
            Path project = directory.resolve("project" + run);
            ChangeSet changes = VineKit.plan(sources, project);
            long planned = System.nanoTime();
            VineKit.write(changes);
            long written = System.nanoTime();
            Map<String, String> files = files(changes);
            long begin = System.nanoTime();
            bare(files, directory.resolve("bare" + run));
            long bare = System.nanoTime() - begin;
            long again = System.nanoTime();
            boolean nothing = VineKit.plan(sources, project).isEmpty();
            System.out.printf(
                    "run %d: map %.2f s, generate %.2f s, plan %.2f s, write %.2f s; %d files bare %.2f s, ratio %.2f; "
                            + "plan again %.2f s, %s%n",
                    run, seconds(mapped - start), seconds(generated - mapped), seconds(planned - generated),
                    seconds(written - planned), files.size(), seconds(bare), (double) (written - planned) / bare,
                    seconds(System.nanoTime() - again), nothing ? "nothing to write" : "SOMETHING TO WRITE");
        }
        try (Stream<Path> entries = Files.walk(directory)) {
            for (Path entry : entries.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(entry);
            }
        }
        System.exit(0);
    }

    private static double seconds(long nanoseconds) {
        return nanoseconds / 1e9;
    }

    private static Map<String, String> files(ChangeSet changes) {
        Map<String, String> files = new TreeMap<>();
        for (FileChange change : changes.changes()) {
            change.text().ifPresent(text -> files.put(change.path(), text));
        }
        for (Map.Entry<String, Optional<byte[]>> file : changes.record().entrySet()) {
            file.getValue().ifPresent(text -> files.put(file.getKey(), new String(text, StandardCharsets.ISO_8859_1)));
        }
        return files;
    }

    private static void bare(Map<String, String> files, Path directory) throws IOException {
        for (Map.Entry<String, String> file : files.entrySet()) {
            Path path = directory.resolve(file.getKey());
            Files.createDirectories(path.getParent());
            Files.writeString(path, file.getValue());
        }
    }

    private static Schema schema(int tables) throws SQLException {
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < tables; i++) {
            script.append("""
                    CREATE TABLE barrel_%1$d (
                        id int GENERATED ALWAYS AS IDENTITY PRIMARY KEY, code varchar(20) NOT NULL UNIQUE, name varchar(80),
                        kind varchar(10) CHECK (kind IN ('oak', 'steel')), litres numeric(9, 2) CHECK (litres > 0),
                        filled_on date, emptied_on date, created_at timestamp DEFAULT now() NOT NULL, notes text,
                        active boolean DEFAULT true NOT NULL, grade int CHECK (grade BETWEEN 0 AND 9),
                        parent_id int REFERENCES barrel_%2$d (id), CHECK (filled_on <= emptied_on));
                    """.formatted(i, i / 2));
        }
        Engine engine = Engines.named("postgresql");
        try (ScratchDatabase scratch = engine.scratch()) {
            scratch.execute(script.toString());
            return VineKit.read(new Database(engine, scratch.url(), scratch.user(), scratch.password()), Scope.all());
        }
    }
}
