package com.example.cellar.support;

import jakarta.ws.rs.core.MultivaluedMap;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.UriInfo;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;

/**
 * Which part of a collection is wanted.
 *
 * @param <K> the type of the key that rows are ordered by
 * @param after the key of the last row of the page before; null for the first page
 * @param limit the greatest number of rows, 1 to 500
 */
public record PageRequest<K>(UriInfo uri, K after, int limit) {
    private static final int DEFAULT_LIMIT = 50;
    private static final int GREATEST_LIMIT = 500;
    private static final Set<String> PARAMETERS = new TreeSet<>(Set.of("after", "limit"));

    /**
     * Reads the query parameters.
     *
     * @throws ProblemException 400 for an unknown parameter, a bad limit or a cursor that is not ours
     */
    public static <K> PageRequest<K> of(UriInfo uri, Class<K> keyType) {
        MultivaluedMap<String, String> query = uri.getQueryParameters();
        for (Map.Entry<String, List<String>> parameter : query.entrySet()) {
            if (!PARAMETERS.contains(parameter.getKey())) {
                throw ProblemException.malformed("There is no parameter " + parameter.getKey()
                        + "; this path takes " + String.join(", ", PARAMETERS) + ".");
            }
            if (parameter.getValue().size() > 1) {
                throw ProblemException.malformed("The parameter " + parameter.getKey() + " is given more than once.");
            }
        }
        return new PageRequest<>(uri, cursor(query.getFirst("after"), keyType), limit(query.getFirst("limit")));
    }

    private static int limit(String text) {
        if (text == null) {
            return DEFAULT_LIMIT;
        }
        int limit = text.matches("[0-9]{1,3}") ? Integer.parseInt(text) : 0;
        if (limit < 1 || limit > GREATEST_LIMIT) {
            throw ProblemException.malformed("The parameter limit takes a whole number from 1 to " + GREATEST_LIMIT
                    + ".");
        }
        return limit;
    }

    private static <K> K cursor(String text, Class<K> keyType) {
        if (text == null) {
            return null;
        }
        try {
            return Objects.requireNonNull(Json.MAPPER.readValue(Base64.getUrlDecoder().decode(text), keyType));
        } catch (IOException | IllegalArgumentException | NullPointerException e) {
            throw ProblemException.malformed(
                    "The parameter after takes a cursor from the Link header of the page before.");
        }
    }

    /** The number of rows to pass over, for a collection without a key. */
    public long offset() {
        return after instanceof Long offset ? Math.max(0, offset) : 0;
    }

    /**
     * Answers with the rows, and a link to the next page (RFC 8288) if there is one.
     *
     * @param rows those of this page, and one more if another page follows
     */
    public <T> Response answer(List<T> rows, Function<T, K> key) {
        return rows.size() <= limit
                ? Response.ok(rows).build()
                : answer(rows.subList(0, limit), key.apply(rows.get(limit - 1)));
    }

    /** As {@link #answer}, for a collection without a key: pages are counted, and shift while others write. */
    public <T> Response answerByOffset(List<T> rows) {
        return rows.size() <= limit
                ? Response.ok(rows).build()
                : answer(rows.subList(0, limit), (Object) (offset() + limit));
    }

    private Response answer(List<?> rows, Object last) {
        byte[] cursor = Json.MAPPER.valueToTree(last).toString().getBytes(StandardCharsets.UTF_8);
        URI next = uri.getRequestUriBuilder()
                .replaceQueryParam("limit", limit)
                .replaceQueryParam("after", Base64.getUrlEncoder().withoutPadding().encodeToString(cursor))
                .build();
        return Response.ok(rows).link(next, "next").build();
    }
}
