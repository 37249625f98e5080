package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.SqlText;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Table definitions as MySQL and MariaDB want them: comments and plain indexes stand inside. */
public final class FamilyDefinition extends StandardDefinition {
    private static final Pattern INDEX =
            Pattern.compile("CREATE ((?:UNIQUE |FULLTEXT |SPATIAL )?)INDEX (`(?:[^`]|``)+`)");

    private final ForeignKey.Action usual;

    /** @param usual what a reference does where it says nothing */
    public FamilyDefinition(Dialect dialect, Schema schema, ForeignKey.Action usual) {
        super(dialect, schema);
        this.usual = usual;
    }

    @Override
    protected String newSchema(String name) {
        return "CREATE DATABASE IF NOT EXISTS " + dialect.identifier(name);
    }

    @Override
    protected String column(Table table, Column column) {
        boolean saysNull = column.nullable() && column.type().kind() == SqlType.Kind.TIMESTAMP_WITH_ZONE;
        return super.column(table, column) + (saysNull ? " NULL" : "")
                + (column.comment().isEmpty() ? "" : " COMMENT " + FamilyDialect.quoteText(column.comment()))
                + table.checks().stream().filter(check -> check.column().filter(column.name()::equals).isPresent())
                        .map(check -> " CHECK (" + check.expression() + ")").collect(Collectors.joining());
    }

    @Override
    protected String computed(Column.Computed computed) {
        return super.computed(computed) + (computed.stored() ? " STORED" : "");
    }

    @Override
    protected String numbering(Column column) {
        return column.isIdentity() ? " NOT NULL AUTO_INCREMENT" : "";
    }

    @Override
    protected Optional<String> primaryKey(Table table, UniqueKey key) {
        return Optional.of("PRIMARY KEY" + IntStream.range(0, key.columns().size())
                .mapToObj(i -> dialect.identifier(key.columns().get(i))
                        + (key.lengths().isEmpty() || key.lengths().get(i) == 0 ? "" : "(" + key.lengths().get(i)
                                + ")"))
                .collect(Collectors.joining(", ", " (", ")")));
    }

    /**
     * All indexes: one that the server makes for a reference would be there before ours of the same name, and a column
     * that counts may have no other.
     */
    @Override
    protected List<String> innerIndexes(Table table) {
        return table.indexes().stream().map(index -> index.definition().map(FamilyDefinition::inside)
                .orElseGet(() -> "KEY " + dialect.identifier(index.name()) + columns(index.columns()))).toList();
    }

    /** {@code CREATE UNIQUE INDEX name ON table (columns)} as the definition of a table has it. */
    private static String inside(String statement) {
        Matcher parts = INDEX.matcher(statement);
        if (!parts.find()) {
            throw new IllegalArgumentException("not the statement of an index: " + statement);
        }
        return parts.group(1) + "KEY " + parts.group(2) + " " + SqlText.inParentheses(statement);
    }

    @Override
    protected List<Index> outerIndexes(Table table) {
        return List.of();
    }

    @Override
    protected String options(Table table) {
        return super.options(table)
                + (table.comment().isEmpty() ? "" : " COMMENT=" + FamilyDialect.quoteText(table.comment()))
                + partitions(table);
    }

    /** One partition for every row, for partitions are not listed. */
    private String partitions(Table table) {
        if (table.kind() != Table.Kind.PARTITIONED_TABLE) {
            return "";
        }
        List<String> over = table.primaryKey().map(UniqueKey::columns)
                .orElse(List.of(table.columns().get(0).name()));
        return " PARTITION BY KEY" + columns(over) + " PARTITIONS 1";
    }

    @Override
    protected List<String> comments(Table table) {
        return List.of();
    }

    @Override
    protected ForeignKey.Action usualAction() {
        return usual;
    }
}
