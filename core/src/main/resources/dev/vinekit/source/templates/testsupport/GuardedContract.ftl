<#if s.guarded>
import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every row that only changes for those who say which state of it they know. */
public interface GuardedContract<R extends Record, I extends Record> extends KeyContract<R, I> {
    @Test
    @Tag("read")
    default void changeOfNoStateInParticularIsRefused() throws SQLException {
        R row = inserted();
        Api careless = api().leavingOut("If-Match");

        if (this instanceof ReplaceContract) {
            assertThat(careless.put(path(row), input(row)).status()).isEqualTo(428);
        }
        if (this instanceof PatchContract) {
            assertThat(careless.patch(path(row), "{}").status()).isEqualTo(428);
        }
        if (this instanceof DeleteContract) {
            assertThat(careless.delete(path(row)).status()).isEqualTo(428);
        }
        assertThat(stored(row)).contains(row);
    }
}
</#if>
