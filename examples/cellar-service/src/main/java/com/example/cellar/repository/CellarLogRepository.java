package com.example.cellar.repository;

import com.example.cellar.dto.CellarLogInput;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Filters;
import com.example.cellar.support.Insert;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.PageResult;
import com.example.cellar.support.RowRepository;
import com.example.cellar.support.StoredRow;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDateTime;
import java.util.List;

/** The SQL for {@code CELLAR_LOG}. Every method works on the connection, and in the transaction, that it is given. */
public final class CellarLogRepository extends RowRepository<CellarLog> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.reference("CELLAR_LOG_HAND_FKEY", "cellar-logs", "cellar-hands", "handId"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("loggedAt", "logged_at", LocalDateTime.class),
            Filters.on("handId", "hand_id", Integer.class).orNull())
            .order(Filters.on("loggedAt", "logged_at", LocalDateTime.class),
                    Filters.on("handId", "hand_id", Integer.class).orNull(),
                            Filters.on("entry", "entry", String.class));

    private static final String COLUMNS = "logged_at, hand_id, entry";

    private static final StoredRow<CellarLog> ROW = new StoredRow<>(CellarLog.class, CellarLogRepository::row);

    public CellarLogRepository() {
        super("cellar_log", COLUMNS, FILTERS, ROW);
    }

    /** The rows of a page that refer to this cellar hand. */
    public PageResult<CellarLog> listWhereHandIdIs(Connection connection, int handId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("hand_id = ?", handId)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public CellarLog insert(Connection connection, CellarLogInput input) throws SQLException {
        return new Insert("cellar_log")
                .set("logged_at", input.loggedAt())
                .set("hand_id", input.handId())
                .set("entry", input.entry())
                .returning(connection, COLUMNS, ROW);
    }

    private static CellarLog row(ResultSet row) throws SQLException {
        return new CellarLog(
                row.getObject(1, LocalDateTime.class),
                row.getObject(2, Integer.class),
                row.getString(3));
    }
}
