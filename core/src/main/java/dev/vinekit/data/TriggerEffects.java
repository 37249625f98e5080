package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Remark;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What the triggers and rules of a schema do to rows, as far as a database has shown it.
 *
 * @param overwritten columns whose values are others than those that were written, by table
 * @param written tables that get or lose rows when rows of another are written, by that one
 * @param unchanged what the database says about each change of a row that was tried, by table
 * @param refused what the database says about made-up rows that it takes without triggers only, by table
 */
public record TriggerEffects(
        Map<TableName, Set<String>> overwritten, Map<TableName, List<TableName>> written,
        Map<TableName, String> unchanged, Map<TableName, String> refused) {
    /** There are none. */
    public static final TriggerEffects NONE = new TriggerEffects(Map.of(), Map.of(), Map.of(), Map.of());

    public TriggerEffects {
        overwritten = Map.copyOf(overwritten);
        written = Map.copyOf(written);
        unchanged = Map.copyOf(unchanged);
        refused = Map.copyOf(refused);
    }

    /** These effects, and the columns that are overwritten among other rows. */
    public TriggerEffects and(TriggerEffects ofOtherRows) {
        Map<TableName, Set<String>> both = new HashMap<>(overwritten);
        ofOtherRows.overwritten.forEach((table, columns) -> both.merge(table, columns, (one, other) ->
                Stream.concat(one.stream(), other.stream()).collect(Collectors.toCollection(TreeSet::new))));
        return new TriggerEffects(both, written, unchanged, refused);
    }

    /** Whether a trigger gives a field another value than was written. */
    public boolean overwrites(Entity entity, Field field) {
        return overwritten.getOrDefault(entity.table().name(), Set.of()).contains(field.column().name());
    }

    /** Whether triggers of other tables write to a table: its own rows are better there before. */
    boolean isWritten(Entity entity) {
        return written.values().stream().anyMatch(tables -> tables.contains(entity.table().name()));
    }

    /** Tables that get or lose rows when rows of this one are written. */
    public List<TableName> written(TableName table) {
        return written.getOrDefault(table, List.of());
    }

    /** What a person should know of them. */
    public List<Remark> remarks() {
        List<Remark> remarks = new ArrayList<>();
        overwritten.forEach((table, columns) ->
                remarks.add(new Remark(table, Remark.Topic.TRIGGER, "A trigger gives a value of its own to "
                + String.join(", ", columns) + ": what a client sends there need not be what is stored.")));
        written.forEach((table, others) -> remarks.add(new Remark(table, Remark.Topic.TRIGGER, "Triggers also write to "
                + others.stream().map(TableName::name).collect(Collectors.joining(", "))
                + " when its rows are written.")));
        unchanged.forEach((table, reason) -> remarks.add(new Remark(table, Remark.Topic.TRIGGER,
                "A trigger refuses each change of a row that was tried, so no test changes one: " + reason)));
        return remarks;
    }

    /** Whether triggers refuse every change of a row that was tried. */
    public boolean refusesChanges(Entity entity) {
        return unchanged.containsKey(entity.table().name());
    }

    /** Why no row of a table could be made up, as the database says it; empty if none was refused. */
    Optional<String> refusal(Entity entity) {
        return Optional.ofNullable(refused.get(entity.table().name()));
    }
}
