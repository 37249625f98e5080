import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;

/** What the service answered. */
public record ApiResponse(int status, java.net.http.HttpHeaders headers, String text) {
    ApiResponse(HttpResponse<String> response) {
        this(response.statusCode(), response.headers(), response.body());
    }

    /** A header; empty if it is not there. */
    public String header(String name) {
        return headers.firstValue(name).orElse("");
    }

    public JsonNode body() {
        return Json.parse(text);
    }

    public <T> T as(Class<T> type) {
        return read(body(), type);
    }

    public <T> List<T> asList(Class<T> type) {
        List<T> values = new ArrayList<>();
        body().forEach(element -> values.add(read(element, type)));
        return values;
    }

    /** A record of a JSON object; properties that are null count as left out. */
    static <T> T read(JsonNode object, Class<T> type) {
        object.properties().removeIf(property -> property.getValue().isNull());
        try {
            return Json.MAPPER.treeToValue(object, type);
        } catch (JsonProcessingException e) {
            throw new AssertionError("not the JSON of a " + type.getSimpleName() + ": " + object, e);
        }
    }

    /** The fields that a problem blames. */
    public List<String> violatedFields() {
        return body().path("violations").findValuesAsText("field");
    }
}
