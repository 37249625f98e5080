package dev.vinekit.engine.postgresql;

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
import dev.vinekit.sql.Words;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads PostgreSQL's system catalogs in bulk: one statement for each kind of thing. */
final class PostgresqlCatalog {
    private static final String SCHEMAS = """
            SELECT nspname FROM pg_namespace WHERE nspname NOT LIKE 'pg\\_%' AND nspname <> 'information_schema'
            """;

    private static final String TABLES = """
            SELECT n.nspname AS schema, c.relname AS name, obj_description(c.oid, 'pg_class') AS comment,
                CASE WHEN c.relkind IN ('v', 'm') THEN pg_get_viewdef(c.oid, true) END AS query
            FROM pg_class c
            JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE n.nspname = ANY (?) AND c.relkind IN ('r', 'p', 'v', 'm', 'f') AND NOT c.relispartition
            """;

    private static final String COLUMNS = """
            SELECT n.nspname AS schema, c.relname AS name, a.attname AS column_name,
                COALESCE(b.typname, t.typname) AS type_name, COALESCE(b.typtype, t.typtype) AS type_kind,
                format_type(CASE WHEN t.typtype = 'd' THEN t.typbasetype ELSE a.atttypid END,
                    CASE WHEN t.typtype = 'd' THEN t.typtypmod ELSE a.atttypmod END) AS type_text,
                CASE WHEN t.typtype = 'd' THEN t.typtypmod ELSE a.atttypmod END AS modifier,
                a.attnotnull OR t.typnotnull AS required, a.attidentity AS identity, a.attgenerated AS generated,
                COALESCE(pg_get_expr(d.adbin, d.adrelid), t.typdefault) AS default_value,
                EXISTS (SELECT FROM pg_depend o JOIN pg_class s ON s.oid = o.objid AND s.relkind = 'S'
                    WHERE o.refobjid = c.oid AND o.refobjsubid = a.attnum AND o.deptype = 'a') AS numbered,
                col_description(c.oid, a.attnum) AS comment,
                ARRAY(SELECT e.enumlabel FROM pg_enum e WHERE e.enumtypid = COALESCE(b.oid, t.oid)
                    ORDER BY e.enumsortorder) AS labels
            FROM pg_attribute a
            JOIN pg_class c ON c.oid = a.attrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            JOIN pg_type t ON t.oid = a.atttypid
            LEFT JOIN pg_type b ON t.typtype = 'd' AND b.oid = t.typbasetype
            LEFT JOIN pg_attrdef d ON d.adrelid = a.attrelid AND d.adnum = a.attnum
            WHERE n.nspname = ANY (?) AND a.attnum > 0 AND NOT a.attisdropped
            ORDER BY a.attnum
            """;

    private static final String CONSTRAINTS = """
            SELECT n.nspname AS schema, c.relname AS name, k.conname AS constraint_name, k.contype AS kind,
                pg_get_expr(k.conbin, k.conrelid) AS expression,
                ARRAY(SELECT a.attname FROM unnest(k.conkey) WITH ORDINALITY u (num, place)
                    JOIN pg_attribute a ON a.attrelid = k.conrelid AND a.attnum = u.num ORDER BY u.place) AS columns,
                fn.nspname AS target_schema, f.relname AS target_name,
                ARRAY(SELECT a.attname FROM unnest(k.confkey) WITH ORDINALITY u (num, place)
                    JOIN pg_attribute a ON a.attrelid = k.confrelid AND a.attnum = u.num ORDER BY u.place)
                    AS target_columns,
                k.confdeltype AS on_delete, k.confupdtype AS on_update
            FROM pg_constraint k
            JOIN pg_class c ON c.oid = k.conrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            LEFT JOIN pg_class f ON f.oid = k.confrelid
            LEFT JOIN pg_namespace fn ON fn.oid = f.relnamespace
            WHERE n.nspname = ANY (?) AND k.contype IN ('p', 'u', 'f', 'c') AND NOT c.relispartition
            ORDER BY k.conname
            """;

    private static final String DOMAIN_CHECKS = """
            SELECT n.nspname AS schema, c.relname AS name, k.conname AS constraint_name,
                pg_get_constraintdef(k.oid) AS definition, a.attname AS column_name
            FROM pg_constraint k
            JOIN pg_attribute a ON a.atttypid = k.contypid AND NOT a.attisdropped
            JOIN pg_class c ON c.oid = a.attrelid AND c.relkind IN ('r', 'p', 'f')
            JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE n.nspname = ANY (?) AND k.contype = 'c'
            ORDER BY k.conname, a.attnum
            """;

    private static final String INDEXES = """
            SELECT n.nspname AS schema, c.relname AS name, x.relname AS index_name, i.indisunique AS is_unique,
                pg_get_indexdef(i.indexrelid) AS definition,
                i.indexprs IS NULL AND i.indpred IS NULL AND m.amname = 'btree' AS plain,
                ARRAY(SELECT a.attname FROM unnest(i.indkey) WITH ORDINALITY u (num, place)
                    JOIN pg_attribute a ON a.attrelid = i.indrelid AND a.attnum = u.num
                    WHERE u.place <= i.indnkeyatts ORDER BY u.place) AS columns
            FROM pg_index i
            JOIN pg_class x ON x.oid = i.indexrelid
            JOIN pg_am m ON m.oid = x.relam
            JOIN pg_class c ON c.oid = i.indrelid AND c.relkind IN ('r', 'p')
            JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE n.nspname = ANY (?) AND NOT c.relispartition
                AND NOT EXISTS (SELECT FROM pg_constraint k WHERE k.conindid = i.indexrelid AND k.contype IN ('p', 'u', 'x'))
            ORDER BY x.relname
            """;

    private static final Pattern ELEMENT = Pattern.compile("'(?:[^']|'')*'::(?:character varying|bpchar)");
    private static final Pattern CAST_ARRAY = Pattern.compile(
            "\\(\\(ARRAY\\[((?:" + ELEMENT.pattern() + "(?:, )?)+)]\\)::text\\[]\\)");

    private final Connection connection;
    private final List<String> requested;

    PostgresqlCatalog(Connection connection, List<String> requested) {
        this.connection = connection;
        this.requested = requested;
    }

    Schema read() throws SQLException {
        String current = connection.getSchema() == null ? "public" : connection.getSchema();
        List<String> schemas = requested.isEmpty() ? List.of(current) : requested;
        Catalog catalog = Catalog.of(connection, SCHEMAS, schemas);
        TableDrafts drafts = new TableDrafts(word -> word.toLowerCase(Locale.ROOT));
        catalog.each(TABLES, row -> drafts.table(tableName(row), viewQuery(row), Catalog.text(row.getString("comment"))));
        catalog.each(COLUMNS, row -> drafts.column(tableName(row), column(row)));
        catalog.each(CONSTRAINTS, row -> constraint(drafts, row));
        catalog.each(DOMAIN_CHECKS, row -> drafts.check(tableName(row), domainCheck(row)));
        catalog.each(INDEXES, row -> drafts.index(tableName(row), index(row)));
        return new Schema("postgresql", current, drafts.tables());
    }

    private static Optional<String> viewQuery(ResultSet row) throws SQLException {
        return Optional.ofNullable(row.getString("query")).map(query -> query.strip().replaceAll(";$", ""));
    }

    private static Column column(ResultSet row) throws SQLException {
        boolean computed = !row.getString("generated").isEmpty();
        Optional<String> value = Optional.ofNullable(row.getString("default_value"));
        Column.Identity identity = switch (row.getString("identity")) {
            case "a" -> Column.Identity.ALWAYS;
            case "d" -> Column.Identity.BY_DEFAULT;
            default -> row.getBoolean("numbered") ? Column.Identity.BY_DEFAULT : Column.Identity.NONE;
        };
        return new Column(
                row.getString("column_name"),
                type(row),
                !row.getBoolean("required"),
                computed || identity != Column.Identity.NONE ? Optional.empty() : value,
                identity,
                computed ? value : Optional.empty(),
                Catalog.text(row.getString("comment")));
    }

    /** The modifier is the length and four for text, and for numbers holds precision and scale (pg_attribute). */
    private static SqlType type(ResultSet row) throws SQLException {
        String text = row.getString("type_text");
        int modifier = row.getInt("modifier");
        if (row.getString("type_kind").equals("e")) {
            return new SqlType(SqlType.Kind.ENUM, text, 0, 0, 0, Catalog.strings(row.getArray("labels")));
        }
        int length = Math.max(0, modifier - 4);
        int fraction = modifier < 0 ? 6 : modifier;
        return switch (row.getString("type_name")) {
            case "bool" -> simple(SqlType.Kind.BOOLEAN, text);
            case "int2" -> simple(SqlType.Kind.SMALLINT, text);
            case "int4" -> simple(SqlType.Kind.INTEGER, text);
            case "int8" -> simple(SqlType.Kind.BIGINT, text);
            case "numeric" -> modifier < 0 ? simple(SqlType.Kind.DECIMAL, text)
                    : new SqlType(SqlType.Kind.DECIMAL, text, 0, length >> 16 & 0xffff,
                            ((length & 0x7ff) ^ 1024) - 1024, List.of());
            case "float4" -> simple(SqlType.Kind.REAL, text);
            case "float8" -> simple(SqlType.Kind.DOUBLE, text);
            case "bpchar" -> new SqlType(SqlType.Kind.CHAR, text, length, 0, 0, List.of());
            case "varchar" -> new SqlType(SqlType.Kind.VARCHAR, text, length, 0, 0, List.of());
            case "text" -> simple(SqlType.Kind.TEXT, text);
            case "bytea" -> simple(SqlType.Kind.BINARY, text);
            case "date" -> simple(SqlType.Kind.DATE, text);
            case "time" -> timed(SqlType.Kind.TIME, text, fraction);
            case "timetz" -> timed(SqlType.Kind.TIME_WITH_ZONE, text, fraction);
            case "timestamp" -> timed(SqlType.Kind.TIMESTAMP, text, fraction);
            case "timestamptz" -> timed(SqlType.Kind.TIMESTAMP_WITH_ZONE, text, fraction);
            case "uuid" -> simple(SqlType.Kind.UUID, text);
            case "json", "jsonb" -> simple(SqlType.Kind.JSON, text);
            default -> simple(SqlType.Kind.OTHER, text);
        };
    }

    private static SqlType simple(SqlType.Kind kind, String text) {
        return new SqlType(kind, text, 0, 0, 0, List.of());
    }

    private static SqlType timed(SqlType.Kind kind, String text, int fraction) {
        return new SqlType(kind, text, 0, fraction, 0, List.of());
    }

    private static void constraint(TableDrafts drafts, ResultSet row) throws SQLException {
        TableName table = tableName(row);
        String name = row.getString("constraint_name");
        List<String> columns = Catalog.strings(row.getArray("columns"));
        switch (row.getString("kind")) {
            case "p" -> drafts.primaryKey(table, new UniqueKey(name, columns));
            case "u" -> drafts.uniqueKey(table, new UniqueKey(name, columns));
            case "c" -> drafts.check(table, new Check(name, canonical(row.getString("expression"))));
            default -> drafts.foreignKey(table, new ForeignKey(name, columns,
                    new TableName(row.getString("target_schema"), row.getString("target_name")),
                    Catalog.strings(row.getArray("target_columns")),
                    action(row.getString("on_delete")), action(row.getString("on_update"))));
        }
    }

    /**
     * An IN over varchar is written in one way when it was typed, and in another when what was written is read back:
     * a cast around the array becomes a cast around each element. This gives the second form for both.
     */
    private static String canonical(String expression) {
        return CAST_ARRAY.matcher(expression).replaceAll(array -> Matcher.quoteReplacement("(ARRAY["
                + ELEMENT.matcher(array.group(1)).replaceAll("($0)::text") + "])"));
    }

    private static ForeignKey.Action action(String code) {
        return switch (code) {
            case "r" -> ForeignKey.Action.RESTRICT;
            case "c" -> ForeignKey.Action.CASCADE;
            case "n" -> ForeignKey.Action.SET_NULL;
            case "d" -> ForeignKey.Action.SET_DEFAULT;
            default -> ForeignKey.Action.NO_ACTION;
        };
    }

    /** The check of a domain, said of a column that has the domain. */
    private static Check domainCheck(ResultSet row) throws SQLException {
        String column = row.getString("column_name");
        String expression = row.getString("definition").replaceFirst("^CHECK \\(", "")
                .replaceFirst(" NOT VALID$", "").replaceFirst("\\)$", "");
        return new Check(row.getString("constraint_name") + "_" + row.getString("name") + "_" + column,
                Words.replace(expression, "VALUE", new PostgresqlDialect().identifier(column)));
    }

    private static Index index(ResultSet row) throws SQLException {
        String name = row.getString("index_name");
        boolean unique = row.getBoolean("is_unique");
        return row.getBoolean("plain")
                ? Index.over(name, unique, Catalog.strings(row.getArray("columns")))
                : new Index(name, unique, List.of(), Optional.of(row.getString("definition")));
    }

    private static TableName tableName(ResultSet row) throws SQLException {
        return new TableName(row.getString("schema"), row.getString("name"));
    }
}
