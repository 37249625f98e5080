package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Snapshot;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class VineKitCommandTest {
    private static final Map<String, String> PASSWORD = Map.of("ORCHARD_PASSWORD", "pressed");
    private static final String SCRIPT = """
            CREATE TABLE tree (
                id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                label VARCHAR(20) NOT NULL UNIQUE,
                planted_on DATE
            );
            CREATE TABLE picking (
                id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                tree_id INT NOT NULL REFERENCES tree (id),
                kilos NUMERIC(6, 2) NOT NULL CHECK (kilos > 0)
            );
            CREATE TABLE note (text VARCHAR(200));
            INSERT INTO tree (label, planted_on) VALUES ('Old \u001b[31mred', DATE '1999-04-01');
            COMMENT ON TABLE tree IS 'An apple tree';
            """;

    @TempDir
    private static Path directory;

    /** One for all, for starting it takes longer than most commands. */
    private static Tool tool;

    private String url;

    @BeforeAll
    static void open() {
        tool = new Tool(directory);
    }

    @AfterAll
    static void end() {
        tool.close();
    }

    @BeforeEach
    void makeDatabase() throws Exception {
        url = tool.database(SCRIPT);
    }

    @AfterEach
    void sweep() throws IOException {
        try (Stream<Path> files = Files.walk(directory)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).filter(file -> !file.equals(directory)).toList()) {
                Files.delete(file);
            }
        }
    }

    @Test
    void demoGoesAllTheWayAndThenFindsNothingToWrite() throws Exception {
        Tool.Result first = tool.run("demo");

        assertThat(first.err()).containsSubsequence("open", "read", "map", "plan", "write", "compile", "test", "total");
        assertThat(first.out())
                .contains("blend_component", "cellar_stock", "wine_lot_harvest", "\u2713", " passed, 0 failed")
                .contains(
                        "cellar_stock: A view: it can be listed, nothing else; with a key, its rows can be read one by one.")
                .contains("The scratch database held its 389 seed rows again afterwards.")
                .doesNotContain("\u001b");
        assertThat(first.exit()).isZero();
        assertThat(tool.run("demo").err()).containsPattern("(\\d+) files: \\1 same");
    }

    @Tag("thorough")
    @Test
    void demoRunsOnPostgresqlToo() throws Exception {
        Tool.Result result = tool.run("demo", "--engine", "postgresql", "--quiet");

        assertThat(result.err()).isEmpty();
        assertThat(result.out()).contains("wine_lot_harvest", " passed, 0 failed", "held its 389 seed rows again");
        assertThat(result.exit()).isZero();
        assertThat(directory.resolve("cellar-demo/src/main/resources/db/schema.sql")).content().contains("jsonb");
    }

    @Test
    void inspectListsTablesWithRowsKeysAndReferences() throws Exception {
        Tool.Result result = tool.run(PASSWORD, source("inspect"));

        assertThat(result.exit()).isZero();
        assertThat(result.out()).startsWith("H2 2.").contains("SA is an administrator");
        assertThat(result.out()).containsPattern("PICKING +0 +3 +ID +TREE").containsPattern("TREE +1 +3 +ID");
        assertThat(result.out()).contains("3 tables, 1 row (counted)");
    }

    @Test
    void inspectShowsOneTableInFullAndNothingThatSteersTheTerminal() throws Exception {
        Tool.Result result = tool.run(PASSWORD, source("inspect", "--tables", "tree"));

        assertThat(result.out()).contains("An apple tree", "identity, always", "VARCHAR(20)", "1999-04-01")
                .containsPattern("referred by +PICKING \\(TREE_ID\\)").containsPattern("unique +LABEL")
                .doesNotContain("\u001b");
    }

    @Test
    void generateTestAndServeWorkOnADatabaseOfOnesOwn() throws Exception {
        Tool.Result generated = tool.run(PASSWORD, source("generate", "--dir", "service", "--tables", "picking"));
        assertThat(generated.exit()).isZero();
        assertThat(generated.out()).containsPattern("tree +Tree +/trees .*comes along").contains("Written to service")
                .doesNotContain("note");
        assertThat(directory.resolve("service/src/main/java/com/example/service/entity/Picking.java")).exists();

        Tool.Result tested = tool.run(PASSWORD, source("test", "--dir", "service", "--tables", "picking"));
        assertThat(tested.exit()).isZero();
        assertThat(tested.out()).contains(" passed, 0 failed");

        Path out = directory.resolve("out.txt");
        Process serving = tool.start(PASSWORD, out, directory.resolve("err.txt"),
                source("serve", "--dir", "service", "--port", "0"));
        try {
            String trees = address(out) + "/trees";
            assertThat(get(trees)).contains("\"plantedOn\":\"1999-04-01\"");
        } finally {
            serving.destroy();
            assertThat(serving.waitFor(30, TimeUnit.SECONDS)).isTrue();
        }
        assertThat(Files.readString(out)).contains("/api/pickings/{key}", "No access control");
    }

    @Test
    void dryRunWritesNothing() throws Exception {
        Tool.Result result = tool.run(PASSWORD, source("generate", "--dir", "service", "--dry-run"));

        assertThat(result.exit()).isZero();
        assertThat(result.out()).contains("Would be written to service");
        assertThat(directory.resolve("service")).doesNotExist();
    }

    @Test
    void failingTestsExitWithOne() throws Exception {
        tool.run(PASSWORD, source("generate", "--dir", "service"));
        Path service = directory.resolve("service/src/main/java/com/example/service/service/TreeService.java");
        Files.writeString(service, Files.readString(service)
                .replace("return transactions.read(connection -> existing(connection, id));", "throw missing(id);"));

        Tool.Result result = tool.run("test", "--dir", "service");

        assertThat(result.exit()).isEqualTo(1);
        assertThat(result.out()).contains("TreeControllerTest.readReturnsTheRow", "expected: 200", "but was: 404",
                "The last request:", "curl -i -X GET");
        assertThat(tool.run("test", "--dir", "service", "--tables", "pick*").out())
                .contains("PickingControllerTest").doesNotContain("TreeControllerTest");
        Tool.Result unknown = tool.run("test", "--dir", "service", "--tables", "pickling");
        assertThat(unknown.exit()).isEqualTo(2);
        assertThat(unknown.err()).contains("pickling", "The nearest name is PICKING");
    }

    @Test
    void portInUseIsNamedWithTheWayOut() throws Exception {
        tool.run(PASSWORD, source("generate", "--dir", "service"));
        try (ServerSocket taken = new ServerSocket(0)) {
            String port = String.valueOf(taken.getLocalPort());

            Tool.Result result = tool.run("serve", "--dir", "service", "--port", port);

            assertThat(result.exit()).isEqualTo(3);
            assertThat(result.err()).contains(port, "in use", "--port");
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "2 | frobnicate                                             | Unmatched argument",
        "2 | demo --colour                                          | Unknown option",
        "2 | demo --engine nosuch                                   | no engine named nosuch",
        "2 |                                                        | Name a command",
        "2 | inspect                                                | --url",
        "2 | inspect --url postgres://x                             | jdbc:",
        "2 | inspect --url jdbc:nosuch:x                            | No JDBC driver on the class path takes",
        "3 | inspect --url jdbc:h2:./nowhere                        | no database at",
        "3 | inspect --url jdbc:h2:tcp://localhost:1/x              | No H2 server answers",
        "3 | inspect --url jdbc:h2:./orchard --user sa              | does not accept the user name or password",
        "2 | inspect --url jdbc:h2:./orchard --password-env NOT_SET | NOT_SET is not set",
        "2 | inspect --url URL --schema CAVE                        | There is no schema named CAVE",
        "2 | inspect --url URL --tables tre                         | The nearest name is TREE",
        "2 | generate --url URL --dir a-file                        | is a file, not a directory",
        "2 | generate --url URL --dir theirs                        | not generated by Vine Kit",
        "3 | generate --url URL --dir a-file/inside                 | failed",
        "3 | generate --url URL --dir /proc/service                 | failed",
        "2 | generate --url URL --dir new --package 1a              | is not a Java package name",
        "2 | generate --url URL --dir new --tables nosuch           | no table or view named nosuch",
        "2 | test --dir nothing                                     | no generated project in nothing",
        "2 | inspect --script nosuch.sql --engine sqlite             | There is no file nosuch.sql",
        "2 | inspect --script a-file                                | --script needs the engine",
        "2 | inspect --script a-file --url jdbc:h2:./orchard         | Both --url and --script",
        "2 | inspect --url URL --format yaml                         | --format",
        "2 | inspect --url URL --format svg --rows                   | --rows goes with --format html only",
        "2 | demo --engine jdbc                                      | There is no cellar",
        "2 | role --script a-file --engine postgresql --name x       | Name the database with --url",
        "2 | role --url URL --name x --connections 0                 | 0 connections",
        "2 | serve --dir theirs                                     | no generated project in theirs"})
    void mistakesAreNamedWithTheWayOutAndNothingIsWritten(int exit, String line, String message) throws Exception {
        Files.writeString(directory.resolve("a-file"), "mine");
        Files.createDirectories(directory.resolve("theirs"));
        Files.writeString(directory.resolve("theirs/notes.txt"), "theirs");
        List<Path> before = files();

        Tool.Result result = tool.run(PASSWORD, arguments(line));

        assertThat(result.err()).contains(message).doesNotContain("\tat ", "Exception");
        assertThat(result.err().lines().count()).isGreaterThanOrEqualTo(2);
        assertThat(result.exit()).isEqualTo(exit);
        assertThat(result.out()).isEmpty();
        assertThat(files()).isEqualTo(before);
    }

    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"sqlite", "mariadb"})
    void demoRunsOnOtherEnginesToo(String engine) throws Exception {
        Assumptions.assumeTrue(engine.equals("sqlite") || Files.isExecutable(Path.of("/usr/sbin/mariadbd")));

        Tool.Result result = tool.run("demo", "--engine", engine);

        assertThat(result.out()).contains("wine_lot_harvest", " passed, 0 failed", "held its 389 seed rows again");
        assertThat(result.exit()).isZero();
    }

    @Test
    void scriptIsLoadedReadAndGeneratedFrom() throws Exception {
        Files.writeString(directory.resolve("dump.sql"), """
                SET no_such_setting = 1;
                \\connect orchard
                CREATE TABLE public.tree (id integer NOT NULL, label text);
                ALTER TABLE public.tree OWNER TO keeper;
                COPY public.tree (id, label) FROM stdin;
                1\tOld; red
                \\.
                ALTER TABLE ONLY public.tree ADD CONSTRAINT tree_pkey PRIMARY KEY (id);
                """);

        Tool.Result shown = tool.run("inspect", "--script", "dump.sql", "--engine", "postgresql", "--tables", "tree");
        Tool.Result made = tool.run("generate", "--script", "dump.sql", "--engine", "postgresql", "--dir", "service");

        assertThat(shown.out()).contains("1 row (counted)", "Old; red", "primary key  id")
                .doesNotContain("administrator");
        assertThat(shown.err()).contains("3 statements skipped", "first in line 2: \\connect orchard",
                "owners, roles and rights are not for a scratch database");
        assertThat(made.exit()).isZero();
        assertThat(directory.resolve("service/src/main/resources/db/schema.sql")).content()
                .contains("CREATE TABLE tree");
    }

    @Test
    void scriptThatFailsIsShownWithItsLine() throws Exception {
        Files.writeString(directory.resolve("bad.sql"), "CREATE TABLE a (id INT);\n\nINSERT INTO b VALUES (1);\n");

        Tool.Result result = tool.run("inspect", "--script", "bad.sql", "--engine", "sqlite");

        assertThat(result.exit()).isEqualTo(2);
        assertThat(result.err()).contains("bad.sql, line 3", "INSERT INTO b VALUES (1)", "no such table: b");
    }

    @Test
    void inspectWritesASnapshotAndTheDefinition() throws Exception {
        Tool.Result json = tool.run(PASSWORD, source("inspect", "--format", "json"));
        Tool.Result sql = tool.run(PASSWORD, source("inspect", "--format", "sql"));

        Schema schema = Snapshot.read(json.out());
        assertThat(schema.tables()).extracting(table -> table.name().name()).containsExactly("NOTE", "PICKING", "TREE");
        assertThat(Snapshot.write(schema)).isEqualTo(json.out());
        assertThat(sql.out()).contains("CREATE TABLE tree (", "CHECK (\"KILOS\" > ").doesNotContain("INSERT");
    }

    @Test
    void inspectDrawsTheSchemaOrATableAmongItsNeighbours() throws Exception {
        Tool.Result all = tool.run(PASSWORD, source("inspect", "--format", "svg"));
        Tool.Result one = tool.run(PASSWORD, source("inspect", "--format", "svg", "--tables", "tree"));

        assertThat(all.exit()).as(all.err()).isZero();
        assertThat(all.out()).startsWith("<svg ").endsWith("</svg>\n").contains(">NOTE<", ">KILOS<",
                "PICKING (TREE_ID) refers to TREE (ID)");
        assertThat(one.out()).contains(">TREE<", ">PICKING<").doesNotContain(">NOTE<", "NUMERIC(6, 2)");
    }

    @Test
    void inspectWritesAPageWithRowsOnlyIfAsked() throws Exception {
        Tool.Result page = tool.run(PASSWORD, source("inspect", "--format", "html"));
        Tool.Result rows = tool.run(PASSWORD, source("inspect", "--format", "html", "--rows"));

        assertThat(page.exit()).as(page.err()).isZero();
        assertThat(page.out()).startsWith("<!DOCTYPE html>").contains("An apple tree", "/trees", "<svg ")
                .doesNotContain("1999-04-01");
        assertThat(rows.out()).contains("1999-04-01", "Old \\u001B[31mred");
    }

    @Test
    void roleIsRefusedWhereThereIsNone() throws Exception {
        Tool.Result result = tool.run(PASSWORD, source("role", "--name", "service"));

        assertThat(result.exit()).isEqualTo(2);
        assertThat(result.err()).contains("H2 has no login roles", "PostgreSQL and MariaDB");
    }

    @Test
    void narrowTerminalGetsNarrowLines() throws Exception {
        Tool.Result result = tool.run(Map.of("ORCHARD_PASSWORD", "pressed", "JAVA_TOOL_OPTIONS",
                "-Dvinekit.columns=60"),
                source("inspect"));

        assertThat(result.out().lines().filter(line -> line.contains("PICKING") || line.contains("rows ")))
                .isNotEmpty().allMatch(line -> line.codePointCount(0, line.length()) <= 60);
    }

    @Test
    void helpNamesEveryCommand() throws Exception {
        Tool.Result result = tool.run("--help");

        assertThat(result.exit()).isZero();
        assertThat(result.out()).contains("demo", "inspect", "generate", "test", "serve", "Exit codes");
    }

    private String[] source(String command, String... more) {
        return Stream.concat(
                Stream.of(command, "--url", url, "--user", "sa", "--password-env", "ORCHARD_PASSWORD"),
                Stream.of(more)).toArray(String[]::new);
    }

    private String[] arguments(String line) {
        if (line == null) {
            return new String[0];
        }
        return line.replace("URL", url + " --user sa --password-env ORCHARD_PASSWORD").split(" +");
    }

    private List<Path> files() throws IOException {
        try (Stream<Path> files = Files.walk(directory)) {
            return files.filter(file -> !file.toString().endsWith(".trace.db")).sorted().toList();
        }
    }

    private static String address(Path out) throws Exception {
        Pattern address = Pattern.compile("Serving at (\\S+)/");
        for (int i = 0; i < 600; i++) {
            Matcher matcher = address.matcher(Files.readString(out));
            if (matcher.find()) {
                return matcher.group(1);
            }
            Thread.sleep(100);
        }
        throw new AssertionError("the service did not start: " + Files.readString(out));
    }

    private static String get(String url) throws Exception {
        return HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(URI.create(url)).build(), HttpResponse.BodyHandlers.ofString()).body();
    }
}
