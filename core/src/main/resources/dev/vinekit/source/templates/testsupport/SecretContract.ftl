<#if s.secretive>
import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of properties that are sent and not told. */
public interface SecretContract<R extends Record, I extends Record> extends KeyContract<R, I> {
    @Test
    @Tag("read")
    default void secretIsNotToldAndNotFoundOut() throws SQLException {
        ApiResponse created = api().post(path(), sample());
        String row = created.header("Location");
        assertThat(created.status()).as(created.text()).isEqualTo(201);

        for (String secret : facts().secret()) {
            String name = Api.encoded(secret);
            assertThat(created.body().has(secret)).as(secret).isFalse();
            assertThat(api().at(row).body().has(secret)).as(secret).isFalse();
            assertThat(api().at(row + "?fields=" + name).status()).as("fields of " + secret).isEqualTo(400);
            for (String query : List.of("fields=" + name, "sort=" + name, "sort=-" + name, name + "=x",
                    name + Api.encoded("[is]") + "=x", name + Api.encoded("[isNull]") + "=false")) {
                assertThat(api().get(path() + "?" + query).status()).as(query).isIn(400, 404, 405);
            }
        }
    }
}
</#if>
