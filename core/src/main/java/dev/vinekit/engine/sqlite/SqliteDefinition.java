package dev.vinekit.engine.sqlite;

import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Table definitions as SQLite wants them: nothing can be added to a table afterwards. */
final class SqliteDefinition extends StandardDefinition {
    /** A default that stands without parentheses. */
    private static final Pattern CONSTANT = Pattern.compile("[+-]?[\\w.]+|[xX]?'(?:[^']|'')*'|\"(?:[^\"]|\"\")*\"");

    SqliteDefinition(Dialect dialect, Schema schema) {
        super(dialect, schema);
    }

    @Override
    protected boolean refersAhead() {
        return true;
    }

    @Override
    protected String column(Table table, Column column) {
        StringBuilder line = new StringBuilder(dialect.identifier(column.name()));
        if (!column.type().text().isEmpty()) {
            line.append(' ').append(column.type().text());
        }
        if (column.isIdentity()) {
            table.primaryKey().map(UniqueKey::name).filter(name -> !name.isEmpty())
                    .ifPresent(name -> line.append(" CONSTRAINT ").append(dialect.identifier(name)));
            line.append(" PRIMARY KEY")
                    .append(column.identity() == Column.Identity.AUTO_INCREMENT ? " AUTOINCREMENT" : "");
        }
        column.collation().ifPresent(name -> line.append(" COLLATE ").append(dialect.identifier(name)));
        column.defaultValue().map(DefaultValue::text).ifPresent(value -> line.append(" DEFAULT ")
                .append(CONSTANT.matcher(value).matches() ? value : "(" + value + ")"));
        column.computed().ifPresent(computed -> line.append(" GENERATED ALWAYS AS (").append(computed.expression())
                .append(computed.stored() ? ") STORED" : ") VIRTUAL"));
        if (isDescendingKey(table, column)) {
            line.append(" PRIMARY KEY DESC");
        }
        return line.append(column.nullable() || column.isIdentity() ? "" : " NOT NULL").toString();
    }

    @Override
    protected Optional<String> primaryKey(Table table, UniqueKey key) {
        boolean inColumn = table.columns().stream()
                .anyMatch(column -> column.isIdentity() || isDescendingKey(table, column));
        return inColumn ? Optional.empty() : super.primaryKey(table, key);
    }

    /** An INTEGER key that is not the row's number: only this way of writing it gives one. */
    private static boolean isDescendingKey(Table table, Column column) {
        return !column.isIdentity() && column.type().text().equalsIgnoreCase("INTEGER")
                && !table.options().contains("WITHOUT ROWID")
                && table.primaryKey().filter(key -> key.columns().equals(List.of(column.name()))).isPresent();
    }

    @Override
    protected List<String> comments(Table table) {
        return List.of();
    }
}
