package com.example.cellar.repository;

import com.example.cellar.dto.HarvestInput;
import com.example.cellar.entity.Harvest;
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
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;

/** The SQL for {@code HARVEST}. Every method works on the connection, and in the transaction, that it is given. */
public final class HarvestRepository extends RowRepository<Harvest> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("HARVEST_PKEY", "harvests", "id"),
            Constraint.unique("HARVEST_PARCEL_DAY_KEY", "harvests", "parcelId", "pickedOn"),
            Constraint.reference("HARVEST_PARCEL_FKEY", "harvests", "parcels", "parcelId"),
            Constraint.reference("HARVEST_PICKER_FKEY", "harvests", "cellar-hands", "pickedBy"),
            Constraint.check("HARVEST_BRIX_CHECK", "harvests", "brix"),
            Constraint.check("HARVEST_WEIGHT_CHECK", "harvests", "weightKg"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("id", "id", Long.class),
            Filters.on("parcelId", "parcel_id", Integer.class),
            Filters.on("pickedOn", "picked_on", LocalDate.class),
            Filters.on("pickedBy", "picked_by", Integer.class).orNull())
            .key("id");

    private static final String COLUMNS = "id, parcel_id, picked_on, weight_kg, brix, by_machine, picked_by";

    private static final String BY_KEY = "WHERE id = ?";

    private static final StoredRow<Harvest> ROW = new StoredRow<>(Harvest.class, HarvestRepository::row, "id");

    public HarvestRepository() {
        super("harvest", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<Harvest> findById(Connection connection, long id) throws SQLException {
        return firstWhere(connection, BY_KEY, id);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<Harvest> lockById(Connection connection, long id) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", id);
    }

    /** The rows with these values of id, in one statement. */
    public List<Harvest> lookUpById(Connection connection, Collection<Long> keys) throws SQLException {
        return list(connection, PageQuery.first(keys.size() + 1).where(condition -> condition.in("id", "?", keys)))
                .whole();
    }

    /** The rows of a page that refer to this parcel. */
    public PageResult<Harvest> listWhereParcelIdIs(Connection connection, int parcelId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("parcel_id = ?", parcelId)));
    }

    /** The rows of a page that refer to this cellar hand. */
    public PageResult<Harvest> listWherePickedByIs(Connection connection, int pickedBy, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("picked_by = ?", pickedBy)));
    }

    /** The rows of a page that wine lot harvests join to this wine lot. */
    public PageResult<Harvest> listJoinedToWineLotByWineLotHarvest(Connection connection, UUID wineLotId,
            PageQuery page) throws SQLException {
        return list(connection,
                page.where(condition ->
                        condition.and("id IN (SELECT harvest_id FROM wine_lot_harvest WHERE wine_lot_id = ?)",
                                wineLotId)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public Harvest insert(Connection connection, HarvestInput input) throws SQLException {
        return new Insert("harvest")
                .set("parcel_id", input.parcelId())
                .set("picked_on", input.pickedOn())
                .set("weight_kg", input.weightKg())
                .set("brix", input.brix())
                .set("by_machine", input.byMachine())
                .set("picked_by", input.pickedBy())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, long id, HarvestInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("harvest", fields)
                .set("parcelId", "parcel_id", input.parcelId())
                .set("pickedOn", "picked_on", input.pickedOn())
                .set("weightKg", "weight_kg", input.weightKg())
                .set("brix", "brix", input.brix())
                .set("byMachine", "by_machine", input.byMachine())
                .set("pickedBy", "picked_by", input.pickedBy())
                .where(connection, "id = ?", id);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, long id) throws SQLException {
        return deleteWhere(connection, BY_KEY, id) == 1;
    }

    private static Harvest row(ResultSet row) throws SQLException {
        return new Harvest(
                row.getLong(1),
                row.getInt(2),
                row.getObject(3, LocalDate.class),
                row.getBigDecimal(4),
                row.getBigDecimal(5),
                row.getBoolean(6),
                row.getObject(7, Integer.class));
    }
}
