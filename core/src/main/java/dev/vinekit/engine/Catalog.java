package dev.vinekit.engine;

import dev.vinekit.fault.Fault;
import java.sql.Array;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;

/** Asks the catalog of an engine that has arrays. */
public final class Catalog {
    private static final String[] TABLES = {"TABLE", "BASE TABLE", "PARTITIONED TABLE", "VIEW"};

    /** Schemas that are the engines' own. */
    private static final Set<String> OF_ENGINES =
            Set.of("information_schema", "pg_catalog", "mysql", "performance_schema", "sys");

    private final Connection connection;
    private final List<String> schemas;

    private Catalog(Connection connection, List<String> schemas) {
        this.connection = connection;
        this.schemas = schemas;
    }

    /** Takes a row of an answer. */
    public interface RowConsumer {
        void accept(ResultSet row) throws SQLException;
    }

    /**
     * The catalog of these schemas.
     *
     * @param all a statement that lists the names of all schemas that a person might mean
     * @throws Fault if one of the schemas is not among those
     */
    public static Catalog of(Connection connection, String all, List<String> schemas) throws SQLException {
        return new Catalog(connection, known(connection, all, schemas));
    }

    /**
     * These schemas, if they are there.
     *
     * @param all a statement that lists the names of all schemas that a person might mean
     * @throws Fault if one of the schemas is not among those
     */
    public static List<String> known(Connection connection, String all, List<String> schemas) throws SQLException {
        List<String> present = new ArrayList<>();
        try (Statement statement = connection.createStatement(); ResultSet rows = statement.executeQuery(all)) {
            while (rows.next()) {
                present.add(rows.getString(1));
            }
        }
        for (String schema : schemas) {
            if (!present.contains(schema)) {
                throw Fault.inCall("There is no schema named " + schema + " in this database.",
                        "Use one of: " + String.join(", ", present) + ".");
            }
        }
        return schemas;
    }

    /** The schemas, or databases on engines where that is the same, in which the login sees tables of somebody's. */
    public static List<String> schemasWithTables(Connection connection) throws SQLException {
        Set<String> names = new TreeSet<>();
        try (ResultSet row = connection.getMetaData().getTables(null, null, "%", TABLES)) {
            while (row.next()) {
                String schema = row.getString("TABLE_SCHEM");
                String name = schema == null ? text(row.getString("TABLE_CAT")) : schema;
                if (!name.isEmpty() && !OF_ENGINES.contains(name.toLowerCase(Locale.ROOT))) {
                    names.add(name);
                }
            }
        }
        return List.copyOf(names);
    }

    /** Runs a statement whose parameters are each the array of the schemas' names. */
    public void each(String sql, RowConsumer consumer) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            for (int i = 1; i <= sql.chars().filter(letter -> letter == '?').count(); i++) {
                statement.setArray(i, connection.createArrayOf("varchar", schemas.toArray()));
            }
            try (ResultSet rows = statement.executeQuery()) {
                while (rows.next()) {
                    consumer.accept(rows);
                }
            }
        }
    }

    /** Runs a statement without parameters. */
    public void all(String sql, RowConsumer consumer) throws SQLException {
        try (Statement statement = connection.createStatement(); ResultSet rows = statement.executeQuery(sql)) {
            while (rows.next()) {
                consumer.accept(rows);
            }
        }
    }

    /** The elements of an array of texts. */
    public static List<String> strings(Array array) throws SQLException {
        return Arrays.stream((Object[]) array.getArray()).map(String::valueOf).toList();
    }

    /** The text, or an empty one for NULL. */
    public static String text(String nullable) {
        return nullable == null ? "" : nullable;
    }
}
