package dev.vinekit.engine.h2;

import dev.vinekit.engine.Catalog;
import dev.vinekit.engine.TableDrafts;
import dev.vinekit.schema.Access;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Domain;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.Sequence;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Reads H2's information schema in bulk: one statement for each kind of thing. */
final class H2Catalog {
    private static final String SCHEMAS = """
            SELECT SCHEMA_NAME FROM INFORMATION_SCHEMA.SCHEMATA WHERE SCHEMA_NAME <> 'INFORMATION_SCHEMA'
            """;

    /** Tables are seen by those who have a right to them: if none is listed, it is that to whole schemas. */
    private static final String TABLES = """
            SELECT t.TABLE_SCHEMA, t.TABLE_NAME, t.REMARKS, v.VIEW_DEFINITION,
                (SELECT IS_ADMIN FROM INFORMATION_SCHEMA.USERS WHERE USER_NAME = CURRENT_USER)
                    OR NOT EXISTS (SELECT 1 FROM INFORMATION_SCHEMA.TABLE_PRIVILEGES p
                    WHERE p.TABLE_SCHEMA = t.TABLE_SCHEMA AND p.TABLE_NAME = t.TABLE_NAME) AS MAY_ALL,
                (SELECT ARRAY_AGG(p.PRIVILEGE_TYPE) FROM INFORMATION_SCHEMA.TABLE_PRIVILEGES p
                    WHERE p.TABLE_SCHEMA = t.TABLE_SCHEMA AND p.TABLE_NAME = t.TABLE_NAME
                    AND p.GRANTEE IN (CURRENT_USER, 'PUBLIC')) AS RIGHTS
            FROM INFORMATION_SCHEMA.TABLES t
            LEFT JOIN INFORMATION_SCHEMA.VIEWS v ON v.TABLE_SCHEMA = t.TABLE_SCHEMA AND v.TABLE_NAME = t.TABLE_NAME
            WHERE t.TABLE_SCHEMA = ANY(?) AND t.TABLE_TYPE IN ('BASE TABLE', 'VIEW')
            """;

    /** What arrays are made of. Joined to columns, H2 would make this anew for each of them, and the next. */
    private static final String ELEMENTS = """
            SELECT OBJECT_TYPE, OBJECT_SCHEMA, OBJECT_NAME, COLLECTION_TYPE_IDENTIFIER, DTD_IDENTIFIER, DATA_TYPE,
                CHARACTER_MAXIMUM_LENGTH, NUMERIC_PRECISION, NUMERIC_SCALE, DATETIME_PRECISION, INTERVAL_TYPE,
                INTERVAL_PRECISION, MAXIMUM_CARDINALITY
            FROM INFORMATION_SCHEMA.ELEMENT_TYPES
            """;

    private static final String LABELS = """
            SELECT OBJECT_TYPE, OBJECT_SCHEMA, OBJECT_NAME, ENUM_IDENTIFIER,
                ARRAY_AGG(VALUE_NAME ORDER BY VALUE_ORDINAL) AS LABELS
            FROM INFORMATION_SCHEMA.ENUM_VALUES
            GROUP BY OBJECT_TYPE, OBJECT_SCHEMA, OBJECT_NAME, ENUM_IDENTIFIER
            """;

    private static final String COLUMNS = """
            SELECT c.TABLE_SCHEMA, c.TABLE_NAME, c.COLUMN_NAME, c.DATA_TYPE, c.CHARACTER_MAXIMUM_LENGTH,
                c.NUMERIC_PRECISION, c.NUMERIC_SCALE, c.DATETIME_PRECISION, c.INTERVAL_TYPE, c.INTERVAL_PRECISION,
                c.IS_NULLABLE, c.COLUMN_DEFAULT, c.IS_IDENTITY, c.IDENTITY_GENERATION, c.GENERATION_EXPRESSION,
                c.REMARKS, c.COLUMN_ON_UPDATE, c.MAXIMUM_CARDINALITY, c.DTD_IDENTIFIER, c.DOMAIN_SCHEMA, c.DOMAIN_NAME
            FROM INFORMATION_SCHEMA.COLUMNS c
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
            SELECT c.TABLE_SCHEMA, c.TABLE_NAME, c.CONSTRAINT_NAME, k.CHECK_CLAUSE
            FROM INFORMATION_SCHEMA.TABLE_CONSTRAINTS c
            JOIN INFORMATION_SCHEMA.CHECK_CONSTRAINTS k
                ON k.CONSTRAINT_SCHEMA = c.CONSTRAINT_SCHEMA AND k.CONSTRAINT_NAME = c.CONSTRAINT_NAME
            WHERE c.TABLE_SCHEMA = ANY(?)
            ORDER BY c.CONSTRAINT_NAME
            """;

    private static final String DOMAINS = """
            SELECT d.DOMAIN_SCHEMA, d.DOMAIN_NAME, d.DATA_TYPE, d.CHARACTER_MAXIMUM_LENGTH, d.NUMERIC_PRECISION,
                d.NUMERIC_SCALE, d.DATETIME_PRECISION, d.INTERVAL_TYPE, d.INTERVAL_PRECISION, d.DOMAIN_DEFAULT,
                d.DTD_IDENTIFIER, d.MAXIMUM_CARDINALITY, c.CONSTRAINT_NAME, k.CHECK_CLAUSE
            FROM INFORMATION_SCHEMA.DOMAINS d
            LEFT JOIN INFORMATION_SCHEMA.DOMAIN_CONSTRAINTS c
                ON c.DOMAIN_SCHEMA = d.DOMAIN_SCHEMA AND c.DOMAIN_NAME = d.DOMAIN_NAME
            LEFT JOIN INFORMATION_SCHEMA.CHECK_CONSTRAINTS k
                ON k.CONSTRAINT_SCHEMA = c.CONSTRAINT_SCHEMA AND k.CONSTRAINT_NAME = c.CONSTRAINT_NAME
            WHERE EXISTS (SELECT 1 FROM INFORMATION_SCHEMA.COLUMNS u WHERE u.TABLE_SCHEMA = ANY(?)
                AND u.DOMAIN_SCHEMA = d.DOMAIN_SCHEMA AND u.DOMAIN_NAME = d.DOMAIN_NAME)
            ORDER BY d.DOMAIN_SCHEMA, d.DOMAIN_NAME, c.CONSTRAINT_NAME
            """;

    private static final String SEQUENCES = """
            SELECT SEQUENCE_SCHEMA, SEQUENCE_NAME, START_VALUE, INCREMENT,
                CASE WHEN MINIMUM_VALUE <> CASE WHEN INCREMENT > 0 THEN 1 ELSE -9223372036854775808 END THEN ' MINVALUE ' || MINIMUM_VALUE ELSE '' END
                || CASE WHEN MAXIMUM_VALUE <> CASE WHEN INCREMENT > 0 THEN 9223372036854775807 ELSE -1 END THEN ' MAXVALUE ' || MAXIMUM_VALUE ELSE '' END
                || CASE CYCLE_OPTION WHEN 'YES' THEN ' CYCLE' WHEN 'EXHAUSTED' THEN ' EXHAUSTED' ELSE '' END
                || CASE WHEN CACHE <> 32 THEN ' CACHE ' || CACHE ELSE '' END AS OPTIONS
            FROM INFORMATION_SCHEMA.SEQUENCES
            WHERE SEQUENCE_SCHEMA = ANY(?)
            ORDER BY SEQUENCE_SCHEMA, SEQUENCE_NAME
            """;

    private static final String INDEXES = """
            SELECT i.TABLE_SCHEMA, i.TABLE_NAME, i.INDEX_NAME, i.INDEX_TYPE_NAME, i.NULLS_DISTINCT,
                ARRAY_AGG(c.COLUMN_NAME ORDER BY c.ORDINAL_POSITION) AS COLUMNS,
                ARRAY_AGG(CASE WHEN c.ORDERING_SPECIFICATION = 'DESC' THEN ' DESC' ELSE '' END ORDER BY c.ORDINAL_POSITION) AS ORDERS
            FROM INFORMATION_SCHEMA.INDEXES i
            JOIN INFORMATION_SCHEMA.INDEX_COLUMNS c
                ON c.INDEX_SCHEMA = i.INDEX_SCHEMA AND c.INDEX_NAME = i.INDEX_NAME
            WHERE i.TABLE_SCHEMA = ANY(?) AND NOT i.IS_GENERATED
            GROUP BY i.TABLE_SCHEMA, i.TABLE_NAME, i.INDEX_NAME, i.INDEX_TYPE_NAME, i.NULLS_DISTINCT
            ORDER BY i.INDEX_NAME
            """;

    /** How identity columns count, where it is not by 1, and comments on what is no table. */
    private static final String OBJECTS = """
            SELECT 'SETTING' AS KIND, c.TABLE_SCHEMA AS SCHEMA_NAME, c.TABLE_NAME || ' ' || c.COLUMN_NAME || ' numbers' AS NAME, c.TABLE_NAME,
                'ALTER TABLE ' || QUOTE_IDENT(c.TABLE_SCHEMA) || '.' || QUOTE_IDENT(c.TABLE_NAME) || ' ALTER COLUMN ' || QUOTE_IDENT(c.COLUMN_NAME)
                || ' SET INCREMENT BY ' || c.IDENTITY_INCREMENT || ' SET MINVALUE ' || c.IDENTITY_MINIMUM
                || ' SET MAXVALUE ' || c.IDENTITY_MAXIMUM || CASE c.IDENTITY_CYCLE WHEN 'YES' THEN ' SET CYCLE' ELSE '' END AS DEFINITION
            FROM INFORMATION_SCHEMA.COLUMNS c
            WHERE c.TABLE_SCHEMA = ANY(?) AND c.IS_IDENTITY = 'YES'
                AND (c.IDENTITY_INCREMENT <> 1 OR c.IDENTITY_MINIMUM <> 1 OR c.IDENTITY_CYCLE = 'YES')
            UNION ALL
            SELECT 'COMMENT', SEQUENCE_SCHEMA, SEQUENCE_NAME, NULL, 'COMMENT ON SEQUENCE ' || QUOTE_IDENT(SEQUENCE_SCHEMA) || '.'
                || QUOTE_IDENT(SEQUENCE_NAME) || ' IS ' || CHAR(39) || REPLACE(REMARKS, CHAR(39), CHAR(39) || CHAR(39)) || CHAR(39)
            FROM INFORMATION_SCHEMA.SEQUENCES WHERE SEQUENCE_SCHEMA = ANY(?) AND REMARKS <> ''
            UNION ALL
            SELECT 'COMMENT', DOMAIN_SCHEMA, DOMAIN_NAME, NULL, 'COMMENT ON DOMAIN ' || QUOTE_IDENT(DOMAIN_SCHEMA) || '.'
                || QUOTE_IDENT(DOMAIN_NAME) || ' IS ' || CHAR(39) || REPLACE(REMARKS, CHAR(39), CHAR(39) || CHAR(39)) || CHAR(39)
            FROM INFORMATION_SCHEMA.DOMAINS WHERE DOMAIN_SCHEMA = ANY(?) AND REMARKS <> ''
            """;

    /** Where nothing is said (H2 manual, "Data Types", INTERVAL). */
    private static final int INTERVAL_DIGITS = 2;
    private static final int FRACTION = 6;

    /** Where nothing is said (H2 manual, "Data Types", ARRAY). */
    private static final int LONGEST_ARRAY = 65536;

    /** How H2 identifies the type of a domain within it. */
    private static final String OF_DOMAIN = "TYPE";

    private final Connection connection;
    private final List<String> requested;
    private final Map<TypePlace, List<String>> labels = new HashMap<>();
    private final Map<TypePlace, SqlType> elements = new HashMap<>();

    H2Catalog(Connection connection, List<String> requested) {
        this.connection = connection;
        this.requested = requested;
    }

    /**
     * Where a type is written.
     *
     * @param object {@code TABLE} or {@code DOMAIN}
     * @param identifier of the type within the object
     */
    private record TypePlace(String object, TableName name, String identifier) {
        static TypePlace of(ResultSet row, String identifier) throws SQLException {
            return new TypePlace(row.getString("OBJECT_TYPE"),
                    new TableName(row.getString("OBJECT_SCHEMA"), row.getString("OBJECT_NAME")),
                    row.getString(identifier));
        }
    }

    Schema read() throws SQLException {
        String current = connection.getSchema();
        List<String> schemas = requested.isEmpty() ? List.of(current) : requested;
        Catalog catalog = Catalog.of(connection, SCHEMAS, schemas);
        TableDrafts drafts = new TableDrafts(word -> word.toUpperCase(Locale.ROOT));
        catalog.each(TABLES, row -> table(drafts, row));
        catalog.all(LABELS, row -> labels.put(
                TypePlace.of(row, "ENUM_IDENTIFIER"), Catalog.strings(row.getArray("LABELS"))));
        catalog.all(ELEMENTS, row -> elements.put(TypePlace.of(row, "COLLECTION_TYPE_IDENTIFIER"),
                type(row, TypePlace.of(row, "DTD_IDENTIFIER"), Optional.empty())));
        catalog.each(COLUMNS, row -> drafts.column(tableName(row), column(row)));
        catalog.each(KEYS, row -> key(drafts, row));
        catalog.each(REFERENCES, row -> drafts.foreignKey(tableName(row), reference(row)));
        catalog.each(CHECKS, row -> drafts.check(tableName(row),
                new Check(row.getString("CONSTRAINT_NAME"), row.getString("CHECK_CLAUSE"))));
        catalog.each(INDEXES, row -> drafts.index(tableName(row), index(row, current)));
        Map<String, Domain> domains = new LinkedHashMap<>();
        catalog.each(DOMAINS, row -> domains.merge(domainName(row), domain(row), H2Catalog::joined));
        List<Sequence> sequences = new ArrayList<>();
        catalog.each(SEQUENCES, row -> sequences.add(new Sequence(
                new TableName(row.getString("SEQUENCE_SCHEMA"), row.getString("SEQUENCE_NAME")),
                row.getLong("START_VALUE"), row.getLong("INCREMENT"), row.getString("OPTIONS"))));
        return new Schema("h2", current, drafts.tables(), List.copyOf(domains.values()), sequences, objects(catalog));
    }

    private static List<SchemaObject> objects(Catalog catalog) throws SQLException {
        List<SchemaObject> objects = new ArrayList<>();
        catalog.each(OBJECTS, row -> {
            String schema = row.getString("SCHEMA_NAME");
            Optional<TableName> on = Optional.ofNullable(row.getString("TABLE_NAME"))
                    .map(table -> new TableName(schema, table));
            objects.add(new SchemaObject(SchemaObject.Kind.valueOf(row.getString("KIND")),
                    new TableName(schema, row.getString("NAME")), on,
                    row.getString("DEFINITION"), on.stream().toList()));
        });
        return objects;
    }

    /** An index that is more than its columns is kept as the statement that makes it. */
    private static Index index(ResultSet row, String current) throws SQLException {
        String name = row.getString("INDEX_NAME");
        String kind = row.getString("INDEX_TYPE_NAME");
        boolean unique = kind.startsWith("UNIQUE");
        List<String> columns = Catalog.strings(row.getArray("COLUMNS"));
        List<String> orders = Catalog.strings(row.getArray("ORDERS"));
        String nulls = Catalog.text(row.getString("NULLS_DISTINCT"));
        boolean plain = orders.stream().allMatch(String::isEmpty) && !kind.startsWith("SPATIAL")
                && (!unique || nulls.equals("YES"));
        if (plain) {
            return Index.over(name, unique, columns);
        }
        H2Dialect dialect = new H2Dialect();
        String words = kind.startsWith("SPATIAL") ? "SPATIAL " : !unique ? "" : nulls.equals("YES") ? "UNIQUE "
                : nulls.equals("ALL") ? "UNIQUE NULLS ALL DISTINCT " : "UNIQUE NULLS NOT DISTINCT ";
        String over = IntStream.range(0, columns.size())
                .mapToObj(i -> dialect.identifier(columns.get(i)) + orders.get(i))
                .collect(Collectors.joining(", ", " (", ")"));
        return new Index(name, unique, unique && nulls.equals("YES") ? columns : List.of(),
                Optional.of("CREATE " + words + "INDEX " + dialect.identifier(name)
                + " ON " + dialect.table(tableName(row), current) + over));
    }

    private static void table(TableDrafts drafts, ResultSet row) throws SQLException {
        Optional<String> query = Optional.ofNullable(row.getString("VIEW_DEFINITION"));
        Set<Access.Right> rights = EnumSet.noneOf(Access.Right.class);
        List<String> granted = row.getArray("RIGHTS") == null ? List.of() : Catalog.strings(row.getArray("RIGHTS"));
        for (Access.Right right : Access.Right.values()) {
            if (row.getBoolean("MAY_ALL") || granted.contains(right.name())) {
                rights.add(right);
            }
        }
        drafts.table(tableName(row), query.isPresent() ? Table.Kind.VIEW : Table.Kind.TABLE, query, "",
                Catalog.text(row.getString("REMARKS")), new Access("", rights));
    }

    private static String domainName(ResultSet row) throws SQLException {
        return Dialect.quoteIdentifier(row.getString("DOMAIN_SCHEMA")) + "."
                + Dialect.quoteIdentifier(row.getString("DOMAIN_NAME"));
    }

    private Domain domain(ResultSet row) throws SQLException {
        List<Check> checks = row.getString("CONSTRAINT_NAME") == null ? List.of()
                : List.of(new Check(row.getString("CONSTRAINT_NAME"), row.getString("CHECK_CLAUSE")));
        TypePlace place = new TypePlace("DOMAIN",
                new TableName(row.getString("DOMAIN_SCHEMA"), row.getString("DOMAIN_NAME")),
                row.getString("DTD_IDENTIFIER"));
        return new Domain(domainName(row), type(row, place, Optional.ofNullable(elements.get(place))), true,
                Optional.ofNullable(row.getString("DOMAIN_DEFAULT")),
                checks);
    }

    private static Domain joined(Domain one, Domain more) {
        List<Check> checks = new ArrayList<>(one.checks());
        checks.addAll(more.checks());
        return new Domain(one.name(), one.base(), one.nullable(), one.defaultValue(), checks);
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
                ForeignKey.Action.of(row.getString("DELETE_RULE")), ForeignKey.Action.of(row.getString("UPDATE_RULE")));
    }

    private Column column(ResultSet row) throws SQLException {
        Column.Identity identity = !"YES".equals(row.getString("IS_IDENTITY")) ? Column.Identity.NONE
                : "ALWAYS".equals(row.getString("IDENTITY_GENERATION")) ? Column.Identity.ALWAYS
                : Column.Identity.BY_DEFAULT;
        return new Column(
                row.getString("COLUMN_NAME"),
                columnType(row),
                "YES".equals(row.getString("IS_NULLABLE")),
                defaultValue(row).map(DefaultValue::of),
                identity,
                Optional.ofNullable(row.getString("GENERATION_EXPRESSION"))
                        .map(expression -> new Column.Computed(expression, true)),
                Optional.empty(),
                Catalog.text(row.getString("REMARKS")));
    }

    /** What is set again at each change stands behind the default. */
    private static Optional<String> defaultValue(ResultSet row) throws SQLException {
        Optional<String> value = Optional.ofNullable(row.getString("COLUMN_DEFAULT"));
        Optional<String> later = Optional.ofNullable(row.getString("COLUMN_ON_UPDATE"))
                .map(text -> "ON UPDATE " + text);
        return value.isPresent() && later.isPresent() ? Optional.of(value.get() + " " + later.get())
                : value.or(() -> later);
    }

    private SqlType columnType(ResultSet row) throws SQLException {
        String domain = row.getString("DOMAIN_NAME");
        String identifier = row.getString("DTD_IDENTIFIER");
        TypePlace inTable = new TypePlace("TABLE", tableName(row), identifier);
        TypePlace place = domain == null ? inTable
                : new TypePlace("DOMAIN", new TableName(row.getString("DOMAIN_SCHEMA"), domain), OF_DOMAIN);
        SqlType type = type(row, place, Optional.ofNullable(elements.get(inTable)));
        return domain == null ? type : type.withDomain(domainName(row));
    }

    /** @param element what an array is made of, where that is known */
    private SqlType type(ResultSet row, TypePlace place, Optional<SqlType> element) throws SQLException {
        String name = row.getString("DATA_TYPE");
        long declared = row.getLong("CHARACTER_MAXIMUM_LENGTH");
        long length = declared >= 1_000_000_000L ? 0 : declared;
        String sized = length == 0 ? "" : "(" + length + ")";
        int precision = row.getInt("NUMERIC_PRECISION");
        int scale = row.getInt("NUMERIC_SCALE");
        int fraction = row.getInt("DATETIME_PRECISION");
        return switch (name) {
            case "BOOLEAN" -> SqlType.of(SqlType.Kind.BOOLEAN, name);
            case "TINYINT" -> SqlType.of(SqlType.Kind.TINYINT, name);
            case "SMALLINT" -> SqlType.of(SqlType.Kind.SMALLINT, name);
            case "INTEGER" -> SqlType.of(SqlType.Kind.INTEGER, name);
            case "BIGINT" -> SqlType.of(SqlType.Kind.BIGINT, name);
            case "NUMERIC" -> SqlType.of(SqlType.Kind.DECIMAL,
                    "NUMERIC(" + precision + ", " + scale + ")").withDigits(precision, scale);
            case "DECFLOAT" -> SqlType.of(SqlType.Kind.DECIMAL, "DECFLOAT(" + precision + ")");
            case "REAL" -> SqlType.of(SqlType.Kind.REAL, name);
            case "DOUBLE PRECISION" -> SqlType.of(SqlType.Kind.DOUBLE, name);
            case "CHARACTER" -> sized(SqlType.Kind.CHAR, "CHAR" + sized, length);
            case "CHARACTER VARYING" -> sized(SqlType.Kind.VARCHAR, "VARCHAR" + sized, length);
            case "VARCHAR_IGNORECASE" -> sized(SqlType.Kind.VARCHAR, name + sized, length);
            case "CHARACTER LARGE OBJECT" -> sized(SqlType.Kind.TEXT, name + sized, length);
            case "BINARY" -> sized(SqlType.Kind.BINARY, "BINARY" + sized, length);
            case "BINARY VARYING" -> sized(SqlType.Kind.BINARY, "VARBINARY" + sized, length);
            case "BINARY LARGE OBJECT" -> sized(SqlType.Kind.BINARY, name + sized, length);
            case "DATE" -> SqlType.of(SqlType.Kind.DATE, name);
            case "TIME" -> timed(SqlType.Kind.TIME, "TIME(" + fraction + ")", fraction);
            case "TIME WITH TIME ZONE" ->
                    timed(SqlType.Kind.TIME_WITH_ZONE, "TIME(" + fraction + ") WITH TIME ZONE", fraction);
            case "TIMESTAMP" -> timed(SqlType.Kind.TIMESTAMP, "TIMESTAMP(" + fraction + ")", fraction);
            case "TIMESTAMP WITH TIME ZONE" ->
                    timed(SqlType.Kind.TIMESTAMP_WITH_ZONE, "TIMESTAMP(" + fraction + ") WITH TIME ZONE", fraction);
            case "UUID" -> SqlType.of(SqlType.Kind.UUID, name);
            case "JSON" -> SqlType.of(SqlType.Kind.JSON, name);
            case "ENUM" -> enumeration(labels.getOrDefault(place, List.of()));
            case "ARRAY" -> element.isPresent() ? array(element.get(), row.getInt("MAXIMUM_CARDINALITY"))
                    : SqlType.of(SqlType.Kind.OTHER, name);
            case "INTERVAL" -> SqlType.of(SqlType.Kind.INTERVAL, "INTERVAL "
                    + interval(row.getString("INTERVAL_TYPE"), row.getInt("INTERVAL_PRECISION"),
                            fraction));
            case "GEOMETRY" -> SqlType.of(SqlType.Kind.GEOMETRY, name);
            default -> SqlType.of(SqlType.Kind.OTHER, name);
        };
    }

    /** The fields of an interval, with the digits of the first and of the seconds where they are not the usual ones. */
    private static String interval(String fields, int digits, int fraction) {
        boolean few = fraction != FRACTION && fields.endsWith("SECOND");
        if (fields.equals("SECOND")) {
            return fields + (few ? "(" + digits + ", " + fraction + ")" : digits == INTERVAL_DIGITS ? "" : "(" + digits
                    + ")");
        }
        String[] both = fields.split(" ", 2);
        return both[0] + (digits == INTERVAL_DIGITS ? "" : "(" + digits + ")") + (both.length == 1 ? "" : " " + both[1])
                + (few ? "(" + fraction + ")" : "");
    }

    private static SqlType sized(SqlType.Kind kind, String text, long length) {
        return SqlType.of(kind, text).withLength(length);
    }

    private static SqlType timed(SqlType.Kind kind, String text, int fraction) {
        return SqlType.of(kind, text).withDigits(fraction, 0);
    }

    private static SqlType array(SqlType element, int most) {
        return SqlType.of(SqlType.Kind.ARRAY, element.text() + " ARRAY"
                + (most == 0 || most == LONGEST_ARRAY ? "" : "[" + most + "]")).withElement(element);
    }

    private static SqlType enumeration(List<String> labels) {
        String text = String.join(", ", labels.stream().map(Dialect::quoteLiteral).toList());
        return SqlType.of(SqlType.Kind.ENUM, "ENUM(" + text + ")").withLabels(labels);
    }

    private static TableName tableName(ResultSet row) throws SQLException {
        return new TableName(row.getString("TABLE_SCHEMA"), row.getString("TABLE_NAME"));
    }
}
