package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.project.Project;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What people add to generated code means what it says. */
class AddedCodeTest {
    private static ServedCellar served;

    @BeforeAll
    static void serve(@TempDir Path directory) throws Exception {
        try (TestDatabases presses = TestDatabases.h2("""
                CREATE TABLE press (
                    id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, name VARCHAR(20) NOT NULL, bought_on DATE,
                    broken BOOLEAN);
                CREATE TABLE basket (id INT PRIMARY KEY, name VARCHAR(20) NOT NULL);
                """)) {
            Project project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(
                    VineKit.read(presses.database(), Scope.all()), "com.example.made")), directory));
            Path java = directory.resolve("src/main/java/com/example/made");
            edit(java.resolve("dto/PressInput.java"),
                    "LocalDate boughtOn",
                    "@com.fasterxml.jackson.annotation.JsonAlias(\"bought\")\n"
                            + "        @com.fasterxml.jackson.annotation.JsonFormat(pattern = \"dd.MM.uuuu\")\n"
                            + "        LocalDate boughtOn");
            edit(java.resolve("dto/PressInput.java"), "Boolean broken",
                    "@jakarta.validation.constraints.Null\n        Boolean broken");
            edit(java.resolve("controller/PressController.java"), "    @GET\n    public Response list", """
                        public record Crew(java.util.List<String> hands, int hours) {
                        }

                        @GET
                        @Path("notice")
                        public Response notice() {
                            return Response.ok(java.util.Map.of()).lastModified(new java.util.Date(0))
                                    .language(java.util.Locale.CANADA_FRENCH)
                                    .cookie(new jakarta.ws.rs.core.NewCookie.Builder("crew").value("b").httpOnly(true).build())
                                    .build();
                        }

                        @POST
                        @Path("crews")
                        @Consumes(MediaType.APPLICATION_JSON)
                        public Response crews(java.util.List<Crew> crews) {
                            return Response.ok(crews.stream().mapToInt(Crew::hours).sum()).build();
                        }

                        @GET
                        public Response list\
                    """);
            QuickCompiler.compileService(project);
            served = ServedCellar.alone(project, Map.of());
        }
    }

    @AfterAll
    static void close() {
        served.close();
    }

    private static void edit(Path file, String from, String to) throws IOException {
        String text = Files.readString(file);
        assertThat(text).contains(from);
        Files.writeString(file, text.replace(from, to));
    }

    @Test
    void headersAreWrittenAsTheirTypesSay() throws Exception {
        Http.Answer answer = served.http().get("/presses/notice");

        assertThat(answer.headers().firstValue("Last-Modified")).contains("Thu, 01 Jan 1970 00:00:00 GMT");
        assertThat(answer.headers().firstValue("Content-Language")).contains("fr-CA");
        assertThat(answer.headers().firstValue("Set-Cookie").orElseThrow()).contains("crew=b").contains("HttpOnly");
    }

    @Test
    void annotationsOfAnInputAreFollowed() throws Exception {
        Http.Answer created = served.http().post("/presses", "{\"name\": \"Old\", \"bought\": \"31.05.2024\"}");
        Http.Answer misfit = served.http().post("/presses", "{\"name\": \"Old\", \"boughtOn\": \"2024-05-31\"}");
        Http.Answer unknown = served.http().post("/presses", "{\"name\": \"Old\", \"sold\": 1}");

        assertThat(created.text()).contains("\"boughtOn\":\"2024-05-31\"");
        assertThat(misfit.status()).isEqualTo(400);
        assertThat(misfit.text()).contains("\"field\":\"boughtOn\",\"rule\":\"Type\"");
        assertThat(unknown.status()).isEqualTo(400);
        assertThat(unknown.text()).contains("\"field\":\"sold\",\"rule\":\"Unknown\"");
    }

    @Test
    void fieldThatAPersonClosesIsNotSaidToBeNumbered() throws Exception {
        Http.Answer closed = served.http().post("/presses", "{\"name\": \"Old\", \"broken\": true}");

        assertThat(closed.status()).isEqualTo(400);
        assertThat(closed.text()).contains("broken must be left out").doesNotContain("numbered");
    }

    @Test
    void bodiesOfOtherTypesAreRead() throws Exception {
        Http.Answer sum = served.http().post("/presses/crews",
                "[{\"hands\": [\"Ada\"], \"hours\": 3}, {\"hands\": [], \"hours\": 4}]");
        Http.Answer misfit = served.http().post("/presses/crews", "[{\"hands\": [], \"hours\": \"many\"}]");

        assertThat(sum.text()).isEqualTo("7");
        assertThat(misfit.status()).isEqualTo(400);
        assertThat(misfit.text()).contains("\"field\":\"[0].hours\"");
    }
}
