package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.LoginRole;
import dev.vinekit.engine.SafeUrl;
import dev.vinekit.engine.mysqlfamily.FamilyEngine;
import dev.vinekit.engine.mysqlfamily.ServerProgram;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Schema;
import dev.vinekit.sql.Dialect;
import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.SQLException;
import java.util.List;
import java.util.regex.Pattern;

/** MariaDB: all that is particular to it, apart from the catalog queries and the SQL spelling. */
public final class MariadbEngine extends FamilyEngine {
    /** The server's own default, whatever this one is set to: what is refused must not depend on where it is tried. */
    static final String MODE = "STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION";

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
    public boolean replicates() {
        return true;
    }

    @Override
    public String exampleUrl() {
        return "jdbc:mariadb://localhost:3306/cellar";
    }

    @Override
    public boolean accepts(String jdbcUrl) {
        return jdbcUrl.startsWith("jdbc:mariadb:");
    }

    @Override
    public SafeUrl safeUrl() {
        return SafeUrl.of("jdbc:mariadb:(?:sequential:|loadbalance:|replication:)?//[\\w.:\\[\\],-]+(?:/[\\w.$%-]*)?", "?", """
                user password sslMode useSsl requireSsl connectTimeout socketTimeout timezone connectionTimeZone
                permitMysqlScheme allowPublicKeyRetrieval tinyInt1isBit yearIsDateType transformedBitIsBoolean
                nullDatabaseMeansCurrent useCompression tcpKeepAlive""");
    }

    @Override
    public String connectionUrl(String jdbcUrl) {
        String closed = jdbcUrl.contains("allowLocalInfile=") ? jdbcUrl : with(jdbcUrl, "allowLocalInfile=false");
        return withSession(closed, MODE);
    }

    @Override
    public Schema read(Connection connection, List<String> schemas) throws SQLException {
        DatabaseMetaData metadata = connection.getMetaData();
        boolean old = metadata.getDatabaseMajorVersion() < 10
                || metadata.getDatabaseMajorVersion() == 10 && metadata.getDatabaseMinorVersion() < 6;
        if (!metadata.getDatabaseProductName().equals("MariaDB")) {
            throw Fault.inCall("The server is MySQL " + metadata.getDatabaseProductVersion()
                    + ", and the URL is one of MariaDB.", "Begin the URL with jdbc:mysql:.");
        } else if (old) {
            throw Fault.inCall("The server is MariaDB " + metadata.getDatabaseProductVersion()
                            + "; generated statements need MariaDB 10.6 or later.",
                    Remedy.of(Remedy.Kind.READ_DUMP, "mariadb"));
        }
        return new MariadbCatalog(connection, schemas).read();
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
    protected ServerProgram program() {
        return MariadbProgram.preferred();
    }

    @Override
    public String roleScript(Connection connection, Schema schema, LoginRole role) throws SQLException {
        return new MariadbRole(connection.getCatalog(), schema, role).script();
    }

    /** MySQL's newest collations are not known to MariaDB. */
    @Override
    public String adapted(String statement) {
        String own = super.adapted(statement);
        return defines(own) ? MYSQL_BINARY.matcher(MYSQL_COLLATION.matcher(own).replaceAll("utf8mb4_unicode_520_ci"))
                .replaceAll("utf8mb4_bin") : own;
    }
}
