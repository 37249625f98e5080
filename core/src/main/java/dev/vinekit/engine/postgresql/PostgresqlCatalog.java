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
    private static final Pattern PLAIN_UNIQUE_INDEX =
            Pattern.compile(
                    "CREATE UNIQUE INDEX .* USING btree \\((?:[a-z_][a-z0-9_]*|\"(?:[^\"]|\"\")+\")(?:, (?:[a-z_][a-z0-9_]*|\"(?:[^\"]|\"\")+\"))*\\)", Pattern.DOTALL);

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
        Catalog catalog = Catalog.of(connection, PostgresqlStatements.SCHEMAS, schemas);
        TableDrafts drafts = new TableDrafts(word -> word.toLowerCase(Locale.ROOT));
        catalog.each(PostgresqlStatements.TABLES,
                row -> drafts.table(tableName(row), kind(row.getString("kind")), viewQuery(row),
                Catalog.text(row.getString("options")), Catalog.text(row.getString("comment")), access(row),
                parents(row)));
        catalog.all(PostgresqlStatements.SERIALS, row -> serials.put(place(row), row.getBoolean("plain")));
        catalog.each(PostgresqlStatements.COLUMNS, row -> {
            columnNames.put(place(row), row.getString("column_name"));
            drafts.column(tableName(row), column(row));
        });
        catalog.each(PostgresqlStatements.CONSTRAINTS, row -> constraint(drafts, row));
        catalog.each(PostgresqlStatements.INDEXES, row -> {
            if (!behindConstraints.contains(row.getLong("index"))) {
                drafts.index(tableName(row), index(row));
            }
        });
        Map<String, Domain> domains = new LinkedHashMap<>();
        catalog.each(PostgresqlStatements.DOMAINS,
                row -> domains.merge(row.getString("domain"), domain(row), PostgresqlCatalog::joined));
        List<Sequence> sequences = new ArrayList<>();
        catalog.each(PostgresqlStatements.SEQUENCES, row -> sequences.add(
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
        return new Domain(row.getString("domain"), PostgresqlTypes.type(row), !row.getBoolean("required"),
                Optional.ofNullable(row.getString("default_value")), checks,
                Optional.ofNullable(row.getString("collation")));
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
                domain == null ? PostgresqlTypes.type(row) : PostgresqlTypes.type(row).withDomain(domain),
                !row.getBoolean("required"),
                computed || serials.getOrDefault(place, false) ? Optional.empty() : value.map(DefaultValue::of),
                identity,
                computed ? Optional.of(new Column.Computed(value.orElseThrow(), row.getString("generated").equals("s")))
                        : Optional.empty(),
                Optional.ofNullable(row.getString("collation")),
                Catalog.text(row.getString("comment")));
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
