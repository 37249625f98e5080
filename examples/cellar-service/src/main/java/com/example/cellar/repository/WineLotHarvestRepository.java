package com.example.cellar.repository;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.entity.WineLotHarvestKey;
import com.example.cellar.support.Condition;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Filters;
import com.example.cellar.support.FoundRows;
import com.example.cellar.support.Insert;
import com.example.cellar.support.Page;
import com.example.cellar.support.Sql;
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
public final class WineLotHarvestRepository {
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

    private static final String COLUMNS = """
            wine_lot_id, harvest_id
            """;

    private static final String SELECT = "SELECT " + COLUMNS + """
            FROM wine_lot_harvest
            """;

    private static final String FIND = SELECT + """
            WHERE wine_lot_id = ? AND harvest_id = ?
            """;

    private static final String LOCK = FIND + """
            FOR UPDATE
            """;

    private static final String COUNT = """
            SELECT COUNT(*)
            FROM wine_lot_harvest
            """;

    private static final String DELETE = """
            DELETE FROM wine_lot_harvest
            WHERE wine_lot_id = ? AND harvest_id = ?
            """;

    private static final StoredRow<WineLotHarvest> ROW
            = new StoredRow<>(WineLotHarvest.class, WineLotHarvestRepository::row, "wineLotId", "harvestId");

    /** The rows of a page, by ascending key if it does not say otherwise. */
    public FoundRows<WineLotHarvest> list(Connection connection, Page page) throws SQLException {
        return page.read(connection, FILTERS, SELECT, COUNT, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<WineLotHarvest> findById(Connection connection, WineLotHarvestKey key) throws SQLException {
        return Sql.first(connection, FIND, ROW, key.wineLotId(), key.harvestId());
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<WineLotHarvest> lockById(Connection connection, WineLotHarvestKey key) throws SQLException {
        return Sql.first(connection, LOCK, ROW, key.wineLotId(), key.harvestId());
    }

    /** The rows of a page that refer to this harvest. */
    public FoundRows<WineLotHarvest> listWhereHarvestIdIs(Connection connection, long harvestId, Page page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("harvest_id = ?", harvestId)));
    }

    /** The rows of a page that refer to this wine lot. */
    public FoundRows<WineLotHarvest> listWhereWineLotIdIs(Connection connection, UUID wineLotId, Page page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("wine_lot_id = ?", wineLotId)));
    }

    /** The number of rows that fulfil a condition. */
    public long count(Connection connection, Condition condition) throws SQLException {
        return Sql.count(connection, COUNT + condition.where(), condition.valuesAnd());
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
        return Sql.update(connection, DELETE, key.wineLotId(), key.harvestId()) == 1;
    }

    private static WineLotHarvest row(ResultSet row) throws SQLException {
        return new WineLotHarvest(
                row.getObject(1, UUID.class),
                row.getLong(2));
    }
}
