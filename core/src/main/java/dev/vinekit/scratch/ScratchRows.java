package dev.vinekit.scratch;

import dev.vinekit.data.RowSearch;
import dev.vinekit.data.SampleRows;
import dev.vinekit.data.TriggerEffects;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchPlace;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Remark;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.TableName;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Sample rows as a scratch database has them.
 *
 * @param samples what its checks take and its triggers make of it
 * @param remarks what could not be found out
 */
public record ScratchRows(SampleRows samples, List<Remark> remarks) {
    /**
     * Asks a scratch database where the engine has some and the tables need it.
     *
     * @param seed the seed rows that the triggers work on, for these samples
     */
    public static ScratchRows of(Mapping mapping, ScratchPlace place, Function<SampleRows, String> seed) {
        Optional<String> lacking = lacking(mapping, place);
        if (lacking.isPresent()) {
            return new ScratchRows(new SampleRows(mapping), mapping.entities().stream()
                    .map(entity -> entity.table().name())
                    .filter(table -> ScratchTriggers.concern(mapping.schema(), table))
                    .map(table -> new Remark(table, Remark.Topic.TRIGGER, "What its triggers do was not found out. "
                            + lacking.get())).toList());
        }
        SampleRows plain = samples(mapping, place);
        if (!place.engine().makesScratch()) {
            return new ScratchRows(plain, List.of());
        }
        TriggerEffects effects = ScratchTriggers.of(place, mapping, seed.apply(plain));
        if (effects.equals(TriggerEffects.NONE)) {
            return new ScratchRows(plain, List.of());
        }
        // Tests write other texts than seeds do, with capitals for instance.
        Set<TableName> all = mapping.entities().stream().map(entity -> entity.table().name())
                .collect(Collectors.toSet());
        TriggerEffects known = effects.and(ScratchTriggers.of(place, mapping, seed.apply(plain.alikeIn(all))));
        if (!known.refused().isEmpty()) {
            SampleRows alike = plain.alikeIn(known.refused().keySet());
            TriggerEffects ofAlike = ScratchTriggers.of(place, mapping, seed.apply(alike)).and(known);
            if (ofAlike.refused().size() < known.refused().size()) {
                return new ScratchRows(alike.withTriggers(ofAlike), ofAlike.remarks());
            }
        }
        return new ScratchRows(plain.withTriggers(known), known.remarks());
    }

    /** What no server within reach has for the tables; not looked for where they need nothing but the engine. */
    private static Optional<String> lacking(Mapping mapping, ScratchPlace place) {
        boolean extended = mapping.schema().objects().stream()
                .anyMatch(object -> object.kind() == SchemaObject.Kind.EXTENSION);
        try {
            return extended && place.engine().makesScratch() ? place.lacks(mapping.definition()) : Optional.empty();
        } catch (SQLException e) {
            throw ScratchDatabase.refused("does not take the table definitions", e);
        }
    }

    /** Sample rows that keep the checks of their tables; the database is asked where a check is too much for us. */
    public static SampleRows samples(Mapping mapping, ScratchPlace place) {
        if (!place.engine().makesScratch() || !RowSearch.isNeeded(mapping)) {
            return new SampleRows(mapping);
        }
        try (ScratchConditions conditions = new ScratchConditions(place, mapping)) {
            return new SampleRows(mapping, RowSearch.in(mapping, conditions));
        }
    }
}
