package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Entity tags, and changes that depend on them. */
class EntityTagTest {
    private static final int WRITERS = 16;
    private static final int ROWS = 10;
    private static final int UPDATES = Integer.getInteger("tag.updates", 1000);

    @ParameterizedTest
    @CsvSource({"GET, 304", "HEAD, 304", "PUT, 412", "PATCH, 412", "DELETE, 412"})
    void tagOfTheRowDecides(String method, int status) {
        Http http = ServedCellar.on("h2").http();
        String tag = http.get("/labels/1").header("ETag");
        String row = http.get("/labels/1").text();
        Http.Answer answer = method.equals("GET") || method.equals("HEAD")
                ? http.with("If-None-Match", "\"other\", W/" + tag).send(method, "/labels/1", "")
                : http.with("If-Match", "\"other\", W/" + tag).send(method, "/labels/1", row);

        assertThat(answer.status()).isEqualTo(status);
        assertThat(http.get("/labels/1").header("ETag")).isEqualTo(tag);
    }

    /** A change that wants no row there, or not in this state, finds one (RFC 9110, section 13.1.2). */
    @ParameterizedTest
    @CsvSource({"PUT, *, 412", "PATCH, *, 412", "DELETE, *, 412", "PUT, OWN, 412", "PATCH, W/OWN, 412",
            "PATCH, \"other\", 200"})
    void changeThatWantsAnotherStateIsRefused(String method, String header, int status) {
        Http http = ServedCellar.on("h2").http();
        Http.Answer before = http.get("/labels/3");

        Http.Answer answer = http.with("If-None-Match", header.replace("OWN", before.header("ETag")))
                .send(method, "/labels/3", method.equals("PATCH") ? "{}" : before.text());

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(http.get("/labels/3").header("ETag")).isEqualTo(before.header("ETag"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"other | 400", "* | 200", "\"a\",,  \"b\" | 412", "\"broken | 400"})
    void headerIsAListOfTags(String header, int status) {
        assertThat(ServedCellar.on("h2").http().with("If-Match", header).send("PATCH", "/labels/2", "{}").status())
                .isEqualTo(status);
    }

    /** Each writer reads a row, adds one and writes it back if nobody else has; again until it has done its share. */
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void noUpdateIsLostThroughTwoReplicas(String engine) {
        ServedCellar cellar = ServedCellar.on(engine);
        try (RunningService replica = cellar.replica(Map.of())) {
            List<Http> replicas = List.of(cellar.http(), new Http(replica.url()));
            List<String> paths = IntStream.range(0, ROWS).mapToObj(i -> "/blends/" + created(replicas.get(i % 2), i))
                    .toList();
            AtomicInteger left = new AtomicInteger(UPDATES);
            AtomicInteger refused = new AtomicInteger();
            ExecutorService threads = Executors.newFixedThreadPool(WRITERS);
            List<CompletableFuture<Void>> writers = new ArrayList<>();
            for (int w = 0; w < WRITERS; w++) {
                Http http = replicas.get(w % 2);
                writers.add(CompletableFuture.runAsync(() -> {
                    for (int n = left.getAndDecrement(); n > 0; n = left.getAndDecrement()) {
                        refused.addAndGet(addOne(http, paths.get(n % ROWS), n % 3 == 0 ? "PUT" : "PATCH"));
                    }
                }, threads));
            }
            writers.forEach(CompletableFuture::join);
            threads.shutdown();

            int sum = paths.stream().mapToInt(path -> Integer.parseInt(
                    replicas.get(0).get(path).body().path("tastingNotes").asText())).sum();
            assertThat(sum).isEqualTo(UPDATES);
            assertThat(refused).hasPositiveValue();
            paths.forEach(path -> assertThat(replicas.get(1).send("DELETE", path, "").status()).isEqualTo(204));
        }
    }

    private static int created(Http http, int i) {
        Http.Answer created = http.post("/blends", "{\"name\":\"Counted " + i
                + "\",\"vintage\":2020,\"blendedOn\":\"2021-02-01\",\"tastingNotes\":\"0\"}");
        assertThat(created.status()).as(created.text()).isEqualTo(201);
        return created.body().path("id").asInt();
    }

    /** Returns how often another writer came first. */
    private static int addOne(Http http, String path, String method) {
        for (int refused = 0; ; refused++) {
            Http.Answer read = http.get(path);
            ObjectNode row = (ObjectNode) read.body();
            row.put("tastingNotes", String.valueOf(Integer.parseInt(row.get("tastingNotes").asText()) + 1));
            String body = method.equals("PUT") ? row.toString() : row.retain("tastingNotes").toString();
            Http.Answer written = http.with("If-Match", read.header("ETag")).send(method, path, body);
            if (written.status() == 200) {
                return refused;
            }
            assertThat(written.status()).as(written.text()).isEqualTo(412);
        }
    }

    /** Patches of different fields without a condition do not undo each other. */
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void patchesAtTheSameTimeDoNotUndoEachOther(String engine) {
        Http http = ServedCellar.on(engine).http();
        String path = "/blends/" + created(http, 99);
        for (int round = 0; round < 20; round++) {
            String notes = "{\"tastingNotes\":\"" + round + "\"}";
            String vintage = "{\"vintage\":" + (1990 + round) + "}";
            CompletableFuture<Http.Answer> other =
                    CompletableFuture.supplyAsync(() -> http.send("PATCH", path, vintage));
            assertThat(http.send("PATCH", path, notes).status()).isEqualTo(200);
            assertThat(other.join().status()).isEqualTo(200);
            assertThat(http.get(path).body().path("tastingNotes").asInt()).isEqualTo(round);
            assertThat(http.get(path).body().path("vintage").asInt()).isEqualTo(1990 + round);
        }
        http.send("DELETE", path, "");
    }

    @Test
    void versionColumnIsTheTagAndCountsEachChange(@TempDir Path directory) throws Exception {
        try (TestDatabases database =
                TestDatabases.h2("CREATE TABLE cask (id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, "
                + "wood VARCHAR(20) NOT NULL, version INT DEFAULT 1 NOT NULL)")) {
            MappingFile file = MappingFile.parse("m",
                    "{project: {package: com.example.made}, entities: {cask: {version: version}}}", Map.of(), true);
            Project project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(
                    VineKit.read(database.database(), Scope.all()), file, Set.of())), directory.resolve("service")));
            QuickCompiler.compile(project);
            assertThat(Runner.test(project).isGreen()).isTrue();
            try (ServedCellar service = ServedCellar.alone(project, Map.of())) {
                Http http = service.http();
                Http.Answer created = http.post("/casks", "{\"wood\":\"oak\"}");
                String path = created.header("Location").substring("/api".length());

                assertThat(created.header("ETag")).isEqualTo("\"1\"");
                assertThat(http.with("If-Match", "\"1\"").send("PATCH", path, "{\"wood\":\"ash\"}").header("ETag"))
                        .isEqualTo("\"2\"");
                assertThat(http.with("If-Match", "\"1\"").send("PUT", path, "{\"wood\":\"elm\"}").status())
                        .isEqualTo(412);
                assertThat(http.send("PATCH", path, "{\"version\":7}").status()).isEqualTo(400);
            }
        }
    }
}
