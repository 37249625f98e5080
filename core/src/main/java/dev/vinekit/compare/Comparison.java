package dev.vinekit.compare;

import dev.vinekit.mapping.Mapping;
import dev.vinekit.schema.SchemaDifference;
import java.util.List;

/**
 * Two states of a database and of the service for it.
 *
 * @param effects by table
 */
public record Comparison(SchemaDifference difference, List<Effect> effects) {
    public Comparison {
        effects = List.copyOf(effects);
    }

    /** Compares what two states of a schema were mapped to. */
    public static Comparison of(Mapping before, Mapping after) {
        SchemaDifference difference =
                SchemaDifference.of(before.schema().withoutAccess(), after.schema().withoutAccess());
        return new Comparison(difference, Effects.of(before, after, difference));
    }

    /** Whether nothing has changed. */
    public boolean isEmpty() {
        return difference.isEmpty() && effects.isEmpty();
    }

    /** Whether somebody is shown, or may do, what nobody was or might before. */
    public boolean opens() {
        return effects.stream().anyMatch(Effect::opens);
    }

    /** Whether clients that worked before may not any more. */
    public boolean breaksClients() {
        return effects.stream().anyMatch(Effect::breaking);
    }
}
