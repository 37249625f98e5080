package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.TestDatabases;
import dev.vinekit.project.Project;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a database refuses for reasons that are not in the columns of the request. */
class RefusalsTest {
    private static final String TABLES = """
            CREATE TABLE vessel (id INT PRIMARY KEY, code VARCHAR(9) NOT NULL UNIQUE, sealed INT NOT NULL);
            CREATE TABLE filling (id INT PRIMARY KEY, vessel_code VARCHAR(9) NOT NULL, litres INT NOT NULL,
                CONSTRAINT filling_vessel FOREIGN KEY (vessel_code) REFERENCES vessel (code));
            """;
    private static final String PARTIAL = """
            CREATE UNIQUE INDEX one_open ON filling (vessel_code) WHERE litres = 0;
            CREATE UNIQUE INDEX code_in_any_case ON vessel (lower(code));
            """;
    private static final Map<String, String> TRIGGERS = Map.of(
            "sqlite", "CREATE TRIGGER sealed BEFORE DELETE ON vessel WHEN OLD.sealed = 1 "
                    + "BEGIN SELECT RAISE(ABORT, 'secret words'); END;",
            "postgresql", "CREATE FUNCTION sealed() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN IF OLD.sealed = 1 THEN "
                    + "RAISE EXCEPTION 'secret words'; END IF; RETURN OLD; END $$; "
                    + "CREATE TRIGGER sealed BEFORE DELETE ON vessel FOR EACH ROW EXECUTE FUNCTION sealed();",
            "mariadb", "CREATE TRIGGER sealed BEFORE DELETE ON vessel FOR EACH ROW IF OLD.sealed = 1 THEN "
                    + "SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'secret words'; END IF");

    @Test
    void refusalSaysWhatItIsAbout() throws Exception {
        refusalSaysWhatItIsAbout("sqlite");
    }

    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb"})
    void refusalSaysWhatItIsAbout(String engine) throws Exception {
        TestDatabases.require(engine);
        boolean partial = !engine.equals("mariadb");
        Project project = ServedCellar.project(engine, TABLES + (partial ? PARTIAL : "") + TRIGGERS.get(engine), "");
        try (ServedCellar served = ServedCellar.alone(project, Map.of())) {
            Http http = served.http();
            assertThat(http.post("/vessels", "{\"id\":901,\"code\":\"A1\",\"sealed\":1}").status()).isEqualTo(201);
            assertThat(http.post("/vessels", "{\"id\":902,\"code\":\"B1\",\"sealed\":0}").status()).isEqualTo(201);
            assertThat(http.post("/fillings", "{\"id\":901,\"vesselCode\":\"B1\",\"litres\":0}").status()).isEqualTo(201);

            Http.Answer sealed = http.send("DELETE", "/vessels/901", "");
            assertThat(sealed.status()).as(sealed.text()).isEqualTo(409);
            assertThat(sealed.text()).contains("A rule of the database refuses this change.").doesNotContain("secret");

            for (String method : new String[] {"PUT", "PATCH"}) {
                Http.Answer referred = http.send(method, "/vessels/902", "{\"code\":\"C1\",\"sealed\":0}");
                assertThat(referred.status()).as(referred.text()).isEqualTo(409);
                assertThat(referred.text()).contains("Rows of fillings still refer to this one.");
            }
            Http.Answer missing = http.post("/fillings", "{\"id\":902,\"vesselCode\":\"Z9\",\"litres\":1}");
            assertThat(missing.status()).as(missing.text()).isEqualTo(422);

            if (partial) {
                Http.Answer open = http.post("/fillings", "{\"id\":903,\"vesselCode\":\"B1\",\"litres\":0}");
                assertThat(open.status()).isEqualTo(409);
                assertThat(open.body().at("/violations/0/field").asText()).isEqualTo("vesselCode");
                Http.Answer alike = http.post("/vessels", "{\"id\":903,\"code\":\"a1\",\"sealed\":0}");
                assertThat(alike.status()).isEqualTo(409);
                assertThat(alike.body().at("/violations/0/field").asText()).isEqualTo("code");
            }
        }
    }
}
