package dev.vinekit.schema;

import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Parts of a schema, as they are said to a person: wherever a table is shown, in these words. */
public final class InWords {
    private InWords() {
    }

    /** A column's type, with its domain and its collation where it has them. */
    public static String type(Column column) {
        return column.type().domain().map(domain -> domain + ", ").orElse("") + column.type().text()
                + column.collation().map(collation -> " " + collation).orElse("");
    }

    /** What fills a column that is not given; empty if nothing does. */
    public static String filled(Column column) {
        return switch (column.identity()) {
            case ALWAYS -> "identity, always";
            case BY_DEFAULT -> "identity by default";
            case AUTO_INCREMENT -> "counts up";
            case NONE -> column.computed().map(computed -> "= " + computed.expression())
                    .orElse(column.defaultValue().map(DefaultValue::text).orElse(""));
        };
    }

    /** The sorts of keys that a column is part of; empty if there are none. */
    public static String keys(Table table, String column) {
        return Stream.of(
                table.primaryKey().filter(key -> key.columns().contains(column)).map(key -> "primary").orElse(""),
                table.uniqueKeys().stream().anyMatch(key -> key.columns().contains(column)) ? "unique" : "",
                table.foreignKeys().stream().anyMatch(key -> key.columns().contains(column)) ? "refers" : "")
                .filter(mark -> !mark.isEmpty()).collect(Collectors.joining(" "));
    }

    /** What a reference does when its row goes, to be said behind it; empty if it keeps the row from going. */
    public static String onDelete(ForeignKey key) {
        return key.onDelete().refuses() ? "" : ", on delete " + key.onDelete().sql().toLowerCase(Locale.ROOT);
    }

    /** When a reference is looked at, to be said behind it; empty if at once. */
    public static String deferral(ForeignKey key) {
        return key.deferral().sql().toLowerCase(Locale.ROOT);
    }
}
