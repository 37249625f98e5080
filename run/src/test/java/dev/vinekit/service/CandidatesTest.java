package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.TestDatabases;
import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import dev.vinekit.run.SeededDatabase;
import java.net.URI;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Several databases, of which one takes changes, and later another. */
class CandidatesTest {
    private static final String FEATURES = "features: { replicas: true, failover: true }\n";

    private static final String NOBODY = "127.0.0.1:9";

    private static RunningService service(Project project, SeededDatabase login, String urls) {
        return Runner.serve(project, Map.of("DB_URL", urls, "DB_USER", login.user(), "DB_PASSWORD", login.password(),
                "DB_POOL_SIZE", "4", "HTTP_PORT", "0", "HTTP_HOST", "127.0.0.1"));
    }

    private static void run(SeededDatabase database, String... statements) throws SQLException {
        try (Connection connection = DriverManager.getConnection(database.url(), database.user(), database.password());
                Statement statement = connection.createStatement()) {
            for (String each : statements) {
                statement.execute(each);
            }
        }
    }

    private static List<Boolean> have(String title, SeededDatabase... databases) throws SQLException {
        List<Boolean> found = new ArrayList<>();
        for (SeededDatabase database : databases) {
            try (Connection connection
                    = DriverManager.getConnection(database.url(), database.user(), database.password());
                    Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery("SELECT 1 FROM label WHERE title = '" + title + "'")) {
                found.add(row.next());
            }
        }
        return found;
    }

    private static String readOnly(SeededDatabase database, String value) {
        return "ALTER DATABASE \"" + URI.create(database.url().substring("jdbc:".length())).getPath().substring(1)
                + "\" SET default_transaction_read_only = " + value;
    }

    @Test
    void changesGoWhereTheyAreTakenByThen() throws Exception {
        TestDatabases.require("postgresql");
        Project project = ServedCellar.project("postgresql", FEATURES);
        try (SeededDatabase first = SeededDatabase.of(project); SeededDatabase second = SeededDatabase.of(project)) {
            run(first, readOnly(first, "on"));
            try (RunningService service = service(project, first, first.url() + " " + second.url())) {
                Http http = new Http(service.url());
                for (int i = 0; i < 6; i++) {
                    assertThat(http.post("/labels", "{\"title\":\"before-" + i + "\"}").status()).isEqualTo(201);
                }
                assertThat(have("before-5", first, second)).containsExactly(false, true);

                run(second, "CREATE FUNCTION refuse() RETURNS trigger LANGUAGE plpgsql AS "
                        + "'BEGIN RAISE EXCEPTION ''cannot execute INSERT in a read-only transaction'' USING ERRCODE = ''25006''; END'",
                        "CREATE TRIGGER refuse BEFORE INSERT ON label EXECUTE FUNCTION refuse()", readOnly(second, "on"));
                run(first, "SET default_transaction_read_only = off", readOnly(first, "off"));
                for (int i = 0; i < 6; i++) {
                    assertThat(http.post("/labels", "{\"title\":\"after-" + i + "\"}").status()).isEqualTo(201);
                }

                assertThat(have("after-0", first, second)).containsExactly(true, false);
                assertThat(have("after-5", first, second)).containsExactly(true, false);
                assertThat(http.get("/health").status()).isEqualTo(200);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "mysql"})
    void oneThatDoesNotAnswerIsPassedOver(String engine) throws Exception {
        TestDatabases.require(engine);
        Project project = ServedCellar.project(engine, FEATURES);
        try (SeededDatabase database = SeededDatabase.of(project)) {
            URI url = URI.create(database.url().substring("jdbc:".length()));
            String nowhere = database.url().replace(url.getAuthority(), NOBODY);
            try (RunningService service = service(project, database, nowhere + "  " + database.url())) {
                assertThat(new Http(service.url()).post("/labels", "{\"title\":\"there\"}").status()).isEqualTo(201);
                assertThat(have("there", database)).containsExactly(true);
            }
            assertThatThrownBy(() -> service(project, database, nowhere + " " + nowhere).close())
                    .isInstanceOf(Fault.class).hasMessageContaining("DB_URL");
        }
    }
}
