package dev.vinekit.schema;

import java.util.List;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/**
 * A type with rules of its own that columns share.
 *
 * @param name as the engine spells it in a definition
 * @param base the type beneath
 * @param nullable whether NULL is one of its values
 * @param defaultValue the default as the engine writes it
 * @param checks conditions on {@code VALUE}
 * @param collation the order of its texts, where it is not the usual one
 */
public record Domain(
        String name, SqlType base, boolean nullable, Optional<String> defaultValue, List<Check> checks,
        Optional<String> collation) {
    private static final Pattern PART = Pattern.compile("\"(?:[^\"]|\"\")*\"|[^.\"]+");

    /** A domain in the usual order. */
    public Domain(String name, SqlType base, boolean nullable, Optional<String> defaultValue, List<Check> checks) {
        this(name, base, nullable, defaultValue, checks, Optional.empty());
    }

    public Domain {
        checks = List.copyOf(checks);
    }

    /**
     * Where it stands, as the catalog spells it.
     *
     * @param defaultSchema where it is taken to stand if its name does not say so
     */
    public TableName place(String defaultSchema) {
        List<String> parts = PART.matcher(name).results().map(MatchResult::group)
                .map(part -> part.startsWith("\"")
                        ? part.substring(1, part.length() - 1).replace("\"\"", "\"") : part).toList();
        return new TableName(parts.size() > 1 ? parts.get(0) : defaultSchema, parts.get(parts.size() - 1));
    }
}
