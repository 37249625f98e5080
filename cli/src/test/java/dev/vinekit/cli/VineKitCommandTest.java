package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** From a database to a tested service. */
class VineKitCommandTest extends OrchardCommands {
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
        assertThat(result.out()).contains("TreeControllerTest.", "expected: 200", "but was: 404",
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

    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"sqlite", "mariadb"})
    void demoRunsOnOtherEnginesToo(String engine) throws Exception {
        Assumptions.assumeTrue(!engine.equals("mariadb") || System.getProperty("os.name").startsWith("Linux"),
                "There is no MariaDB server to be fetched here.");

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
