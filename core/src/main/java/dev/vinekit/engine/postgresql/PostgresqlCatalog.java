package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.Catalog;
import dev.vinekit.engine.TableDrafts;
import dev.vinekit.schema.Access;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Deferral;
import dev.vinekit.schema.Domain;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Sequence;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/** Reads PostgreSQL's system catalogs in bulk: one statement for each kind of thing. */
final class PostgresqlCatalog {
    private static final String SCHEMAS = """
            SELECT nspname FROM pg_namespace WHERE nspname NOT LIKE 'pg\\_%' AND nspname <> 'information_schema'
            """;

    private static final String TABLES = """
            SELECT n.nspname AS schema, c.relname AS name, cd.description AS comment, c.relkind AS kind,
                ARRAY(SELECT pn.nspname FROM pg_inherits h JOIN pg_class p ON p.oid = h.inhparent JOIN pg_namespace pn ON pn.oid = p.relnamespace
                    WHERE h.inhrelid = c.oid ORDER BY h.inhseqno)::text[] AS parent_schemas,
                ARRAY(SELECT p.relname FROM pg_inherits h JOIN pg_class p ON p.oid = h.inhparent
                    WHERE h.inhrelid = c.oid ORDER BY h.inhseqno)::text[] AS parents,
                CASE WHEN c.relkind IN ('v', 'm') THEN pg_get_viewdef(c.oid, true) END AS query,
                CASE WHEN c.relkind = 'p' THEN 'PARTITION BY ' || pg_get_partkeydef(c.oid) END AS options,
                pg_get_userbyid(c.relowner) AS owner,
                has_table_privilege(c.oid, 'SELECT') AS may_select, has_table_privilege(c.oid, 'INSERT') AS may_insert,
                has_table_privilege(c.oid, 'UPDATE') AS may_update, has_table_privilege(c.oid, 'DELETE') AS may_delete
            FROM pg_class c
            JOIN pg_namespace n ON n.oid = c.relnamespace
            LEFT JOIN pg_description cd ON cd.classoid = 'pg_class'::regclass AND cd.objoid = c.oid AND cd.objsubid = 0
            WHERE n.nspname = ANY (?) AND c.relkind IN ('r', 'p', 'v', 'm', 'f') AND NOT c.relispartition
            """;

    private static final String COLUMNS = """
            SELECT n.nspname AS schema, c.relname AS name, a.attrelid AS relation, a.attnum AS number, a.attname AS column_name,
                COALESCE(b.typname, t.typname) AS type_name, COALESCE(b.typtype, t.typtype) AS type_kind,
                format_type(CASE WHEN t.typtype = 'd' THEN t.typbasetype ELSE a.atttypid END,
                    CASE WHEN t.typtype = 'd' THEN t.typtypmod ELSE a.atttypmod END) AS type_text,
                CASE WHEN t.typtype = 'd' THEN t.typtypmod ELSE a.atttypmod END AS modifier,
                CASE WHEN t.typtype = 'd' THEN format_type(t.oid, NULL) END AS domain,
                e.typname AS element_name, format_type(e.oid, CASE WHEN t.typtype = 'd' THEN t.typtypmod ELSE a.atttypmod END) AS element_text,
                e.typtype AS element_kind, a.attnotnull OR t.typnotnull AS required, a.attidentity AS identity, a.attgenerated AS generated,
                COALESCE(pg_get_expr(d.adbin, d.adrelid), t.typdefault) AS default_value,
                CASE WHEN a.attcollation <> t.typcollation THEN
                    (SELECT quote_ident(cn.nspname) || '.' || quote_ident(co.collname) FROM pg_collation co
                        JOIN pg_namespace cn ON cn.oid = co.collnamespace WHERE co.oid = a.attcollation) END AS collation,
                cd.description AS comment,
                CASE WHEN 'e' IN (COALESCE(b.typtype, t.typtype), e.typtype) THEN
                    ARRAY(SELECT l.enumlabel FROM pg_enum l WHERE l.enumtypid = COALESCE(e.oid, b.oid, t.oid)
                        ORDER BY l.enumsortorder) END AS labels
            FROM pg_attribute a
            JOIN pg_class c ON c.oid = a.attrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            JOIN pg_type t ON t.oid = a.atttypid
            LEFT JOIN pg_type b ON t.typtype = 'd' AND b.oid = t.typbasetype
            LEFT JOIN pg_type e ON e.oid = COALESCE(b.typelem, t.typelem) AND COALESCE(b.typlen, t.typlen) = -1
                AND COALESCE(b.typcategory, t.typcategory) = 'A'
            LEFT JOIN pg_attrdef d ON a.atthasdef AND d.adrelid = a.attrelid AND d.adnum = a.attnum
            LEFT JOIN pg_description cd ON cd.classoid = 'pg_class'::regclass AND cd.objoid = a.attrelid AND cd.objsubid = a.attnum
            WHERE n.nspname = ANY (?) AND c.relkind IN ('r', 'p', 'v', 'm', 'f') AND a.attnum > 0 AND NOT a.attisdropped
            ORDER BY a.attnum
            """;

    /** Whether a sequence is otherwise than one that nothing is said about (PostgreSQL manual, CREATE SEQUENCE). */
    static final String ODD_SEQUENCE = """
            (q.seqstart <> 1 OR q.seqincrement <> 1 OR q.seqmin <> 1 OR q.seqcache <> 1 OR q.seqcycle
                OR q.seqmax <> CASE q.seqtypid WHEN 'int2'::regtype THEN 32767 WHEN 'int4'::regtype THEN 2147483647
                    ELSE 9223372036854775807 END)""";

    /** Whether a column and the sequence that it owns are what the type serial makes. */
    static final String PLAIN_SERIAL = """
            s.relnamespace = c.relnamespace AND s.relname = c.relname || '_' || a.attname || '_seq' AND q.seqtypid = a.atttypid
                AND NOT @ODD AND a.attnotnull AND EXISTS (SELECT FROM pg_attrdef ad
                    JOIN pg_depend u ON u.classid = 'pg_attrdef'::regclass AND u.objid = ad.oid AND u.refobjid = s.oid
                    WHERE ad.adrelid = c.oid AND ad.adnum = a.attnum AND pg_get_expr(ad.adbin, ad.adrelid) LIKE 'nextval(%)')"""
            .replace("@ODD", ODD_SEQUENCE);

    private static final String SERIALS = """
            SELECT o.refobjid AS relation, o.refobjsubid AS number, @SERIAL AS plain
            FROM pg_sequence q
            CROSS JOIN LATERAL (SELECT refobjid, refobjsubid FROM pg_depend
                WHERE classid = 'pg_class'::regclass AND objid = q.seqrelid AND refclassid = 'pg_class'::regclass AND deptype = 'a' OFFSET 0) o
            JOIN pg_class s ON s.oid = q.seqrelid
            JOIN pg_class c ON c.oid = o.refobjid
            JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = o.refobjsubid
            JOIN pg_attrdef d ON d.adrelid = c.oid AND d.adnum = a.attnum
            WHERE EXISTS (SELECT FROM pg_depend u WHERE u.classid = 'pg_attrdef'::regclass AND u.objid = d.oid AND u.refobjid = s.oid)
            """.replace("@SERIAL", PLAIN_SERIAL);

    private static final String CONSTRAINTS = """
            SELECT n.nspname AS schema, c.relname AS name, k.conname AS constraint_name, k.contype AS kind,
                k.conrelid AS relation, k.conkey AS columns, k.conindid AS index,
                k.confrelid AS target, k.confkey AS target_columns, fn.nspname AS target_schema, f.relname AS target_name,
                CASE WHEN k.contype = 'f' AND fn.nspname <> n.nspname THEN
                    ARRAY(SELECT a.attname FROM unnest(k.confkey) WITH ORDINALITY u (num, place)
                        JOIN pg_attribute a ON a.attrelid = k.confrelid AND a.attnum = u.num ORDER BY u.place)
                    END AS far_columns,
                CASE WHEN k.contype = 'c' THEN pg_get_expr(k.conbin, k.conrelid) END AS expression,
                CASE WHEN k.contype IN ('u', 'x') OR k.contype = 'f' AND (k.confmatchtype = 'f' OR to_jsonb(k) ->> 'confdelsetcols' IS NOT NULL)
                    THEN replace(pg_get_constraintdef(k.oid), ' NOT VALID', '') END AS definition,
                k.confdeltype AS on_delete, k.confupdtype AS on_update,
                k.condeferrable AS can_wait, k.condeferred AS waits
            FROM pg_constraint k
            JOIN pg_class c ON c.oid = k.conrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            LEFT JOIN pg_class f ON f.oid = k.confrelid
            LEFT JOIN pg_namespace fn ON fn.oid = f.relnamespace
            WHERE n.nspname = ANY (?) AND k.contype IN ('p', 'u', 'f', 'c', 'x') AND NOT c.relispartition
                AND k.conparentid = 0
            ORDER BY k.conname
            """;

    private static final String DOMAINS = """
            SELECT format_type(t.oid, NULL) AS domain, b.typname AS type_name, b.typtype AS type_kind,
                format_type(t.typbasetype, t.typtypmod) AS type_text, t.typtypmod AS modifier,
                e.typname AS element_name, format_type(e.oid, t.typtypmod) AS element_text, e.typtype AS element_kind,
                t.typnotnull AS required, t.typdefault AS default_value,
                (SELECT quote_ident(cn.nspname) || '.' || quote_ident(co.collname) FROM pg_collation co
                    JOIN pg_namespace cn ON cn.oid = co.collnamespace WHERE co.oid = t.typcollation AND t.typcollation <> b.typcollation) AS collation,
                ARRAY(SELECT l.enumlabel FROM pg_enum l WHERE l.enumtypid = COALESCE(e.oid, b.oid) ORDER BY l.enumsortorder) AS labels,
                k.conname AS constraint_name, pg_get_constraintdef(k.oid) AS definition
            FROM pg_type t
            JOIN pg_type b ON b.oid = t.typbasetype
            LEFT JOIN pg_type e ON e.oid = b.typelem AND b.typlen = -1 AND b.typcategory = 'A'
            LEFT JOIN pg_constraint k ON k.contypid = t.oid AND k.contype = 'c'
            WHERE t.typtype = 'd' AND t.typnamespace <> 'information_schema'::regnamespace AND EXISTS (SELECT FROM pg_attribute a
                JOIN pg_class c ON c.oid = a.attrelid AND c.relkind IN ('r', 'p', 'f')
                JOIN pg_namespace n ON n.oid = c.relnamespace
                WHERE a.atttypid = t.oid AND NOT a.attisdropped AND n.nspname = ANY (?))
            ORDER BY 1, k.conname
            """;

    private static final String SEQUENCES = """
            SELECT n.nspname AS schema, s.relname AS name, q.seqstart AS first, q.seqincrement AS step,
                CASE WHEN q.seqtypid = 'int8'::regtype THEN '' ELSE ' AS ' || format_type(q.seqtypid, NULL) END
                || CASE WHEN @ODD THEN ' MINVALUE ' || q.seqmin || ' MAXVALUE ' || q.seqmax || ' CACHE ' || q.seqcache
                    || CASE WHEN q.seqcycle THEN ' CYCLE' ELSE '' END ELSE '' END AS options
            FROM pg_sequence q
            JOIN pg_class s ON s.oid = q.seqrelid
            JOIN pg_namespace n ON n.oid = s.relnamespace
            WHERE n.nspname = ANY (?)
                AND NOT EXISTS (SELECT FROM (SELECT refobjid, refobjsubid, deptype FROM pg_depend
                        WHERE classid = 'pg_class'::regclass AND objid = s.oid OFFSET 0) o
                    LEFT JOIN pg_class c ON o.deptype = 'a' AND c.oid = o.refobjid
                    LEFT JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = o.refobjsubid
                    WHERE o.deptype IN ('i', 'e') OR o.deptype = 'a' AND @SERIAL)
            ORDER BY n.nspname, s.relname
            """.replace("@ODD", ODD_SEQUENCE).replace("@SERIAL", PLAIN_SERIAL);

    /** A plain index has columns and nothing else: usual order, operators and collation, all rows (pg_index). */
    private static final String INDEXES = """
            SELECT n.nspname AS schema, c.relname AS name, x.relname AS index_name, i.indexrelid AS index,
                i.indrelid AS relation, i.indisunique AS is_unique, i.indkey::int2[] AS columns,
                CASE WHEN i.indisunique OR NOT (i.indexprs IS NULL AND i.indpred IS NULL AND i.indnatts = i.indnkeyatts
                        AND m.amname = 'btree' AND x.reloptions IS NULL AND i.indoption::int2[] <@ '{0}'::int2[]
                        AND i.indcollation::oid[] <@ '{0,100}'::oid[]
                        AND NOT i.indclass::oid[] && (SELECT array_agg(o.oid) FROM pg_opclass o WHERE NOT o.opcdefault))
                    THEN pg_get_indexdef(i.indexrelid) END AS definition
            FROM pg_index i
            JOIN pg_class x ON x.oid = i.indexrelid
            JOIN pg_am m ON m.oid = x.relam
            JOIN pg_class c ON c.oid = i.indrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE n.nspname = ANY (?) AND c.relkind IN ('r', 'p', 'm') AND NOT c.relispartition
            ORDER BY x.relname
            """;

    private static final Pattern PLAIN_UNIQUE_INDEX =
            Pattern.compile("CREATE UNIQUE INDEX .* USING btree \\((?:[a-z_][a-z0-9_]*|\"(?:[^\"]|\"\")+\")(?:, (?:[a-z_][a-z0-9_]*|\"(?:[^\"]|\"\")+\"))*\\)", Pattern.DOTALL);

    private static final Pattern NUMBER = Pattern.compile("\\d+");
    private static final Pattern ELEMENT = Pattern.compile("'(?:[^']|'')*'::(?:character varying|bpchar)");
    private static final Pattern CAST_ARRAY = Pattern.compile(
            "\\(\\(ARRAY\\[((?:" + ELEMENT.pattern() + "(?:, )?)+)]\\)::text\\[]\\)");

    private final Connection connection;
    private final List<String> requested;

    /** Columns by the numbers of their relation and of themselves. */
    private final Map<List<Long>, String> columnNames = new HashMap<>();

    /** Columns that own the sequence which they take numbers from, and whether they are what the type serial makes. */
    private final Map<List<Long>, Boolean> serials = new HashMap<>();
    private final Set<Long> behindConstraints = new HashSet<>();

    PostgresqlCatalog(Connection connection, List<String> requested) {
        this.connection = connection;
        this.requested = requested;
    }

    Schema read() throws SQLException {
        String current = connection.getSchema() == null ? "public" : connection.getSchema();
        List<String> schemas = requested.isEmpty() ? List.of(current) : requested;
        Catalog catalog = Catalog.of(connection, SCHEMAS, schemas);
        TableDrafts drafts = new TableDrafts(word -> word.toLowerCase(Locale.ROOT));
        catalog.each(TABLES, row -> drafts.table(tableName(row), kind(row.getString("kind")), viewQuery(row),
                Catalog.text(row.getString("options")), Catalog.text(row.getString("comment")), access(row), parents(row)));
        catalog.all(SERIALS, row -> serials.put(place(row), row.getBoolean("plain")));
        catalog.each(COLUMNS, row -> {
            columnNames.put(place(row), row.getString("column_name"));
            drafts.column(tableName(row), column(row));
        });
        catalog.each(CONSTRAINTS, row -> constraint(drafts, row));
        catalog.each(INDEXES, row -> {
            if (!behindConstraints.contains(row.getLong("index"))) {
                drafts.index(tableName(row), index(row));
            }
        });
        Map<String, Domain> domains = new LinkedHashMap<>();
        catalog.each(DOMAINS, row -> domains.merge(row.getString("domain"), domain(row), PostgresqlCatalog::joined));
        List<Sequence> sequences = new ArrayList<>();
        catalog.each(SEQUENCES, row -> sequences.add(
                new Sequence(tableName(row), row.getLong("first"), row.getLong("step"), row.getString("options"))));
        return new Schema("postgresql", current, drafts.tables(), List.copyOf(domains.values()), sequences,
                PostgresqlObjects.of(catalog));
    }

    private static List<TableName> parents(ResultSet row) throws SQLException {
        List<String> schemas = Catalog.strings(row.getArray("parent_schemas"));
        List<String> names = Catalog.strings(row.getArray("parents"));
        return IntStream.range(0, names.size()).mapToObj(i -> new TableName(schemas.get(i), names.get(i))).toList();
    }

    private static Table.Kind kind(String code) {
        return switch (code) {
            case "p" -> Table.Kind.PARTITIONED_TABLE;
            case "f" -> Table.Kind.FOREIGN_TABLE;
            case "v" -> Table.Kind.VIEW;
            case "m" -> Table.Kind.MATERIALIZED_VIEW;
            default -> Table.Kind.TABLE;
        };
    }

    private static Access access(ResultSet row) throws SQLException {
        Set<Access.Right> rights = EnumSet.noneOf(Access.Right.class);
        for (Access.Right right : Access.Right.values()) {
            if (row.getBoolean("may_" + right.name().toLowerCase(Locale.ROOT))) {
                rights.add(right);
            }
        }
        return new Access(row.getString("owner"), rights);
    }

    private static Domain domain(ResultSet row) throws SQLException {
        List<Check> checks = row.getString("constraint_name") == null ? List.of()
                : List.of(new Check(row.getString("constraint_name"), canonical(row.getString("definition")
                        .replaceFirst("^CHECK \\(", "").replaceFirst(" NOT VALID$", "").replaceFirst("\\)$", ""))));
        return new Domain(row.getString("domain"), type(row), !row.getBoolean("required"),
                Optional.ofNullable(row.getString("default_value")), checks, Optional.ofNullable(row.getString("collation")));
    }

    private static Domain joined(Domain one, Domain more) {
        List<Check> checks = new ArrayList<>(one.checks());
        checks.addAll(more.checks());
        return new Domain(one.name(), one.base(), one.nullable(), one.defaultValue(), checks, one.collation());
    }

    private static Optional<String> viewQuery(ResultSet row) throws SQLException {
        return Optional.ofNullable(row.getString("query")).map(query -> query.strip().replaceAll(";$", ""));
    }

    private Column column(ResultSet row) throws SQLException {
        boolean computed = !row.getString("generated").isEmpty();
        List<Long> place = place(row);
        Optional<String> value = Optional.ofNullable(row.getString("default_value"));
        Column.Identity identity = switch (row.getString("identity")) {
            case "a" -> Column.Identity.ALWAYS;
            case "d" -> Column.Identity.BY_DEFAULT;
            default -> serials.containsKey(place) ? Column.Identity.AUTO_INCREMENT : Column.Identity.NONE;
        };
        String domain = row.getString("domain");
        return new Column(
                row.getString("column_name"),
                domain == null ? type(row) : type(row).withDomain(domain),
                !row.getBoolean("required"),
                computed || serials.getOrDefault(place, false) ? Optional.empty() : value.map(DefaultValue::of),
                identity,
                computed ? Optional.of(new Column.Computed(value.orElseThrow(), row.getString("generated").equals("s")))
                        : Optional.empty(),
                Optional.ofNullable(row.getString("collation")),
                Catalog.text(row.getString("comment")));
    }

    /** The modifier is the length and four for text, and for numbers holds precision and scale (pg_attribute). */
    private static SqlType type(ResultSet row) throws SQLException {
        String text = row.getString("type_text");
        int modifier = row.getInt("modifier");
        String element = row.getString("element_name");
        if (element != null) {
            return SqlType.of(SqlType.Kind.ARRAY, text).withElement(sized(
                    SqlType.of(kind(element, row.getString("element_kind")), row.getString("element_text")), modifier, row));
        }
        return sized(SqlType.of(kind(row.getString("type_name"), row.getString("type_kind")), text), modifier, row);
    }

    private static SqlType sized(SqlType type, int modifier, ResultSet row) throws SQLException {
        int length = Math.max(0, modifier - 4);
        return switch (type.kind()) {
            case ENUM -> type.withLabels(Catalog.strings(row.getArray("labels")));
            case DECIMAL -> modifier < 0 ? type
                    : type.withDigits(length >> 16 & 0xffff, ((length & 0x7ff) ^ 1024) - 1024);
            case CHAR, VARCHAR -> type.withLength(length);
            case BIT -> type.withLength(Math.max(0, modifier));
            case TIME, TIME_WITH_ZONE, TIMESTAMP, TIMESTAMP_WITH_ZONE ->
                    type.withDigits(modifier < 0 ? 6 : modifier, 0);
            default -> type;
        };
    }

    /** Names and kinds of types: PostgreSQL manual, chapter 8 and pg_type. */
    private static SqlType.Kind kind(String name, String typeKind) {
        return switch (typeKind) {
            case "e" -> SqlType.Kind.ENUM;
            case "r", "m" -> SqlType.Kind.RANGE;
            default -> switch (name) {
                case "bool" -> SqlType.Kind.BOOLEAN;
                case "int2" -> SqlType.Kind.SMALLINT;
                case "int4" -> SqlType.Kind.INTEGER;
                case "int8" -> SqlType.Kind.BIGINT;
                case "numeric" -> SqlType.Kind.DECIMAL;
                case "float4" -> SqlType.Kind.REAL;
                case "float8" -> SqlType.Kind.DOUBLE;
                case "bpchar" -> SqlType.Kind.CHAR;
                case "varchar" -> SqlType.Kind.VARCHAR;
                case "text", "citext" -> SqlType.Kind.TEXT;
                case "bytea" -> SqlType.Kind.BINARY;
                case "bit", "varbit" -> SqlType.Kind.BIT;
                case "date" -> SqlType.Kind.DATE;
                case "time" -> SqlType.Kind.TIME;
                case "timetz" -> SqlType.Kind.TIME_WITH_ZONE;
                case "timestamp" -> SqlType.Kind.TIMESTAMP;
                case "timestamptz" -> SqlType.Kind.TIMESTAMP_WITH_ZONE;
                case "interval" -> SqlType.Kind.INTERVAL;
                case "uuid" -> SqlType.Kind.UUID;
                case "json", "jsonb" -> SqlType.Kind.JSON;
                case "inet", "cidr", "macaddr", "macaddr8" -> SqlType.Kind.NETWORK;
                case "point", "line", "lseg", "box", "path", "polygon", "circle" -> SqlType.Kind.GEOMETRY;
                default -> SqlType.Kind.OTHER;
            };
        };
    }

    private void constraint(TableDrafts drafts, ResultSet row) throws SQLException {
        TableName table = tableName(row);
        String name = row.getString("constraint_name");
        Deferral deferral = !row.getBoolean("can_wait") ? Deferral.NONE
                : row.getBoolean("waits") ? Deferral.INITIALLY_DEFERRED : Deferral.INITIALLY_IMMEDIATE;
        String kind = row.getString("kind");
        if (kind.equals("c")) {
            drafts.check(table, new Check(name, canonical(row.getString("expression"))));
            return;
        }
        List<String> columns = columns(row, "relation", "columns");
        switch (kind) {
            case "p" -> drafts.primaryKey(table, new UniqueKey(name, columns, deferral));
            case "f" -> drafts.foreignKey(table, new ForeignKey(name, columns,
                    new TableName(row.getString("target_schema"), row.getString("target_name")),
                    row.getArray("far_columns") == null ? columns(row, "target", "target_columns")
                            : Catalog.strings(row.getArray("far_columns")),
                    action(row.getString("on_delete")), action(row.getString("on_update")), deferral,
                    Optional.ofNullable(row.getString("definition"))));
            default -> unique(drafts, table, new UniqueKey(name, columns, deferral), row.getString("definition"));
        }
        if (!kind.equals("f")) {
            behindConstraints.add(row.getLong("index"));
        }
    }

    /** What is more than equal columns, an exclusion for instance, is kept as the statement that makes it. */
    private static void unique(TableDrafts drafts, TableName table, UniqueKey key, String definition) {
        if (definition.startsWith("UNIQUE (") && !definition.contains(") INCLUDE (")) {
            drafts.uniqueKey(table, key);
            return;
        }
        PostgresqlDialect dialect = new PostgresqlDialect();
        drafts.index(table, new Index(key.name(), true, List.of(), Optional.of("ALTER TABLE "
                + dialect.identifier(table.schema()) + "." + dialect.identifier(table.name()) + " ADD CONSTRAINT "
                + dialect.identifier(key.name()) + " " + definition)));
    }

    /** The names of the columns of a relation whose numbers an array holds. */
    private List<String> columns(ResultSet row, String relation, String numbers) throws SQLException {
        long number = row.getLong(relation);
        String list = row.getString(numbers);
        return NUMBER.matcher(list.substring(list.indexOf('{'))).results().map(MatchResult::group)
                .map(column -> columnNames.getOrDefault(List.of(number, Long.valueOf(column)), "")).toList();
    }

    private static List<Long> place(ResultSet row) throws SQLException {
        return List.of(row.getLong("relation"), row.getLong("number"));
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

    private Index index(ResultSet row) throws SQLException {
        String name = row.getString("index_name");
        boolean unique = row.getBoolean("is_unique");
        String definition = row.getString("definition");
        boolean plain = definition == null || PLAIN_UNIQUE_INDEX.matcher(definition).matches();
        return plain ? Index.over(name, unique, columns(row, "relation", "columns"))
                : new Index(name, unique, List.of(), Optional.of(definition));
    }

    private static TableName tableName(ResultSet row) throws SQLException {
        return new TableName(row.getString("schema"), row.getString("name"));
    }
}
