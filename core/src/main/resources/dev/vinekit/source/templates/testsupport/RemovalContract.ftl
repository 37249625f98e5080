import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every DELETE. */
public interface RemovalContract<R extends Record, I extends Record> extends InsertContract<R, I> {
    @Test
    @Tag("repository")
    default void deleteRemovesTheRowAndNoOther() throws SQLException {
        R row = rows().inserted(connection());
        rows().insertBeside(connection(), row);
        long number = rows().count(connection());

        assertThat(rows().delete(connection(), row)).isTrue();

        assertThat(rows().find(connection(), row)).isEmpty();
        assertThat(rows().count(connection())).isEqualTo(number - 1);
        assertThat(rows().delete(connection(), row)).isFalse();
    }
}
