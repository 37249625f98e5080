package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every list that can be filtered by a property in which every row has a value. */
public interface ComparisonContract<R extends Record, I extends Record> extends FilterContract<R, I> {
    @Test
    @Tag("list")
    default void comparisonsDivideTheList() throws SQLException {
        R row = inserted();
        inserted();
        List<R> all = stored(PageQuery.first(500));
        String name = facts().ordered();
        String value = PathKeys.join(value(row, name));

        assertThat(where(name, "less", value)).doesNotContain(row).isSubsetOf(where(name, "not", value));
        assertThat(where(name, "greater", value)).doesNotContain(row).isSubsetOf(where(name, "not", value));
        assertThat(where(name, "less", value).size() + where(name, "atLeast", value).size()).isEqualTo(all.size());
        assertThat(where(name, "greater", value).size() + where(name, "atMost", value).size()).isEqualTo(all.size());
        assertThat(where(name, "in", value).size() + where(name, "not", value).size()).isEqualTo(all.size());
        assertThat(where(name, "isNull", "false")).isEqualTo(all);
        assertThat(where(name, "isNull", "true")).isEmpty();
    }
}
