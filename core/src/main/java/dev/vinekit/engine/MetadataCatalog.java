package dev.vinekit.engine;

import dev.vinekit.fault.Fault;
import dev.vinekit.schema.Access;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * Reads what {@link DatabaseMetaData} tells of any database; keys and references are asked for table by table. Engines
 * that tell more elsewhere add it.
 */
public class MetadataCatalog {
    protected final Connection connection;
    private final DatabaseMetaData metadata;
    private final List<String> requested;
    protected final TableDrafts drafts;
    private final Map<TableName, String> queries = new HashMap<>();
    private final Map<List<String>, String> generated = new HashMap<>();

    /**
     * A catalog.
     *
     * @param requested schemas to read; the connection's default schema if empty
     */
    public MetadataCatalog(Connection connection, List<String> requested) throws SQLException {
        this.connection = connection;
        this.metadata = connection.getMetaData();
        this.requested = requested;
        boolean lower = metadata.storesLowerCaseIdentifiers();
        this.drafts = new TableDrafts(word -> lower ? word.toLowerCase(Locale.ROOT) : word.toUpperCase(Locale.ROOT));
    }

    /**
     * Reads the schema.
     *
     * @param engine the engine's name
     */
    public final Schema read(String engine) throws SQLException {
        String current = Catalog.text(connection.getSchema());
        List<String> schemas = requested.isEmpty() ? List.of(current) : requested;
        expressions();
        List<TableName> names = new ArrayList<>();
        for (String schema : schemas) {
            each(metadata.getTables(connection.getCatalog(), pattern(schema), "%",
                    new String[] {"TABLE", "BASE TABLE", "VIEW"}),
                    row -> names.add(table(row)));
            each(metadata.getColumns(connection.getCatalog(), pattern(schema), "%", "%"),
                    row -> drafts.column(name(row), column(row)));
        }
        if (names.isEmpty() && !requested.isEmpty()) {
            known(schemas);
        }
        for (TableName name : names) {
            keys(name);
        }
        complete();
        return new Schema(engine, current, drafts.tables());
    }

    /** Adds to the drafts what the engine tells elsewhere, of checks for instance; nothing by rule. */
    protected void complete() throws SQLException {
    }

    /** Metadata know nothing of expressions; the information schema, where there is one, does. */
    private void expressions() throws SQLException {
        eachInSchema("VIEWS", "SELECT TABLE_SCHEMA, TABLE_NAME, VIEW_DEFINITION FROM INFORMATION_SCHEMA.VIEWS",
                row -> queries.put(new TableName(Catalog.text(row.getString(1)), row.getString(2)),
                        Catalog.text(row.getString(3))));
        eachInSchema("COLUMNS", "SELECT TABLE_SCHEMA, TABLE_NAME, COLUMN_NAME, GENERATION_EXPRESSION "
                        + "FROM INFORMATION_SCHEMA.COLUMNS WHERE GENERATION_EXPRESSION IS NOT NULL",
                row -> generated.put(List.of(Catalog.text(row.getString(1)), row.getString(2), row.getString(3)),
                        row.getString(4)));
    }

    private void eachInSchema(String view, String sql, Catalog.RowConsumer consumer) throws SQLException {
        boolean told;
        try (ResultSet views = metadata.getTables(null, "INFORMATION_SCHEMA", view, null)) {
            told = views.next();
        }
        if (told) {
            try (Statement statement = connection.createStatement()) {
                each(statement.executeQuery(sql), consumer);
            }
        }
    }

    private void known(List<String> schemas) throws SQLException {
        List<String> present = new ArrayList<>();
        each(metadata.getSchemas(), row -> present.add(row.getString("TABLE_SCHEM")));
        for (String schema : schemas) {
            if (!present.contains(schema)) {
                throw Fault.inCall("There is no schema named " + schema + " in this database.",
                        "Use one of: " + String.join(", ", present) + ".");
            }
        }
    }

    private TableName table(ResultSet row) throws SQLException {
        TableName name = name(row);
        boolean view = row.getString("TABLE_TYPE").equals("VIEW");
        drafts.table(name, view ? Table.Kind.VIEW : Table.Kind.TABLE,
                view ? Optional.of(queries.getOrDefault(name, "")) : Optional.empty(), "",
                Catalog.text(row.getString("REMARKS")), Access.UNLIMITED);
        return name;
    }

    private Column column(ResultSet row) throws SQLException {
        boolean identity = "YES".equals(row.getString("IS_AUTOINCREMENT"));
        boolean computed = !identity && "YES".equals(row.getString("IS_GENERATEDCOLUMN"));
        Optional<String> value = Optional.ofNullable(row.getString("COLUMN_DEF")).filter(text -> !text.equals("NULL"));
        return new Column(
                row.getString("COLUMN_NAME"),
                type(row),
                row.getInt("NULLABLE") != DatabaseMetaData.columnNoNulls,
                identity || computed ? Optional.empty() : value.map(DefaultValue::of),
                identity ? Column.Identity.BY_DEFAULT : Column.Identity.NONE,
                computed ? Optional.of(new Column.Computed(generated.getOrDefault(List.of(
                        name(row).schema(), name(row).name(), row.getString("COLUMN_NAME")), ""), true))
                        : Optional.empty(),
                Optional.empty(),
                Catalog.text(row.getString("REMARKS")));
    }

    private static SqlType type(ResultSet row) throws SQLException {
        String name = row.getString("TYPE_NAME");
        long size = row.getLong("COLUMN_SIZE");
        int scale = row.getInt("DECIMAL_DIGITS");
        SqlType.Kind kind = name.equalsIgnoreCase("UUID") ? SqlType.Kind.UUID : kind(row.getInt("DATA_TYPE"));
        return switch (kind) {
            case CHAR, VARCHAR -> SqlType.of(kind, name.contains("(") ? name : name + "(" + size + ")")
                    .withLength(size);
            case BINARY -> row.getInt("DATA_TYPE") == Types.BLOB ? SqlType.of(kind, name)
                    : SqlType.of(kind, name.contains("(") ? name : name + "(" + size + ")").withLength(size);
            case DECIMAL -> SqlType.of(kind, name + "(" + size + ", " + scale + ")").withDigits((int) size, scale);
            case TIME, TIMESTAMP, TIMESTAMP_WITH_ZONE -> SqlType.of(kind, name).withDigits(scale, 0);
            default -> SqlType.of(kind, name);
        };
    }

    private static SqlType.Kind kind(int type) {
        return switch (type) {
            case Types.BOOLEAN, Types.BIT -> SqlType.Kind.BOOLEAN;
            case Types.TINYINT -> SqlType.Kind.TINYINT;
            case Types.SMALLINT -> SqlType.Kind.SMALLINT;
            case Types.INTEGER -> SqlType.Kind.INTEGER;
            case Types.BIGINT -> SqlType.Kind.BIGINT;
            case Types.DECIMAL, Types.NUMERIC -> SqlType.Kind.DECIMAL;
            case Types.REAL -> SqlType.Kind.REAL;
            case Types.FLOAT, Types.DOUBLE -> SqlType.Kind.DOUBLE;
            case Types.CHAR, Types.NCHAR -> SqlType.Kind.CHAR;
            case Types.VARCHAR, Types.NVARCHAR -> SqlType.Kind.VARCHAR;
            case Types.LONGVARCHAR, Types.LONGNVARCHAR, Types.CLOB, Types.NCLOB -> SqlType.Kind.TEXT;
            case Types.BINARY, Types.VARBINARY, Types.LONGVARBINARY, Types.BLOB -> SqlType.Kind.BINARY;
            case Types.DATE -> SqlType.Kind.DATE;
            case Types.TIME -> SqlType.Kind.TIME;
            case Types.TIME_WITH_TIMEZONE -> SqlType.Kind.TIME_WITH_ZONE;
            case Types.TIMESTAMP -> SqlType.Kind.TIMESTAMP;
            case Types.TIMESTAMP_WITH_TIMEZONE -> SqlType.Kind.TIMESTAMP_WITH_ZONE;
            case Types.ARRAY -> SqlType.Kind.ARRAY;
            default -> SqlType.Kind.OTHER;
        };
    }

    private void keys(TableName name) throws SQLException {
        Map<Integer, String> primary = new TreeMap<>();
        List<String> primaryName = new ArrayList<>();
        each(metadata.getPrimaryKeys(connection.getCatalog(), name.schema(), name.name()), row -> {
            primary.put(row.getInt("KEY_SEQ"), row.getString("COLUMN_NAME"));
            primaryName.add(Catalog.text(row.getString("PK_NAME")));
        });
        if (!primary.isEmpty()) {
            drafts.primaryKey(name, new UniqueKey(primaryName.get(0), List.copyOf(primary.values())));
        }
        Set<String> references = references(name);
        Map<String, Map<Integer, String>> indexes = new TreeMap<>();
        Set<String> unique = new HashSet<>();
        each(metadata.getIndexInfo(connection.getCatalog(), name.schema(), name.name(), false, true), row -> {
            String index = row.getString("INDEX_NAME");
            if (index != null && row.getString("COLUMN_NAME") != null) {
                indexes.computeIfAbsent(index, key -> new TreeMap<>())
                        .put(row.getInt("ORDINAL_POSITION"), row.getString("COLUMN_NAME"));
                if (!row.getBoolean("NON_UNIQUE")) {
                    unique.add(index);
                }
            }
        });
        indexes.forEach((index, columns) -> {
            List<String> over = List.copyOf(columns.values());
            boolean behindKey = over.equals(List.copyOf(primary.values())) && unique.contains(index)
                    || references.contains(String.join("\n", over)) && !unique.contains(index);
            if (!behindKey && unique.contains(index)) {
                drafts.uniqueKey(name, new UniqueKey(index, over));
            } else if (!behindKey) {
                drafts.index(name, Index.over(index, false, over));
            }
        });
    }

    /** Reads the references of a table; returns their columns, for many engines keep an index over them. */
    private Set<String> references(TableName name) throws SQLException {
        Map<String, ForeignKey> keys = new LinkedHashMap<>();
        each(metadata.getImportedKeys(connection.getCatalog(), name.schema(), name.name()), row -> {
            String key = Catalog.text(row.getString("FK_NAME"));
            keys.merge(key, new ForeignKey(key, List.of(row.getString("FKCOLUMN_NAME")),
                    new TableName(Catalog.text(row.getString("PKTABLE_SCHEM")), row.getString("PKTABLE_NAME")),
                    List.of(row.getString("PKCOLUMN_NAME")),
                    action(row.getInt("DELETE_RULE")), action(row.getInt("UPDATE_RULE"))), ForeignKey::and);
        });
        keys.values().forEach(key -> drafts.foreignKey(name, key));
        return keys.values().stream().map(key -> String.join("\n", key.columns())).collect(Collectors.toSet());
    }

    private static ForeignKey.Action action(int rule) {
        return switch (rule) {
            case DatabaseMetaData.importedKeyCascade -> ForeignKey.Action.CASCADE;
            case DatabaseMetaData.importedKeySetNull -> ForeignKey.Action.SET_NULL;
            case DatabaseMetaData.importedKeySetDefault -> ForeignKey.Action.SET_DEFAULT;
            default -> ForeignKey.Action.NO_ACTION;
        };
    }

    private static void each(ResultSet rows, Catalog.RowConsumer consumer) throws SQLException {
        try (rows) {
            while (rows.next()) {
                consumer.accept(rows);
            }
        }
    }

    private static TableName name(ResultSet row) throws SQLException {
        return new TableName(Catalog.text(row.getString("TABLE_SCHEM")), row.getString("TABLE_NAME"));
    }

    private String pattern(String name) throws SQLException {
        String escape = metadata.getSearchStringEscape();
        return name.isEmpty() ? null : name.replace(escape, escape + escape).replace("_", escape + "_");
    }
}
