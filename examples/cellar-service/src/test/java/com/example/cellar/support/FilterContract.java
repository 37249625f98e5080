package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every list that can be filtered. */
public interface FilterContract<R extends Record, I extends Record> extends RowContract<R, I> {
    @Test
    @Tag("list")
    default void filtersNarrowTheList() throws SQLException {
        R row = inserted();
        inserted();
        List<R> all = stored();
        for (String name : facts().filters()) {
            String value = PathKeys.join(value(row, name));
            List<R> expected = all.stream().filter(each -> Objects.equals(value(each, name), value(row, name)))
                    .limit(500).toList();

            assertThat(where(Api.encoded(name + "[is]") + "=" + value)).as(name).contains(row).isEqualTo(expected);
            assertThat(where(name, "is", value + "&" + Api.encoded(name) + "[not]=" + value)).as(name).isEmpty();
            assertThat(api().get(path() + "?count=true&" + Api.encoded(name) + "[is]=" + value).header("Total-Count"))
                    .as(name).isEqualTo(String.valueOf(expected.size()));
            if (!PageRequest.PARAMETERS.contains(name)) {
                assertThat(where(Api.encoded(name) + "=" + value)).as(name).isEqualTo(expected);
            }
        }
    }

    /** The rows that this comparison of a property picks out; the value is percent-encoded. */
    default List<R> where(String name, String comparison, String value) {
        return where(Api.encoded(name) + "[" + comparison + "]=" + value);
    }

    private List<R> where(String query) {
        ApiResponse response = api().get(path() + "?limit=500&" + query);
        assertThat(response.status()).as(response.text()).isEqualTo(200);
        return response.asList(type());
    }
}
