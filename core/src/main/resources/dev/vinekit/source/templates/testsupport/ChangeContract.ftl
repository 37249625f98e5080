import java.sql.SQLException;

/** The facts of a table whose rows can be changed. */
public interface ChangeContract<R extends Record, I extends Record> extends KeyContract<R, I> {
    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    default I other() throws SQLException {
        return rows().other(connection());
    }
}
