package dev.vinekit.cellar;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.sql.Dialect;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The cellar's database, made afresh in memory; it goes away when it is closed. */
public final class Cellar implements AutoCloseable {
    private static final String SCHEMA = "cellar.sql";

    /** Literals and quoted names of standard SQL, which not every engine takes. */
    private static final Pattern STANDARD = Pattern.compile(
            "(X|DATE|TIME|TIMESTAMP|TIMESTAMP WITH TIME ZONE|JSON|UUID) ?'((?:[^']|'')*)'|'(?:[^']|'')*'|\"([^\"]+)\"");

    private static final Map<String, SqlType.Kind> KINDS = Map.of(
            "X", SqlType.Kind.BINARY, "DATE", SqlType.Kind.DATE, "TIME", SqlType.Kind.TIME,
            "TIMESTAMP", SqlType.Kind.TIMESTAMP, "TIMESTAMP WITH TIME ZONE", SqlType.Kind.TIMESTAMP_WITH_ZONE,
            "JSON", SqlType.Kind.JSON, "UUID", SqlType.Kind.UUID);

    private final ScratchDatabase scratch;
    private final Database database;

    private Cellar(Engine engine, ScratchDatabase scratch) {
        this.scratch = scratch;
        this.database = new Database(engine, scratch.url(), scratch.user(), scratch.password());
    }

    /** Makes the database on H2, in memory, and fills it with its rows. */
    public static Cellar open() {
        return open("h2");
    }

    /**
     * Makes the database on a scratch database of an engine, and fills it with its rows.
     *
     * @param engineName the engine's name in lower case
     * @throws Fault if there is no such engine, or it has no cellar
     */
    public static Cellar open(String engineName) {
        Engine engine = Engines.named(engineName);
        return filled(engine, engine::scratch);
    }

    /**
     * Makes the database on a server of the caller's, and fills it with its rows.
     *
     * @param server where the login may make a database
     */
    public static Cellar openOn(Database server) {
        return filled(server.engine(), () -> server.engine().scratchOn(server));
    }

    /** The names of the engines that have a cellar: a script of its tables beside their class. */
    public static List<String> engines() {
        return Engines.all().stream().filter(Cellar::isFor).map(Engine::name).toList();
    }

    private static boolean isFor(Engine engine) {
        return engine.getClass().getResource(SCHEMA) != null;
    }

    private interface Making {
        ScratchDatabase make() throws SQLException;
    }

    private static Cellar filled(Engine engine, Making making) {
        if (!isFor(engine)) {
            throw Fault.inCall("There is no cellar for " + engine.title() + ".", "Use one of: "
                    + String.join(", ", engines()) + ".");
        }
        try {
            Cellar cellar = new Cellar(engine, making.make());
            cellar.scratch.execute(resource(engine.getClass(), SCHEMA));
            cellar.scratch.execute(seed(engine.name()));
            return cellar;
        } catch (SQLException e) {
            throw Fault.inWorld("The cellar database could not be made (SQL state " + e.getSQLState() + ").",
                    Remedy.of(Remedy.Kind.REPORT), e);
        }
    }

    public Database database() {
        return database;
    }

    /** The statements that insert the cellar's rows, for H2. */
    public static String seed() {
        return seed("h2");
    }

    /** The statements that insert the cellar's rows, for an engine. */
    public static String seed(String engineName) {
        Dialect dialect = Engines.named(engineName).dialect(new Schema(engineName, "", List.of()));
        return STANDARD.matcher(resource(Cellar.class, "seed.sql")).replaceAll(found -> Matcher.quoteReplacement(
                found.group(1) != null
                        ? dialect.literal(SqlType.of(KINDS.get(found.group(1)), ""), found.group(2).replace("''", "'"))
                        : found.group(3) != null ? dialect.identifier(found.group(3)) : found.group()));
    }

    private static String resource(Class<?> beside, String name) {
        try (InputStream file = beside.getResourceAsStream(name)) {
            return new String(file.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        scratch.close();
    }
}
