package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;

/** Numbers of one digit are truth values or numbers as a person says, whatever was guessed. */
final class OneDigitTypes {
    private OneDigitTypes() {
    }

    static Schema decided(Schema schema, Decisions decisions) {
        DecisionLookup lookup = new DecisionLookup(decisions, schema);
        return schema.withTables(schema.tables().stream().map(table -> table.withColumns(table.columns().stream()
                .map(column -> column.type().isOneDigit() ? decided(lookup, table, column) : column).toList()))
                .toList());
    }

    private static Column decided(DecisionLookup lookup, Table table, Column column) {
        return lookup.of(table).field(column).type().map(wanted -> switch (wanted) {
            case "boolean" -> column.withType(column.type().as(SqlType.Kind.BOOLEAN));
            case "int", "long", "BigDecimal" -> column.withType(column.type().as(SqlType.Kind.TINYINT));
            default -> column;
        }).orElse(column);
    }
}
