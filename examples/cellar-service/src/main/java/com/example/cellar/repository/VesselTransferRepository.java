package com.example.cellar.repository;

import com.example.cellar.dto.VesselTransferInput;
import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Insert;
import com.example.cellar.support.Sql;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;

/**
 * The SQL for {@code VESSEL_TRANSFER}. Every method works on the connection, and in the transaction, that it is given.
 */
public final class VesselTransferRepository {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("VESSEL_TRANSFER_PKEY", "vessel-transfers", "id"),
            Constraint.reference("VESSEL_TRANSFER_FROM_FKEY", "vessel-transfers", "vessels", "from"),
            Constraint.reference("VESSEL_TRANSFER_HAND_FKEY", "vessel-transfers", "cellar-hands", "movedBy"),
            Constraint.reference("VESSEL_TRANSFER_TO_FKEY", "vessel-transfers", "vessels", "to"),
            Constraint.check("VESSEL_TRANSFER_ENDS_CHECK", "vessel-transfers", "from", "to"),
            Constraint.check("VESSEL_TRANSFER_LITRES_CHECK", "vessel-transfers", "litres"));

    private static final String COLUMNS = """
            id, "from", "to", litres, moved_at, moved_by, reason
            """;

    private static final String SELECT = "SELECT " + COLUMNS + """
            FROM vessel_transfer
            """;

    private static final String LIST = SELECT + """
            ORDER BY id
            LIMIT ?
            """;

    private static final String LIST_AFTER = SELECT + """
            WHERE id > ?
            ORDER BY id
            LIMIT ?
            """;

    private static final String FIND = SELECT + """
            WHERE id = ?
            """;

    private static final String COUNT = """
            SELECT COUNT(*)
            FROM vessel_transfer
            """;

    private static final String UPDATE = """
            UPDATE vessel_transfer
            SET "from" = ?,
                "to" = ?,
                litres = ?,
                moved_at = ?,
                moved_by = ?,
                reason = ?
            WHERE id = ?
            """;

    private static final String DELETE = """
            DELETE FROM vessel_transfer
            WHERE id = ?
            """;

    /**
     * At most {@code limit} rows, by ascending key.
     *
     * @param after the key of the row before the first one wanted; null to begin at the first
     */
    public List<VesselTransfer> list(Connection connection, Long after, int limit) throws SQLException {
        return after == null
                ? Sql.list(connection, LIST, VesselTransferRepository::row, limit)
                : Sql.list(connection, LIST_AFTER, VesselTransferRepository::row, after, limit);
    }

    /** The row with this key, if there is one. */
    public Optional<VesselTransfer> findById(Connection connection, long id) throws SQLException {
        return Sql.first(connection, FIND, VesselTransferRepository::row, id);
    }

    /** The number of rows. */
    public long count(Connection connection) throws SQLException {
        return Sql.count(connection, COUNT);
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
                .returning(connection, COLUMNS, VesselTransferRepository::row);
    }

    /** Gives every column but those of the key a new value; false if there is no such row. */
    public boolean update(Connection connection, long id, VesselTransferInput input) throws SQLException {
        return Sql.update(connection, UPDATE,
                input.from(),
                input.to(),
                input.litres(),
                input.movedAt(),
                input.movedBy(),
                input.reason(),
                id) == 1;
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, long id) throws SQLException {
        return Sql.update(connection, DELETE, id) == 1;
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
