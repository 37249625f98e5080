import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every UPDATE. */
public interface UpdateContract<R extends Record, I extends Record> extends InsertContract<R, I> {
    @Test
    @Tag("repository")
    default void updateStoresEveryColumn() throws SQLException {
        R before = rows().inserted(connection());
        rows().insertBeside(connection(), before);
        I input = rows().other(connection());
        List<R> others = new ArrayList<>(rows().all(connection()));
        others.remove(before);

        assertThat(rows().update(connection(), before, input)).isTrue();

        R after = rows().find(connection(), before).orElseThrow();
        assertStored(after, input);
        assertThat(rows().all(connection())).contains(after).containsAll(others);
    }
}
