import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every POST to a table whose rows need some values. */
public interface RequiredContract<R extends Record, I extends Record> extends RowContract<R, I> {
    @Test
    @Tag("create")
    default void everythingThatIsMissingIsToldAtOnce() {
        ApiResponse response = api().post(path(), "{}");

        assertThat(response.status()).isEqualTo(400);
        assertThat(response.violatedFields()).containsAll(facts().required());
    }
}
