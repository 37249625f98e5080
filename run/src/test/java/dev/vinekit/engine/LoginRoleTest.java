package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import dev.vinekit.schema.Access;
import dev.vinekit.sql.Script;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The role that a service logs in as: enough for the service, and for nothing else. */
class LoginRoleTest {
    private static final String PASSWORD = "it's a \\ secret";
    private static final int CONNECTIONS = 3;

    @TempDir
    private Path directory;

    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "mysql"})
    void roleCanDoWhatTheServiceDoesAndNothingElse(String engine) throws Exception {
        try (Cellar cellar = Cellar.openOn(TestDatabases.administrator(engine))) {
            execute(cellar.database(), "CREATE TABLE cellar_secret (id INT PRIMARY KEY)");
            Mapping mapping = VineKit.map(VineKit.read(cellar.database(), new Scope(List.of(), List.of(
                    "blend", "blend_component", "bottling", "cellar_log", "wine_lot"))), "com.example.cellar");
            String name = "service_" + engine;
            String script = VineKit.roleScript(cellar.database(), mapping, name, PASSWORD, CONNECTIONS);
            for (Script.Part part : Script.parts(script, cellar.database().engine().scriptSyntax())) {
                execute(cellar.database(), part.text());
            }
            revokeWhatEveryoneMayDo(cellar.database(), script);
            Database limited = Database.at(cellar.database().url(), name, PASSWORD);

            serve(VineKit.write(VineKit.plan(VineKit.generate(mapping), directory)), limited);

            assertThatNothingElseIsAllowed(limited);
            assertThat(VineKit.read(limited, Scope.all()).tables())
                    .filteredOn(table -> table.name().name().equals("blend"))
                    .allSatisfy(table -> assertThat(table.access().rights()).contains(Access.Right.SELECT));
            assertThatOneConnectionTooManyIsRefused(limited);
        } finally {
            try (Cellar again = Cellar.openOn(TestDatabases.administrator(engine))) {
                execute(again.database(), !engine.equals("postgresql") ? "DROP USER 'service_" + engine + "'@'%'"
                        : "DROP ROLE IF EXISTS service_postgresql");
            }
        }
    }

    /** A row that is marked as deleted is updated, and one that is referred to is locked for it. */
    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb"})
    void roleCanStampAndMarkRowsAndDeleteNone(String engine) throws Exception {
        String name = "stamping_" + engine;
        Path file = Files.writeString(directory.resolve("vinekit.yaml"),
                "stamps: {deleted-at: deleted_at, created-at: created_at, changed-at: changed_at}\n");
        try (TestDatabases database = TestDatabases.administered(engine, """
                CREATE TABLE vat (id INT NOT NULL PRIMARY KEY, deleted_at TIMESTAMP NULL);
                CREATE TABLE filling (id INT NOT NULL PRIMARY KEY, vat_id INT NOT NULL, litres INT, created_at TIMESTAMP NULL,
                    changed_at TIMESTAMP NULL, deleted_at TIMESTAMP NULL, FOREIGN KEY (vat_id) REFERENCES vat (id));
                """)) {
            Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()),
                    MappingFile.read(file, Map.of(), false).inPackage("com.example.made"), Set.of());
            String script = VineKit.roleScript(database.database(), mapping, name, PASSWORD, CONNECTIONS);
            for (Script.Part part : Script.parts(script, database.database().engine().scriptSyntax())) {
                execute(database.database(), part.text());
            }
            Project project = VineKit.write(VineKit.plan(VineKit.generate(mapping), directory.resolve("project")));
            QuickCompiler.compileService(project);
            try (RunningService service = Runner.serve(project, Map.of("DB_URL", database.database().url(), "DB_USER", name,
                    "DB_PASSWORD", PASSWORD, "DB_POOL_SIZE", String.valueOf(CONNECTIONS), "HTTP_PORT", "0"))) {
                assertThat(send("POST", service.url() + "/vats", "{\"id\":1}").statusCode()).isEqualTo(201);
                assertThat(send("POST", service.url() + "/fillings", "{\"id\":1,\"vatId\":1}").statusCode()).isEqualTo(201);
                assertThat(send("PUT", service.url() + "/fillings/1", "{\"vatId\":1,\"litres\":5}").statusCode()).isEqualTo(200);
                assertThat(send("DELETE", service.url() + "/fillings/1", "").statusCode()).isEqualTo(204);
                assertThat(send("DELETE", service.url() + "/vats/1", "").statusCode()).isEqualTo(204);
                assertThat(send("POST", service.url() + "/vats/1/restoration", "").statusCode()).isEqualTo(200);
            }
            Database limited = Database.at(database.database().url(), name, PASSWORD);
            for (String sql : List.of("DELETE FROM filling", "UPDATE vat SET id = 2", "UPDATE filling SET created_at = NULL")) {
                assertThatThrownBy(() -> execute(limited, sql)).as(sql).isInstanceOf(SQLException.class);
            }
        } finally {
            try (TestDatabases again = TestDatabases.administered(engine, "")) {
                execute(again.database(), !engine.equals("postgresql") ? "DROP USER '" + name + "'@'%'" : "DROP ROLE IF EXISTS " + name);
            }
        }
    }

    /** What the script names as everyone's right, in its last lines. */
    private static void revokeWhatEveryoneMayDo(Database database, String script) throws SQLException {
        for (String line : script.lines().filter(line -> line.startsWith("-- REVOKE")).toList()) {
            execute(database, line.substring(3).replace(";", ""));
        }
    }

    private static void serve(Project project, Database limited) throws Exception {
        QuickCompiler.compileService(project);
        Map<String, String> settings =
                Map.of("DB_URL", limited.url(), "DB_USER", limited.user(), "DB_PASSWORD", PASSWORD,
                "DB_POOL_SIZE", String.valueOf(CONNECTIONS), "HTTP_PORT", "0");
        try (RunningService service = Runner.serve(project, settings)) {
            String blends = service.url() + "/blends";
            HttpResponse<String> created = send("POST", blends, "{\"name\":\"Role\",\"blendedOn\":\"2024-05-01\"}");
            assertThat(created.statusCode()).as(created.body()).isEqualTo(201);
            String blend = place(service, created);
            assertThat(send("GET", blend, "").statusCode()).isEqualTo(200);
            assertThat(send("GET", blends + "?limit=2", "").statusCode()).isEqualTo(200);
            assertThat(send("PUT", blend, "{\"name\":\"Role 2\",\"blendedOn\":\"2024-05-02\"}").statusCode())
                    .isEqualTo(200);
            assertThat(send("DELETE", blend, "").statusCode()).isEqualTo(204);
            assertThat(send("POST", service.url() + "/cellar-logs", "{\"entry\":\"Seen\"}").statusCode())
                    .isEqualTo(201);
            HttpResponse<String> lot = send("POST", service.url() + "/wine-lots",
                    "{\"name\":\"Role\",\"vintage\":2024,\"litres\":1.5,\"filledOn\":\"2024-05-01\"}");
            assertThat(lot.statusCode()).as(lot.body()).isEqualTo(201);
            assertThat(send("DELETE", place(service, lot), "").statusCode()).isEqualTo(204);
        }
    }

    private static String place(RunningService service, HttpResponse<String> created) {
        return URI.create(service.url()).resolve(created.headers().firstValue("Location").orElseThrow()).toString();
    }

    private static void assertThatNothingElseIsAllowed(Database limited) {
        for (String sql : List.of(
                "CREATE TABLE mine (id INT)",
                "CREATE TEMPORARY TABLE mine (id INT)",
                "CREATE VIEW mine AS SELECT 1",
                "DROP TABLE blend",
                "TRUNCATE TABLE bottling",
                "ALTER TABLE blend ADD COLUMN x INT",
                "CREATE INDEX mine ON blend (name)",
                "UPDATE blend_component SET blend_id = 2 WHERE blend_id = 1",
                "UPDATE cellar_log SET entry = 'changed'",
                "DELETE FROM cellar_log",
                "UPDATE wine_lot_harvest SET harvest_id = 1",
                "SELECT * FROM cellar_secret",
                "INSERT INTO cellar_secret VALUES (1)",
                "CREATE ROLE another",
                "CREATE DATABASE another")) {
            assertThatThrownBy(() -> execute(limited, sql)).as(sql).isInstanceOf(SQLException.class)
                    .satisfies(e -> assertThat(((SQLException) e).getSQLState()).as(sql + ": " + e.getMessage())
                            .isIn("42501", "42000", "01007", "0L000", "HY000"));
        }
    }

    private static void assertThatOneConnectionTooManyIsRefused(Database limited) throws SQLException {
        List<Connection> open = new ArrayList<>();
        try {
            for (int i = 0; i < CONNECTIONS; i++) {
                open.add(limited.connect());
            }
            assertThatThrownBy(limited::connect).isInstanceOf(Fault.class).hasMessageContaining("no connection left");
        } finally {
            for (Connection connection : open) {
                connection.close();
            }
        }
    }

    private static HttpResponse<String> send(String method, String url, String body) throws Exception {
        return HttpClient.newHttpClient().send(HttpRequest.newBuilder(URI.create(url))
                .header("Content-Type", "application/json")
                .method(method, HttpRequest.BodyPublishers.ofString(body)).build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private static void execute(Database database, String sql) throws SQLException {
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }
}
