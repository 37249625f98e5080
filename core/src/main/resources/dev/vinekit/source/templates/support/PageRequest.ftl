/**
 * Which part of a collection a client wants.
 *
 * @param <K> the type of the key that rows are ordered by
 * @param page the rows wanted, and one more, which tells whether another page follows
 * @param include the references whose rows are wanted too
 */
public record PageRequest<K>(UriInfo uri, Page<K> page, List<String> include) {
    private static final int DEFAULT_LIMIT = 50;
    private static final int GREATEST_LIMIT = 500;
    private static final List<String> PARAMETERS = List.of("after", "include", "limit");

    /**
     * Reads the query parameters.
     *
     * @throws ProblemException 400 for an unknown parameter, a value that does not fit or a cursor that is not ours
     */
    public static <K> PageRequest<K> of(UriInfo uri, Class<K> keyType, Filters filters, Includes<?> includes) {
        MultivaluedMap<String, String> query = uri.getQueryParameters();
        Condition condition = Condition.NONE;
        for (Map.Entry<String, List<String>> parameter : query.entrySet()) {
            String name = parameter.getKey();
            if (parameter.getValue().size() > 1) {
                throw ProblemException.malformed("The parameter " + name + " is given more than once.");
            }
            if (!PARAMETERS.contains(name) && !filters.take(name)) {
                throw unknown(name, filters);
            } else if (!PARAMETERS.contains(name)) {
                condition = filters.narrow(condition, name, parameter.getValue().get(0));
            }
        }
        K after = cursor(query.getFirst("after"), keyType);
        return new PageRequest<>(uri, new Page<>(condition, after, limit(query.getFirst("limit")) + 1), includes.asked(uri));
    }

    private static ProblemException unknown(String parameter, Filters filters) {
        String columns = filters.names().isEmpty() ? "" : ", and to filter by " + String.join(", ", filters.names());
        return ProblemException.malformed("There is no parameter " + parameter + "; this path takes "
                + String.join(", ", PARAMETERS) + columns + ".");
    }

    private static int limit(String text) {
        if (text == null) {
            return DEFAULT_LIMIT;
        }
        int limit = text.matches("[0-9]{1,3}") ? Integer.parseInt(text) : 0;
        if (limit < 1 || limit > GREATEST_LIMIT) {
            throw ProblemException.malformed("The parameter limit takes a whole number from 1 to " + GREATEST_LIMIT + ".");
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

    /**
     * Answers with the rows, and a link to the next page (RFC 8288) if there is one.
     *
     * @param rows those of {@link #page}
     * @param embed adds what is to be included; not asked if nothing is
     */
    public <T> Response answer(List<T> rows, Function<T, K> key, BiFunction<List<String>, List<T>, List<?>> embed) {
        int limit = page.limit() - 1;
        List<T> shown = rows.size() <= limit ? rows : rows.subList(0, limit);
        Response.ResponseBuilder response = Response.ok(include.isEmpty() ? shown : embed.apply(include, shown));
        return rows.size() <= limit ? response.build() : linked(response, key.apply(shown.get(limit - 1)));
    }

    /** As {@link #answer}, for a collection without a key: pages are counted, and shift while others write. */
    public <T> Response answerByOffset(List<T> rows, BiFunction<List<String>, List<T>, List<?>> embed) {
        long offset = page.after() instanceof Long before ? Math.max(0, before) : 0;
        return new PageRequest<Long>(uri, new Page<>(page.condition(), offset, page.limit()), include)
                .answer(rows, row -> offset + page.limit() - 1, embed);
    }

    private Response linked(Response.ResponseBuilder response, Object last) {
        byte[] cursor = Json.MAPPER.valueToTree(last).toString().getBytes(StandardCharsets.UTF_8);
        URI next = uri.getRequestUriBuilder()
                .replaceQueryParam("limit", page.limit() - 1)
                .replaceQueryParam("after", Base64.getUrlEncoder().withoutPadding().encodeToString(cursor))
                .build();
        return response.link(next, "next").build();
    }
}
