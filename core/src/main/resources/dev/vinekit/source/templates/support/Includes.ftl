import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.core.SecurityContext;
import jakarta.ws.rs.core.UriInfo;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The rows that the rows of a table refer to, which a client can ask to have included.
 *
 * @param <T> the rows that refer
 */
public final class Includes<T> {
    private final Map<String, Reference<T, ?, ?>> references;

    /** Finds rows by the values that others refer to them by, in one statement. */
    @FunctionalInterface
    public interface Lookup<K, P> {
        List<P> find(Connection connection, Collection<K> keys) throws SQLException;
    }

    private record Reference<T, K, P>(
            Function<T, K> from, Lookup<K, P> lookup, Function<P, K> key<#if s.secured>, AccessRight right</#if>) {
        Map<Object, JsonNode> find(Connection connection, List<T> rows) throws SQLException {
            Set<K> keys = rows.stream().map(from).filter(Objects::nonNull).collect(Collectors.toCollection(LinkedHashSet::new));
            Map<Object, JsonNode> found = new HashMap<>();
            if (!keys.isEmpty()) {
                for (P row : lookup.find(connection, keys)) {
                    found.put(alike(key.apply(row)), Json.tree(row));
                    found.put(key.apply(row), Json.tree(row));
                }
            }
            return found;
        }

        JsonNode of(T row, Map<Object, JsonNode> found) {
            K key = from.apply(row);
            JsonNode exact = key == null ? null : found.get(key);
            return exact != null || key == null ? exact : found.get(alike(key));
        }

        /** A form that is the same for all that a database may take for the same: other letters, scales, blanks. */
        private static Object alike(Object key) {
            if (key instanceof BigDecimal number) {
                return number.stripTrailingZeros();
            } else if (key instanceof List<?> parts) {
                return parts.stream().map(Reference::alike).toList();
            }
            return key instanceof String text ? "alike " + text.stripTrailing().toLowerCase(Locale.ROOT) : key;
        }
    }

    private Includes(Map<String, Reference<T, ?, ?>> references) {
        this.references = references;
    }

    /** No references yet. */
    public static <T> Includes<T> none() {
        return new Includes<>(Map.of());
    }

    /**
     * These references, and another.
     *
     * @param name the property that the row is embedded under
     * @param from the values that refer; null if there is no row
     * @param key the values that are referred to
<#if s.secured>
     * @param right what it takes to see such a row
</#if>
     */
    public <K, P> Includes<T> with(
            String name, Function<T, K> from, Lookup<K, P> lookup, Function<P, K> key<#if s.secured>, AccessRight right</#if>) {
        Map<String, Reference<T, ?, ?>> more = new LinkedHashMap<>(references);
        more.put(name, new Reference<>(from, lookup, key<#if s.secured>, right</#if>));
        return new Includes<>(more);
    }

    /** Values of several columns; null if one of them is. */
    public static List<Object> key(Object... parts) {
        return Arrays.stream(parts).anyMatch(Objects::isNull) ? null : List.of(parts);
    }

    /**
     * What the parameter {@code include} asks for.
     *
     * @throws ProblemException 400 naming what can be included<#if s.secured>, 403 if the caller may not see it</#if>
     */
    public List<String> asked(UriInfo uri<#if s.secured>, SecurityContext caller</#if>) {
        String text = uri.getQueryParameters().getFirst("include");
        List<String> names = text == null ? List.of() : List.of(text.split(",", -1));
        for (String name : names) {
            if (!references.containsKey(name)) {
                throw ProblemException.malformed("There is no " + name + " to include; there is "
                        + (references.isEmpty() ? "nothing" : String.join(", ", references.keySet())) + ".");
            }
<#if s.secured>
            if (!references.get(name).right().belongsTo(caller)) {
                throw ProblemException.forbidden();
            }
</#if>
        }
        return names;
    }

    /** Rows as JSON, for a table that refers to no other. */
    public static <T> List<ObjectNode> nothing(List<String> names, List<T> rows) {
        return rows.stream().map(Json::tree).toList();
    }

    /**
     * Rows as JSON, each with the rows that it refers to: one statement for each reference.
     *
     * @param names of references
     */
    public List<ObjectNode> embed(Connection connection, List<T> rows, List<String> names) throws SQLException {
        List<ObjectNode> embedded = rows.stream().map(Json::tree).toList();
        for (String name : names) {
            embed(connection, rows, embedded, name, references.get(name));
        }
        return embedded;
    }

    private static <T, K, P> void embed(
            Connection connection, List<T> rows, List<ObjectNode> embedded, String name, Reference<T, K, P> reference)
            throws SQLException {
        Map<Object, JsonNode> found = reference.find(connection, rows);
        for (int i = 0; i < rows.size(); i++) {
            embedded.get(i).set(name, reference.of(rows.get(i), found));
        }
    }
}
