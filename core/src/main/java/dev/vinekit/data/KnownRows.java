package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.InsertedRows;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The rows that a script inserts, as far as it gives constants. */
final class KnownRows {
    private final Map<TableName, List<Map<Field, String>>> rows = new HashMap<>();

    KnownRows(Mapping mapping, String script) {
        for (InsertedRows inserted : InsertedRows.of(script)) {
            mapping.entities().stream().filter(entity -> entity.table().name().name()
                    .equalsIgnoreCase(inserted.table()))
                    .findFirst().ifPresent(entity -> remember(entity, inserted));
        }
    }

    private void remember(Entity entity, InsertedRows inserted) {
        List<Map<Field, String>> known = rows.computeIfAbsent(entity.table().name(), key -> new ArrayList<>());
        List<String> columns = !inserted.columns().isEmpty() ? inserted.columns()
                : entity.fields().stream().filter(field -> !field.column().isComputed())
                .map(field -> field.column().name()).toList();
        for (List<Optional<String>> row : inserted.rows()) {
            Map<Field, String> values = new HashMap<>();
            for (Field field : entity.fields()) {
                for (int i = 0; i < Math.min(row.size(), columns.size()); i++) {
                    if (columns.get(i).equalsIgnoreCase(field.column().name())) {
                        row.get(i).ifPresent(value -> values.put(field, told(field, value)));
                    }
                }
                if (field.isNumbered()) {
                    values.putIfAbsent(field, String.valueOf(known.size() + 1));
                }
            }
            known.add(values);
        }
    }

    /** Bytes without what marks them, those of a UUID with its hyphens. */
    private static String told(Field field, String value) {
        String digits = field.column().type().kind() == SqlType.Kind.BINARY && value.startsWith("\\x")
                ? value.substring(2) : value;
        return field.isUuidInBytes() ? digits.replaceFirst(
                "^(\\p{XDigit}{8})(\\p{XDigit}{4})(\\p{XDigit}{4})(\\p{XDigit}{4})(\\p{XDigit}{12})$", "$1-$2-$3-$4-$5")
                : digits;
    }

    /** Whether the script inserts rows of a table, known or not. */
    boolean has(Entity entity) {
        return rows.containsKey(entity.table().name());
    }

    /** The rows of a table, each with the values that are known. */
    List<Map<Field, String>> of(Entity entity) {
        return rows.getOrDefault(entity.table().name(), List.of());
    }
}
