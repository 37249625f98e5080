package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.List;
import java.util.function.Predicate;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every table whose rows belong to others, or tie others to each other. */
public interface NestedContract<R extends Record, I extends Record> extends RowContract<R, I> {
    /** The lists that a row stands in, or that it puts another row in. */
    List<NestedList<?>> nested(R row) throws SQLException;

    /** A list of those rows of the table that belong to another row. */
    default NestedList<R> listAt(String path, Predicate<R> belongs) throws SQLException {
        return new NestedList<>(path, type(), stored().stream().filter(belongs).toList(), false);
    }

    @Test
    @Tag("list")
    default void nestedListsHaveTheRowsThatBelong() throws SQLException {
        R row = inserted();
        inserted();
        for (NestedList<?> list : nested(row)) {
            ApiResponse response = api().get(list.path() + "?limit=500");

            assertThat(response.status()).as(list.path()).isEqualTo(200);
            assertThat(response.asList(list.type())).as(list.path()).isNotEmpty().isEqualTo(list.rows());
            if (list.alone()) {
                assertThat(list.rows()).as(list.path()).hasSize(1);
            }
            if (list.type() == type()) {
                assertNarrowed(row, list);
            }
        }
    }

    /** Asserts that a row is in a list, and not in what a filter leaves of it. */
    private void assertNarrowed(R row, NestedList<?> list) {
        assertThat(list.rows()).as(list.path()).anyMatch(row::equals);
        if (this instanceof FilterContract<R, I> filtered) {
            String name = filtered.facts().filters().get(0);
            String others = "?" + Api.encoded(name) + "[not]=" + PathKeys.join(value(row, name));

            ApiResponse response = api().get(list.path() + others);

            assertThat(response.status()).as(list.path()).isEqualTo(200);
            assertThat(response.asList(type())).as(list.path()).doesNotContain(row);
        }
    }
}
