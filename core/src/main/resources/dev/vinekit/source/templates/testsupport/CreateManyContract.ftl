import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every POST of many rows. */
public interface CreateManyContract<R extends Record, I extends Record> extends CreateContract<R, I> {
    @Test
    @Tag("create")
    default void createManyStoresEveryRow() throws SQLException {
        List<I> inputs = List.of(sample(), sample());
        int rows = stored().size();

        ApiResponse response = api().post(path(), inputs);

        assertThat(response.status()).isEqualTo(201);
        assertThat(response.asList(type())).hasSize(2);
        assertThat(stored()).hasSize(rows + 2).containsAll(response.asList(type()));
    }

    @Test
    @Tag("create")
    default void createManyStoresNoneIfOneIsRefused() throws SQLException {
        int rows = stored().size();

        ApiResponse response = api().post(path(), List.of(sample(), Api.with(sample(), "no such property", 1)));

        assertThat(response.status()).isEqualTo(400);
        assertThat(response.violatedFields()).containsExactly("[1].no such property");
        assertThat(stored()).hasSize(rows);
    }
}
