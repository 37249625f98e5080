package dev.vinekit.cellar;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;

/** The cellar's database, made afresh in memory; it goes away when it is closed. */
public final class Cellar implements AutoCloseable {
    private final ScratchDatabase scratch;
    private final Database database;

    private Cellar(Engine engine, ScratchDatabase scratch) {
        this.scratch = scratch;
        this.database = new Database(engine, scratch.url(), scratch.user(), scratch.password());
    }

    /** Makes the database and fills it with its rows. */
    public static Cellar open() {
        Engine engine = Engines.named("h2");
        try {
            Cellar cellar = new Cellar(engine, engine.scratch());
            cellar.scratch.execute(resource("schema.sql"));
            cellar.scratch.execute(seed());
            return cellar;
        } catch (SQLException e) {
            throw Fault.inWorld("The cellar database could not be made: " + e.getMessage(),
                    "Report this, with the output of --verbose.", e);
        }
    }

    public Database database() {
        return database;
    }

    /** The statements that insert the cellar's rows. */
    public static String seed() {
        return resource("seed.sql");
    }

    private static String resource(String name) {
        try (InputStream file = Cellar.class.getResourceAsStream(name)) {
            return new String(file.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        try {
            scratch.close();
        } catch (SQLException e) {
            throw Fault.inWorld("The cellar database could not be closed: " + e.getMessage(),
                    "It is in memory, and gone when the program ends.", e);
        }
    }
}
