package dev.vinekit.engine.h2;

import dev.vinekit.engine.Catalog;
import dev.vinekit.engine.TableDrafts;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Words;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Reads H2's information schema in bulk: one statement for each kind of thing. */
final class H2Catalog {
    private static final String SCHEMAS = """
            SELECT SCHEMA_NAME FROM INFORMATION_SCHEMA.SCHEMATA WHERE SCHEMA_NAME <> 'INFORMATION_SCHEMA'
            """;

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
            SELECT c.TABLE_SCHEMA, c.TABLE_NAME, c.CONSTRAINT_NAME, c.CONSTRAINT_TYPE,
                ARRAY_AGG(k.COLUMN_NAME ORDER BY k.ORDINAL_POSITION) AS COLUMNS
            FROM INFORMATION_SCHEMA.TABLE_CONSTRAINTS c
            JOIN INFORMATION_SCHEMA.KEY_COLUMN_USAGE k
                ON k.CONSTRAINT_SCHEMA = c.CONSTRAINT_SCHEMA AND k.CONSTRAINT_NAME = c.CONSTRAINT_NAME
            WHERE c.TABLE_SCHEMA = ANY(?) AND c.CONSTRAINT_TYPE IN ('PRIMARY KEY', 'UNIQUE')
            GROUP BY c.TABLE_SCHEMA, c.TABLE_NAME, c.CONSTRAINT_NAME, c.CONSTRAINT_TYPE
            ORDER BY c.CONSTRAINT_NAME
            """;

    private static final String REFERENCES = """
            SELECT k.TABLE_SCHEMA, k.TABLE_NAME, k.CONSTRAINT_NAME,
                ARRAY_AGG(k.COLUMN_NAME ORDER BY k.ORDINAL_POSITION) AS COLUMNS,
                t.TABLE_SCHEMA AS TARGET_SCHEMA, t.TABLE_NAME AS TARGET_NAME,
                ARRAY_AGG(t.COLUMN_NAME ORDER BY k.ORDINAL_POSITION) AS TARGET_COLUMNS,
                r.DELETE_RULE, r.UPDATE_RULE
            FROM INFORMATION_SCHEMA.REFERENTIAL_CONSTRAINTS r
            JOIN INFORMATION_SCHEMA.KEY_COLUMN_USAGE k
                ON k.CONSTRAINT_SCHEMA = r.CONSTRAINT_SCHEMA AND k.CONSTRAINT_NAME = r.CONSTRAINT_NAME
            JOIN INFORMATION_SCHEMA.KEY_COLUMN_USAGE t
                ON t.CONSTRAINT_SCHEMA = r.UNIQUE_CONSTRAINT_SCHEMA AND t.CONSTRAINT_NAME = r.UNIQUE_CONSTRAINT_NAME
                AND t.ORDINAL_POSITION = k.POSITION_IN_UNIQUE_CONSTRAINT
            WHERE k.TABLE_SCHEMA = ANY(?)
            GROUP BY k.TABLE_SCHEMA, k.TABLE_NAME, k.CONSTRAINT_NAME, t.TABLE_SCHEMA, t.TABLE_NAME,
                r.DELETE_RULE, r.UPDATE_RULE
            ORDER BY k.CONSTRAINT_NAME
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
            SELECT i.TABLE_SCHEMA, i.TABLE_NAME, i.INDEX_NAME, i.INDEX_TYPE_NAME,
                ARRAY_AGG(c.COLUMN_NAME ORDER BY c.ORDINAL_POSITION) AS COLUMNS
            FROM INFORMATION_SCHEMA.INDEXES i
            JOIN INFORMATION_SCHEMA.INDEX_COLUMNS c
                ON c.INDEX_SCHEMA = i.INDEX_SCHEMA AND c.INDEX_NAME = i.INDEX_NAME
            WHERE i.TABLE_SCHEMA = ANY(?) AND NOT i.IS_GENERATED
            GROUP BY i.TABLE_SCHEMA, i.TABLE_NAME, i.INDEX_NAME, i.INDEX_TYPE_NAME
            ORDER BY i.INDEX_NAME
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
        Catalog catalog = Catalog.of(connection, SCHEMAS, schemas);
        TableDrafts drafts = new TableDrafts(word -> word.toUpperCase(Locale.ROOT));
        catalog.each(TABLES, row -> drafts.table(tableName(row),
                Optional.ofNullable(row.getString("VIEW_DEFINITION")), Catalog.text(row.getString("REMARKS"))));
        catalog.each(COLUMNS, row -> drafts.column(tableName(row), column(row)));
        catalog.each(KEYS, row -> key(drafts, row));
        catalog.each(REFERENCES, row -> drafts.foreignKey(tableName(row), reference(row)));
        catalog.each(CHECKS, row -> drafts.check(tableName(row), check(row)));
        catalog.each(INDEXES, row -> drafts.index(tableName(row), Index.over(row.getString("INDEX_NAME"),
                row.getString("INDEX_TYPE_NAME").startsWith("UNIQUE"), Catalog.strings(row.getArray("COLUMNS")))));
        return new Schema("h2", current, drafts.tables());
    }

    private static void key(TableDrafts drafts, ResultSet row) throws SQLException {
        UniqueKey key = new UniqueKey(row.getString("CONSTRAINT_NAME"), Catalog.strings(row.getArray("COLUMNS")));
        if ("PRIMARY KEY".equals(row.getString("CONSTRAINT_TYPE"))) {
            drafts.primaryKey(tableName(row), key);
        } else {
            drafts.uniqueKey(tableName(row), key);
        }
    }

    private static ForeignKey reference(ResultSet row) throws SQLException {
        return new ForeignKey(row.getString("CONSTRAINT_NAME"), Catalog.strings(row.getArray("COLUMNS")),
                new TableName(row.getString("TARGET_SCHEMA"), row.getString("TARGET_NAME")),
                Catalog.strings(row.getArray("TARGET_COLUMNS")),
                action(row.getString("DELETE_RULE")), action(row.getString("UPDATE_RULE")));
    }

    private static ForeignKey.Action action(String rule) {
        return ForeignKey.Action.valueOf(rule.replace(' ', '_'));
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
                Catalog.text(row.getString("REMARKS")));
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
            case "ENUM" -> enumeration(Catalog.strings(row.getArray("LABELS")));
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

    private static SqlType enumeration(List<String> labels) {
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

    private static TableName tableName(ResultSet row) throws SQLException {
        return new TableName(row.getString("TABLE_SCHEMA"), row.getString("TABLE_NAME"));
    }
}
