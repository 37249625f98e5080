package dev.vinekit.data;

import dev.vinekit.mapping.Field;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/** A value for every field that a client may send, in the entity's order. */
public record SampleRow(Map<Field, Sample> values) {
    public SampleRow {
        values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
    }

    /** Whether the row has a value in this field. */
    public boolean has(Field field) {
        return !(values.getOrDefault(field, new Sample.Nothing()) instanceof Sample.Nothing);
    }
}
