package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Script;
import dev.vinekit.sql.ScriptSyntax;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A database that has a JDBC driver and nothing else of ours. */
class GenericEngineTest {
    private static final String REAL = "jdbc:hsqldb:mem:real";

    @Tag("thorough")
    @Test
    void cellarGoesAllTheWayToAGreenMatrix(@TempDir Path directory) throws Exception {
        try (Connection anchor = cellar(REAL)) {
            Database database = Database.at(REAL, "SA", "");
            Schema schema = VineKit.read(database, Scope.all());
            Project project = VineKit.write(VineKit.plan(
                    VineKit.generate(VineKit.map(schema, "com.example.cellar")), directory));
            QuickCompiler.compile(project);

            TestReport report = Runner.testOn(project, Database.at("jdbc:hsqldb:mem:empty", "SA", ""), Scope.all());

            assertThat(report.failures()).isEmpty();
            assertThat(report.isGreen()).isTrue();
            assertThat(report.outcomes()).hasSizeGreaterThan(260);
            anchor.createStatement().execute("SHUTDOWN");
        }
    }

    @Test
    void readsTablesColumnsKeysAndReferences() throws Exception {
        String url = "jdbc:hsqldb:mem:read";
        try (Connection anchor = cellar(url)) {
            Schema schema = VineKit.read(Database.at(url, "SA", ""), Scope.all());

            assertThat(schema.tables()).hasSize(15);
            Table bottling = schema.table(new TableName("PUBLIC", "BOTTLING")).orElseThrow();
            assertThat(bottling.primaryKey().orElseThrow().columns()).containsExactly("ID");
            assertThat(bottling.column("ID").isIdentity()).isTrue();
            assertThat(bottling.column("LITRES").isComputed()).isTrue();
            assertThat(bottling.column("PRICE").type()).isEqualTo(
                    SqlType.of(SqlType.Kind.DECIMAL, "NUMERIC(8, 2)").withDigits(8, 2));
            assertThat(bottling.foreignKeys()).extracting(key -> key.target().name())
                    .containsExactlyInAnyOrder("BLEND", "LABEL");
            Table hands = schema.table(new TableName("PUBLIC", "CELLAR_HAND")).orElseThrow();
            assertThat(hands.uniqueKeys()).containsExactly(
                    new UniqueKey("CELLAR_HAND_EMAIL_KEY", List.of("EMAIL")));
            anchor.createStatement().execute("SHUTDOWN");
        }
    }

    @Test
    void databaseThatIsNotEmptyIsLeftAlone(@TempDir Path directory) throws Exception {
        String url = "jdbc:hsqldb:mem:full";
        try (Connection anchor = cellar(url)) {
            Project project = VineKit.write(VineKit.plan(VineKit.generate(
                    VineKit.map(VineKit.read(Database.at(url, "SA", ""), Scope.all()), "com.example.cellar")),
                            directory));

            assertThatThrownBy(() -> Runner.testOn(project, Database.at(url, "SA", ""), Scope.all()))
                    .isInstanceOf(Fault.class).hasMessageContaining("is not empty").hasMessageContaining("BLEND");
            anchor.createStatement().execute("SHUTDOWN");
        }
    }

    /** PostgreSQL's cellar with the types that HSQLDB has. */
    private static Connection cellar(String url) throws SQLException, IOException {
        Connection anchor = DriverManager.getConnection(url, "SA", "");
        try (InputStream script = GenericEngineTest.class.getResourceAsStream(
                "postgresql/cellar.sql");
                Statement statement = anchor.createStatement()) {
            String text = new String(script.readAllBytes(), StandardCharsets.UTF_8)
                    .replace("DEFAULT gen_random_uuid() ", "").replace("JSONB", "VARCHAR(2000)")
                    .replace("BYTEA", "VARBINARY(4000)").replace("TEXT", "CLOB").replace(") STORED", ")");
            for (Script.Part part : Script.parts(text, ScriptSyntax.STANDARD)) {
                if (!part.text().startsWith("COMMENT")) {
                    statement.execute(part.text());
                }
            }
        }
        return anchor;
    }
}
