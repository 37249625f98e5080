package com.example.cellar.repository;

import com.example.cellar.dto.CellarHandInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.entity.CellarHandCraft;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Filters;
import com.example.cellar.support.Insert;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.PageResult;
import com.example.cellar.support.RowRepository;
import com.example.cellar.support.StoredRow;
import com.example.cellar.support.Update;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** The SQL for {@code CELLAR_HAND}. Every method works on the connection, and in the transaction, that it is given. */
public final class CellarHandRepository extends RowRepository<CellarHand> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("CELLAR_HAND_PKEY", "cellar-hands", "id"),
            Constraint.unique("CELLAR_HAND_EMAIL_KEY", "cellar-hands", "email"),
            Constraint.reference("CELLAR_HAND_SUPERVISOR_FKEY", "cellar-hands", "cellar-hands", "supervisorId"),
            Constraint.check("CELLAR_HAND_CRAFT_CHECK", "cellar-hands", "craft"),
            Constraint.check("CELLAR_HAND_DATES_CHECK", "cellar-hands", "hiredOn", "leftOn"),
            Constraint.check("CELLAR_HAND_EMAIL_CHECK", "cellar-hands", "email"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("id", "id", Integer.class),
            Filters.on("email", "email", String.class),
            Filters.on("supervisorId", "supervisor_id", Integer.class).orNull())
            .key("id");

    private static final String COLUMNS = "id, full_name, email, craft, hired_on, left_on, shift_starts, supervisor_id";

    private static final String BY_KEY = "WHERE id = ?";

    private static final StoredRow<CellarHand> ROW = new StoredRow<>(CellarHand.class, CellarHandRepository::row, "id");

    public CellarHandRepository() {
        super("cellar_hand", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<CellarHand> findById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY, id);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<CellarHand> lockById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", id);
    }

    /** The rows with these values of id, in one statement. */
    public List<CellarHand> lookUpById(Connection connection, Collection<Integer> keys) throws SQLException {
        return list(connection, PageQuery.first(keys.size() + 1).where(condition -> condition.in("id", "?", keys)))
                .whole();
    }

    /** The rows of a page that refer to this cellar hand. */
    public PageResult<CellarHand> listWhereSupervisorIdIs(Connection connection, int supervisorId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("supervisor_id = ?", supervisorId)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public CellarHand insert(Connection connection, CellarHandInput input) throws SQLException {
        return new Insert("cellar_hand")
                .set("full_name", input.fullName())
                .set("email", input.email())
                .set("craft", input.craft())
                .set("hired_on", input.hiredOn())
                .set("left_on", input.leftOn())
                .set("shift_starts", input.shiftStarts())
                .set("supervisor_id", input.supervisorId())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, int id, CellarHandInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("cellar_hand", fields)
                .set("fullName", "full_name", input.fullName())
                .set("email", "email", input.email())
                .set("craft", "craft", input.craft())
                .set("hiredOn", "hired_on", input.hiredOn())
                .set("leftOn", "left_on", input.leftOn())
                .set("shiftStarts", "shift_starts", input.shiftStarts())
                .set("supervisorId", "supervisor_id", input.supervisorId())
                .where(connection, "id = ?", id);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, int id) throws SQLException {
        return deleteWhere(connection, BY_KEY, id) == 1;
    }

    private static CellarHand row(ResultSet row) throws SQLException {
        return new CellarHand(
                row.getInt(1),
                row.getString(2),
                row.getString(3),
                CellarHandCraft.fromString(row.getString(4)),
                row.getObject(5, LocalDate.class),
                row.getObject(6, LocalDate.class),
                row.getObject(7, LocalTime.class),
                row.getObject(8, Integer.class));
    }
}
