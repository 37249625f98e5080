<#if s.secretive>
import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of changes where properties are sent and not told. */
public interface KeptSecretContract<R extends Record, I extends Record>
        extends SecretContract<R, I>, ChangeContract<R, I> {
    /** What the database has of a row and clients are not told. */
    List<Object> secrets(R stored) throws SQLException;

    @Test
    @Tag("replace")
    default void replaceKeepsASecretThatIsLeftOut() throws SQLException {
        R row = inserted();
        JsonNode before = Json.MAPPER.valueToTree(secrets(row));

        ApiResponse response = api().put(path(row), input(row));

        assertThat(response.status()).as(response.text()).isEqualTo(200);
        assertThat(Json.MAPPER.<JsonNode>valueToTree(secrets(row))).isEqualTo(before);
    }

    @Test
    @Tag("patch")
    default void patchChangesASecretAndDoesNotTellIt() throws SQLException {
        R row = inserted();
        JsonNode before = Json.MAPPER.valueToTree(secrets(row));

        ApiResponse response = api().patch(path(row), Json.tree(other()).retain(facts().secret()));

        assertThat(response.status()).as(response.text()).isEqualTo(200);
        assertThat(response.body().fieldNames()).toIterable().doesNotContainAnyElementsOf(facts().secret());
        assertThat(Json.MAPPER.<JsonNode>valueToTree(secrets(row))).isNotEqualTo(before);
    }
}
</#if>
