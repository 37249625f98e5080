package dev.vinekit.engine.generic;

import dev.vinekit.engine.Catalog;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.MetadataCatalog;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.StandardDialect;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Schema;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.ScriptSyntax;
import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.SQLInvalidAuthorizationSpecException;
import java.util.List;

/** Any database that has a JDBC driver on the class path. */
public final class GenericEngine implements Engine {
    @Override
    public String name() {
        return "jdbc";
    }

    @Override
    public String title() {
        return "JDBC";
    }

    @Override
    public String exampleUrl() {
        return "jdbc:hsqldb:hsql://localhost/cellar";
    }

    /** Whether a driver takes the URL. */
    @Override
    public boolean accepts(String jdbcUrl) {
        return DriverManager.drivers().anyMatch(driver -> {
            try {
                return driver.acceptsURL(jdbcUrl);
            } catch (SQLException e) {
                return false;
            }
        });
    }

    /** Whoever knows an engine better is asked first. */
    @Override
    public boolean isLastResort() {
        return true;
    }

    @Override
    public ConnectionAdvice explain(String jdbcUrl, String user, SQLException refusal) {
        String place = jdbcUrl.replaceAll("[?;].*", "");
        String state = String.valueOf(refusal.getSQLState());
        return state.startsWith("28") || refusal instanceof SQLInvalidAuthorizationSpecException
                ? new ConnectionAdvice("The database at " + place + " does not accept the user name or password.",
                        Remedy.of(Remedy.Kind.CHECK_LOGIN))
                : new ConnectionAdvice("The database at " + place + " could not be opened (SQL state " + state + ").",
                        Remedy.of(Remedy.Kind.CHECK_URL));
    }

    @Override
    public Schema read(Connection connection, List<String> schemas) throws SQLException {
        return new MetadataCatalog(connection, schemas).read(name());
    }

    @Override
    public Login login(Connection connection) throws SQLException {
        DatabaseMetaData metadata = connection.getMetaData();
        return new Login(metadata.getDatabaseProductName(), metadata.getDatabaseProductVersion(),
                Catalog.text(metadata.getUserName()), false);
    }

    @Override
    public Dialect dialect(Schema schema) {
        return new StandardDialect();
    }

    /** The driver is for the project's owner to add. */
    @Override
    public List<Library> libraries() {
        return List.of();
    }

    @Override
    public boolean makesScratch() {
        return false;
    }

    @Override
    public ScratchDatabase scratch() {
        throw Fault.inCall("Nothing is known of how a scratch database is made on this engine.",
                Remedy.of(Remedy.Kind.NAME_EMPTY_DATABASE));
    }

    @Override
    public ScriptSyntax scriptSyntax() {
        return ScriptSyntax.STANDARD;
    }
}
