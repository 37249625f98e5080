package com.example.cellar.repository;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.entity.WineLotHarvestKey;
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
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * The SQL for {@code WINE_LOT_HARVEST}. Every method works on the connection, and in the transaction, that it is given.
 */
public final class WineLotHarvestRepository extends RowRepository<WineLotHarvest> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("WINE_LOT_HARVEST_PKEY", "wine-lot-harvests", "wineLotId", "harvestId"),
            Constraint.reference("WINE_LOT_HARVEST_HARVEST_FKEY", "wine-lot-harvests", "harvests", "harvestId"),
            Constraint.reference("WINE_LOT_HARVEST_LOT_FKEY", "wine-lot-harvests", "wine-lots", "wineLotId"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("wineLotId", "wine_lot_id", UUID.class),
            Filters.on("harvestId", "harvest_id", Long.class))
            .key("wineLotId", "harvestId");

    private static final String COLUMNS = "wine_lot_id, harvest_id";

    private static final String BY_KEY = "WHERE wine_lot_id = ? AND harvest_id = ?";

    private static final StoredRow<WineLotHarvest> ROW
            = new StoredRow<>(WineLotHarvest.class, WineLotHarvestRepository::row, "wineLotId", "harvestId");

    public WineLotHarvestRepository() {
        super("wine_lot_harvest", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<WineLotHarvest> findById(Connection connection, WineLotHarvestKey key) throws SQLException {
        return firstWhere(connection, BY_KEY, key.wineLotId(), key.harvestId());
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<WineLotHarvest> lockById(Connection connection, WineLotHarvestKey key) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", key.wineLotId(), key.harvestId());
    }

    /** The rows of a page that refer to this harvest. */
    public PageResult<WineLotHarvest> listWhereHarvestIdIs(Connection connection, long harvestId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("harvest_id = ?", harvestId)));
    }

    /** The rows of a page that refer to this wine lot. */
    public PageResult<WineLotHarvest> listWhereWineLotIdIs(Connection connection, UUID wineLotId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("wine_lot_id = ?", wineLotId)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public WineLotHarvest insert(Connection connection, WineLotHarvestInput input) throws SQLException {
        return new Insert("wine_lot_harvest")
                .set("wine_lot_id", input.wineLotId())
                .set("harvest_id", input.harvestId())
                .returning(connection, COLUMNS, ROW);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, WineLotHarvestKey key) throws SQLException {
        return deleteWhere(connection, BY_KEY, key.wineLotId(), key.harvestId()) == 1;
    }

    private static WineLotHarvest row(ResultSet row) throws SQLException {
        return new WineLotHarvest(
                row.getObject(1, UUID.class),
                row.getLong(2));
    }
}
