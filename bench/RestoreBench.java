import dev.vinekit.junit.Seeded;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.platform.engine.discovery.DiscoverySelectors;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;
import org.junit.platform.launcher.listeners.SummaryGeneratingListener;

/** From the end of one test to the beginning of the next, with what JUnit itself takes told beside it. */
public final class RestoreBench {
    private static final String SCRIPTS = "core/src/main/resources/dev/vinekit/engine/";
    private static final String MANY = "target/restore/many.sql";
    private static final List<Long> GAPS = new ArrayList<>();
    private static int tests;
    private static long ended;

    public static void main(String[] arguments) throws Exception {
        tests = Integer.parseInt(arguments[0]);
        Files.createDirectories(Path.of(MANY).getParent());
        Files.writeString(Path.of(MANY), """
                CREATE TABLE reading (id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, vessel INT NOT NULL, degrees NUMERIC(5, 2));
                INSERT INTO reading (vessel, degrees) SELECT n % 40, n % 300 / 10.0 FROM generate_series(1, 100000) n;
                """);
        for (Class<?> each : List.of(Bare.class, H2.class, Postgresql.class, Sqlite.class, Mariadb.class, Many.class)) {
            GAPS.clear();
            ended = 0;
            SummaryGeneratingListener summary = new SummaryGeneratingListener();
            LauncherFactory.create().execute(LauncherDiscoveryRequestBuilder.request()
                    .selectors(DiscoverySelectors.selectClass(each)).build(), summary);
            summary.getSummary().printFailuresTo(new java.io.PrintWriter(System.out), 3);
            GAPS.sort(null);
            System.out.printf("%-11s %d tests, median %.2f ms, 95 %% within %.2f ms%n", each.getSimpleName(), GAPS.size() + 1,
                    GAPS.get(GAPS.size() / 2) / 1e6, GAPS.get(GAPS.size() * 95 / 100) / 1e6);
        }
        System.exit(0);
    }

    static List<Integer> numbers() {
        return java.util.stream.IntStream.range(0, tests).boxed().toList();
    }

    static class Bare {
        @ParameterizedTest
        @MethodSource("RestoreBench#numbers")
        void test(int number) {
            begin();
            end();
        }
    }

    static class Cellar {
        @ParameterizedTest
        @MethodSource("RestoreBench#numbers")
        void test(int number, Connection connection) throws SQLException {
            begin();
            try (Statement statement = connection.createStatement()) {
                statement.execute("UPDATE vessel SET capacity_litres = " + (number + 300) + " WHERE id = 1");
                statement.execute("DELETE FROM vessel_transfer");
                statement.execute("INSERT INTO vessel (code, kind, capacity_litres) VALUES ('X-1', 'tank', 900)");
            }
            end();
        }
    }

    @Seeded(script = SCRIPTS + "h2/cellar.sql", engine = "h2")
    static class H2 extends Cellar {
    }

    @Seeded(script = SCRIPTS + "postgresql/cellar.sql", engine = "postgresql")
    static class Postgresql extends Cellar {
    }

    @Seeded(script = SCRIPTS + "sqlite/cellar.sql", engine = "sqlite")
    static class Sqlite extends Cellar {
    }

    @Seeded(script = SCRIPTS + "mariadb/cellar.sql", engine = "mariadb")
    static class Mariadb extends Cellar {
    }

    @Seeded(script = MANY, engine = "postgresql")
    static class Many {
        @ParameterizedTest
        @MethodSource("RestoreBench#numbers")
        void test(int number, Connection connection) throws SQLException {
            begin();
            try (Statement statement = connection.createStatement()) {
                statement.execute("UPDATE reading SET degrees = -1 WHERE id BETWEEN 500 AND 505");
                statement.execute("DELETE FROM reading WHERE id BETWEEN 90000 AND 90002");
                statement.execute("INSERT INTO reading (vessel, degrees) VALUES (1, 2)");
            }
            end();
        }
    }

    private static void begin() {
        if (ended != 0) {
            GAPS.add(System.nanoTime() - ended);
        }
    }

    private static void end() {
        ended = System.nanoTime();
    }
}
