package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every DELETE. */
public interface DeleteContract<R extends Record, I extends Record> extends KeyContract<R, I> {
    @Test
    @Tag("delete")
    default void deleteRemovesTheRow() throws SQLException {
        R row = inserted();
        int rows = stored().size();

        assertThat(api().delete(path(row)).status()).isEqualTo(204);

        assertThat(stored(row)).isEmpty();
        assertThat(stored()).hasSize(rows - 1);
        assertThat(api().delete(path(row)).status()).isEqualTo(404);
        assertThat(api().get(path(row)).status()).isIn(404, 405);
        for (String child : facts().children()) {
            assertThat(api().get(child.replace("{key}", path(row))).status()).as(child).isEqualTo(404);
        }
    }

    @Test
    @Tag("delete")
    default void deleteOfAnotherStateIsRefused() throws SQLException {
        R row = inserted();

        assertThat(api().sending("If-Match", "\"another\"").delete(path(row)).status()).isEqualTo(412);
        assertThat(api().sending("If-None-Match", "*").delete(path(row)).status()).isEqualTo(412);

        assertThat(stored(row)).contains(row);
    }
}
