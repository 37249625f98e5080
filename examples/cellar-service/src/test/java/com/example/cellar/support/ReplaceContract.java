package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every PUT. */
public interface ReplaceContract<R extends Record, I extends Record> extends ChangeContract<R, I> {
    @Test
    @Tag("replace")
    default void replaceStoresEveryField() throws SQLException {
        R before = inserted();
        String[] key = facts().key().toArray(String[]::new);
        I input = other();

        ApiResponse response = api().put(path(before), Api.without(input, key));

        assertThat(response.status()).as(response.text()).isEqualTo(200);
        R after = response.as(type());
        String[] ours = Stream.concat(facts().key().stream(), facts().overwritten().stream()).toArray(String[]::new);
        assertThat(Api.without(input(after), ours)).isEqualTo(Api.without(input, ours));
        assertThat(stored(before)).contains(after);
    }

    @Test
    @Tag("replace")
    default void replaceOfAnotherStateIsRefused() throws SQLException {
        R before = inserted();
        Object body = Api.without(other(), facts().key().toArray(String[]::new));
        String tag = api().put(path(before), input(before)).header("ETag");
        R now = stored(before).orElseThrow();

        assertThat(api().sending("If-Match", "\"another\"").put(path(before), body).status()).isEqualTo(412);
        assertThat(api().sending("If-Match", "W/" + tag).put(path(before), body).status()).isEqualTo(412);
        assertThat(api().sending("If-None-Match", tag).put(path(before), body).status()).isEqualTo(412);
        assertThat(api().sending("If-None-Match", "*").put(path(before), body).status()).isEqualTo(412);
        assertThat(stored(before)).contains(now);
        assertThat(api().sending("If-Match", "\"another\", " + tag).put(path(before), input(now)).status())
                .isEqualTo(200);
        assertThat(api().sending("If-Match", "*").put(path(before), input(now)).status()).isEqualTo(200);
    }

    @Test
    @Tag("replace")
    default void replaceRefusesAnotherKey() throws SQLException {
        R before = inserted();
        R another = inserted();

        ApiResponse response = api().put(path(before), input(another));

        assertThat(response.status()).isEqualTo(400);
        assertThat(response.violatedFields()).isNotEmpty().containsAll(facts().differing());
        assertThat(stored(before)).contains(before);
    }
}
