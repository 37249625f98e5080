package com.example.cellar.repository;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.entity.WineLotHarvestKey;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Insert;
import com.example.cellar.support.Sql;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * The SQL for {@code WINE_LOT_HARVEST}. Every method works on the connection, and in the transaction, that it is given.
 */
public final class WineLotHarvestRepository {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("WINE_LOT_HARVEST_PKEY", "wine-lot-harvests", "wineLotId", "harvestId"),
            Constraint.reference("WINE_LOT_HARVEST_HARVEST_FKEY", "wine-lot-harvests", "harvests", "harvestId"),
            Constraint.reference("WINE_LOT_HARVEST_LOT_FKEY", "wine-lot-harvests", "wine-lots", "wineLotId"));

    private static final String COLUMNS = """
            wine_lot_id, harvest_id
            """;

    private static final String SELECT = "SELECT " + COLUMNS + """
            FROM wine_lot_harvest
            """;

    private static final String LIST = SELECT + """
            ORDER BY wine_lot_id, harvest_id
            LIMIT ?
            """;

    private static final String LIST_AFTER = SELECT + """
            WHERE (wine_lot_id, harvest_id) > (?, ?)
            ORDER BY wine_lot_id, harvest_id
            LIMIT ?
            """;

    private static final String FIND = SELECT + """
            WHERE wine_lot_id = ? AND harvest_id = ?
            """;

    private static final String COUNT = """
            SELECT COUNT(*)
            FROM wine_lot_harvest
            """;

    private static final String DELETE = """
            DELETE FROM wine_lot_harvest
            WHERE wine_lot_id = ? AND harvest_id = ?
            """;

    /**
     * At most {@code limit} rows, by ascending key.
     *
     * @param after the key of the row before the first one wanted; null to begin at the first
     */
    public List<WineLotHarvest> list(Connection connection, WineLotHarvestKey after, int limit) throws SQLException {
        return after == null
                ? Sql.list(connection, LIST, WineLotHarvestRepository::row, limit)
                : Sql.list(connection, LIST_AFTER, WineLotHarvestRepository::row, after.wineLotId(), after.harvestId(),
                        limit);
    }

    /** The row with this key, if there is one. */
    public Optional<WineLotHarvest> findById(Connection connection, WineLotHarvestKey key) throws SQLException {
        return Sql.first(connection, FIND, WineLotHarvestRepository::row, key.wineLotId(), key.harvestId());
    }

    /** The number of rows. */
    public long count(Connection connection) throws SQLException {
        return Sql.count(connection, COUNT);
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public WineLotHarvest insert(Connection connection, WineLotHarvestInput input) throws SQLException {
        return new Insert("wine_lot_harvest")
                .set("wine_lot_id", input.wineLotId())
                .set("harvest_id", input.harvestId())
                .returning(connection, COLUMNS, WineLotHarvestRepository::row);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, WineLotHarvestKey key) throws SQLException {
        return Sql.update(connection, DELETE, key.wineLotId(), key.harvestId()) == 1;
    }

    private static WineLotHarvest row(ResultSet row) throws SQLException {
        return new WineLotHarvest(
                row.getObject(1, UUID.class),
                row.getLong(2));
    }
}
