package dev.vinekit.schema;

import java.util.Objects;

/**
 * Where a table stands.
 *
 * @param schema the schema as the catalog spells it; empty on an engine without schemas
 * @param name the table as the catalog spells it
 */
public record TableName(String schema, String name) implements Comparable<TableName> {
    public TableName {
        Objects.requireNonNull(schema, "schema");
        Objects.requireNonNull(name, "name");
    }

    @Override
    public int compareTo(TableName other) {
        int bySchema = schema.compareTo(other.schema);
        return bySchema != 0 ? bySchema : name.compareTo(other.name);
    }

    @Override
    public String toString() {
        return schema.isEmpty() ? name : schema + "." + name;
    }
}
