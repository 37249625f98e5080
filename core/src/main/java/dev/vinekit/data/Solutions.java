package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Values that keep checks which only the database understands, and some that do not.
 *
 * @param found by table
 */
record Solutions(Map<TableName, List<Solution>> found) {
    /** Nothing is known. */
    public static final Solutions NONE = new Solutions(Map.of());

    public Solutions {
        found = Map.copyOf(found);
    }

    /**
     * Values for fields that checks tie together.
     *
     * @param fields what the checks are about
     * @param sample values that keep all of them; empty if none are known
     * @param other values that keep all of them and differ where they can
     * @param breaking for a check by its name, values that keep all others
     * @param clash the checks that leave no value, as far as was tried; empty if there are values
     */
    record Solution(List<Field> fields, Map<Field, Sample> sample, Map<Field, Sample> other,
            Map<String, Map<Field, Sample>> breaking, List<String> clash) {
        Solution {
            fields = List.copyOf(fields);
            sample = new LinkedHashMap<>(sample);
            other = new LinkedHashMap<>(other);
            breaking = new HashMap<>(breaking);
            clash = List.copyOf(clash);
        }
    }

    /** The values of a sample row. */
    Map<Field, Sample> of(Entity entity, boolean other) {
        Map<Field, Sample> values = new LinkedHashMap<>();
        solutions(entity).forEach(solution -> values.putAll(other ? solution.other() : solution.sample()));
        return values;
    }

    /** Values that break a check and no other, if some are known. */
    Optional<Map<Field, Sample>> breaking(Entity entity, String constraint) {
        return solutions(entity).stream()
                .flatMap(solution -> Optional.ofNullable(solution.breaking().get(constraint)).stream()).findFirst();
    }

    /** Whether no row is known that keeps all checks of a table. */
    boolean isUnsatisfiable(Entity entity) {
        return solutions(entity).stream().anyMatch(solution -> !solution.clash().isEmpty());
    }

    /** For each table in which no row is known that keeps all its checks, sentences that name them. */
    public Map<TableName, List<String>> clashes() {
        Map<TableName, List<String>> clashes = new HashMap<>();
        found.forEach((table, solutions) -> solutions.stream().filter(solution -> !solution.clash().isEmpty())
                .forEach(solution ->
                clashes.computeIfAbsent(table, key -> new ArrayList<>()).add("No values are known that keep "
                        + String.join(" and ", solution.clash())
                        + (solution.clash().size() > 1 ? " together." : "."))));
        return clashes;
    }

    private List<Solution> solutions(Entity entity) {
        return found.getOrDefault(entity.table().name(), List.of());
    }
}
