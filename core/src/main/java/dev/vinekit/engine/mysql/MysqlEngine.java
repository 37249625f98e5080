package dev.vinekit.engine.mysql;

import dev.vinekit.engine.LoginRole;
import dev.vinekit.engine.SafeUrl;
import dev.vinekit.engine.mysqlfamily.FamilyEngine;
import dev.vinekit.engine.mysqlfamily.FamilyRole;
import dev.vinekit.engine.mysqlfamily.ServerProgram;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Schema;
import dev.vinekit.sql.Dialect;
import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.SQLException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/** MySQL: all that is particular to it, apart from the catalog queries and the SQL spelling. */
public final class MysqlEngine extends FamilyEngine {
    private static final String SCHEME = "jdbc:mysql:";

    /** The driver makes spans of its own where it can, and says so on the error output. */
    static final String WITHOUT_TRACES = "openTelemetry=DISABLED";

    /** The server's own default, whatever this one is set to: what is refused must not depend on where it is tried. */
    static final String MODE = "ONLY_FULL_GROUP_BY,STRICT_TRANS_TABLES,NO_ZERO_IN_DATE,NO_ZERO_DATE,"
            + "ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION";

    /** A mode that older servers had, and that scripts of theirs set. */
    private static final Pattern GONE_MODE = Pattern.compile("(?i),?\\bNO_AUTO_CREATE_USER\\b");

    /** Settings of the whole server, and those of a session that only administrators change. */
    private static final Pattern OF_THE_SERVER = Pattern.compile("(?is)(?:/\\*!\\d*\\s*)?SET\\s+(?:@@)?"
            + "(?:(?:GLOBAL|PERSIST|PERSIST_ONLY)\\b|(?:SESSION\\s*[.\\s]\\s*|LOCAL\\s*[.\\s]\\s*)?"
            + "(?:innodb_strict_mode|sql_log_bin|gtid_next|binlog_format|binlog_row_image|session_track_gtids)\\b)");

    @Override
    public String name() {
        return "mysql";
    }

    @Override
    public String title() {
        return "MySQL";
    }

    @Override
    public boolean replicates() {
        return true;
    }

    @Override
    public String exampleUrl() {
        return "jdbc:mysql://localhost:3306/cellar";
    }

    @Override
    public boolean accepts(String jdbcUrl) {
        return jdbcUrl.startsWith(SCHEME);
    }

    @Override
    public SafeUrl safeUrl() {
        return SafeUrl.of("jdbc:mysql:(?:loadbalance:|replication:)?//[\\w.:\\[\\],-]+(?:/[\\w.$%-]*)?", "?", """
                user password sslMode useSSL requireSSL verifyServerCertificate connectTimeout socketTimeout
                connectionTimeZone serverTimezone forceConnectionTimeZoneToSession preserveInstants characterEncoding
                connectionCollation useUnicode allowPublicKeyRetrieval tinyInt1isBit yearIsDateType
                zeroDateTimeBehavior transformedBitIsBoolean nullDatabaseMeansCurrent useCompression tcpKeepAlive
                openTelemetry""");
    }

    @Override
    public String connectionUrl(String jdbcUrl) {
        String url = withSession(jdbcUrl, MODE);
        return url.contains("openTelemetry=") ? url : with(url, WITHOUT_TRACES);
    }

    /** The driver tells its own troubles with a login by words only. */
    @Override
    public ConnectionAdvice explain(String jdbcUrl, String user, SQLException refusal) {
        String message = String.valueOf(refusal.getMessage()).toLowerCase(Locale.ROOT);
        if (message.contains("public key retrieval")) {
            return new ConnectionAdvice("The MySQL server at " + jdbcUrl.replaceAll("[?].*", "")
                    + " wants the password encrypted with a key that the driver may not ask it for.",
                    "Connect with TLS (sslMode=REQUIRED in the URL), or, where nobody can listen in between, "
                            + "add allowPublicKeyRetrieval=true.");
        }
        if (message.contains("time zone")) {
            return new ConnectionAdvice("The MySQL server at " + jdbcUrl.replaceAll("[?].*", "")
                    + " does not know the time zone that the URL names.",
                    "Leave connectionTimeZone out, or give it as an offset such as %2B02:00.");
        }
        return super.explain(jdbcUrl, user, refusal);
    }

    @Override
    public Schema read(Connection connection, List<String> schemas) throws SQLException {
        DatabaseMetaData metadata = connection.getMetaData();
        String version = metadata.getDatabaseProductVersion();
        if (version.contains("MariaDB")) {
            throw Fault.inCall("The server is MariaDB " + version + ", and the URL is one of MySQL.",
                    "Begin the URL with jdbc:mariadb:.");
        }
        if (!supports(version)) {
            throw Fault.inCall("The server is MySQL " + version + "; generated statements need MySQL 8.0.17 or later.",
                    Remedy.of(Remedy.Kind.READ_DUMP, name()));
        }
        return new MysqlCatalog(connection, schemas).read();
    }

    private static boolean supports(String version) {
        int[] parts = List.of((version.replaceAll("[^\\d.].*", "") + ".0.0").split("\\.")).stream()
                .filter(part -> !part.isEmpty()).limit(3).mapToInt(Integer::parseInt).toArray();
        return parts[0] > 8 || parts[0] == 8 && (parts[1] > 0 || parts[2] >= 17);
    }

    @Override
    public Dialect dialect(Schema schema) {
        return new MysqlDialect();
    }

    @Override
    public List<Library> libraries() {
        return List.of(new Library("com.mysql", "mysql-connector-j", "mysql", "runtime"));
    }

    @Override
    protected ServerProgram program() {
        return new MysqlProgram();
    }

    @Override
    public Optional<String> reasonToSkip(String statement) {
        return OF_THE_SERVER.matcher(statement).lookingAt()
                ? Optional.of("settings of a server are not for a scratch database") : super.reasonToSkip(statement);
    }

    /** Scripts of older servers set modes that are gone. */
    @Override
    public String adapted(String statement) {
        boolean sets = statement.startsWith("/*!") || statement.regionMatches(true, 0, "SET", 0, 3);
        String own = super.adapted(statement);
        return sets ? GONE_MODE.matcher(own).replaceAll("") : own;
    }

    @Override
    public String roleScript(Connection connection, Schema schema, LoginRole role) throws SQLException {
        return new FamilyRole(new MysqlDialect(), connection.getCatalog(), role).script();
    }
}
