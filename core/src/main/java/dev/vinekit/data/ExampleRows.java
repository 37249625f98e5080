package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Relation;
import dev.vinekit.mapping.RowRule;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Rows that could be inserted into a seeded database next, and keys of rows that it has. */
public final class ExampleRows {
    private static final int MOST_ATTEMPTS = 1000;

    private final SampleRows samples;
    private final Mapping mapping;
    private final KnownRows seeded;

    /**
     * For a seeded database.
     *
     * @param seed the script that inserts its rows
     */
    public ExampleRows(Mapping mapping, SampleRows samples, String seed) {
        this.mapping = mapping;
        this.samples = samples;
        this.seeded = new KnownRows(mapping, seed);
    }

    /** The key of a row that is there, part by part as text; nothing if none is known. */
    public Optional<List<String>> key(Entity entity) {
        return rows(entity).stream().filter(row -> row.keySet().containsAll(entity.key()))
                .map(row -> entity.key().stream().map(row::get).toList()).findFirst();
    }

    /**
     * A row that breaks no constraint beside those that are there: a text for each field that has a value, binary ones
     * in hexadecimal. Nothing if no such row can be told.
     */
    public Optional<Map<Field, String>> another(Entity entity) {
        int number = rows(entity).size() + 1;
        Map<Field, String> row = new LinkedHashMap<>();
        SampleRow sample = samples.row(entity, false);
        for (Map.Entry<Field, Sample> value : sample.values().entrySet()) {
            if (!(value.getValue() instanceof Sample.Nothing) && !(value.getValue() instanceof Sample.Reference)) {
                row.put(value.getKey(), value.getValue().text(number));
            }
        }
        List<Relation> followed = entity.relations().stream().filter(relation -> relation.fields().stream()
                .anyMatch(field -> sample.values().get(field) instanceof Sample.Reference)).toList();
        for (int attempt = 0; attempt < MOST_ATTEMPTS; attempt++) {
            Optional<Map<Field, String>> candidate = referring(followed, row, attempt);
            if (candidate.isEmpty()) {
                return Optional.empty();
            }
            if (keepsRules(entity, candidate.get())
                    && rows(entity).stream().noneMatch(other -> collides(entity, candidate.get(), other))) {
                return candidate;
            }
        }
        return Optional.empty();
    }

    /** The row with references, those of each attempt to other rows. */
    private Optional<Map<Field, String>> referring(List<Relation> relations, Map<Field, String> row, int attempt) {
        Map<Field, String> complete = new LinkedHashMap<>(row);
        int rest = attempt;
        for (Relation relation : relations) {
            Entity target = mapping.entity(relation.foreignKey().target());
            List<Field> targets = relation.foreignKey().targetColumns().stream().map(target::field).toList();
            List<Map<Field, String>> known = rows(target).stream()
                    .filter(parent -> parent.keySet().containsAll(targets))
                    .toList();
            if (known.isEmpty()) {
                return Optional.empty();
            }
            Map<Field, String> parent = known.get(rest % known.size());
            rest /= known.size();
            for (int i = 0; i < targets.size(); i++) {
                String value = parent.get(targets.get(i));
                String before = complete.putIfAbsent(relation.fields().get(i), value);
                if (before != null && !before.equals(value)) {
                    return Optional.empty();
                }
            }
        }
        return Optional.of(complete);
    }

    /** Whether references that must differ, or be equal, are so. */
    private static boolean keepsRules(Entity entity, Map<Field, String> row) {
        return entity.rowRules().stream().filter(RowRule.Compare.class::isInstance).map(RowRule.Compare.class::cast)
                .filter(rule -> row.containsKey(rule.left()) && row.containsKey(rule.right()))
                .allMatch(rule -> switch (rule.operator()) {
                    case NOT_EQUAL -> !row.get(rule.left()).equals(row.get(rule.right()));
                    case EQUAL -> row.get(rule.left()).equals(row.get(rule.right()));
                    default -> true;
                });
    }

    private static boolean collides(Entity entity, Map<Field, String> row, Map<Field, String> other) {
        return entity.table().keys().stream().map(key -> key.columns().stream().map(entity::field).toList())
                .anyMatch(fields -> fields.stream().allMatch(field ->
                        row.get(field) != null && row.get(field).equalsIgnoreCase(other.get(field))));
    }

    private List<Map<Field, String>> rows(Entity entity) {
        return seeded.of(entity);
    }
}
