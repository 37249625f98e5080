package dev.vinekit.example.hsqldb;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** An engine that Vine Kit does not know, in a jar of its own. */
class HsqldbEngineTest {
    @Test
    void isChosenByItsUrl() {
        assertThat(Engines.forUrl("jdbc:hsqldb:hsql://localhost/cellar")).isInstanceOf(HsqldbEngine.class);
        assertThat(Engines.forUrl("jdbc:h2:./data/cellar").name()).isEqualTo("h2");
        assertThat(Cellar.engines()).contains("hsqldb");
    }

    @Test
    void cellarGoesAllTheWayToAGreenMatrix(@TempDir Path directory) throws Exception {
        try (Cellar cellar = Cellar.open("hsqldb")) {
            Schema schema = VineKit.read(cellar.database(), Scope.all());
            Project project = VineKit.write(VineKit.plan(
                    VineKit.generate(VineKit.map(schema, "com.example.cellar"), Cellar.seed("hsqldb")), directory));
            Runner.compile(project);

            TestReport report = Runner.test(project);

            assertThat(report.failures()).isEmpty();
            assertThat(report.isGreen()).isTrue();
            assertThat(report.outcomes()).hasSizeGreaterThan(400);
            assertThat(Files.readString(directory.resolve("pom.xml"))).contains("<artifactId>hsqldb</artifactId>");
        }
    }

    @Test
    void constraintsWithoutANameGoAllTheWay(@TempDir Path directory) throws SQLException {
        try (ScratchDatabase scratch = new HsqldbEngine().scratch()) {
            scratch.execute("""
                    CREATE TABLE parcel (id INT PRIMARY KEY, name VARCHAR(20) NOT NULL UNIQUE, best_harvest INT);
                    CREATE TABLE harvest (
                        parcel_id INT NOT NULL REFERENCES parcel,
                        "Year" INT NOT NULL CHECK ("Year" > 1900),
                        id INT UNIQUE,
                        PRIMARY KEY (parcel_id, "Year")
                    );
                    ALTER TABLE parcel ADD FOREIGN KEY (best_harvest) REFERENCES harvest (id);
                    CREATE TABLE rumour (heard VARCHAR(20))""");
            Schema schema = new HsqldbEngine().read(scratch.anchor(), List.of());
            Project project = VineKit.write(VineKit.plan(
                    VineKit.generate(VineKit.map(schema, "com.example.cellar")), directory));
            Runner.compile(project);

            assertThat(directory.resolve("src/main/resources/db/schema.sql")).content().doesNotContain("SYS_");
            assertThat(Runner.test(project).failures()).isEmpty();
        }
    }

    @Test
    void checksAreReadAndAStateWrittenAndReadAgainIsTheSame() throws SQLException {
        try (Cellar cellar = Cellar.open("hsqldb"); ScratchDatabase again = new HsqldbEngine().scratch()) {
            Schema schema = VineKit.read(cellar.database(), Scope.all());
            assertThat(schema.tables()).flatExtracting(table -> table.checks())
                    .contains(new Check("HARVEST_WEIGHT_CHECK", "WEIGHT_KG>0"));

            again.execute(VineKit.definition(schema));

            assertThat(SchemaDifference.of(schema, new HsqldbEngine().read(again.anchor(), List.of())).changes())
                    .isEmpty();
        }
    }

    @Test
    void scriptsReachNoFile(@TempDir Path directory) throws SQLException {
        try (ScratchDatabase scratch = new HsqldbEngine().scratch()) {
            assertThatThrownBy(() -> scratch.execute("CREATE TEXT TABLE t (a INT); SET TABLE t SOURCE '"
                    + directory.resolve("out") + "'")).isInstanceOf(SQLException.class);
            assertThatThrownBy(() -> scratch.execute("SCRIPT '" + directory.resolve("script") + "'"))
                    .isInstanceOf(SQLException.class);
        }
        assertThat(directory).isEmptyDirectory();
    }
}
