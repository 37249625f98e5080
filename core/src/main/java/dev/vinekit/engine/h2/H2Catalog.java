package dev.vinekit.engine.h2;

import dev.vinekit.fault.Fault;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.schema.ViewQuery;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Words;
import java.sql.Array;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** Reads H2's information schema in bulk: one statement for each kind of thing. */
final class H2Catalog {
    private static final String SCHEMAS = "SELECT SCHEMA_NAME FROM INFORMATION_SCHEMA.SCHEMATA";

    private static final String TABLES = """
            SELECT t.TABLE_SCHEMA, t.TABLE_NAME, t.REMARKS, v.VIEW_DEFINITION
            FROM INFORMATION_SCHEMA.TABLES t
            LEFT JOIN INFORMATION_SCHEMA.VIEWS v ON v.TABLE_SCHEMA = t.TABLE_SCHEMA AND v.TABLE_NAME = t.TABLE_NAME
            WHERE t.TABLE_SCHEMA = ANY(?) AND t.TABLE_TYPE IN ('BASE TABLE', 'VIEW')
            """;

    private static final String COLUMNS = """
            SELECT c.TABLE_SCHEMA, c.TABLE_NAME, c.COLUMN_NAME, c.DATA_TYPE, c.CHARACTER_MAXIMUM_LENGTH,
                c.NUMERIC_PRECISION, c.NUMERIC_SCALE, c.DATETIME_PRECISION, c.INTERVAL_TYPE,
                c.IS_NULLABLE, c.COLUMN_DEFAULT, c.IS_IDENTITY, c.IDENTITY_GENERATION, c.GENERATION_EXPRESSION,
                c.REMARKS, e.DATA_TYPE AS ELEMENT_TYPE, l.LABELS
            FROM INFORMATION_SCHEMA.COLUMNS c
            LEFT JOIN INFORMATION_SCHEMA.ELEMENT_TYPES e
                ON e.OBJECT_SCHEMA = c.TABLE_SCHEMA AND e.OBJECT_NAME = c.TABLE_NAME AND e.OBJECT_TYPE = 'TABLE'
                AND e.COLLECTION_TYPE_IDENTIFIER = c.DTD_IDENTIFIER
            LEFT JOIN (
                SELECT OBJECT_SCHEMA, OBJECT_NAME, ENUM_IDENTIFIER,
                    ARRAY_AGG(VALUE_NAME ORDER BY VALUE_ORDINAL) AS LABELS
                FROM INFORMATION_SCHEMA.ENUM_VALUES
                WHERE OBJECT_TYPE = 'TABLE'
                GROUP BY OBJECT_SCHEMA, OBJECT_NAME, ENUM_IDENTIFIER
            ) l ON l.OBJECT_SCHEMA = c.TABLE_SCHEMA AND l.OBJECT_NAME = c.TABLE_NAME
                AND l.ENUM_IDENTIFIER = c.DTD_IDENTIFIER
            WHERE c.TABLE_SCHEMA = ANY(?)
            ORDER BY c.ORDINAL_POSITION
            """;

    private static final String KEYS = """
            SELECT c.TABLE_SCHEMA, c.TABLE_NAME, c.CONSTRAINT_NAME, c.CONSTRAINT_TYPE, k.COLUMN_NAME
            FROM INFORMATION_SCHEMA.TABLE_CONSTRAINTS c
            JOIN INFORMATION_SCHEMA.KEY_COLUMN_USAGE k
                ON k.CONSTRAINT_SCHEMA = c.CONSTRAINT_SCHEMA AND k.CONSTRAINT_NAME = c.CONSTRAINT_NAME
            WHERE c.TABLE_SCHEMA = ANY(?) AND c.CONSTRAINT_TYPE IN ('PRIMARY KEY', 'UNIQUE')
            ORDER BY c.CONSTRAINT_NAME, k.ORDINAL_POSITION
            """;

    private static final String REFERENCES = """
            SELECT k.TABLE_SCHEMA, k.TABLE_NAME, k.CONSTRAINT_NAME, k.COLUMN_NAME,
                t.TABLE_SCHEMA AS TARGET_SCHEMA, t.TABLE_NAME AS TARGET_NAME, t.COLUMN_NAME AS TARGET_COLUMN,
                r.DELETE_RULE, r.UPDATE_RULE
            FROM INFORMATION_SCHEMA.REFERENTIAL_CONSTRAINTS r
            JOIN INFORMATION_SCHEMA.KEY_COLUMN_USAGE k
                ON k.CONSTRAINT_SCHEMA = r.CONSTRAINT_SCHEMA AND k.CONSTRAINT_NAME = r.CONSTRAINT_NAME
            JOIN INFORMATION_SCHEMA.KEY_COLUMN_USAGE t
                ON t.CONSTRAINT_SCHEMA = r.UNIQUE_CONSTRAINT_SCHEMA AND t.CONSTRAINT_NAME = r.UNIQUE_CONSTRAINT_NAME
                AND t.ORDINAL_POSITION = k.POSITION_IN_UNIQUE_CONSTRAINT
            WHERE k.TABLE_SCHEMA = ANY(?)
            ORDER BY k.CONSTRAINT_NAME, k.ORDINAL_POSITION
            """;

    private static final String CHECKS = """
            SELECT c.TABLE_SCHEMA, c.TABLE_NAME, c.CONSTRAINT_NAME, k.CHECK_CLAUSE, NULL AS COLUMN_NAME
            FROM INFORMATION_SCHEMA.TABLE_CONSTRAINTS c
            JOIN INFORMATION_SCHEMA.CHECK_CONSTRAINTS k
                ON k.CONSTRAINT_SCHEMA = c.CONSTRAINT_SCHEMA AND k.CONSTRAINT_NAME = c.CONSTRAINT_NAME
            WHERE c.TABLE_SCHEMA = ANY(?1)
            UNION ALL
            SELECT u.TABLE_SCHEMA, u.TABLE_NAME, d.CONSTRAINT_NAME, k.CHECK_CLAUSE, u.COLUMN_NAME
            FROM INFORMATION_SCHEMA.COLUMNS u
            JOIN INFORMATION_SCHEMA.DOMAIN_CONSTRAINTS d
                ON d.DOMAIN_SCHEMA = u.DOMAIN_SCHEMA AND d.DOMAIN_NAME = u.DOMAIN_NAME
            JOIN INFORMATION_SCHEMA.CHECK_CONSTRAINTS k
                ON k.CONSTRAINT_SCHEMA = d.CONSTRAINT_SCHEMA AND k.CONSTRAINT_NAME = d.CONSTRAINT_NAME
            WHERE u.TABLE_SCHEMA = ANY(?1)
            ORDER BY 3, 5
            """;

    private static final String INDEXES = """
            SELECT i.TABLE_SCHEMA, i.TABLE_NAME, i.INDEX_NAME, i.INDEX_TYPE_NAME, c.COLUMN_NAME
            FROM INFORMATION_SCHEMA.INDEXES i
            JOIN INFORMATION_SCHEMA.INDEX_COLUMNS c
                ON c.INDEX_SCHEMA = i.INDEX_SCHEMA AND c.INDEX_NAME = i.INDEX_NAME
            WHERE i.TABLE_SCHEMA = ANY(?) AND NOT i.IS_GENERATED
            ORDER BY i.INDEX_NAME, c.ORDINAL_POSITION
            """;

    private final Connection connection;
    private final List<String> requested;

    H2Catalog(Connection connection, List<String> requested) {
        this.connection = connection;
        this.requested = requested;
    }

    Schema read() throws SQLException {
        String current = connection.getSchema();
        List<String> schemas = requested.isEmpty() ? List.of(current) : requested;
        requireSchemas(schemas);
        Map<TableName, Draft> drafts = new TreeMap<>();
        each(TABLES, schemas, row -> drafts.put(tableName(row), new Draft(
                tableName(row), row.getString("VIEW_DEFINITION"), text(row.getString("REMARKS")))));
        each(COLUMNS, schemas, row -> ifKnown(drafts, row, draft -> draft.columns.add(column(row))));
        each(KEYS, schemas, row -> ifKnown(drafts, row, draft -> draft.keyColumn(row)));
        each(REFERENCES, schemas, row -> ifKnown(drafts, row, draft -> draft.referenceColumn(row)));
        each(CHECKS, schemas, row -> ifKnown(drafts, row, draft -> draft.checks.add(check(row))));
        each(INDEXES, schemas, row -> ifKnown(drafts, row, draft -> draft.indexColumn(row)));
        return new Schema("h2", current, drafts.values().stream().map(draft -> draft.table(drafts.keySet())).toList());
    }

    private void requireSchemas(List<String> schemas) throws SQLException {
        List<String> present = new ArrayList<>();
        try (Statement statement = connection.createStatement(); ResultSet rows = statement.executeQuery(SCHEMAS)) {
            while (rows.next()) {
                present.add(rows.getString(1));
            }
        }
        for (String schema : schemas) {
            if (!present.contains(schema)) {
                present.remove("INFORMATION_SCHEMA");
                throw Fault.inCall("There is no schema named " + schema + " in this database.",
                        "Use one of: " + String.join(", ", present) + ".");
            }
        }
    }

    private static Column column(ResultSet row) throws SQLException {
        Column.Identity identity = !"YES".equals(row.getString("IS_IDENTITY")) ? Column.Identity.NONE
                : "ALWAYS".equals(row.getString("IDENTITY_GENERATION")) ? Column.Identity.ALWAYS
                : Column.Identity.BY_DEFAULT;
        return new Column(
                row.getString("COLUMN_NAME"),
                type(row),
                "YES".equals(row.getString("IS_NULLABLE")),
                Optional.ofNullable(row.getString("COLUMN_DEFAULT")),
                identity,
                Optional.ofNullable(row.getString("GENERATION_EXPRESSION")),
                text(row.getString("REMARKS")));
    }

    private static SqlType type(ResultSet row) throws SQLException {
        String name = row.getString("DATA_TYPE");
        long declared = row.getLong("CHARACTER_MAXIMUM_LENGTH");
        long length = declared >= 1_000_000_000L ? 0 : declared;
        String sized = length == 0 ? "" : "(" + length + ")";
        int precision = row.getInt("NUMERIC_PRECISION");
        int scale = row.getInt("NUMERIC_SCALE");
        int fraction = row.getInt("DATETIME_PRECISION");
        return switch (name) {
            case "BOOLEAN" -> simple(SqlType.Kind.BOOLEAN, name);
            case "TINYINT" -> simple(SqlType.Kind.TINYINT, name);
            case "SMALLINT" -> simple(SqlType.Kind.SMALLINT, name);
            case "INTEGER" -> simple(SqlType.Kind.INTEGER, name);
            case "BIGINT" -> simple(SqlType.Kind.BIGINT, name);
            case "NUMERIC" -> new SqlType(SqlType.Kind.DECIMAL,
                    "NUMERIC(" + precision + ", " + scale + ")", 0, precision, scale, List.of());
            case "DECFLOAT" -> simple(SqlType.Kind.DECIMAL, "DECFLOAT(" + precision + ")");
            case "REAL" -> simple(SqlType.Kind.REAL, name);
            case "DOUBLE PRECISION" -> simple(SqlType.Kind.DOUBLE, name);
            case "CHARACTER" -> sized(SqlType.Kind.CHAR, "CHAR" + sized, length);
            case "CHARACTER VARYING" -> sized(SqlType.Kind.VARCHAR, "VARCHAR" + sized, length);
            case "VARCHAR_IGNORECASE" -> sized(SqlType.Kind.VARCHAR, name + sized, length);
            case "CHARACTER LARGE OBJECT" -> sized(SqlType.Kind.TEXT, name + sized, length);
            case "BINARY" -> sized(SqlType.Kind.BINARY, "BINARY" + sized, length);
            case "BINARY VARYING" -> sized(SqlType.Kind.BINARY, "VARBINARY" + sized, length);
            case "BINARY LARGE OBJECT" -> sized(SqlType.Kind.BINARY, name + sized, length);
            case "DATE" -> simple(SqlType.Kind.DATE, name);
            case "TIME" -> timed(SqlType.Kind.TIME, "TIME(" + fraction + ")", fraction);
            case "TIME WITH TIME ZONE" ->
                    timed(SqlType.Kind.TIME_WITH_ZONE, "TIME(" + fraction + ") WITH TIME ZONE", fraction);
            case "TIMESTAMP" -> timed(SqlType.Kind.TIMESTAMP, "TIMESTAMP(" + fraction + ")", fraction);
            case "TIMESTAMP WITH TIME ZONE" ->
                    timed(SqlType.Kind.TIMESTAMP_WITH_ZONE, "TIMESTAMP(" + fraction + ") WITH TIME ZONE", fraction);
            case "UUID" -> simple(SqlType.Kind.UUID, name);
            case "JSON" -> simple(SqlType.Kind.JSON, name);
            case "ENUM" -> enumeration(row.getArray("LABELS"));
            case "ARRAY" -> simple(SqlType.Kind.OTHER, row.getString("ELEMENT_TYPE") + " ARRAY");
            case "INTERVAL" -> simple(SqlType.Kind.OTHER, "INTERVAL " + row.getString("INTERVAL_TYPE"));
            default -> simple(SqlType.Kind.OTHER, name);
        };
    }

    private static SqlType simple(SqlType.Kind kind, String text) {
        return new SqlType(kind, text, 0, 0, 0, List.of());
    }

    private static SqlType sized(SqlType.Kind kind, String text, long length) {
        return new SqlType(kind, text, length, 0, 0, List.of());
    }

    private static SqlType timed(SqlType.Kind kind, String text, int fraction) {
        return new SqlType(kind, text, 0, fraction, 0, List.of());
    }

    private static SqlType enumeration(Array array) throws SQLException {
        List<String> labels = new ArrayList<>();
        for (Object label : (Object[]) array.getArray()) {
            labels.add(String.valueOf(label));
        }
        String text = String.join(", ", labels.stream().map(Dialect::quoteLiteral).toList());
        return new SqlType(SqlType.Kind.ENUM, "ENUM(" + text + ")", 0, 0, 0, labels);
    }

    /** A domain's check becomes one of the table, on the column that has the domain. */
    private static Check check(ResultSet row) throws SQLException {
        String column = row.getString("COLUMN_NAME");
        String name = row.getString("CONSTRAINT_NAME");
        String clause = row.getString("CHECK_CLAUSE");
        return column == null
                ? new Check(name, clause)
                : new Check(name + "_" + row.getString("TABLE_NAME") + "_" + column,
                        Words.replace(clause, "VALUE", Dialect.quoteIdentifier(column)));
    }

    private void each(String sql, List<String> schemas, RowConsumer consumer) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            statement.setObject(1, schemas.toArray());
            try (ResultSet rows = statement.executeQuery()) {
                while (rows.next()) {
                    consumer.accept(rows);
                }
            }
        }
    }

    private static void ifKnown(Map<TableName, Draft> drafts, ResultSet row, DraftConsumer consumer)
            throws SQLException {
        Draft draft = drafts.get(tableName(row));
        if (draft != null) {
            consumer.accept(draft);
        }
    }

    private static TableName tableName(ResultSet row) throws SQLException {
        return new TableName(row.getString("TABLE_SCHEMA"), row.getString("TABLE_NAME"));
    }

    private static String text(String nullable) {
        return nullable == null ? "" : nullable;
    }

    private interface RowConsumer {
        void accept(ResultSet row) throws SQLException;
    }

    private interface DraftConsumer {
        void accept(Draft draft) throws SQLException;
    }

    /** A table while its parts come in, one catalog query after the other. */
    private static final class Draft {
        final TableName name;
        final String viewQuery;
        final String comment;
        final List<Column> columns = new ArrayList<>();
        final List<Check> checks = new ArrayList<>();
        private final Map<String, KeyDraft> keys = new LinkedHashMap<>();
        private final Map<String, ReferenceDraft> references = new LinkedHashMap<>();
        private final Map<String, KeyDraft> indexes = new LinkedHashMap<>();

        Draft(TableName name, String viewQuery, String comment) {
            this.name = name;
            this.viewQuery = viewQuery;
            this.comment = comment;
        }

        void keyColumn(ResultSet row) throws SQLException {
            boolean primary = "PRIMARY KEY".equals(row.getString("CONSTRAINT_TYPE"));
            keys.computeIfAbsent(row.getString("CONSTRAINT_NAME"), key -> new KeyDraft(primary))
                    .columns.add(row.getString("COLUMN_NAME"));
        }

        void referenceColumn(ResultSet row) throws SQLException {
            String key = row.getString("CONSTRAINT_NAME");
            if (!references.containsKey(key)) {
                references.put(key, new ReferenceDraft(
                        new TableName(row.getString("TARGET_SCHEMA"), row.getString("TARGET_NAME")),
                        action(row.getString("DELETE_RULE")), action(row.getString("UPDATE_RULE"))));
            }
            references.get(key).columns.put(row.getString("COLUMN_NAME"), row.getString("TARGET_COLUMN"));
        }

        void indexColumn(ResultSet row) throws SQLException {
            boolean unique = row.getString("INDEX_TYPE_NAME").startsWith("UNIQUE");
            indexes.computeIfAbsent(row.getString("INDEX_NAME"), key -> new KeyDraft(unique))
                    .columns.add(row.getString("COLUMN_NAME"));
        }

        Table table(Set<TableName> known) {
            Optional<UniqueKey> primaryKey = Optional.empty();
            List<UniqueKey> uniqueKeys = new ArrayList<>();
            for (Map.Entry<String, KeyDraft> key : keys.entrySet()) {
                UniqueKey value = new UniqueKey(key.getKey(), key.getValue().columns);
                if (key.getValue().distinguished) {
                    primaryKey = Optional.of(value);
                } else {
                    uniqueKeys.add(value);
                }
            }
            List<ForeignKey> foreignKeys = references.entrySet().stream()
                    .map(entry -> entry.getValue().foreignKey(entry.getKey())).toList();
            List<Index> plainIndexes = indexes.entrySet().stream()
                    .map(entry -> new Index(entry.getKey(), entry.getValue().distinguished, entry.getValue().columns))
                    .toList();
            return new Table(name, columns, primaryKey, uniqueKeys, foreignKeys, checks, plainIndexes,
                    Optional.ofNullable(viewQuery).map(sql -> view(sql, known)), comment);
        }

        private ViewQuery view(String sql, Set<TableName> known) {
            Set<String> mentioned = Words.identifiers(sql, word -> word.toUpperCase(Locale.ROOT));
            return new ViewQuery(sql, known.stream()
                    .filter(other -> !other.equals(name) && mentioned.contains(other.name())).toList());
        }

        private static ForeignKey.Action action(String rule) {
            return ForeignKey.Action.valueOf(rule.replace(' ', '_'));
        }
    }

    /** The columns of a key or index, and whether it is the primary or a unique one. */
    private static final class KeyDraft {
        final boolean distinguished;
        final List<String> columns = new ArrayList<>();

        KeyDraft(boolean distinguished) {
            this.distinguished = distinguished;
        }
    }

    private record ReferenceDraft(
            TableName target, ForeignKey.Action onDelete, ForeignKey.Action onUpdate, Map<String, String> columns) {
        ReferenceDraft(TableName target, ForeignKey.Action onDelete, ForeignKey.Action onUpdate) {
            this(target, onDelete, onUpdate, new LinkedHashMap<>());
        }

        ForeignKey foreignKey(String name) {
            return new ForeignKey(name, List.copyOf(columns.keySet()), target, List.copyOf(columns.values()),
                    onDelete, onUpdate);
        }
    }
}
