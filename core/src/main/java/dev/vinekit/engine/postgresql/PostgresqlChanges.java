package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.StandardChanges;
import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.sql.Dialect;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Changes as PostgreSQL wants them. */
final class PostgresqlChanges extends StandardChanges {
    PostgresqlChanges(Dialect dialect, SchemaDifference difference, StandardDefinition definition) {
        super(dialect, difference, definition);
    }

    /** Values can be added to an enumeration; all else needs a new type. */
    @Override
    protected void typeChanged(String name, String statement) {
        Optional<SqlType> was = enumeration(difference.before().tables().stream()
                .flatMap(table -> table.columns().stream()), name);
        Optional<SqlType> now = enumeration(difference.after().tables().stream()
                .flatMap(table -> table.columns().stream()), name);
        if (was.isEmpty() || now.isEmpty() || !now.get().labels().containsAll(was.get().labels())) {
            super.typeChanged(name, statement);
            return;
        }
        List<String> labels = now.get().labels();
        for (int i = 0; i < labels.size(); i++) {
            if (!was.get().labels().contains(labels.get(i))) {
                add("ALTER TYPE " + name + " ADD VALUE " + Dialect.quoteLiteral(labels.get(i)) + (i == 0
                        ? " BEFORE " + Dialect.quoteLiteral(was.get().labels().get(0))
                        : " AFTER " + Dialect.quoteLiteral(labels.get(i - 1))));
            }
        }
    }

    private static Optional<SqlType> enumeration(Stream<Column> columns, String name) {
        return columns.map(Column::type)
                .filter(type -> type.kind() == SqlType.Kind.ENUM && type.text().equals(name)).findFirst();
    }

    /** Columns of an enumeration that got more values need nothing. */
    @Override
    protected List<String> alterations(dev.vinekit.schema.Table table, Column was, Column now) {
        boolean sameEnumeration = was.type().kind() == SqlType.Kind.ENUM && was.type().text().equals(now.type().text());
        return super.alterations(table, !sameEnumeration ? was : new Column(was.name(), now.type(), was.nullable(),
                was.defaultValue(), was.identity(), was.computed(), was.collation(), was.comment()), now);
    }

    /** An index lies in the schema of its table. */
    @Override
    protected List<String> drop(TableName table, boolean primary, TablePart part) {
        return part instanceof Index
                ? List.of("DROP INDEX " + dialect.table(new TableName(table.schema(), part.name()),
                        schema().defaultSchema()))
                : super.drop(table, primary, part);
    }

    @Override
    protected String drop(SchemaObject object) {
        String name = object.name().name();
        return object.on().filter(table -> name.startsWith(table.name() + "."))
                .map(table -> "DROP " + object.kind() + " "
                + dialect.identifier(name.substring(table.name().length() + 1)) + " ON " + name(table))
                .orElseGet(() -> super.drop(object));
    }

    @Override
    protected String newType(Column now) {
        return super.newType(now) + " USING " + dialect.identifier(now.name()) + "::" + definitionOf(now);
    }

    private static String definitionOf(Column column) {
        return column.type().declared();
    }
}
