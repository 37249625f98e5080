import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import dev.vinekit.run.SeededDatabase;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;

/**
 * The page of a generated service in a browser: how soon it shows something, how fast it draws a table, how large it
 * is.
 */
public final class PageBench {
    private static final int ROUNDS = 11;

    private static final String FIRST_VIEW = """
            const done = arguments[0];
            const look = () => document.querySelector("main tbody tr") ? done(performance.now()) : requestAnimationFrame(look);
            look();
            """;

    /** From the wish for another order until the rows stand there in it, with the request between. */
    private static final String SORTED = """
            const done = arguments[0];
            const first = () => document.querySelector("main tbody tr")?.textContent;
            const before = first();
            const begin = performance.now();
            const look = () => first() !== before ? requestAnimationFrame(() => done(performance.now() - begin)) : requestAnimationFrame(look);
            location.hash = location.hash.includes("=-id") ? location.hash.replace("=-id", "=id") : location.hash.replace("=id", "=-id");
            look();
            """;

    public static void main(String[] arguments) throws Exception {
        ChromeOptions options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
        options.addArguments("--headless=new", "--no-sandbox", "--disable-dev-shm-usage", "--window-size=1280,800");
        ChromeDriver browser = new ChromeDriver(new ChromeDriverService.Builder()
                .usingDriverExecutable(new File("/usr/bin/chromedriver")).usingAnyFreePort().build(), options);
        try {
            for (int tables : new int[] {15, 200}) {
                served(tables, service -> {
                    String root = URI.create(service.url()).resolve("/").toString();
                    System.out.printf("%d tables: first view %s%n", tables, times(() -> {
                        browser.get("about:blank");
                        browser.get(root);
                        return (Number) browser.executeAsyncScript(FIRST_VIEW);
                    }));
                    if (tables == 15) {
                        browser.get(root + "#/rows/rack-0s?limit=50&sort=id");
                        browser.executeAsyncScript(FIRST_VIEW);
                        System.out.printf("50 rows of 40 columns: sorted, with the request, %s%n",
                                times(() -> (Number) browser.executeAsyncScript(SORTED)));
                    }
                });
            }
        } finally {
            browser.quit();
        }
    }

    private static String times(Measurement measurement) throws Exception {
        List<Double> all = new ArrayList<>();
        for (int i = 0; i < ROUNDS; i++) {
            all.add(measurement.take().doubleValue());
        }
        double first = all.remove(0);
        Collections.sort(all);
        return String.format("%.0f ms at first, then %.0f ms in the middle and %.0f ms at most", first,
                all.get(all.size() / 2),
                all.get(all.size() - 1));
    }

    private static void served(int tables, Use use) throws Exception {
        Engine engine = Engines.named("h2");
        Path directory = Files.createTempDirectory("page");
        try (ScratchDatabase database = ScratchDatabase.of(engine)) {
            database.execute(IntStream.range(0, tables).mapToObj(PageBench::table).collect(Collectors.joining("\n")));
            Project project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(VineKit.read(
                    new Database(engine, database.url(), database.user(), database.password()), Scope.all()),
                            "com.example.page"),
                    rows()), directory));
            Runner.compileService(project);
            if (tables == 15) {
                System.out.printf("all files of the page, each compressed: %,d bytes%n", compressed(directory));
            }
            try (SeededDatabase seeded = SeededDatabase.of(project);
                    RunningService service = Runner.serve(project,
                            Map.of("DB_URL", seeded.url(), "DB_USER", seeded.user(),
                            "DB_PASSWORD", seeded.password(), "HTTP_PORT", "0", "ACCESS_LOG", "OFF"))) {
                use.of(service);
            }
        }
    }

    /** A table of 40 columns. */
    private static String table(int number) {
        return "CREATE TABLE rack_" + number + " (id INT PRIMARY KEY, " + IntStream.range(1, 40)
                .mapToObj(i -> "shelf_" + i + (i % 3 == 0 ? " VARCHAR(20)" : i % 3 == 1 ? " NUMERIC(8, 2)" : " DATE"))
                .collect(Collectors.joining(", ")) + ");";
    }

    private static String rows() {
        return IntStream.range(0, 50).mapToObj(row -> "INSERT INTO rack_0 VALUES (" + row + ", "
                + IntStream.range(1, 40)
                .mapToObj(i -> i % 3 == 0 ? "'place " + row + "'" : i % 3 == 1 ? row + "." + i : "DATE '2024-01-"
                        + (row % 28 + 1) + "'")
                .collect(Collectors.joining(", ")) + ");").collect(Collectors.joining("\n"));
    }

    private static long compressed(Path project) throws IOException {
        long bytes = 0;
        try (Stream<Path> files = Files.walk(project.resolve("src/main/resources/page"))) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                bytes += compressed(Files.readAllBytes(file));
            }
        }
        for (String name : List.of("lit-html.js", "directive.js", "directive-helpers.js", "directives/live.js",
                "directives/keyed.js")) {
            try (InputStream library = PageBench.class.getResourceAsStream(
                    "/META-INF/resources/webjars/lit-html/3.3.1/" + name)) {
                bytes += compressed(library.readAllBytes());
            }
        }
        return bytes;
    }

    private static long compressed(byte[] content) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream out = new GZIPOutputStream(bytes)) {
            out.write(content);
        }
        return bytes.size();
    }

    private interface Measurement {
        Number take() throws Exception;
    }

    private interface Use {
        void of(RunningService service) throws Exception;
    }
}
