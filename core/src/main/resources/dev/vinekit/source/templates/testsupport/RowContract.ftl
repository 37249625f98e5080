import java.sql.SQLException;
import java.util.List;

/** The facts of a table that tests can make rows for. */
public interface RowContract<R extends Record, I extends Record> extends TableContract<R> {
    /** A row that is not stored. */
    I sample() throws SQLException;

    /** A new row, stored without the service. */
    R inserted() throws SQLException;

    /** What a client sends to get a row like this one. */
    I input(R row);

    @Override
    default void addRows() throws SQLException {
        inserted();
        inserted();
    }
}
