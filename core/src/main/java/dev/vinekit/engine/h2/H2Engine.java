package dev.vinekit.engine.h2;

import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Restorer;
import dev.vinekit.engine.SafeUrl;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchFolder;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Schema;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.ScriptSyntax;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;

/** H2: all that is particular to it, apart from the catalog queries and the SQL spelling. */
public final class H2Engine implements Engine {
    /** Dollar quoting without tags. */
    private static final ScriptSyntax SYNTAX =
            new ScriptSyntax(false, true, false, false, true, false, false, false, ' ', false);

    private static final Pattern ABOUT_USERS = Pattern.compile(
            "(?i)(?:GRANT|REVOKE)\\b|(?:CREATE|ALTER|DROP)\\s+(?:USER|ROLE)\\b");

    private static final Pattern SETTING =
            Pattern.compile("(?i)SET\\s+(?:REFERENTIAL_INTEGRITY|MODE|IGNORECASE|(?:DATABASE\\s+)?COLLATION"
            + "|DEFAULT_LOCK_TIMEOUT|DEFAULT_NULL_ORDERING|MAX_MEMORY_ROWS)\\s+(?:TO\\s+)?\\w+(?:\\s+STRENGTH\\s+\\w+)?");

    /** Owns the tables of scratch databases. */
    private static final String USER = "VINEKIT";
    private static final String ADMINISTRATOR = "sa";

    @Override
    public String name() {
        return "h2";
    }

    @Override
    public String title() {
        return "H2";
    }

    @Override
    public String exampleUrl() {
        return "jdbc:h2:./data/cellar";
    }

    @Override
    public boolean accepts(String jdbcUrl) {
        return jdbcUrl.startsWith("jdbc:h2:");
    }

    @Override
    public SafeUrl safeUrl() {
        return SafeUrl.of("(?i)jdbc:h2:(?:mem:[\\w.$-]*|(?:file:)?(?:[~./]|[a-z]:)[^:;]*|(?:tcp|ssl)://[^;]+)", ";", """
                USER PASSWORD IFEXISTS MODE SCHEMA DATABASE_TO_UPPER DATABASE_TO_LOWER CASE_INSENSITIVE_IDENTIFIERS
                NON_KEYWORDS DB_CLOSE_DELAY DB_CLOSE_ON_EXIT AUTO_SERVER ACCESS_MODE_DATA CIPHER FILE_LOCK LOCK_TIMEOUT
                DEFAULT_LOCK_TIMEOUT DEFAULT_NULL_ORDERING NETWORK_TIMEOUT OLD_INFORMATION_SCHEMA""");
    }

    /** H2 makes a file database that does not exist, unless told not to. */
    @Override
    public String connectionUrl(String jdbcUrl) {
        boolean inMemory = jdbcUrl.startsWith("jdbc:h2:mem:");
        boolean saysSo = jdbcUrl.toUpperCase(Locale.ROOT).contains(";IFEXISTS=");
        return inMemory || saysSo ? jdbcUrl : jdbcUrl + ";IFEXISTS=TRUE";
    }

    /** Error codes: {@code org.h2.api.ErrorCode}. */
    @Override
    public ConnectionAdvice explain(String jdbcUrl, String user, SQLException refusal) {
        String place = jdbcUrl.replaceAll(";.*", "");
        return switch (refusal.getErrorCode()) {
            case 28000 -> new ConnectionAdvice(
                    "H2 does not accept the user name or password for " + place
                            + (user.isEmpty() ? " (no user was given)." : " (user " + user + ")."),
                    Remedy.of(Remedy.Kind.CHECK_LOGIN));
            case 90013, 90146, 90149 -> new ConnectionAdvice(
                    "There is no database at " + place + ".",
                    "Check the path: it is relative to the current directory if it begins with ./, and has no .mv.db at the end.");
            case 90020 -> new ConnectionAdvice(
                    "Another program has " + place + " open.",
                    "Close that program, or open the database in both with ;AUTO_SERVER=TRUE.");
            case 90067 -> new ConnectionAdvice(
                    "No H2 server answers at " + place + ".",
                    "Check host and port, and that the server runs.");
            case 90011 -> new ConnectionAdvice(
                    "The path in " + place + " is neither absolute nor begins with ./ or ~/.",
                    "Write jdbc:h2:./NAME for a file in the current directory.");
            case 90046, 90113 -> new ConnectionAdvice(
                    "H2 does not understand the URL " + place + " with its settings.",
                    "Check the spelling, for example jdbc:h2:./data/cellar or jdbc:h2:tcp://localhost/~/cellar.");
            default -> new ConnectionAdvice(
                    "H2 could not open " + place + " (error " + refusal.getErrorCode() + ").",
                    Remedy.of(Remedy.Kind.SEE_DRIVER));
        };
    }

    @Override
    public Schema read(Connection connection, List<String> schemas) throws SQLException {
        return new H2Catalog(connection, schemas).read();
    }

    @Override
    public Login login(Connection connection) throws SQLException {
        String sql = """
                SELECT CURRENT_USER, (SELECT IS_ADMIN FROM INFORMATION_SCHEMA.USERS WHERE USER_NAME = CURRENT_USER)
                """;
        try (Statement statement = connection.createStatement(); ResultSet row = statement.executeQuery(sql)) {
            row.next();
            String version = connection.getMetaData().getDatabaseProductVersion().replaceAll(" .*", "");
            return new Login(title(), version, row.getString(1), row.getBoolean(2));
        }
    }

    @Override
    public Dialect dialect(Schema schema) {
        return new H2Dialect();
    }

    @Override
    public List<Library> libraries() {
        return List.of(new Library("com.h2database", "h2", "h2", "runtime"));
    }

    @Override
    public ScratchDatabase scratch() throws SQLException {
        return closed("jdbc:h2:mem:scratch-" + UUID.randomUUID(), ScratchFolder.password());
    }

    @Override
    public Restorer restorer(ScratchDatabase database) throws SQLException {
        return new H2Restorer(database);
    }

    @Override
    public ScratchDatabase keptIn(Path folder) throws SQLException, IOException {
        Files.createDirectories(folder);
        Files.deleteIfExists(folder.resolve("database.mv.db"));
        return closed("jdbc:h2:" + folder.resolve("database").toAbsolutePath(), "");
    }

    @Override
    public Optional<String> keptOwner() {
        return Optional.of(ADMINISTRATOR);
    }

    /**
     * A database in which scripts of others may run: their login may make tables and is no administrator, and so cannot
     * call Java, read or write files, or reach other databases, also not from defaults and views.
     */
    private ScratchDatabase closed(String url, String administratorPassword) throws SQLException {
        String password = ScratchFolder.password();
        Connection administrator = DriverManager.getConnection(url, ADMINISTRATOR, administratorPassword);
        try (Statement statement = administrator.createStatement()) {
            statement.execute("CREATE USER " + USER + " PASSWORD '" + password + "'");
            statement.execute("GRANT ALTER ANY SCHEMA TO " + USER);
            return new ScratchDatabase(this, url, USER, password, sql -> changes(administrator, sql),
                    administrator::close);
        }
    }

    /** Settings of the whole database that only an administrator may change, and that dumps contain. */
    private static boolean changes(Connection administrator, String sql) throws SQLException {
        boolean harmless = SETTING.matcher(sql).matches();
        if (harmless) {
            try (Statement statement = administrator.createStatement()) {
                statement.execute(sql);
            }
        }
        return harmless;
    }

    @Override
    public ScriptSyntax scriptSyntax() {
        return SYNTAX;
    }

    @Override
    public Optional<String> reasonToSkip(String statement) {
        return ABOUT_USERS.matcher(statement).lookingAt()
                ? Optional.of("users and rights are not for a scratch database") : Optional.empty();
    }
}
