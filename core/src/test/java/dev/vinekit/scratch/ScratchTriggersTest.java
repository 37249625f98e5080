package dev.vinekit.scratch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Remark;
import dev.vinekit.source.SourceTree;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScratchTriggersTest {
    private static final String TABLES =
            "CREATE TABLE cask (id INTEGER NOT NULL PRIMARY KEY, litres INTEGER NOT NULL, note VARCHAR(20));\n"
            + "CREATE TABLE cask_log (id INTEGER NOT NULL PRIMARY KEY, what VARCHAR(20));\n";

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "sqlite     | CREATE TRIGGER t AFTER UPDATE OF litres ON cask BEGIN UPDATE cask SET note = 'changed' WHERE id = NEW.id; END",
        "sqlite     | CREATE TRIGGER t AFTER INSERT ON cask BEGIN UPDATE cask SET note = 'new' WHERE id = NEW.id; END",
        "mariadb    | CREATE TRIGGER t BEFORE INSERT ON cask FOR EACH ROW SET NEW.note = 'new'",
        "mariadb    | CREATE TRIGGER t BEFORE UPDATE ON cask FOR EACH ROW BEGIN IF NEW.litres <> OLD.litres THEN SET NEW.note = 'changed'; END IF; END",
        "postgresql | CREATE FUNCTION f() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NEW.note := 'new'; RETURN NEW; END $$;"
            + "CREATE TRIGGER t BEFORE INSERT OR UPDATE ON cask FOR EACH ROW EXECUTE FUNCTION f()",
        "postgresql | ALTER TABLE cask ADD age INTEGER;"
            + "CREATE FUNCTION f() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NEW.note := 'aged'; RETURN NEW; END $$;"
            + "CREATE TRIGGER t BEFORE UPDATE ON cask FOR EACH ROW WHEN (OLD.age IS DISTINCT FROM NEW.age) EXECUTE FUNCTION f()"})
    void columnsThatATriggerOverwritesAreSaid(String engine, String trigger) throws SQLException {
        assertThat(remarks(engine, trigger))
                .anyMatch(text -> text.startsWith("A trigger gives a value of its own to note:"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "sqlite     | CREATE TRIGGER t AFTER INSERT ON cask BEGIN INSERT INTO cask_log VALUES (NEW.id + 100, 'made'); END",
        "mariadb    | CREATE TRIGGER t AFTER INSERT ON cask FOR EACH ROW INSERT INTO cask_log VALUES (NEW.id + 100, 'made')"})
    void tablesThatATriggerWritesToAreSaid(String engine, String trigger) throws SQLException {
        assertThat(remarks(engine, trigger)).anyMatch(text -> text.contains("Triggers also write to cask_log"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "sqlite     | CREATE TRIGGER t BEFORE INSERT ON cask BEGIN SELECT RAISE(ABORT, 'no more casks'); END",
        "mariadb    | CREATE TRIGGER t BEFORE INSERT ON cask FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'no more casks'",
        "postgresql | CREATE FUNCTION f() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'no more casks'; END $$;"
            + "CREATE TRIGGER t BEFORE INSERT ON cask FOR EACH ROW EXECUTE FUNCTION f()"})
    void rowsThatATriggerRefusesAreNotMadeUp(String engine, String trigger) throws SQLException {
        assertThat(generated(engine, trigger).unfilled()).hasSize(1).allSatisfy((table, reason) ->
                assertThat(reason).contains("A trigger refuses").contains("no more casks").doesNotContain("(conn="));
    }

    private static List<String> remarks(String engine, String trigger) throws SQLException {
        return generated(engine, trigger).mapping().remarks().stream().map(Remark::text).toList();
    }

    private static SourceTree generated(String engine, String trigger) throws SQLException {
        try (TestDatabases database = TestDatabases.on(engine, TABLES + trigger + ";")) {
            Mapping mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.triggers");
            return VineKit.generate(mapping);
        }
    }
}
