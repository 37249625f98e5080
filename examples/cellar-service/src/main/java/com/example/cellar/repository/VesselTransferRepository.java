package com.example.cellar.repository;

import com.example.cellar.dto.VesselTransferInput;
import com.example.cellar.entity.VesselTransfer;
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
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * The SQL for {@code VESSEL_TRANSFER}. Every method works on the connection, and in the transaction, that it is given.
 */
public final class VesselTransferRepository extends RowRepository<VesselTransfer> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("VESSEL_TRANSFER_PKEY", "vessel-transfers", "id"),
            Constraint.reference("VESSEL_TRANSFER_FROM_FKEY", "vessel-transfers", "vessels", "from"),
            Constraint.reference("VESSEL_TRANSFER_HAND_FKEY", "vessel-transfers", "cellar-hands", "movedBy"),
            Constraint.reference("VESSEL_TRANSFER_TO_FKEY", "vessel-transfers", "vessels", "to"),
            Constraint.check("VESSEL_TRANSFER_ENDS_CHECK", "vessel-transfers", "from", "to"),
            Constraint.check("VESSEL_TRANSFER_LITRES_CHECK", "vessel-transfers", "litres"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("id", "id", Long.class),
            Filters.on("from", "\"from\"", Integer.class),
            Filters.on("to", "\"to\"", Integer.class),
            Filters.on("movedAt", "moved_at", LocalDateTime.class),
            Filters.on("movedBy", "moved_by", Integer.class))
            .key("id");

    private static final String COLUMNS = "id, \"from\", \"to\", litres, moved_at, moved_by, reason";

    private static final String BY_KEY = "WHERE id = ?";

    private static final StoredRow<VesselTransfer> ROW
            = new StoredRow<>(VesselTransfer.class, VesselTransferRepository::row, "id");

    public VesselTransferRepository() {
        super("vessel_transfer", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<VesselTransfer> findById(Connection connection, long id) throws SQLException {
        return firstWhere(connection, BY_KEY, id);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<VesselTransfer> lockById(Connection connection, long id) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", id);
    }

    /** The rows of a page that refer to this vessel. */
    public PageResult<VesselTransfer> listWhereFromIs(Connection connection, int from, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("\"from\" = ?", from)));
    }

    /** The rows of a page that refer to this cellar hand. */
    public PageResult<VesselTransfer> listWhereMovedByIs(Connection connection, int movedBy, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("moved_by = ?", movedBy)));
    }

    /** The rows of a page that refer to this vessel. */
    public PageResult<VesselTransfer> listWhereToIs(Connection connection, int to, PageQuery page) throws SQLException {
        return list(connection, page.where(condition -> condition.and("\"to\" = ?", to)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public VesselTransfer insert(Connection connection, VesselTransferInput input) throws SQLException {
        return new Insert("vessel_transfer")
                .set("\"from\"", input.from())
                .set("\"to\"", input.to())
                .set("litres", input.litres())
                .set("moved_at", input.movedAt())
                .set("moved_by", input.movedBy())
                .set("reason", input.reason())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, long id, VesselTransferInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("vessel_transfer", fields)
                .set("from", "\"from\"", input.from())
                .set("to", "\"to\"", input.to())
                .set("litres", "litres", input.litres())
                .set("movedAt", "moved_at", input.movedAt())
                .set("movedBy", "moved_by", input.movedBy())
                .set("reason", "reason", input.reason())
                .where(connection, "id = ?", id);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, long id) throws SQLException {
        return deleteWhere(connection, BY_KEY, id) == 1;
    }

    private static VesselTransfer row(ResultSet row) throws SQLException {
        return new VesselTransfer(
                row.getLong(1),
                row.getInt(2),
                row.getInt(3),
                row.getBigDecimal(4),
                row.getObject(5, LocalDateTime.class),
                row.getInt(6),
                row.getString(7));
    }
}
