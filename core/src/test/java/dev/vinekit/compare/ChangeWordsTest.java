package dev.vinekit.compare;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is said of a change, of the states that a database itself tells. */
@Tag("fast")
class ChangeWordsTest {
    private static final String BEFORE = """
            CREATE SEQUENCE tickets START WITH 1;
            CREATE DOMAIN grade AS VARCHAR(3);
            CREATE TABLE maker (id INT PRIMARY KEY);
            CREATE TABLE cask (id INT PRIMARY KEY, code VARCHAR(8) NOT NULL, litres INT DEFAULT 225, quality grade,
                maker_id INT, CONSTRAINT cask_code UNIQUE (code), CONSTRAINT cask_litres CHECK (litres > 0),
                CONSTRAINT cask_maker FOREIGN KEY (maker_id) REFERENCES maker);
            CREATE INDEX by_litres ON cask (litres);
            CREATE VIEW large AS SELECT id FROM cask WHERE litres > 500;
            """;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "CREATE TABLE press (id INT) | table PRESS added",
        "DROP VIEW large | view LARGE removed",
        "CREATE OR REPLACE VIEW large AS SELECT id FROM cask WHERE litres > 600 | view LARGE changed another query",
        "COMMENT ON TABLE cask IS 'Oak' | table CASK changed another comment",
        "ALTER TABLE cask ADD toast VARCHAR(9) DEFAULT 'light' NOT NULL | column TOAST added VARCHAR(9), not null, default 'light'",
        "ALTER TABLE cask DROP COLUMN quality | column QUALITY removed \"PUBLIC\".\"GRADE\"",
        "ALTER TABLE cask ALTER COLUMN code VARCHAR(9) NOT NULL | column CODE changed VARCHAR(9), was VARCHAR(8)",
        "ALTER TABLE cask ALTER COLUMN code DROP NOT NULL | column CODE changed may be null now",
        "ALTER TABLE cask ALTER COLUMN litres SET NOT NULL | column LITRES changed not null now",
        "ALTER TABLE cask ALTER COLUMN litres SET DEFAULT 300 | column LITRES changed default 300, was default 225",
        "ALTER TABLE cask ALTER COLUMN litres DROP DEFAULT | column LITRES changed no default, was default 225",
        "ALTER TABLE maker ALTER COLUMN id INT GENERATED ALWAYS AS IDENTITY | column ID changed numbers itself now",
        "COMMENT ON COLUMN cask.code IS 'Chalked on it' | column CODE changed another comment",
        "ALTER TABLE cask DROP CONSTRAINT cask_code | unique key CASK_CODE removed (CODE)",
        "ALTER TABLE cask RENAME CONSTRAINT cask_code TO chalked | unique key CHALKED changed it was named CASK_CODE",
        "ALTER TABLE cask DROP CONSTRAINT cask_maker | reference CASK_MAKER removed (MAKER_ID) to MAKER (ID)",
        "ALTER TABLE cask DROP CONSTRAINT cask_litres | check CASK_LITRES removed \"LITRES\" > 0",
        "DROP INDEX by_litres | index BY_LITRES removed (LITRES)",
        "CREATE UNIQUE INDEX one_maker ON cask (maker_id) | index ONE_MAKER added unique (MAKER_ID)",
        "ALTER DOMAIN grade ADD CONSTRAINT letters CHECK (VALUE IN ('A', 'B')) | domain GRADE changed",
        "CREATE DOMAIN litres AS INT DEFAULT 1; ALTER TABLE cask ADD volume litres | domain LITRES added INTEGER, default 1",
        "ALTER SEQUENCE tickets INCREMENT BY 5 | sequence TICKETS changed from 1 by 5",
        "DROP SEQUENCE tickets | sequence TICKETS removed from 1 by 1"})
    void changeIsSaidByWhatItIsAndWas(String change, String words) throws SQLException {
        try (TestDatabases database = TestDatabases.on("h2", BEFORE)) {
            Schema before = VineKit.read(database.database(), Scope.all());
            database.run(change);
            Schema after = VineKit.read(database.database(), Scope.all());

            assertThat(SchemaDifference.of(before, after).changes()).map(ChangeWords::of)
                    .map(said -> (said.what() + " " + said.name() + " " + said.change() + " " + said.detail()).strip())
                    .anySatisfy(said -> assertThat(said).startsWith(words));
        }
    }
}
