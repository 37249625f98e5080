package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.HexFormat;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every list in whose texts one can search. */
public interface SearchContract<R extends Record, I extends Record> extends FilterContract<R, I> {
    @Test
    @Tag("list")
    default void textIsSearched() throws SQLException {
        R row = inserted();
        String name = facts().searched();
        String value = value(row, name).toString();
        String end = value.substring(1);
        boolean repeated = value.regionMatches(true, 0, end, 0, end.length());

        assertThat(where(name, "startsWith", Api.encoded(value))).contains(row);
        assertThat(where(name, "contains", Api.encoded(end))).contains(row);
        assertThat(where(name, "startsWith", Api.encoded(end)).contains(row)).isEqualTo(repeated);
        assertThat(where(name, "contains", "%25").contains(row)).isEqualTo(value.contains("%"));
        assertThat(where(name, "contains", "_").contains(row)).isEqualTo(value.contains("_"));
        String twice = HexFormat.of().withPrefix("%25").formatHex(value.getBytes(StandardCharsets.UTF_8));
        assertThat(where(name, "in", twice + ",another")).contains(row);
        assertThat(api().get(path() + "?" + Api.encoded(name) + "[is]=%00").status()).isEqualTo(400);
    }
}
