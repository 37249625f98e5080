import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.sql.SQLException;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every row that can be read together with those that it refers to. */
public interface IncludeContract<R extends Record, I extends Record> extends KeyContract<R, I> {
    /** The paths of the rows that a row refers to, by the properties under which they are told. */
    Map<String, String> included(R row);

    @Test
    @Tag("read")
    default void includeTellsTheRowThatIsReferredTo() throws SQLException {
        R row = inserted();
        String name = Json.properties(type()).get(0);
        for (Map.Entry<String, String> referred : included(row).entrySet()) {
            String property = referred.getKey();
            String query = "?include=" + Api.encoded(property);

            ApiResponse response = api().get(path(row) + query);

            assertThat(response.status()).as(property).isEqualTo(200);
            assertThat(response.body().get(property)).as(property).isEqualTo(api().get(referred.getValue()).body());
            assertThat(api().get(path(row) + query + "&fields=" + Api.encoded(name)).body())
                    .isEqualTo(response.body().<ObjectNode>deepCopy().retain(name, property));
        }
    }
}
