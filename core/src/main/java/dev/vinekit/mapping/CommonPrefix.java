package dev.vinekit.mapping;

import dev.vinekit.schema.Schema;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Finds out whether all tables' names begin alike. */
public final class CommonPrefix {
    private static final int FEWEST_TABLES = 3;

    private CommonPrefix() {
    }

    /** What every table's name begins with, up to an underscore; empty if there is no such thing, or hardly a table. */
    public static Optional<String> of(Schema schema) {
        List<String> names = schema.tables().stream().map(table -> table.name().name()).toList();
        if (names.size() < FEWEST_TABLES) {
            return Optional.empty();
        }
        String prefix = names.get(0).substring(0, names.get(0).indexOf('_') + 1);
        boolean common = prefix.length() > 1
                && names.stream().allMatch(name -> name.regionMatches(true, 0, prefix, 0, prefix.length())
                        && name.length() > prefix.length());
        return common ? Optional.of(prefix.toLowerCase(Locale.ROOT)) : Optional.empty();
    }
}
