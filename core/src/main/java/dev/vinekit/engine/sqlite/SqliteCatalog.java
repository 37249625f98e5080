package dev.vinekit.engine.sqlite;

import dev.vinekit.engine.Catalog;
import dev.vinekit.engine.TableDrafts;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.schema.Access;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Deferral;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.SqlText;
import dev.vinekit.sql.TableText;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Reads SQLite's schema table and the pragmas about it in bulk, and from the text of the definitions what no pragma
 * tells.
 */
final class SqliteCatalog {
    private static final String TABLES = """
            SELECT s.name, s.type, s.sql, l.wr, l.strict
            FROM sqlite_schema s JOIN pragma_table_list l ON l.schema = 'main' AND l.name = s.name
            WHERE s.type IN ('table', 'view') AND s.name NOT LIKE 'sqlite\\_%' ESCAPE '\\' AND l.type <> 'shadow'
            ORDER BY s.name
            """;

    private static final String COLUMNS = """
            SELECT s.name AS table_name, c.name, c.type, c."notnull", c.dflt_value, c.pk, c.hidden
            FROM sqlite_schema s JOIN pragma_table_xinfo(s.name) c
            WHERE s.type IN ('table', 'view') AND c.hidden <> 1
            ORDER BY s.name, c.cid
            """;

    private static final String REFERENCES = """
            SELECT s.name AS table_name, f.id, f."table" AS target, f."from" AS source_column, f."to" AS target_column,
                f.on_update, f.on_delete
            FROM sqlite_schema s JOIN pragma_foreign_key_list(s.name) f
            WHERE s.type = 'table'
            ORDER BY s.name, f.id DESC, f.seq
            """;

    private static final String INDEXES = """
            SELECT s.name AS table_name, i.name, i."unique" AS is_unique, i.origin, i.partial, x.name AS column_name,
                x.cid, x.desc, x.coll, d.sql
            FROM sqlite_schema s
            JOIN pragma_index_list(s.name) i
            JOIN pragma_index_xinfo(i.name) x ON x.key
            LEFT JOIN sqlite_schema d ON d.type = 'index' AND d.name = i.name
            WHERE s.type = 'table'
            ORDER BY s.name, i.name, x.seqno
            """;

    private static final String TRIGGERS = """
            SELECT name, tbl_name, sql FROM sqlite_schema WHERE type = 'trigger' ORDER BY name
            """;

    private final Connection connection;
    private final TableDrafts drafts = new TableDrafts(word -> word);
    private final Map<String, TableText> texts = new HashMap<>();
    private final Map<String, String> names = new HashMap<>();
    private final Map<String, List<Row>> rows = new LinkedHashMap<>();

    SqliteCatalog(Connection connection, List<String> requested) {
        this.connection = connection;
        for (String schema : requested) {
            if (!schema.equals("main")) {
                throw Fault.inCall("There is no schema named " + schema + " in this database.",
                        Remedy.of(Remedy.Kind.LEAVE_SCHEMA_OUT, "SQLite", "main"));
            }
        }
    }

    Schema read() throws SQLException {
        each(TABLES, this::table);
        each(COLUMNS, row -> rows.computeIfAbsent(row.getString("table_name"), key -> new ArrayList<>()).add(new Row(
                row.getString("name"), Catalog.text(row.getString("type")), row.getBoolean("notnull"),
                row.getString("dflt_value"), row.getInt("pk"), row.getInt("hidden"))));
        Map<String, Map<String, List<IndexPart>>> indexes = new LinkedHashMap<>();
        each(INDEXES, row -> indexes.computeIfAbsent(row.getString("table_name"), key -> new LinkedHashMap<>())
                .computeIfAbsent(row.getString("name"), key -> new ArrayList<>()).add(new IndexPart(
                        row.getBoolean("is_unique"), row.getString("origin"), row.getBoolean("partial"),
                        row.getString("column_name"), row.getInt("cid") < 0, row.getBoolean("desc"),
                        row.getString("coll"), row.getString("sql"))));
        rows.forEach((table, columns) -> {
            if (texts.containsKey(table)) {
                columns(table, columns, indexes.getOrDefault(table, Map.of()));
            }
        });
        indexes.forEach((table, byName) -> byName.forEach((name, parts) -> index(table, name, parts)));
        references();
        List<SchemaObject> triggers = new ArrayList<>();
        each(TRIGGERS, row -> {
            TableName table = new TableName("", actualTable(row.getString("tbl_name")));
            triggers.add(new SchemaObject(SchemaObject.Kind.TRIGGER, new TableName("", row.getString("name")),
                    Optional.of(table),
                    row.getString("sql"), List.of(table)));
        });
        return new Schema("sqlite", "", withBroken(drafts.tables()), List.of(), List.of(), triggers);
    }

    private void table(ResultSet row) throws SQLException {
        String name = row.getString("name");
        String sql = row.getString("sql");
        boolean view = row.getString("type").equals("view");
        List<String> options = new ArrayList<>();
        if (row.getBoolean("strict")) {
            options.add("STRICT");
        }
        if (row.getBoolean("wr")) {
            options.add("WITHOUT ROWID");
        }
        names.put(name.toLowerCase(Locale.ROOT), name);
        TableText text = TableText.of(view ? "" : sql);
        texts.put(name, text);
        drafts.table(new TableName("", name), view ? Table.Kind.VIEW : Table.Kind.TABLE,
                view ? Optional.of(SqlText.after(sql, "AS")) : Optional.empty(),
                String.join(", ", options), "", Access.UNLIMITED);
        text.checks().forEach(check -> drafts.check(new TableName("", name),
                new Check(check.name(), check.expression())));
    }

    /** A column of type INTEGER that is the whole key is the row's number itself, unless the key is an index. */
    private void columns(String table, List<Row> columns, Map<String, List<IndexPart>> indexes) {
        TableText text = texts.get(table);
        List<Row> key = columns.stream().filter(column -> column.key() > 0)
                .sorted(Comparator.comparing(Row::key)).toList();
        boolean hasIndex = indexes.values().stream().anyMatch(parts -> parts.get(0).origin().equals("pk"));
        boolean numbered = key.size() == 1 && key.get(0).type().equalsIgnoreCase("INTEGER") && !hasIndex;
        for (Row column : columns) {
            boolean identity = numbered && column.key() > 0;
            drafts.column(new TableName("", table), new Column(
                    column.name(),
                    SqliteTypes.type(column.type(), column.value()),
                    !column.required() && column.key() == 0,
                    Optional.ofNullable(column.value()).map(DefaultValue::of),
                    !identity ? Column.Identity.NONE
                            : text.isAutoincrement() ? Column.Identity.AUTO_INCREMENT : Column.Identity.BY_DEFAULT,
                    text.generated(column.name()).map(sql -> new Column.Computed(sql, column.hidden() == 3)),
                    text.collation(column.name()).filter(name -> !name.equalsIgnoreCase("BINARY")),
                    ""));
        }
        if (!key.isEmpty()) {
            drafts.primaryKey(new TableName("", table),
                    new UniqueKey(text.primaryKeyName(), key.stream().map(Row::name).toList()));
        }
    }

    private void index(String table, String name, List<IndexPart> parts) {
        IndexPart first = parts.get(0);
        if (first.origin().equals("pk") || !texts.containsKey(table)) {
            return;
        }
        List<String> columns = parts.stream().map(IndexPart::column).toList();
        if (first.origin().equals("u")) {
            drafts.uniqueKey(new TableName("", table), new UniqueKey(texts.get(table).uniqueName(columns), columns));
            return;
        }
        TableText text = texts.get(table);
        boolean plain = !first.partial() && parts.stream().noneMatch(part -> part.expression() || part.descending()
                || !part.collation().equalsIgnoreCase(text.collation(part.column()).orElse("BINARY")));
        drafts.index(new TableName("", table), plain ? Index.over(name, first.unique(), columns)
                : new Index(name, first.unique(), List.of(), Optional.of(first.sql())));
    }

    /** A reference that names no columns goes to the key; one to a table that is not there is kept as it stands. */
    private void references() throws SQLException {
        Map<List<String>, ForeignKey> keys = new LinkedHashMap<>();
        each(REFERENCES, row -> {
            String target = row.getString("target");
            keys.merge(List.of(row.getString("table_name"), row.getString("id")), new ForeignKey("",
                    List.of(row.getString("source_column")),
                    new TableName("", actualTable(target)),
                    List.of(Catalog.text(row.getString("target_column"))),
                    ForeignKey.Action.of(row.getString("on_delete")),
                    ForeignKey.Action.of(row.getString("on_update"))), ForeignKey::and);
        });
        keys.forEach((id, key) -> drafts.foreignKey(new TableName("", id.get(0)), whole(id.get(0), key)));
    }

    private ForeignKey whole(String table, ForeignKey key) {
        List<String> targets = key.targetColumns();
        if (targets.contains("")) {
            List<String> primary = rows.getOrDefault(key.target().name(), List.of()).stream()
                    .filter(column -> column.key() > 0).sorted(Comparator.comparing(Row::key)).map(Row::name).toList();
            targets = primary.size() == targets.size() ? primary : key.columns();
        }
        List<String> columns = key.columns().stream().map(column -> actual(table, column)).toList();
        String target = key.target().name();
        TableText.Reference said = texts.get(table).reference(key.columns());
        return new ForeignKey(said.name(), columns, key.target(),
                targets.stream().map(column -> actual(target, column)).toList(), key.onDelete(), key.onUpdate(),
                said.deferred() ? Deferral.INITIALLY_DEFERRED : Deferral.NONE);
    }

    /** The tables, in which references to what is no key are marked. */
    private static List<Table> withBroken(List<Table> tables) {
        Map<TableName, Table> byName = tables.stream().collect(Collectors.toMap(Table::name, table -> table));
        return tables.stream().map(table -> table.withForeignKeys(table.foreignKeys().stream()
                .map(key -> !byName.containsKey(key.target()) ? key.without("table")
                        : isKey(byName.get(key.target()), key.targetColumns()) ? key : key.without("key")).toList()))
                .toList();
    }

    private static boolean isKey(Table table, List<String> columns) {
        return table.keys().stream().anyMatch(key -> key.columns().size() == columns.size()
                && Set.copyOf(key.columns()).equals(Set.copyOf(columns)));
    }

    /** The table as it was spelled when it was made. */
    private String actualTable(String table) {
        return names.getOrDefault(table.toLowerCase(Locale.ROOT), table);
    }

    /** The column as its own table spells it. */
    private String actual(String table, String column) {
        return rows.getOrDefault(table, List.of()).stream().map(Row::name)
                .filter(name -> name.equalsIgnoreCase(column)).findFirst().orElse(column);
    }

    private void each(String sql, Catalog.RowConsumer consumer) throws SQLException {
        try (Statement statement = connection.createStatement(); ResultSet found = statement.executeQuery(sql)) {
            while (found.next()) {
                consumer.accept(found);
            }
        }
    }

    private record Row(String name, String type, boolean required, String value, int key, int hidden) {
    }

    private record IndexPart(
            boolean unique, String origin, boolean partial, String column, boolean expression, boolean descending,
            String collation, String sql) {
    }
}
