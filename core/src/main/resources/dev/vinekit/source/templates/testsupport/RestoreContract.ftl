<#if s.deleting>
import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of rows that stay when they are deleted: they are not there, until they are brought back. */
public interface RestoreContract<R extends Record, I extends Record> extends KeyContract<R, I> {
    @Test
    @Tag("restore")
    default void deletedRowIsNotThereUntilItIsBroughtBack() throws SQLException {
        R row = inserted();
        String path = path(row);
        JsonNode before = api().get(path).body();
        assertThat(api().post(path + "/restoration", "").status()).isEqualTo(404);
        assertThat(deleted()).doesNotContain(key(before));

        assertThat(api().delete(path).status()).isEqualTo(204);

        assertThat(api().get(path).status()).isEqualTo(404);
        assertThat(api().delete(path).status()).isEqualTo(404);
        assertThat(api().put(path, input(row)).status()).isIn(404, 405);
        assertThat(api().patch(path, "{}").status()).isIn(404, 405);
        assertThat(stored(row)).isEmpty();
        String total = api().get(path() + "?count=true&limit=1").header("Total-Count");
        assertThat(total).isEqualTo(String.valueOf(stored().size()));
        for (String child : facts().children()) {
            assertThat(api().get(child.replace("{key}", path)).status()).as(child).isEqualTo(404);
        }
        assertThat(deleted()).contains(key(before));

        ApiResponse restored = api().post(path + "/restoration", "");

        assertThat(restored.status()).as(restored.text()).isEqualTo(200);
        String[] following = facts().following().toArray(String[]::new);
        assertThat(Api.without(restored.body(), following)).isEqualTo(Api.without(before, following));
        assertThat(api().get(path).body()).isEqualTo(restored.body());
        assertThat(deleted()).doesNotContain(key(before));
        assertThat(api().post(path + "/restoration", "").status()).isEqualTo(404);
    }

    /** The keys of the rows that have been deleted. */
    private List<JsonNode> deleted() {
        List<JsonNode> keys = new ArrayList<>();
        api().eachPage(path() + "?deleted=true&limit=${s.limits.page}", page -> page.body().forEach(row -> keys.add(key(row))));
        return keys;
    }

    private JsonNode key(JsonNode row) {
        return ((ObjectNode) row.deepCopy()).retain(facts().key());
    }
}
</#if>
