package com.example.cellar.repository;

import com.example.cellar.dto.WineLotInput;
import com.example.cellar.entity.WineLot;
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
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;

/** The SQL for {@code WINE_LOT}. Every method works on the connection, and in the transaction, that it is given. */
public final class WineLotRepository extends RowRepository<WineLot> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("WINE_LOT_PKEY", "wine-lots", "id"),
            Constraint.unique("WINE_LOT_NAME_VINTAGE_KEY", "wine-lots", "name", "vintage"),
            Constraint.reference("WINE_LOT_VESSEL_FKEY", "wine-lots", "vessels", "vesselId"),
            Constraint.check("WINE_LOT_DATES_CHECK", "wine-lots", "filledOn", "emptiedOn"),
            Constraint.check("WINE_LOT_LITRES_CHECK", "wine-lots", "litres"),
            Constraint.check("WINE_LOT_VINTAGE_CHECK", "wine-lots", "vintage"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("id", "id", UUID.class),
            Filters.on("name", "name", String.class),
            Filters.on("vintage", "vintage", Integer.class),
            Filters.on("vesselId", "vessel_id", Integer.class).orNull())
            .key("id");

    private static final String COLUMNS = "id, name, vintage, vessel_id, litres, filled_on, emptied_on, created_at";

    private static final String BY_KEY = "WHERE id = ?";

    private static final StoredRow<WineLot> ROW = new StoredRow<>(WineLot.class, WineLotRepository::row, "id");

    public WineLotRepository() {
        super("wine_lot", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<WineLot> findById(Connection connection, UUID id) throws SQLException {
        return firstWhere(connection, BY_KEY, id);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<WineLot> lockById(Connection connection, UUID id) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", id);
    }

    /** The rows with these values of id, in one statement. */
    public List<WineLot> lookUpById(Connection connection, Collection<UUID> keys) throws SQLException {
        return list(connection, PageQuery.first(keys.size() + 1).where(condition -> condition.in("id", "?", keys)))
                .whole();
    }

    /** The rows of a page that refer to this vessel. */
    public PageResult<WineLot> listWhereVesselIdIs(Connection connection, int vesselId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("vessel_id = ?", vesselId)));
    }

    /** The rows of a page that blend components join to this blend. */
    public PageResult<WineLot> listJoinedToBlendByBlendComponent(Connection connection, int blendId, PageQuery page)
            throws SQLException {
        return list(connection,
                page.where(condition ->
                        condition.and("id IN (SELECT wine_lot_id FROM blend_component WHERE blend_id = ?)", blendId)));
    }

    /** The rows of a page that wine lot harvests join to this harvest. */
    public PageResult<WineLot> listJoinedToHarvestByWineLotHarvest(Connection connection, long harvestId,
            PageQuery page) throws SQLException {
        return list(connection,
                page.where(condition ->
                        condition.and("id IN (SELECT wine_lot_id FROM wine_lot_harvest WHERE harvest_id = ?)",
                                harvestId)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public WineLot insert(Connection connection, WineLotInput input) throws SQLException {
        return new Insert("wine_lot")
                .set("id", input.id())
                .set("name", input.name())
                .set("vintage", input.vintage())
                .set("vessel_id", input.vesselId())
                .set("litres", input.litres())
                .set("filled_on", input.filledOn())
                .set("emptied_on", input.emptiedOn())
                .set("created_at", input.createdAt())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, UUID id, WineLotInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("wine_lot", fields)
                .set("name", "name", input.name())
                .set("vintage", "vintage", input.vintage())
                .set("vesselId", "vessel_id", input.vesselId())
                .set("litres", "litres", input.litres())
                .set("filledOn", "filled_on", input.filledOn())
                .set("emptiedOn", "emptied_on", input.emptiedOn())
                .set("createdAt", "created_at", input.createdAt())
                .where(connection, "id = ?", id);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, UUID id) throws SQLException {
        return deleteWhere(connection, BY_KEY, id) == 1;
    }

    private static WineLot row(ResultSet row) throws SQLException {
        return new WineLot(
                row.getObject(1, UUID.class),
                row.getString(2),
                row.getInt(3),
                row.getObject(4, Integer.class),
                row.getBigDecimal(5),
                row.getObject(6, LocalDate.class),
                row.getObject(7, LocalDate.class),
                row.getObject(8, OffsetDateTime.class));
    }
}
