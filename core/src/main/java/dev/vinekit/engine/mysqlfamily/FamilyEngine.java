package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.RowCount;
import dev.vinekit.engine.Restorer;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchServer;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.ScriptSyntax;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.net.ssl.SSLException;

/** What MySQL and MariaDB have in common, apart from the catalog queries and the SQL spelling. */
public abstract class FamilyEngine implements Engine {
    /** MariaDB and MySQL, with what their client programs write and read. */
    private static final ScriptSyntax SYNTAX =
            new ScriptSyntax(true, false, true, true, false, true, false, false, ' ', true);

    private static final String UNCONNECTED = """
            SELECT schema_name FROM information_schema.schemata
            WHERE schema_name NOT IN (SELECT db FROM information_schema.processlist WHERE db IS NOT NULL)
            """;
    /** Instants are told in UTC, whatever zone server and program are in. */
    private static final String IN_UTC = "connectionTimeZone=UTC&forceConnectionTimeZoneToSession=true";

    private static final Pattern ABOUT_USERS = Pattern.compile("(?i)(?:GRANT|REVOKE)\\b"
            + "|(?:CREATE|ALTER|DROP)\\s+(?:OR\\s+REPLACE\\s+)?(?:USER|ROLE)\\b|SET\\s+(?:DEFAULT\\s+)?ROLE\\b");
    private static final Pattern ABOUT_DATABASES = Pattern.compile(
            "(?is)(?:/\\*!\\d*\\s*)?(?:(?:CREATE|ALTER|DROP)\\s+(?:DATABASE|SCHEMA)|USE)\\b");
    private static final Pattern DEFINER = Pattern.compile(
            "(?i)\\bDEFINER\\s*=\\s*(?:`(?:[^`]|``)*`|'[^']*'|\\w+)(?:@(?:`(?:[^`]|``)*`|'[^']*'|[\\w.%]+))?");

    protected static String with(String jdbcUrl, String option) {
        return jdbcUrl + (jdbcUrl.contains("?") ? "&" : "?") + option;
    }

    /** Error codes: MariaDB manual, "MariaDB Error Code Reference", and MySQL manual, "Server Error Message Reference". */
    @Override
    public ConnectionAdvice explain(String jdbcUrl, String user, SQLException refusal) {
        String place = jdbcUrl.replaceAll("[?].*", "");
        String state = String.valueOf(refusal.getSQLState());
        return switch (refusal.getErrorCode()) {
            case 1045, 1698 -> new ConnectionAdvice(
                    title() + " does not accept the user name or password for " + place
                            + (user.isEmpty() ? " (no user was given)." : " (user " + user + ")."),
                    Remedy.of(Remedy.Kind.CHECK_LOGIN));
            case 1044 -> new ConnectionAdvice(
                    title() + " does not let user " + user + " use the database at the end of " + place + ".",
                    "Check the name, or grant the user the right to read it.");
            case 1049 -> new ConnectionAdvice(
                    "There is no database of the name at the end of " + place + ".",
                    "Check the name; SHOW DATABASES lists those that the user may see.");
            case 1040, 1203, 1226 -> new ConnectionAdvice(
                    "The " + title() + " server at " + place + " has no connection left for user " + user + ".",
                    "Close other connections, or raise the limit of the user or the server.");
            default -> state.startsWith("08") ? unreachable(place, refusal) : new ConnectionAdvice(
                    title() + " could not be reached at " + place + " (error " + refusal.getErrorCode() + ").",
                    Remedy.of(Remedy.Kind.SEE_DRIVER));
        };
    }

    private ConnectionAdvice unreachable(String place, SQLException refusal) {
        boolean aboutTls = String.valueOf(refusal.getMessage()).toLowerCase(Locale.ROOT).contains("ssl")
                || Stream.<Throwable>iterate(refusal, Objects::nonNull, Throwable::getCause)
                        .anyMatch(SSLException.class::isInstance);
        return aboutTls
                ? new ConnectionAdvice("The " + title() + " server at " + place + " and this program do not agree on TLS.",
                        "Check sslMode in the URL, and the certificates it names.")
                : new ConnectionAdvice("No " + title() + " server answers at " + place + ".",
                        "Check host and port, and that the server runs and takes connections from here.");
    }

    @Override
    public Map<TableName, List<Column>> doubtful(Schema schema) {
        return schema.tables().stream().filter(table -> !table.isView() && !TruthValues.doubtful(table).isEmpty())
                .collect(Collectors.toMap(Table::name, TruthValues::doubtful));
    }

    @Override
    public Schema asRowsTell(Connection connection, Schema schema) throws SQLException {
        return TruthValues.byRows(connection, schema, dialect(schema));
    }

    @Override
    public Map<TableName, Long> estimatedRows(Connection connection, Schema schema) throws SQLException {
        return RowCount.estimates(connection, schema, """
                SELECT CASE WHEN TABLE_SCHEMA = DATABASE() THEN '' ELSE TABLE_SCHEMA END, TABLE_NAME, TABLE_ROWS
                FROM information_schema.TABLES WHERE TABLE_ROWS > 0
                """);
    }

    @Override
    public Login login(Connection connection) throws SQLException {
        String sql = """
                SELECT CURRENT_USER(), VERSION(), EXISTS (SELECT 1 FROM information_schema.USER_PRIVILEGES
                    WHERE PRIVILEGE_TYPE IN ('SUPER', 'CREATE USER') AND GRANTEE = CONCAT('''',
                    SUBSTRING_INDEX(CURRENT_USER(), '@', 1), '''@''', SUBSTRING_INDEX(CURRENT_USER(), '@', -1), ''''))
                """;
        try (Statement statement = connection.createStatement(); ResultSet row = statement.executeQuery(sql)) {
            row.next();
            return new Login(title(), row.getString(2).replaceAll("-.*", ""), row.getString(1), row.getBoolean(3));
        }
    }

    @Override
    public boolean hasRoles() {
        return true;
    }

    @Override
    public ScriptSyntax scriptSyntax() {
        return SYNTAX;
    }

    @Override
    public Optional<String> reasonToSkip(String statement) {
        if (ABOUT_USERS.matcher(statement).lookingAt()) {
            return Optional.of("users, roles and rights are not for a scratch database");
        }
        return ABOUT_DATABASES.matcher(statement).lookingAt()
                ? Optional.of("everything goes into the one scratch database") : Optional.empty();
    }

    /** Definers are users of another server. */
    @Override
    public String adapted(String statement) {
        return defines(statement) ? DEFINER.matcher(statement).replaceFirst("") : statement;
    }

    protected static boolean defines(String statement) {
        return statement.startsWith("/*!") || statement.regionMatches(true, 0, "CREATE", 0, 6);
    }

    /** The programs of the server. */
    protected abstract ServerProgram program();

    @Override
    public ScratchDatabase scratch() throws SQLException {
        FamilyServer server = FamilyServer.running(program());
        return create(server.url(), FamilyServer.USER, server.password(), server::allow);
    }

    @Override
    public Restorer restorer(ScratchDatabase database) throws SQLException {
        ScratchDatabase copies = scratch();
        try {
            return new FamilyRestorer(database, copies);
        } catch (SQLException | RuntimeException e) {
            copies.close();
            throw e;
        }
    }

    @Override
    public ScratchDatabase scratchOn(Database server) throws SQLException {
        return create(server.url(), server.user(), server.password(), ScratchDatabase.Help.NONE);
    }

    private ScratchDatabase create(String url, String user, String password,
            ScratchDatabase.Help help) throws SQLException {
        String server = connectionUrl(url);
        return new ScratchServer(server, user, password, UNCONNECTED, "DROP DATABASE IF EXISTS %s").database(this,
                name -> server.replaceFirst("^(jdbc:\\w+:[^/]*//[^/?]*)(?:/[^?]*)?", "$1/" + name),
                database -> help);
    }

    /** The URL with instants in UTC, and with the mode that the server has of itself, unless it says otherwise. */
    protected static String withSession(String jdbcUrl, String mode) {
        boolean zoned = jdbcUrl.contains("connectionTimeZone=") || jdbcUrl.contains("timezone=");
        String inUtc = zoned ? jdbcUrl : with(jdbcUrl, IN_UTC);
        return inUtc.contains("sessionVariables=") ? inUtc : with(inUtc, "sessionVariables=sql_mode='" + mode + "'");
    }
}
