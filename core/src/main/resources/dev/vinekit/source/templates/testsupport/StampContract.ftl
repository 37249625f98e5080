<#if s.stamped>
import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of properties that say when and by whom a row was made and changed. */
public interface StampContract<R extends Record, I extends Record> extends KeyContract<R, I> {
    @Test
    @Tag("create")
    default void newRowIsStampedByTheService() throws SQLException {
        for (String stamp : facts().stamps()) {
            ApiResponse refused = api().post(path(), Api.with(sample(), stamp, "1"));
            assertThat(refused.status()).as(stamp).isEqualTo(400);
            assertThat(refused.violatedFields()).contains(stamp);
        }

        JsonNode created = api().post(path(), sample()).body();

        for (String stamp : facts().stamps()) {
            assertThat(created.path(stamp).isValueNode() && !created.path(stamp).isNull()).as(stamp).isTrue();
<#if s.signed>
            if (!facts().signatures().contains(stamp)) {
                assertNow(created.path(stamp).asText(), stamp);
            }
<#else>
            assertNow(created.path(stamp).asText(), stamp);
</#if>
        }
<#if s.signed>
        for (String signature : facts().signatures()) {
            assertThat(created.path(signature).asText()).as(signature).isEqualTo(TestTokens.CLAIMS.get("sub"));
        }
    }

    @Test
    @Tag("patch")
    default void changeIsSignedByWhoeverMakesIt() throws SQLException {
        if (facts().signatures().isEmpty() || facts().changeable().isEmpty()) {
            return;
        }
        R row = inserted();
        JsonNode before = Json.tree(row);
        String property = facts().changeable().get(0);

        ApiResponse changed = SERVICE.signing(TestTokens.ANOTHER)
                .patch(path(row), Api.only(rows().other(connection()), property));

        assertThat(changed.status()).as(changed.text()).isEqualTo(200);
        for (String stamp : facts().stamps()) {
            boolean follows = facts().following().contains(stamp);
            if (!follows) {
                assertThat(changed.body().path(stamp)).as(stamp).isEqualTo(before.path(stamp));
            } else if (facts().signatures().contains(stamp)) {
                assertThat(changed.body().path(stamp).asText()).as(stamp).isEqualTo(TestTokens.ANOTHER);
            }
        }
</#if>
    }

    /** By the clock of the database, which may be in another zone. */
    private static void assertNow(String time, String stamp) {
        LocalDate today = LocalDate.now(ZoneOffset.UTC);
        assertThat(LocalDate.parse(time.substring(0, 10))).as(stamp).isBetween(today.minusDays(1), today.plusDays(1));
    }
}
</#if>
