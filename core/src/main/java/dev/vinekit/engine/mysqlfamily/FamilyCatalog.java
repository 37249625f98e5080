package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.engine.Catalog;
import dev.vinekit.engine.TableDrafts;
import dev.vinekit.schema.Access;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Deferral;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Sequence;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.LikePattern;
import dev.vinekit.sql.SqlText;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Reads the information schema in bulk: one statement for each kind of thing. Nothing is joined there, for it does not
 * tell names apart that differ in case only.
 */
public abstract class FamilyCatalog {
    private static final String SCHEMAS = """
            SELECT SCHEMA_NAME FROM information_schema.SCHEMATA
            """;

    private static final String TABLES = """
            SELECT TABLE_SCHEMA, TABLE_NAME, TABLE_TYPE, ENGINE, TABLE_COLLATION, TABLE_COMMENT, CREATE_OPTIONS
            FROM information_schema.TABLES
            WHERE TABLE_SCHEMA IN (?)
            """;

    private static final String REFERENCES = """
            SELECT TABLE_SCHEMA, TABLE_NAME, CONSTRAINT_NAME, COLUMN_NAME,
                REFERENCED_TABLE_SCHEMA, REFERENCED_TABLE_NAME, REFERENCED_COLUMN_NAME
            FROM information_schema.KEY_COLUMN_USAGE
            WHERE TABLE_SCHEMA IN (?) AND REFERENCED_TABLE_NAME IS NOT NULL
            ORDER BY TABLE_SCHEMA, TABLE_NAME, CONSTRAINT_NAME, ORDINAL_POSITION
            """;

    private static final String ACTIONS = """
            SELECT CONSTRAINT_SCHEMA AS TABLE_SCHEMA, TABLE_NAME, CONSTRAINT_NAME, UPDATE_RULE, DELETE_RULE
            FROM information_schema.REFERENTIAL_CONSTRAINTS
            WHERE CONSTRAINT_SCHEMA IN (?)
            """;

    private static final String RIGHTS = """
            SELECT '%' AS TABLE_SCHEMA, NULL AS TABLE_NAME, PRIVILEGE_TYPE
            FROM information_schema.USER_PRIVILEGES WHERE GRANTEE = @grantee
            UNION ALL
            SELECT TABLE_SCHEMA, NULL, PRIVILEGE_TYPE
            FROM information_schema.SCHEMA_PRIVILEGES WHERE GRANTEE = @grantee
            UNION ALL
            SELECT TABLE_SCHEMA, TABLE_NAME, PRIVILEGE_TYPE
            FROM information_schema.TABLE_PRIVILEGES WHERE GRANTEE = @grantee
            """.replace("@grantee", "CONCAT('''', SUBSTRING_INDEX(CURRENT_USER(), '@', 1), '''@''', "
                    + "SUBSTRING_INDEX(CURRENT_USER(), '@', -1), '''')");

    private static final Pattern KEPT_OPTIONS =
            Pattern.compile("(?i)`?(?:row_format|key_block_size|checksum|delay_key_write|max_rows|min_rows"
            + "|avg_row_length|pack_keys|stats_persistent|stats_auto_recalc|stats_sample_pages|page_compressed|page_compression_level)`?=");

    private static final Set<String> TABLE_TYPES = Set.of("BASE TABLE", "SYSTEM VERSIONED", "VIEW");

    private final Queries queries;
    private final Connection connection;
    private final String current;
    private final List<String> schemas;
    private final Map<TableName, String> collations = new HashMap<>();
    private final Map<TableName, String> viewOptions = new HashMap<>();
    private final TableDrafts drafts = new TableDrafts(word -> word);

    /**
     * What is another one on each server.
     *
     * @param engine the name of the engine
     * @param mode what {@code sql_mode} is where sessions say nothing
     * @param collation the collation that our own server has: it goes without saying
     * @param views with {@code VIEW_DEFINITION, CHECK_OPTION, ALGORITHM, SECURITY_TYPE}
     * @param columns all that is told of columns, in their order
     * @param checks with {@code CHECK_CLAUSE} and a {@code LEVEL}, which is {@code Column} or another
     * @param indexes the parts of indexes, with an {@code EXPRESSION} where a part is no column
     */
    public record Queries(
            String engine, String mode, String collation, String views, String columns, String checks, String indexes) {
    }

    /** The tables of the current database have no schema in their names: so the reading does not depend on its name. */
    protected FamilyCatalog(Queries queries, Connection connection, List<String> requested) throws SQLException {
        this.queries = queries;
        this.connection = connection;
        this.current = Catalog.text(connection.getCatalog());
        this.schemas = Catalog.known(connection, SCHEMAS, requested.isEmpty() ? List.of(current) : requested);
    }

    /** The schema. */
    public final Schema read() throws SQLException {
        List<Grant> grants = new ArrayList<>();
        each(RIGHTS, List.of(), row -> grants.add(new Grant(
                row.getString("TABLE_SCHEMA"), row.getString("TABLE_NAME"), row.getString("PRIVILEGE_TYPE"))));
        Map<TableName, String> viewQueries = new HashMap<>();
        each(queries.views(), row -> {
            String option = row.getString("CHECK_OPTION");
            viewQueries.put(tableName(row), unqualified(row.getString("VIEW_DEFINITION"))
                    + (option.equals("NONE") ? "" : " WITH " + option + " CHECK OPTION"));
            viewOptions.put(tableName(row),
                    (row.getString("ALGORITHM").equals("UNDEFINED") ? "" : "ALGORITHM=" + row.getString("ALGORITHM")
                            + " ")
                    + (row.getString("SECURITY_TYPE").equals("DEFINER") ? "" : "SQL SECURITY "
                            + row.getString("SECURITY_TYPE") + " "));
        });
        List<TableName> sequences = new ArrayList<>();
        each(TABLES, row -> {
            if (row.getString("TABLE_TYPE").equals("SEQUENCE")) {
                sequences.add(tableName(row));
            } else if (TABLE_TYPES.contains(row.getString("TABLE_TYPE"))) {
                table(row, Optional.ofNullable(viewQueries.get(tableName(row))), grants);
            }
        });
        Set<List<String>> documents = new HashSet<>();
        List<Map.Entry<TableName, Check>> checks = new ArrayList<>();
        each(queries.checks(), row -> {
            String clause = unqualified(expression(row.getString("CHECK_CLAUSE")));
            String name = row.getString("CONSTRAINT_NAME");
            if (clause.equals("json_valid(" + FamilyDialect.quote(name) + ")")) {
                documents.add(List.of(row.getString("TABLE_SCHEMA"), row.getString("TABLE_NAME"), name));
            } else {
                checks.add(Map.entry(tableName(row), new Check(name, clause,
                        "Column".equals(row.getString("LEVEL")) ? Optional.of(name) : Optional.empty())));
            }
        });
        each(queries.columns(), row -> drafts.column(tableName(row), column(row, documents.contains(List.of(
                row.getString("TABLE_SCHEMA"), row.getString("TABLE_NAME"), row.getString("COLUMN_NAME"))))));
        checks.forEach(check -> drafts.check(check.getKey(), check.getValue()));
        readIndexes();
        references();
        return TruthValues.byDefinition(
                new Schema(queries.engine(), "", drafts.tables(), List.of(), sequences(sequences), FamilyObjects.of(this)));
    }

    private void table(ResultSet row, Optional<String> query, List<Grant> grants) throws SQLException {
        boolean view = query.isPresent();
        collations.put(tableName(row), Catalog.text(row.getString("TABLE_COLLATION")));
        String engine = Catalog.text(row.getString("ENGINE"));
        String options = view ? viewOptions.get(tableName(row)).strip()
                : (engine.equalsIgnoreCase("InnoDB") ? "" : "ENGINE=" + engine + " ")
                + "COLLATE=" + row.getString("TABLE_COLLATION") + createOptions(row);
        Set<Access.Right> rights = EnumSet.noneOf(Access.Right.class);
        for (Grant grant : grants) {
            if (grant.covers(row.getString("TABLE_SCHEMA"), row.getString("TABLE_NAME"))) {
                Arrays.stream(Access.Right.values()).filter(right -> right.name().equals(grant.right()))
                        .forEach(rights::add);
            }
        }
        boolean partitioned = Catalog.text(row.getString("CREATE_OPTIONS")).contains("partitioned");
        drafts.table(tableName(row), view ? Table.Kind.VIEW
                        : partitioned ? Table.Kind.PARTITIONED_TABLE : Table.Kind.TABLE,
                query, options, view ? "" : Catalog.text(row.getString("TABLE_COMMENT")), new Access("", rights));
    }

    /**
     * What CREATE TABLE said of how rows are kept; partitions, and what encrypts and transports rows, are not for other
     * servers.
     */
    private static String createOptions(ResultSet row) throws SQLException {
        return Arrays.stream(Catalog.text(row.getString("CREATE_OPTIONS")).split(" (?=[`\\w]+=)"))
                .filter(option -> KEPT_OPTIONS.matcher(option).lookingAt()).map(option -> " " + option.replace("`", ""))
                .collect(Collectors.joining());
    }

    private Column column(ResultSet row, boolean document) throws SQLException {
        String extra = Catalog.text(row.getString("EXTRA"));
        Optional<String> expression = Optional.ofNullable(row.getString("GENERATION_EXPRESSION"))
                .filter(text -> !text.isEmpty()).map(this::expression).map(this::unqualified);
        boolean nullable = row.getString("IS_NULLABLE").equals("YES");
        boolean counts = extra.contains("auto_increment");
        return new Column(
                row.getString("COLUMN_NAME"),
                document ? SqlType.of(SqlType.Kind.JSON, "json") : type(row),
                nullable,
                counts || expression.isPresent() ? Optional.empty() : defaultValue(row, extra).map(DefaultValue::of),
                counts ? Column.Identity.AUTO_INCREMENT : Column.Identity.NONE,
                expression.map(text -> new Column.Computed(text, extra.contains("STORED"))),
                collation(row, document),
                Catalog.text(row.getString("COLUMN_COMMENT")));
    }

    /** The collation of texts, unless it is the table's; that of a JSON document is fixed. */
    private Optional<String> collation(ResultSet row, boolean document) throws SQLException {
        String usual = collations.get(tableName(row));
        return Optional.ofNullable(row.getString("COLLATION_NAME"))
                .filter(collation -> !document && usual != null && !collation.equals(usual) && !usual.isEmpty());
    }

    /** NULL is what a column without a default has. What is set again at each change stands behind the default. */
    private Optional<String> defaultValue(ResultSet row, String extra) throws SQLException {
        String text = written(row, row.getString("COLUMN_DEFAULT"));
        int change = extra.indexOf("on update ");
        if (change >= 0) {
            String unsaid = row.getString("IS_NULLABLE").equals("YES") ? "NULL " : "";
            return Optional.of((text == null ? unsaid : text + " ") + "ON UPDATE " + extra.substring(change + 10));
        }
        return Optional.ofNullable(text).filter(value -> !value.equals("NULL")).map(this::unqualified);
    }

    /** An expression of the catalog as a statement must spell it. */
    protected abstract String expression(String text);

    /** A default of the catalog, which may be null, as a statement must spell it. */
    protected abstract String written(ResultSet column, String text) throws SQLException;

    /** The type in a row of {@link Queries#columns}. */
    protected SqlType type(ResultSet column) throws SQLException {
        return FamilyTypes.type(column);
    }

    /** The sequences of these names. */
    protected List<Sequence> sequences(List<TableName> names) throws SQLException {
        return List.of();
    }

    private void readIndexes() throws SQLException {
        Map<List<String>, List<Part>> parts = new LinkedHashMap<>();
        each(queries.indexes(), row -> parts.computeIfAbsent(List.of(row.getString("TABLE_SCHEMA"), row.getString("TABLE_NAME"),
                row.getString("INDEX_NAME")), key -> new ArrayList<>()).add(new Part(tableName(row),
                row.getString("INDEX_NAME"), row.getBoolean("NON_UNIQUE"), row.getString("COLUMN_NAME"),
                Optional.ofNullable(row.getString("EXPRESSION")).map(this::expression),
                "D".equals(row.getString("COLLATION")), row.getInt("SUB_PART"), row.getString("INDEX_TYPE"),
                Catalog.text(row.getString("INDEX_COMMENT")))));
        parts.values().forEach(this::index);
    }

    private void index(List<Part> parts) {
        Part first = parts.get(0);
        boolean whole = parts.stream().allMatch(part -> part.letters() == 0 && part.expression().isEmpty());
        List<String> columns = whole || first.name().equals("PRIMARY") ? parts.stream().map(Part::column).toList()
                : List.of();
        boolean plain = first.type().equals("BTREE") && first.comment().isEmpty()
                && whole && parts.stream().noneMatch(Part::descending);
        if (first.name().equals("PRIMARY")) {
            List<Integer> letters = parts.stream().map(Part::letters).toList();
            drafts.primaryKey(first.table(), new UniqueKey("PRIMARY", columns, Deferral.NONE,
                    letters.stream().allMatch(length -> length == 0) ? List.of() : letters));
        } else if (plain && !first.repeats()) {
            drafts.uniqueKey(first.table(), new UniqueKey(first.name(), columns));
        } else if (plain) {
            drafts.index(first.table(), Index.over(first.name(), false, columns));
        } else {
            boolean ordered = first.type().equals("BTREE") || first.type().equals("HASH");
            String kind = ordered ? first.repeats() ? "" : "UNIQUE " : first.type() + " ";
            String over = parts.stream().map(part -> part.expression().map(text -> "(" + text + ")")
                    .orElseGet(() -> FamilyDialect.quote(part.column()))
                    + (part.letters() > 0 && ordered ? "(" + part.letters() + ")" : "")
                    + (part.descending() ? " DESC" : "")).collect(Collectors.joining(", ", "(", ")"));
            String comment = first.comment().isEmpty() ? "" : " COMMENT " + FamilyDialect.quoteText(first.comment());
            drafts.index(first.table(), new Index(first.name(), !first.repeats(), ordered ? columns : List.of(),
                    Optional.of(
                    "CREATE " + kind + "INDEX " + FamilyDialect.quote(first.name()) + " ON "
                            + (first.table().schema().isEmpty() ? ""
                                    : FamilyDialect.quote(first.table().schema()) + ".")
                            + FamilyDialect.quote(first.table().name()) + " " + over + comment)));
        }
    }

    /** A login that may only read and write rows is not told the actions; RESTRICT is what the server does of itself. */
    private void references() throws SQLException {
        Map<List<String>, List<ForeignKey.Action>> actions = new HashMap<>();
        each(ACTIONS, row -> actions.put(constraint(row),
                List.of(ForeignKey.Action.of(row.getString("DELETE_RULE")),
                        ForeignKey.Action.of(row.getString("UPDATE_RULE")))));
        Map<List<String>, ForeignKey> keys = new LinkedHashMap<>();
        Map<List<String>, TableName> tables = new HashMap<>();
        each(REFERENCES, row -> {
            List<String> id = constraint(row);
            List<ForeignKey.Action> onChange = actions.getOrDefault(id,
                    List.of(ForeignKey.Action.RESTRICT, ForeignKey.Action.RESTRICT));
            tables.put(id, tableName(row));
            keys.merge(id, new ForeignKey(row.getString("CONSTRAINT_NAME"), List.of(row.getString("COLUMN_NAME")),
                    name(row.getString("REFERENCED_TABLE_SCHEMA"), row.getString("REFERENCED_TABLE_NAME")),
                    List.of(row.getString("REFERENCED_COLUMN_NAME")),
                    onChange.get(0), onChange.get(1)), ForeignKey::and);
        });
        keys.forEach((id, key) -> drafts.foreignKey(tables.get(id), key));
    }

    private static List<String> constraint(ResultSet row) throws SQLException {
        return List.of(row.getString("TABLE_SCHEMA"), row.getString("TABLE_NAME"), row.getString("CONSTRAINT_NAME"));
    }

    Queries queries() {
        return queries;
    }

    /** Runs a statement with the schemas in the place of its one parameter. */
    void each(String sql, Catalog.RowConsumer consumer) throws SQLException {
        each(sql.replace("(?)", schemas.stream().map(schema -> "?").collect(Collectors.joining(", ", "(", ")"))),
                schemas, consumer);
    }

    protected final void each(String sql, List<String> parameters, Catalog.RowConsumer consumer) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            for (int i = 0; i < parameters.size(); i++) {
                statement.setString(i + 1, parameters.get(i));
            }
            try (ResultSet rows = statement.executeQuery()) {
                while (rows.next()) {
                    consumer.accept(rows);
                }
            }
        }
    }

    /** The server writes the database before every table in a view's query, and before a sequence in a default. */
    private String unqualified(String sql) {
        return SqlText.withoutQualifier(sql, current);
    }

    private TableName tableName(ResultSet row) throws SQLException {
        return name(row.getString("TABLE_SCHEMA"), row.getString("TABLE_NAME"));
    }

    /** A name in the schema of a row. */
    TableName tableName(ResultSet row, String name) throws SQLException {
        return name(row.getString("TABLE_SCHEMA"), name);
    }

    private TableName name(String schema, String table) {
        return new TableName(schema.equals(current) ? "" : schema, table);
    }

    private record Part(
            TableName table, String name, boolean repeats, String column, Optional<String> expression,
            boolean descending, int letters, String type, String comment) {
    }

    /** A right on a table, or on all tables of databases whose names are like a pattern. */
    private record Grant(String schema, String table, String right) {
        boolean covers(String schemaName, String tableName) {
            return Pattern.matches(LikePattern.regex(schema, '\\'), schemaName)
                    && (table == null || table.equals(tableName));
        }
    }
}
