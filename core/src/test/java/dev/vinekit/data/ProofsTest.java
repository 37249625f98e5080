package dev.vinekit.data;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.Mapping;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class ProofsTest {
    private static List<Proof> proofs(String script) throws Exception {
        return proofs("h2", script);
    }

    private static List<Proof> proofs(String engine, String script) throws Exception {
        try (TestDatabases database = TestDatabases.on(engine, script)) {
            Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.made");
            return Proofs.of(mapping, mapping.entities().get(0), new SampleRows(mapping),
                    database.database().engine().dialect(mapping.schema()));
        }
    }

    private static Proof of(List<Proof> proofs, Rule.Kind kind, String name) {
        return proofs.stream().filter(proof -> proof.rule().kind() == kind && proof.rule().name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "sqlite     | live                             | true",
        "sqlite     | live = 1                         | true",
        "sqlite     | live = 0                         | false",
        "sqlite     | kind = 'a'                       | true",
        "sqlite     | kind <> 'a'                      | false",
        "sqlite     | note IS NOT NULL AND live        | true",
        "sqlite     | note IS NULL                     | false",
        "sqlite     | length(note) > 3                 | false",
        "postgresql | live                             | true",
        "postgresql | NOT live                         | false",
        "postgresql | note IS NOT NULL OR kind = 'b'   | true",
        "postgresql | kind = 'a' AND live IS NOT FALSE | false"})
    void ruleForPartOfTheRowsIsProvedWhereASampleIsKnownToBeAmongThem(String engine, String part,
            boolean proved) throws Exception {
        List<Proof> proofs =
                proofs(engine,
                        "CREATE TABLE cask (id INTEGER PRIMARY KEY, name VARCHAR(20) NOT NULL, live BOOLEAN NOT NULL, "
                + "kind VARCHAR(9) NOT NULL CHECK (kind IN ('a', 'b')), note VARCHAR(20)); CREATE UNIQUE INDEX cask_name ON cask (name) WHERE " + part);

        Proof proof = of(proofs, Rule.Kind.UNIQUE, "cask_name");

        assertThat(!proof.trials().isEmpty()).isEqualTo(proved);
        assertThat(proof.reason().orElse(""))
                .isEqualTo(proved ? "" : "No row is known to be among those that it is about.");
    }

    @Test
    void everyConstraintIsListedWithTrialsOrAReason() throws Exception {
        List<Proof> proofs = proofs("""
                CREATE TABLE cask (
                    id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                    code VARCHAR(8) NOT NULL CONSTRAINT cask_code UNIQUE,
                    litres INT NOT NULL CONSTRAINT cask_litres CHECK (litres BETWEEN 20 AND 900),
                    staves INT DEFAULT 27 NOT NULL,
                    gallons INT GENERATED ALWAYS AS (litres / 4)
                )""");

        assertThat(proofs).extracting(proof -> proof.rule().kind().words() + " " + proof.rule().name()).contains(
                "unique CASK_CODE", "check CASK_LITRES", "not null CODE", "type CODE", "not null LITRES",
                "default STAVES",
                "not null STAVES", "generated GALLONS");
        assertThat(of(proofs, Rule.Kind.CHECK, "CASK_LITRES").trials())
                .extracting(trial -> ((Trial.Values) trial).how())
                .containsExactly("below its least", "above its most");
        assertThat(of(proofs, Rule.Kind.DEFAULT, "STAVES").trials()).hasOnlyElementsOfType(Trial.LeftOut.class);
        assertThat(of(proofs, Rule.Kind.GENERATED, "GALLONS").trials()).hasOnlyElementsOfType(Trial.Given.class);
        assertThat(of(proofs, Rule.Kind.GENERATED, "ID").trials()).hasOnlyElementsOfType(Trial.Given.class);
        assertThat(proofs.get(0).reason()).hasValue("The database numbers the rows.");
    }

    @Test
    void defaultThatOtherColumnsOrRowsMayRefuseMayBeRefused() throws Exception {
        List<Proof> proofs = proofs("""
                CREATE TABLE cask (
                    shelf INT DEFAULT 7, place INT DEFAULT 1, PRIMARY KEY (shelf, place),
                    code VARCHAR(8) DEFAULT 'none' UNIQUE, brand UUID DEFAULT RANDOM_UUID() UNIQUE,
                    litres INT DEFAULT 225, filled INT DEFAULT 0, CHECK (filled <= litres), staves INT DEFAULT 27
                )""");

        assertThat(proofs.stream().filter(proof -> proof.rule().kind() == Rule.Kind.DEFAULT))
                .extracting(proof -> proof.rule().name() + " " + ((Trial.LeftOut) proof.trials().get(0)).tied())
                .containsExactly("SHELF true", "PLACE true", "CODE true", "BRAND false", "LITRES true", "FILLED true",
                        "STAVES false");
    }

    @Test
    void ruleBehindAStricterOneSaysSo() throws Exception {
        List<Proof> proofs = proofs("""
                CREATE TABLE cask (
                    code VARCHAR(8) PRIMARY KEY,
                    toast SMALLINT CONSTRAINT cask_toast CHECK (toast BETWEEN 0 AND 4),
                    cooper VARCHAR(30),
                    CONSTRAINT cask_cooper UNIQUE (code, cooper)
                )""");

        assertThat(of(proofs, Rule.Kind.TYPE, "TOAST").reason())
                .hasValue("Whatever breaks it breaks another rule too.");
        assertThat(of(proofs, Rule.Kind.UNIQUE, "CASK_COOPER").reason()).get().asString()
                .startsWith("Rows that break it break");
    }

    @Test
    void checkThatTheServiceDoesNotKnowIsNotClaimed() throws Exception {
        List<Proof> proofs = proofs("""
                CREATE TABLE cask (
                    code VARCHAR(8) PRIMARY KEY,
                    opened DATE, emptied DATE,
                    CONSTRAINT cask_days CHECK (opened + 30 > emptied OR emptied IS NULL)
                )""");

        assertThat(of(proofs, Rule.Kind.CHECK, "CASK_DAYS").trials()).isEmpty();
        assertThat(of(proofs, Rule.Kind.CHECK, "CASK_DAYS").reason()).get().asString()
                .contains("leaves it to the database");
    }

    @Test
    void ruleIsUnbreakableOnlyIfNoRequestReachesIt() throws Exception {
        List<Proof> proofs = proofs("""
                CREATE TABLE cask (
                    id INT GENERATED ALWAYS AS IDENTITY CONSTRAINT cask_pk PRIMARY KEY,
                    toast VARCHAR(6) NOT NULL CONSTRAINT cask_toast CHECK (toast IN ('light', 'medium')),
                    staves INT DEFAULT 27 NOT NULL,
                    code VARCHAR(8) NOT NULL,
                    place INT GENERATED ALWAYS AS (staves / 9) CONSTRAINT cask_place UNIQUE,
                    CONSTRAINT cask_code UNIQUE (id, code),
                    CONSTRAINT cask_fill CHECK (place < 100)
                )""");

        assertThat(proofs.stream().filter(Proof::unbreakable)
                .map(proof -> proof.rule().kind().words() + " " + proof.rule().name()))
                .containsExactly("primary key CASK_PK", "unique CASK_CODE", "type TOAST");
        assertThat(of(proofs, Rule.Kind.UNIQUE, "CASK_PLACE").reason()).hasValue("Clients do not write PLACE.");
    }

    @ParameterizedTest
    @CsvSource({
        "NOT NULL, , Abandoned",
        "NOT NULL, ON DELETE RESTRICT, Abandoned",
        "NOT NULL, ON DELETE CASCADE, Released",
        ", ON DELETE SET NULL, Released"})
    void referenceIsProvedFromBothItsEnds(String nullness, String action, String trial) throws Exception {
        for (String target : List.of("winery (id)", "cask (code)")) {
            Proof reference = of(proofs("""
                    CREATE TABLE winery (id VARCHAR(8) PRIMARY KEY);
                    CREATE TABLE cask (
                        code VARCHAR(8) PRIMARY KEY,
                        origin VARCHAR(8) %s CONSTRAINT cask_origin REFERENCES %s %s
                    )""".formatted(nullness == null || target.startsWith("cask") ? "" : nullness, target, action == null ? "" : action)),
                    Rule.Kind.REFERENCE, "CASK_ORIGIN");

            assertThat(reference.trials()).extracting(found -> found.getClass().getSimpleName())
                    .containsExactly("Dangling", trial);
            assertThat(reference.reason()).isEmpty();
        }
    }

    @Test
    void proofOfAPartIsNotOneOfTheWhole() throws Exception {
        Proof cascade = of(proofs("""
                CREATE TABLE winery (id INT, part INT, PRIMARY KEY (id, part));
                CREATE TABLE cask (
                    code VARCHAR(8) PRIMARY KEY, winery_id INT NOT NULL, winery_part INT NOT NULL,
                    CONSTRAINT cask_winery FOREIGN KEY (winery_id, winery_part) REFERENCES winery ON DELETE CASCADE
                )"""), Rule.Kind.REFERENCE, "CASK_WINERY");

        assertThat(cascade.trials()).hasOnlyElementsOfType(Trial.Dangling.class);
        assertThat(cascade.reason()).hasValue("No test deletes the row that it refers to.");
    }
}
