package dev.vinekit;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;

/** Databases for tests, each gone when it is closed. */
public final class TestDatabases implements AutoCloseable {
    private final ScratchDatabase scratch;

    private TestDatabases(ScratchDatabase scratch) {
        this.scratch = scratch;
    }

    /** An H2 database in memory made by a script. */
    public static TestDatabases h2(String script) throws SQLException {
        ScratchDatabase scratch = Engines.named("h2").scratch();
        scratch.execute(script);
        return new TestDatabases(scratch);
    }

    /** Names, types and constraints that nobody would choose who had to generate code for them. */
    public static TestDatabases hostile() throws SQLException, IOException {
        try (InputStream script = TestDatabases.class.getResourceAsStream("hostile.sql")) {
            return h2(new String(script.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    public Database database() {
        return new Database(Engines.named("h2"), scratch.url(), scratch.user(), scratch.password());
    }

    @Override
    public void close() throws SQLException {
        scratch.close();
    }
}
