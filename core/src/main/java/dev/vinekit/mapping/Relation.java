package dev.vinekit.mapping;

import dev.vinekit.schema.ForeignKey;
import java.util.List;

/**
 * A reference to a row of another entity.
 *
 * @param name of the row that is referred to, seen from here: {@code parcel} for a column {@code parcel_id}
 * @param followed whether the fields have the types of the key that they refer to, so that the row can be looked up
 * @param jsonName the property under which JSON embeds the row
 * @param fields the referring fields, in the order of the key
 */
public record Relation(
        ForeignKey foreignKey, JavaName name, List<Field> fields, boolean followed, String jsonName) {
    public Relation {
        fields = List.copyOf(fields);
    }

    /** Whether every new row has one: it cannot be NULL, or a row that leaves it out takes a default that refers too. */
    public boolean required() {
        return fields.stream().noneMatch(field -> field.column().nullable())
                || fields.stream().anyMatch(field -> field.column().isFilledByDatabase());
    }
}
