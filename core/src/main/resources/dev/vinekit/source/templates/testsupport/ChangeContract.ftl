import java.sql.SQLException;

/** The facts of a table whose rows can be changed. */
public interface ChangeContract<R extends Record, I extends Record> extends KeyContract<R, I> {
    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    I other() throws SQLException;
}
