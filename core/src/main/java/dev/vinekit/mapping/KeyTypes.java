package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;

/**
 * The types of keys: a column that refers to a number, or to a key whose type a person chose, has the Java type of
 * that.
 */
final class KeyTypes {
    private record Place(TableName table, String column) {
    }

    private final Map<TableName, Table> tables = new HashMap<>();
    private final Map<Place, Place> targets = new HashMap<>();
    private final Set<Place> inReferences = new HashSet<>();
    private final BiFunction<Table, Column, Optional<JavaType>> decided;

    /**
     * Looks through a schema.
     *
     * @param decided the type that a person chose for a column that refers to nothing, if it fits
     */
    KeyTypes(Schema schema, BiFunction<Table, Column, Optional<JavaType>> decided) {
        this.decided = decided;
        for (Table table : schema.tables()) {
            tables.put(table.name(), table);
            for (ForeignKey key : table.foreignKeys()) {
                for (int i = 0; i < key.columns().size(); i++) {
                    Place from = new Place(table.name(), key.columns().get(i));
                    Place to = new Place(key.target(), key.targetColumns().get(i));
                    targets.putIfAbsent(from, to);
                    inReferences.add(from);
                    inReferences.add(to);
                }
            }
        }
    }

    /** Whether a column refers, or is referred to. */
    boolean isInReference(Table table, Column column) {
        return inReferences.contains(new Place(table.name(), column.name()));
    }

    boolean refers(Table table, Column column) {
        return targets.containsKey(new Place(table.name(), column.name()));
    }

    /** The type of the key at the end of a chain of references, if it is another than the column's own. */
    Optional<JavaType> ofKey(Table table, Column column) {
        JavaType own = JavaType.of(column.type());
        Place root = root(new Place(table.name(), column.name()));
        JavaType end = type(root);
        boolean chosen = !root.equals(new Place(table.name(), column.name()))
                && decided.apply(tables.get(root.table), column(root)).isPresent();
        return own != end && (chosen || own.isExactNumber() && end.isExactNumber()) ? Optional.of(end)
                : Optional.empty();
    }

    private JavaType type(Place root) {
        return decided.apply(tables.get(root.table), column(root)).orElseGet(() -> JavaType.of(column(root).type()));
    }

    private Place root(Place place) {
        Set<Place> seen = new HashSet<>();
        Place end = place;
        while (targets.containsKey(end) && seen.add(end)) {
            end = targets.get(end);
        }
        return end;
    }

    private Column column(Place place) {
        return tables.get(place.table).column(place.column);
    }

    /** Whether the row that a reference goes to can be looked up by the values of these fields. */
    boolean areFollowed(ForeignKey key, List<Field> fields) {
        for (int i = 0; i < fields.size(); i++) {
            Place target = new Place(key.target(), key.targetColumns().get(i));
            Column column = column(target);
            JavaType type = ofKey(tables.get(target.table), column).orElseGet(() -> type(target));
            if (column.nullable() || type != fields.get(i).type() || type == JavaType.ENUM
                    || !column.type().isScalar()) {
                return false;
            }
        }
        return true;
    }
}
