import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.LongNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;

/** Where a page ends, as text that a client hands back as it is: the order asked for, and the place in it. */
final class Cursor {
    private Cursor() {
    }

    /** After a row, by the values that it has in the columns of an order. */
    static String at(String sort, Object row, List<OrderBy> order) {
        ObjectNode values = Json.tree(row);
        return text(sort, order.stream().map(by -> values.path(by.column().name())).toList());
    }

    /** After so many rows. */
    static String at(String sort, long rows) {
        return text(sort, List.of(LongNode.valueOf(rows)));
    }

    private static String text(String sort, List<? extends JsonNode> values) {
        ArrayNode cursor = Json.MAPPER.createArrayNode().add(sort).addAll(values);
        return Base64.getUrlEncoder().withoutPadding()
                .encodeToString(cursor.toString().getBytes(StandardCharsets.UTF_8));
    }

    /**
     * The values that a cursor holds.
     *
     * @param text null for the beginning
     * @param sort what the client asks for now
     * @throws ProblemException 400 if the cursor is not one of ours, or one for another order
     */
    static List<Object> read(String text, String sort, Filters filters, List<OrderBy> order) {
        if (text == null) {
            return List.of();
        }
        try {
            JsonNode cursor = Json.MAPPER.readTree(Base64.getUrlDecoder().decode(text));
            if (cursor instanceof ArrayNode parts && parts.path(0).asText("").equals(sort == null ? "" : sort)
                    && parts.path(0).isNull() == (sort == null)) {
                return filters.isKeyed() ? values(parts, order) : rows(parts);
            }
        } catch (IOException | IllegalArgumentException e) {
            throw foreign(e);
        }
        throw foreign(null);
    }

    private static List<Object> values(ArrayNode parts, List<OrderBy> order) throws IOException {
        if (parts.size() != order.size() + 1) {
            throw foreign(null);
        }
        List<Object> values = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            Filters.Column column = order.get(i).column();
            JsonNode value = parts.get(i + 1);
            if (value.isNull() && !column.nullable() || value.isContainerNode()) {
                throw foreign(null);
            }
            values.add(value.isNull() ? null : <#if s.binary>value(value, column.type())<#else>PathKeys.parse(value.asText(), column.type())</#if>);
        }
        return values;
    }

<#if s.binary>
    /** Bytes are as JSON has them, which paths do not. */
    private static Object value(JsonNode value, Class<?> type) {
        return type == Binary.class ? Json.MAPPER.convertValue(value, type) : PathKeys.parse(value.asText(), type);
    }

</#if>
    private static List<Object> rows(ArrayNode parts) {
        JsonNode rows = parts.path(1);
        if (parts.size() != 2 || !rows.canConvertToLong() || rows.longValue() < 0) {
            throw foreign(null);
        }
        return List.of(rows.longValue());
    }

    private static ProblemException foreign(Exception cause) {
        return ProblemException.malformed("The parameter after takes a cursor from the Link header of the page before, "
                + "which was asked for with the same sort.", cause);
    }
}
