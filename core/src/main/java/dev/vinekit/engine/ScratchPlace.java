package dev.vinekit.engine;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import java.sql.SQLException;
import java.util.Optional;

/**
 * Where scratch databases with the tables of a schema are made: on the usual place of their engine or, where that lacks
 * something that the tables need, on the server that they come from.
 *
 * @param source the database that the schema was read from, if it is one of somebody's
 */
public record ScratchPlace(Engine engine, Optional<Database> source) {
    /** The usual place alone. */
    public static ScratchPlace of(Engine engine) {
        return new ScratchPlace(engine, Optional.empty());
    }

    /**
     * A new database with the tables of a definition; it goes away when it is closed.
     *
     * @throws SQLException if the definition is refused
     * @throws Fault if no server within reach has what the definition needs
     */
    public ScratchDatabase with(String definition) throws SQLException {
        try {
            return filled(ScratchDatabase.of(engine), definition);
        } catch (SQLException e) {
            Optional<String> lacking = engine.lacking(e);
            if (lacking.isEmpty()) {
                throw e;
            }
            return onSource(definition, lacking.get());
        }
    }

    /** What the tables need and no server within reach has; empty if a database can be made of them. */
    public Optional<String> lacks(String definition) throws SQLException {
        try {
            with(definition).close();
            return Optional.empty();
        } catch (Fault e) {
            return Optional.of(e.getMessage() + " " + e.fix());
        }
    }

    private ScratchDatabase onSource(String definition, String lacking) throws SQLException {
        String cause = "The server for scratch databases does not have " + lacking + ".";
        Remedy fix = Remedy.of(Remedy.Kind.NAME_DATABASE_WITH_EXTENSIONS);
        if (source.isEmpty()) {
            throw Fault.inWorld(cause, fix, null);
        }
        ScratchDatabase database;
        try {
            database = engine.scratchOn(source.get());
        } catch (SQLException e) {
            throw Fault.inWorld(cause + " On " + source.get() + " this login may not make one: "
                    + String.valueOf(e.getMessage()).lines().findFirst().orElse("") + ".", fix, e);
        }
        return filled(database, definition);
    }

    private static ScratchDatabase filled(ScratchDatabase database, String definition) throws SQLException {
        try {
            database.execute(definition);
            return database;
        } catch (SQLException e) {
            database.close();
            throw e;
        }
    }
}
