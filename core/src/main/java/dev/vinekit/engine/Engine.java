package dev.vinekit.engine;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.ScriptSyntax;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLFeatureNotSupportedException;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** One kind of database. */
public interface Engine {
    /** The name in lower case, for example {@code h2}. */
    String name();

    /** The name as its makers write it. */
    String title();

    /** A URL of the form that the driver takes, with made-up names. */
    String exampleUrl();

    /**
     * Whether its databases can have replicas that follow them; the engine then has a template
     * {@code support/Replication} that tells how far each has come.
     */
    default boolean replicates() {
        return false;
    }

    /** Whether poolers are usual before it that lend a connection for the length of a transaction only. */
    default boolean pooled() {
        return false;
    }

    /** Whether this engine's driver takes the URL. */
    boolean accepts(String jdbcUrl);

    /** Whether it takes what no other engine does; it is asked after all others. */
    default boolean isLastResort() {
        return false;
    }

    /** The URL to connect with: as given, with whatever keeps a mistyped name from making a new database. */
    default String connectionUrl(String jdbcUrl) {
        return jdbcUrl;
    }

    /**
     * The forms of URL that a mapping file may name, which may come from anyone: they only say where the database is
     * and how to talk to it. By default none; such a URL has to be given in the call.
     */
    default SafeUrl safeUrl() {
        return SafeUrl.NONE;
    }

    /** One line of cause and one of fix for a connection that could not be opened. */
    ConnectionAdvice explain(String jdbcUrl, String user, SQLException refusal);

    /** Cause and fix of an error while reading, where the engine finds out only then that it cannot. */
    default Optional<ConnectionAdvice> explainReading(Database database, SQLException refusal) {
        return Optional.empty();
    }

    /**
     * Reads the catalog, in a number of statements that does not depend on the number of tables.
     *
     * @param schemas schemas to read; the connection's default schema if empty
     */
    Schema read(Connection connection, List<String> schemas) throws SQLException;

    /** The columns whose type is a guess that rows may speak against, by table; see {@link #asRowsTell}. */
    default Map<TableName, List<Column>> doubtful(Schema schema) {
        return Map.of();
    }

    /**
     * A schema as read, with the types that the rows tell for columns in doubt; a bounded number of rows is looked at.
     */
    default Schema asRowsTell(Connection connection, Schema schema) throws SQLException {
        return schema;
    }

    /** What the connection is, for a person to check. */
    Login login(Connection connection) throws SQLException;

    /**
     * How many rows the engine believes its tables to have, without looking; tables that it knows nothing of are left
     * out.
     */
    default Map<TableName, Long> estimatedRows(Connection connection, Schema schema) throws SQLException {
        return Map.of();
    }

    Dialect dialect(Schema schema);

    /** What a generated service and its tests need of this engine. */
    List<Library> libraries();

    /**
     * The tables whose rows refer to rows that are not there, and the tables that they refer to, where a script can
     * have written such rows and the engine tells of them afterwards.
     */
    default List<String> brokenReferences(Connection connection) throws SQLException {
        return List.of();
    }

    /** Whether {@link #scratch} can make one. */
    default boolean makesScratch() {
        return true;
    }

    /** Whether scratch databases can be worked on side by side in one process. */
    default boolean runsSideBySide() {
        return true;
    }

    /** A new, empty database that goes away when it is closed. */
    ScratchDatabase scratch() throws SQLException;

    /**
     * A new, empty database on a server of the caller's, which goes away when it is closed.
     *
     * @throws Fault if databases of this engine are not kept on servers
     */
    default ScratchDatabase scratchOn(Database server) throws SQLException {
        throw Fault.inCall("Scratch databases of " + title() + " need no server.",
                "Leave out the URL: the database is made in memory or in a temporary file.");
    }

    /**
     * What a server does not have that a definition needs, as in "the extension postgis"; empty if the definition was
     * refused for another reason.
     */
    default Optional<String> lacking(SQLException refusal) {
        return Optional.empty();
    }

    /**
     * What puts a database, made by {@link #scratch}, back to what it is now.
     *
     * @throws SQLException if the database refuses what this takes
     */
    default Restorer restorer(ScratchDatabase database) throws SQLException {
        return Restorer.NONE;
    }

    /**
     * A new, empty database in a folder, which stays when it is closed; one that was there before goes.
     *
     * @throws Fault if databases of this engine are not kept in folders
     */
    default ScratchDatabase keptIn(Path folder) throws SQLException, IOException {
        throw Fault.inCall("A " + title()
                + " database cannot be kept: the server for scratch databases ends with this command.",
                Remedy.of(Remedy.Kind.NAME_EMPTY_DATABASE_ON_A_SERVER));
    }

    /** The user who may do everything in a database that was kept, without a password; empty if there are no users. */
    default Optional<String> keptOwner() {
        return Optional.empty();
    }

    /** Whether there are roles that a service can log in as, and that {@link #roleScript} makes. */
    default boolean hasRoles() {
        return false;
    }

    /**
     * The statements that make a role and give it its rights, for an administrator to run.
     *
     * @throws Fault if the engine has no roles that a service could log in as
     */
    default String roleScript(Connection connection, Schema schema, LoginRole role) throws SQLException {
        throw Fault.inCall(title() + " has no login roles that Vine Kit knows how to make.",
                "Roles are made for " + Engines.titles(Engine::hasRoles) + ".");
    }

    /** How scripts for this engine are written. */
    ScriptSyntax scriptSyntax();

    /** Why a statement of somebody's script is not for a scratch database; empty if it is. */
    default Optional<String> reasonToSkip(String statement) {
        return Optional.empty();
    }

    /** Why a statement must not be run though driver and database would; empty if it may. */
    default Optional<String> refusal(String statement) {
        return Optional.empty();
    }

    /**
     * A statement of somebody's script as a scratch database takes it: without roles that it does not have, for
     * instance.
     */
    default String adapted(String statement) {
        return statement;
    }

    /** Whether a script may do without a statement of somebody's that fails. */
    default boolean isDispensable(String statement) {
        return false;
    }

    /** Copies rows that stand in a script into a table. */
    default void copy(Connection connection, String statement, String rows) throws SQLException {
        throw new SQLFeatureNotSupportedException("COPY with rows in the script");
    }

    /**
     * A library of the generated project.
     *
     * @param version the version, or its name in our list of versions
     * @param scope a scope of Maven's
     */
    record Library(String group, String artifact, String version, String scope) {
    }

    /**
     * Cause and fix of a refused connection.
     *
     * @param fix what would put it right, as a sentence
     */
    record ConnectionAdvice(String cause, Remedy fix) {
        /** Advice that every front words the same. */
        public ConnectionAdvice(String cause, String fix) {
            this(cause, Remedy.of(Remedy.Kind.PLAIN, fix));
        }
    }

    /**
     * Who is connected to what.
     *
     * @param version as the server reports it
     * @param administrator whether this login may do anything
     */
    record Login(String product, String version, String user, boolean administrator) {
    }
}
