import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every INSERT. */
public interface InsertContract<R extends Record, I extends Record> extends RepositoryContract<R> {
    @Override
    TestRows<R, I, ?> rows();

    /** Asserts that a row has in each column what it was made from. */
    void assertStored(R stored, I input) throws SQLException;

    @Override
    default void addRows() throws SQLException {
        rows().inserted(connection());
        rows().inserted(connection());
    }

    @Test
    @Tag("repository")
    default void insertStoresEveryColumn() throws SQLException {
        I input = rows().sample(connection());

        R stored = rows().insert(connection(), input);

        assertStored(stored, input);
        assertThat(rows().all(connection())).contains(stored);
        if (rows().isKeyed()) {
            assertThat(rows().find(connection(), stored)).contains(stored);
        }
    }
}
