package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.LoginRole;
import dev.vinekit.engine.RowCount;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchServer;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.ScriptSyntax;
import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** MariaDB: all that is particular to it, apart from the catalog queries and the SQL spelling. */
public final class MariadbEngine implements Engine {
    /** MariaDB and MySQL, with what their client programs write and read. */
    private static final ScriptSyntax SYNTAX =
            new ScriptSyntax(true, false, true, true, false, true, false, false, ' ', true);

    private static final String UNCONNECTED = """
            SELECT schema_name FROM information_schema.schemata
            WHERE schema_name NOT IN (SELECT db FROM information_schema.processlist WHERE db IS NOT NULL)
            """;
    private static final String MYSQL = "jdbc:mysql:";

    /** Instants are told in UTC, whatever zone server and program are in. */
    private static final String IN_UTC = "connectionTimeZone=UTC&forceConnectionTimeZoneToSession=true";

    private static final Pattern ABOUT_USERS = Pattern.compile("(?i)(?:GRANT|REVOKE)\\b"
            + "|(?:CREATE|ALTER|DROP)\\s+(?:OR\\s+REPLACE\\s+)?(?:USER|ROLE)\\b|SET\\s+(?:DEFAULT\\s+)?ROLE\\b");
    private static final Pattern ABOUT_DATABASES = Pattern.compile(
            "(?is)(?:/\\*!\\d*\\s*)?(?:(?:CREATE|ALTER|DROP)\\s+(?:DATABASE|SCHEMA)|USE)\\b");
    /** The server's own default, whatever this one is set to: what is refused must not depend on where it is tried. */
    static final String MODE = "STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION";

    private static final Pattern DEFINER = Pattern.compile(
            "(?i)\\bDEFINER\\s*=\\s*(?:`(?:[^`]|``)*`|'[^']*'|\\w+)(?:@(?:`(?:[^`]|``)*`|'[^']*'|[\\w.%]+))?");

    private static final Pattern MYSQL_COLLATION = Pattern.compile("\\butf8mb4_0900_a[si]_ci\\b");
    private static final Pattern MYSQL_BINARY = Pattern.compile("\\butf8mb4_0900_(?:bin|as_cs)\\b");

    @Override
    public String name() {
        return "mariadb";
    }

    @Override
    public String title() {
        return "MariaDB";
    }

    @Override
    public String exampleUrl() {
        return "jdbc:mariadb://localhost:3306/cellar";
    }

    @Override
    public boolean accepts(String jdbcUrl) {
        return jdbcUrl.startsWith("jdbc:mariadb:") || jdbcUrl.startsWith(MYSQL);
    }

    @Override
    public String connectionUrl(String givenUrl) {
        String jdbcUrl = givenUrl.startsWith(MYSQL) ? "jdbc:mariadb:" + givenUrl.substring(MYSQL.length()) : givenUrl;
        boolean zoned = jdbcUrl.contains("connectionTimeZone=") || jdbcUrl.contains("timezone=");
        String closed = jdbcUrl.contains("allowLocalInfile=") ? jdbcUrl : with(jdbcUrl, "allowLocalInfile=false");
        String inUtc = zoned ? closed : with(closed, IN_UTC);
        return inUtc.contains("sessionVariables=") ? inUtc : with(inUtc, "sessionVariables=sql_mode='" + MODE + "'");
    }

    private static String with(String jdbcUrl, String option) {
        return jdbcUrl + (jdbcUrl.contains("?") ? "&" : "?") + option;
    }

    /** Error codes: MariaDB manual, "MariaDB Error Code Reference". */
    @Override
    public ConnectionAdvice explain(String jdbcUrl, String user, SQLException refusal) {
        String place = jdbcUrl.replaceAll("[?].*", "");
        String state = String.valueOf(refusal.getSQLState());
        return switch (refusal.getErrorCode()) {
            case 1045, 1698 -> new ConnectionAdvice(
                    "MariaDB does not accept the user name or password for " + place
                            + (user.isEmpty() ? " (no user was given)." : " (user " + user + ")."),
                    Remedy.of(Remedy.Kind.CHECK_LOGIN));
            case 1044 -> new ConnectionAdvice(
                    "MariaDB does not let user " + user + " use the database at the end of " + place + ".",
                    "Check the name, or grant the user the right to read it.");
            case 1049 -> new ConnectionAdvice(
                    "There is no database of the name at the end of " + place + ".",
                    "Check the name; SHOW DATABASES lists those that the user may see.");
            case 1040, 1203, 1226 -> new ConnectionAdvice(
                    "The MariaDB server at " + place + " has no connection left for user " + user + ".",
                    "Close other connections, or raise the limit of the user or the server.");
            default -> state.startsWith("08") ? unreachable(place, refusal) : new ConnectionAdvice(
                    "MariaDB could not be reached at " + place + " (error " + refusal.getErrorCode() + ").",
                    Remedy.of(Remedy.Kind.SEE_DRIVER));
        };
    }

    private static ConnectionAdvice unreachable(String place, SQLException refusal) {
        boolean aboutTls = String.valueOf(refusal.getMessage()).toLowerCase(Locale.ROOT).contains("ssl");
        return aboutTls
                ? new ConnectionAdvice("The MariaDB server at " + place + " and this program do not agree on TLS.",
                        "Check sslMode in the URL, and the certificates it names.")
                : new ConnectionAdvice("No MariaDB server answers at " + place + ".",
                        "Check host and port, and that the server runs and takes connections from here.");
    }

    @Override
    public Schema read(Connection connection, List<String> schemas) throws SQLException {
        DatabaseMetaData metadata = connection.getMetaData();
        boolean old = metadata.getDatabaseMajorVersion() < 10
                || metadata.getDatabaseMajorVersion() == 10 && metadata.getDatabaseMinorVersion() < 6;
        boolean another = !metadata.getDatabaseProductName().equals("MariaDB");
        if (another || old) {
            throw Fault.inCall("The server is " + metadata.getDatabaseProductName() + " "
                            + metadata.getDatabaseProductVersion()
                            + "; generated statements need MariaDB 10.6 or later.",
                    Remedy.of(Remedy.Kind.READ_DUMP, "mariadb"));
        }
        return new MariadbCatalog(connection, schemas).read();
    }

    @Override
    public Map<TableName, List<Column>> doubtful(Schema schema) {
        return schema.tables().stream().filter(table -> !table.isView() && !TruthValues.doubtful(table).isEmpty())
                .collect(Collectors.toMap(Table::name, TruthValues::doubtful));
    }

    @Override
    public Schema asRowsTell(Connection connection, Schema schema) throws SQLException {
        return TruthValues.byRows(connection, schema);
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
    public Dialect dialect(Schema schema) {
        return new MariadbDialect();
    }

    @Override
    public List<Library> libraries() {
        return List.of(new Library("org.mariadb.jdbc", "mariadb-java-client", "mariadb", "runtime"));
    }

    @Override
    public ScratchDatabase scratch() throws SQLException {
        MariadbServer server = MariadbServer.running();
        return create(server.url(), MariadbServer.USER, server.password(), server::allow);
    }

    @Override
    public ScratchDatabase scratchOn(Database server) throws SQLException {
        return create(server.url(), server.user(), server.password(), ScratchDatabase.Help.NONE);
    }

    private ScratchDatabase create(String url, String user, String password,
            ScratchDatabase.Help help) throws SQLException {
        return new ScratchServer(url, user, password, UNCONNECTED, "DROP DATABASE IF EXISTS %s").database(this, name ->
                connectionUrl(url.replaceFirst("^(jdbc:mariadb:[^/]*//[^/?]*)(?:/[^?]*)?", "$1/" + name)),
                database -> help);
    }

    @Override
    public boolean hasRoles() {
        return true;
    }

    @Override
    public String roleScript(Connection connection, Schema schema, LoginRole role) throws SQLException {
        return new MariadbRole(connection.getCatalog(), schema, role).script();
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

    /** Definers are users of another server, and MySQL's newest collations are not known to MariaDB. */
    @Override
    public String adapted(String statement) {
        boolean defines = statement.startsWith("/*!") || statement.regionMatches(true, 0, "CREATE", 0, 6);
        return defines ? MYSQL_BINARY.matcher(MYSQL_COLLATION.matcher(DEFINER.matcher(statement).replaceFirst(""))
                .replaceAll("utf8mb4_unicode_520_ci")).replaceAll("utf8mb4_bin") : statement;
    }
}
