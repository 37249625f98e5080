<#if s.deleting>
import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of references to rows that stay when they are deleted: to those there are none. */
public interface LiveReferenceContract<R extends Record, I extends Record> extends RowContract<R, I> {
    /** Deletes a row that a row refers to, without the service. */
    void deleteReferred(I input) throws SQLException;

    @Test
    @Tag("create")
    default void referenceToADeletedRowIsRefused() throws SQLException {
        I sample = sample();
        int rows = stored().size();
        deleteReferred(sample);

        ApiResponse refused = api().post(path(), sample);

        assertThat(refused.status()).as(refused.text()).isEqualTo(422);
        assertThat(refused.violatedFields()).isNotEmpty();
        assertThat(stored()).hasSize(rows);
    }
}
</#if>
