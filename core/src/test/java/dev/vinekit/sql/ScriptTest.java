package dev.vinekit.sql;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.engine.Engines;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScriptTest {
    private static final ScriptSyntax POSTGRESQL = Engines.named("postgresql").scriptSyntax();
    private static final ScriptSyntax MARIADB = Engines.named("mariadb").scriptSyntax();

    @Test
    void semicolonsInStringsNamesAndCommentsEndNothing() {
        assertThat(statements("SELECT 'a;''b;', \"c;d\" -- e;\n, 1 /* f; */;\nSELECT 2", ScriptSyntax.STANDARD))
                .containsExactly("SELECT 'a;''b;', \"c;d\" -- e;\n, 1 /* f; */", "SELECT 2");
    }

    @Test
    void linesAreThoseOfTheFirstWord() {
        List<Script.Part> parts = Script.parts("\n-- hello\nSELECT\n1;\n\n  SELECT 2;", ScriptSyntax.STANDARD);

        assertThat(parts).extracting(Script.Part::line).containsExactly(3, 6);
    }

    @Test
    void dollarQuotesHoldAnything() {
        String function = "CREATE FUNCTION f() RETURNS int AS $body$ SELECT '$$;' ; $body$ LANGUAGE sql";

        assertThat(statements(function + ";SELECT $1;", POSTGRESQL))
                .containsExactly(function, "SELECT $1");
    }

    @Test
    void backslashesEscapeWhereTheEngineSaysSo() {
        assertThat(statements("SELECT 'a\\';b';SELECT 2", MARIADB)).hasSize(2);
        assertThat(statements("SELECT 'a\\';SELECT 2", POSTGRESQL)).hasSize(2);
        assertThat(statements("SELECT E'a\\';b';SELECT 2", POSTGRESQL)).hasSize(2);
    }

    @Test
    void delimiterLinesChangeWhatEndsAStatement() {
        assertThat(
                statements("DELIMITER //\nCREATE PROCEDURE p() BEGIN SELECT 1; SELECT 2; END//\nDELIMITER ;\nSELECT 3;",
                MARIADB)).containsExactly("CREATE PROCEDURE p() BEGIN SELECT 1; SELECT 2; END",
                        "SELECT 3");
    }

    @Test
    void conditionalCommentsAreForTheServer() {
        assertThat(statements("/* nothing */ /*!40101 SET NAMES utf8 */;\n# no; more\nSELECT 1", MARIADB))
                .containsExactly("/*!40101 SET NAMES utf8 */", "SELECT 1");
    }

    @Test
    void rowsOfACopyBelongToIt() {
        List<Script.Part> parts = Script.parts(
                "COPY t (a) FROM stdin;\none;\n\\N\n\\.\n\\connect other\nSELECT 1;", POSTGRESQL);

        assertThat(parts).extracting(Script.Part::kind)
                .containsExactly(Script.Kind.COPY, Script.Kind.CLIENT_LINE, Script.Kind.STATEMENT);
        assertThat(parts.get(0).rows()).isEqualTo("one;\n\\N\n");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "sqlite     | CREATE TRIGGER t AFTER INSERT ON a BEGIN UPDATE a SET x = CASE WHEN 1 THEN 2 END; SELECT 1; END",
        "mariadb    | CREATE TRIGGER t BEFORE INSERT ON a FOR EACH ROW SET NEW.x = IF(NEW.x > 1, 1, REPEAT('a', 2))",
        "mariadb    | CREATE TRIGGER t BEFORE INSERT ON a FOR EACH ROW BEGIN IF NEW.x > 1 THEN SET NEW.x = 1; END IF; END",
        "mariadb    | CREATE TRIGGER t BEFORE INSERT ON a FOR EACH ROW IF NEW.x > 1 THEN SET NEW.x = 1; ELSE SET NEW.x = 2; END IF",
        "mariadb    | CREATE DEFINER=`a`@`b` FUNCTION f(n INT) RETURNS INT BEGIN WHILE n > 0 DO SET n = n - 1; END WHILE; RETURN n; END",
        "mariadb    | CREATE OR REPLACE PROCEDURE p() BEGIN CASE WHEN 1 THEN SELECT 1; END CASE; LOOP SELECT 2; END LOOP; END",
        "postgresql | CREATE FUNCTION f() RETURNS int LANGUAGE SQL BEGIN ATOMIC SELECT 1; SELECT CASE WHEN true THEN 1 END; END",
        "postgresql | CREATE OR REPLACE FUNCTION f() RETURNS trigger LANGUAGE plpgsql AS $x$ BEGIN RETURN NEW; $x$",
        "postgresql | CREATE FUNCTION f() RETURNS int LANGUAGE SQL RETURN 1"})
    void bodyOfAProgramStaysTogether(String engine, String program) {
        ScriptSyntax written = Engines.named(engine).scriptSyntax();

        assertThat(statements(program + ";\nSELECT 1;", written)).containsExactly(program, "SELECT 1");
    }

    @Test
    void commentsMayHoldCommentsWhereTheEngineSaysSo() {
        assertThat(statements("/* a /* b; */ c; */ SELECT 1", POSTGRESQL)).containsExactly("SELECT 1");
    }

    private static List<String> statements(String script, ScriptSyntax syntax) {
        return Script.parts(script, syntax).stream().map(Script.Part::text).toList();
    }
}
