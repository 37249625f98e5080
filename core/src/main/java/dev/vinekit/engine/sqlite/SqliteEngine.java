package dev.vinekit.engine.sqlite;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Restorer;
import dev.vinekit.engine.SafeUrl;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchFolder;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Schema;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.ScriptSyntax;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** SQLite: all that is particular to it, apart from the catalog queries and the SQL spelling. */
public final class SqliteEngine implements Engine {
    /** SQLite, with what its client program writes and reads. */
    private static final ScriptSyntax SYNTAX =
            new ScriptSyntax(false, false, false, false, false, false, true, false, '.', true);

    /** Nothing on a scratch database has to outlive a crash; readers do not wait for a writer. */
    private static final String SCRATCH =
            "?foreign_keys=true&journal_mode=WAL&synchronous=OFF&transaction_mode=IMMEDIATE&busy_timeout=10000&limit_attached=0";

    private static final Pattern REACHES_FILES =
            Pattern.compile("(?i)\\s*(?:(?:BACKUP|RESTORE)\\b|PRAGMA\\s+\\w+_store_directory)");
    private static final Pattern ABOUT_OTHERS =
            Pattern.compile("(?i)\\s*(?:(?:ATTACH|DETACH|VACUUM|BACKUP|RESTORE)\\b|PRAGMA\\s+\\w+_store_directory)");

    /** Opens for reading and writing, and makes no file ({@code SQLITE_OPEN_READWRITE} alone). */
    private static final String EXISTING = "open_mode=2";

    @Override
    public String name() {
        return "sqlite";
    }

    @Override
    public String title() {
        return "SQLite";
    }

    @Override
    public String exampleUrl() {
        return "jdbc:sqlite:data/cellar.db";
    }

    @Override
    public boolean accepts(String jdbcUrl) {
        return jdbcUrl.startsWith("jdbc:sqlite:");
    }

    @Override
    public SafeUrl safeUrl() {
        return SafeUrl.of("jdbc:sqlite:(?!file:|:resource:)[^?]*", "?", """
                mode open_mode foreign_keys busy_timeout cache journal_mode encoding date_class date_precision
                date_string_format immutable""");
    }

    /** SQLite makes a file that does not exist, unless told not to. */
    @Override
    public String connectionUrl(String jdbcUrl) {
        if (jdbcUrl.startsWith("jdbc:sqlite::resource:")) {
            throw Fault.inCall("Vine Kit does not read SQLite databases from resources: the driver would fetch whatever "
                    + "address follows.", "Name the database's file, for example " + exampleUrl() + ".");
        }
        boolean inMemory = jdbcUrl.equals("jdbc:sqlite:") || jdbcUrl.contains(":memory:") || jdbcUrl.contains("mode=");
        return inMemory ? jdbcUrl : jdbcUrl + (jdbcUrl.contains("?") ? "&" : "?") + EXISTING;
    }

    /** Result codes: sqlite.org, "Result and Error Codes". */
    @Override
    public ConnectionAdvice explain(String jdbcUrl, String user, SQLException refusal) {
        String place = jdbcUrl.replaceAll("[?].*", "");
        return switch (refusal.getErrorCode() & 0xff) {
            case 14 -> new ConnectionAdvice("There is no database at " + place + ", or it cannot be opened.",
                    "Check the path: it is relative to the current directory unless it begins with /.");
            case 26 -> new ConnectionAdvice("The file at " + place + " is not an SQLite database.",
                    "Name another file; an encrypted database cannot be read.");
            case 5, 6 -> new ConnectionAdvice("Another program is writing to " + place + ".",
                    "Try again when it has finished.");
            case 8, 23 -> new ConnectionAdvice("The file at " + place + " may not be read or written by this login.",
                    "Check the rights on the file and on its directory.");
            default -> new ConnectionAdvice(
                    "SQLite could not open " + place + " (result " + refusal.getErrorCode() + ").",
                    Remedy.of(Remedy.Kind.SEE_DRIVER));
        };
    }

    /** SQLite looks into a file only when something is asked of it. */
    @Override
    public Optional<ConnectionAdvice> explainReading(Database database, SQLException refusal) {
        return Optional.of(explain(database.url(), database.user(), refusal));
    }

    @Override
    public Schema read(Connection connection, List<String> schemas) throws SQLException {
        return new SqliteCatalog(connection, schemas).read();
    }

    @Override
    public Login login(Connection connection) throws SQLException {
        return new Login(title(), connection.getMetaData().getDatabaseProductVersion(), "", false);
    }

    @Override
    public Dialect dialect(Schema schema) {
        return new SqliteDialect();
    }

    @Override
    public List<Library> libraries() {
        return List.of(new Library("org.xerial", "sqlite-jdbc", "sqlite", "runtime"));
    }

    @Override
    public List<String> brokenReferences(Connection connection) throws SQLException {
        List<String> broken = new ArrayList<>();
        try (Statement statement = connection.createStatement();
                ResultSet row =
                        statement.executeQuery(
                                "SELECT DISTINCT \"table\", parent FROM pragma_foreign_key_check ORDER BY 1, 2")) {
            while (row.next()) {
                broken.add(row.getString(1) + " to " + row.getString(2));
            }
        }
        return broken;
    }

    @Override
    public ScratchDatabase scratch() throws SQLException {
        try {
            ScratchFolder folder = ScratchFolder.ofFiles("vinekit-sqlite-");
            return new ScratchDatabase(this, "jdbc:sqlite:" + folder.path().resolve("scratch.db") + SCRATCH, "", "",
                    () -> remove(folder));
        } catch (IOException e) {
            throw Fault.inWorld("A file for a scratch database could not be made: " + e.getMessage(),
                    "Check that the temporary directory may be written to.", e);
        }
    }

    @Override
    public Restorer restorer(ScratchDatabase database) throws SQLException {
        return new SqliteRestorer(database);
    }

    @Override
    public ScratchDatabase keptIn(Path folder) throws SQLException, IOException {
        Files.createDirectories(folder);
        Path file = folder.resolve("database.db").toAbsolutePath();
        for (String suffix : List.of("", "-wal", "-shm")) {
            Files.deleteIfExists(Path.of(file + suffix));
        }
        return new ScratchDatabase(this, "jdbc:sqlite:" + file + SCRATCH, "", "", () -> { });
    }

    private static void remove(ScratchFolder folder) throws SQLException {
        try {
            folder.close();
        } catch (IOException e) {
            throw new SQLException("removing " + folder.path(), e);
        }
    }

    /**
     * The driver has commands of its own that copy databases from and to files, and SQLite one for where temporary
     * files lie.
     */
    @Override
    public Optional<String> refusal(String statement) {
        return REACHES_FILES.matcher(statement).lookingAt() ? Optional.of("it reaches files") : Optional.empty();
    }

    @Override
    public ScriptSyntax scriptSyntax() {
        return SYNTAX;
    }

    @Override
    public Optional<String> reasonToSkip(String statement) {
        return ABOUT_OTHERS.matcher(statement).lookingAt()
                ? Optional.of("it concerns other files") : Optional.empty();
    }
}
