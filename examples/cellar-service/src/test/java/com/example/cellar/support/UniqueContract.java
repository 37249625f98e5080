package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every POST of many rows, one of which has the key of another row. */
public interface UniqueContract<R extends Record, I extends Record> extends CreateManyContract<R, I> {
    @Test
    @Tag("create")
    default void createManyStoresNoneIfTheDatabaseRefusesOne() throws SQLException {
        I input = sample();
        R present = inserted();
        List<R> rows = stored();

        ApiResponse response = api()
                .post(path(),
                        List.of(input, Api.copying(sample(), input(present), facts().unique().toArray(String[]::new))));

        assertThat(response.status()).isEqualTo(409);
        assertThat(response.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(stored()).isEqualTo(rows);
    }
}
