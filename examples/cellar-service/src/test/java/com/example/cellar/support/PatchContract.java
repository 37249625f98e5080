package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every PATCH. */
public interface PatchContract<R extends Record, I extends Record> extends ChangeContract<R, I> {
    @Test
    @Tag("patch")
    default void patchChangesOneFieldAndNoOther() throws SQLException {
        R row = inserted();
        I other = other();
        String[] following = facts().following().toArray(String[]::new);

        for (String field : facts().changeable()) {
            String tag = api().patch(path(row), "{}").header("ETag");
            row = stored(row).orElseThrow();

            ApiResponse response = api().patch(path(row), Api.only(other, field));

            assertThat(response.status()).as(response.text()).isEqualTo(200);
            R after = response.as(type());
            assertThat(Api.without(input(after), following)).as(field)
                    .isEqualTo(Api.without(Api.copying(input(row), other, field), following));
            assertThat(response.header("ETag").equals(tag)).as(field).isEqualTo(after.equals(row));
            assertThat(stored(row)).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    default void patchOfNothingLeavesTheRow() throws SQLException {
        R before = inserted();

        ApiResponse response = api().patch(path(before), "{}");

        assertThat(response.status()).isEqualTo(200);
        assertThat(stored(before)).contains(response.as(type()));
        String[] following = facts().following().toArray(String[]::new);
        assertThat(Api.without(input(response.as(type())), following)).isEqualTo(Api.without(input(before), following));
        assertThat(api().send("PATCH", path(before), "application/json", "{}").status()).isEqualTo(415);
        assertThat(api().patch(path(before), "{\"no such property\": 1}").violatedFields())
                .containsExactly("no such property");
    }

    @Test
    @Tag("patch")
    default void patchOfAnotherStateIsRefused() throws SQLException {
        R before = inserted();
        Object patch = facts().changeable().isEmpty() ? "{}" : Api.only(other(), facts().changeable().get(0));
        String tag = api().patch(path(before), "{}").header("ETag");
        R now = stored(before).orElseThrow();

        for (String states : List.of("\"another\"", "W/" + tag)) {
            assertThat(api().sending("If-Match", states).patch(path(before), patch).status()).as(states).isEqualTo(412);
        }
        for (String states : List.of("*", tag, "W/" + tag, "\"another\", " + tag)) {
            assertThat(api().sending("If-None-Match", states).patch(path(before), patch).status()).as(states)
                    .isEqualTo(412);
        }
        assertThat(api().sending("If-Match", "another").patch(path(before), patch).status()).isEqualTo(400);
        assertThat(stored(before)).contains(now);
        Stream.of(tag, "*").forEach(state ->
                assertThat(api().sending("If-Match", state).patch(path(before), "{}").status()).as(state)
                        .isEqualTo(200));
    }
}
