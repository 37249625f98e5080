<#if s.secured>
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Who may do what: each case of the static method {@code access} is an operation. */
public interface AccessContract<R extends Record> extends TableContract<R> {
    @ParameterizedTest(name = "{0} needs a token")
    @MethodSource("access")
    @Tag("access")
    default void tokenIsNeeded(AccessCase operation) {
        ApiResponse response = operation.send(api().leavingOut("Authorization"));

        assertThat(response.status()).isEqualTo(401);
        assertThat(response.header("WWW-Authenticate")).startsWith("Bearer");
    }

    @ParameterizedTest(name = "{0} is for its roles")
    @MethodSource("access")
    @Tag("access")
    default void onlyItsRolesAreEnough(AccessCase operation) {
        List<String> roles = new ArrayList<>(List.of(${s.roles}));
        roles.add("none of the roles");
        for (String role : roles) {
            Api bearer = api().sending("Authorization", "Bearer " + TestTokens.of(List.of(role)<#if s.owned>, TestTokens.SOMEBODY</#if>));

            int status = operation.send(bearer).status();

            if (operation.isForEverybody() || operation.roles().contains(role)) {
                assertThat(status).as(role).isNotIn(401, 403);
            } else {
                assertThat(status).as(role).isEqualTo(403);
            }
        }
    }

    @ParameterizedTest(name = "OPTIONS tells its roles that they may {0}")
    @MethodSource("access")
    @Tag("access")
    default void optionsTellWhatTheRolesMay(AccessCase operation) {
        List<String> roles = new ArrayList<>(List.of(${s.roles}));
        roles.add("none of the roles");
        for (String role : roles) {
            Api bearer = api().sending("Authorization", "Bearer " + TestTokens.of(List.of(role)));

            List<String> told = List.of(bearer.send("OPTIONS", operation.bare(), operation.contentType(), null).header("Allow").split(", "));

            if (operation.isForEverybody() || operation.roles().contains(role)) {
                assertThat(told).as(role).contains(operation.method());
            } else if (operation.isWhole()) {
                assertThat(told).as(role).doesNotContain(operation.method());
            }
        }
        assertThat(api().leavingOut("Authorization").send("OPTIONS", operation.bare(), operation.contentType(), null).header("Allow"))
                .contains(operation.method());
    }
}
</#if>
