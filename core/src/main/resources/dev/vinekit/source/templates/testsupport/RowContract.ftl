import java.sql.SQLException;

/** The facts of a table that tests can make rows for. */
public interface RowContract<R extends Record, I extends Record> extends TableContract<R> {
    @Override
    TableFacts<R, I> facts();

    @Override
    default TestRows<R, I, ?> rows() {
        return facts().rows();
    }

    /** A row that is not stored. */
    default I sample() throws SQLException {
        return rows().sample(connection());
    }

    /** A new row, stored without the service. */
    default R inserted() throws SQLException {
        return rows().inserted(connection());
    }

    /** What a client sends to get a row like this one. */
    default I input(R row) {
        return rows().input(row);
    }

    @Override
    default void addRows() throws SQLException {
        inserted();
        inserted();
    }
}
