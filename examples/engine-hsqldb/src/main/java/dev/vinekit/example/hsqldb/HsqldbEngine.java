package dev.vinekit.example.hsqldb;

import dev.vinekit.engine.Catalog;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.schema.Schema;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.ScriptSyntax;
import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.SQLException;
import java.util.List;
import java.util.UUID;
import org.hsqldb.persist.HsqlDatabaseProperties;

/** HSQLDB, as an engine that is not among ours: found on the class path, and chosen by its URLs. */
public final class HsqldbEngine implements Engine {
    private static final String USER = "SA";

    @Override
    public String name() {
        return "hsqldb";
    }

    @Override
    public String title() {
        return "HSQLDB";
    }

    @Override
    public String exampleUrl() {
        return "jdbc:hsqldb:hsql://localhost/cellar";
    }

    @Override
    public boolean accepts(String jdbcUrl) {
        return jdbcUrl.startsWith("jdbc:hsqldb:");
    }

    /** A file database that does not exist is made, unless told not to (HSQLDB guide, "Connection URL"). */
    @Override
    public String connectionUrl(String jdbcUrl) {
        return jdbcUrl.startsWith("jdbc:hsqldb:mem:") || jdbcUrl.contains("ifexists=") ? jdbcUrl
                : jdbcUrl + ";ifexists=true";
    }

    /** SQL states: HSQLDB guide, "Error Codes". */
    @Override
    public ConnectionAdvice explain(String jdbcUrl, String user, SQLException refusal) {
        String place = jdbcUrl.replaceAll(";.*", "");
        return switch (String.valueOf(refusal.getSQLState())) {
            case "28000", "28501" -> new ConnectionAdvice(
                    "HSQLDB does not accept the user name or password for " + place + ".",
                    "Check --user, and that the variable named by --password-env holds the password.");
            case "08003" -> new ConnectionAdvice("There is no database at " + place + ".", "Check the path.");
            case "08001", "08000" -> new ConnectionAdvice("No HSQLDB server answers at " + place + ".",
                    "Check host and port, and that the server runs.");
            default -> new ConnectionAdvice(
                    "HSQLDB could not open " + place + " (SQL state " + refusal.getSQLState() + ").",
                    "Run again with --verbose to see what the driver says.");
        };
    }

    @Override
    public Schema read(Connection connection, List<String> schemas) throws SQLException {
        return new HsqldbCatalog(connection, schemas).read(name());
    }

    @Override
    public Login login(Connection connection) throws SQLException {
        DatabaseMetaData metadata = connection.getMetaData();
        return new Login(title(), metadata.getDatabaseProductVersion(), Catalog.text(metadata.getUserName()),
                USER.equals(metadata.getUserName()));
    }

    @Override
    public Dialect dialect(Schema schema) {
        return new HsqldbDialect();
    }

    @Override
    public List<Library> libraries() {
        return List.of(new Library("org.hsqldb", "hsqldb", HsqlDatabaseProperties.THIS_FULL_VERSION, "runtime"));
    }

    /** HSQLDB 2.7.4 mixes up a date and a moment that two threads of its process turn into text at the same time. */
    @Override
    public boolean runsSideBySide() {
        return false;
    }

    /** In memory, with a password of its own; the user of the scripts is no administrator. */
    @Override
    public ScratchDatabase scratch() throws SQLException {
        return HsqldbScratch.in(this, "jdbc:hsqldb:mem:scratch-" + UUID.randomUUID());
    }

    @Override
    public ScriptSyntax scriptSyntax() {
        return ScriptSyntax.STANDARD;
    }
}
