package com.example.cellar.repository;

import com.example.cellar.dto.ParcelInput;
import com.example.cellar.entity.Parcel;
import com.example.cellar.entity.ParcelSoil;
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
import java.util.function.Predicate;

/** The SQL for {@code PARCEL}. Every method works on the connection, and in the transaction, that it is given. */
public final class ParcelRepository extends RowRepository<Parcel> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("PARCEL_PKEY", "parcels", "id"),
            Constraint.unique("PARCEL_NAME_KEY", "parcels", "name"),
            Constraint.reference("PARCEL_VARIETY_FKEY", "parcels", "grape-varieties", "varietyCode"),
            Constraint.check("PARCEL_AREA_CHECK", "parcels", "areaHa"),
            Constraint.check("PARCEL_LATITUDE_CHECK", "parcels", "latitude"),
            Constraint.check("PARCEL_LONGITUDE_CHECK", "parcels", "longitude"),
            Constraint.check("PARCEL_SLOPE_CHECK", "parcels", "slopePercent"),
            Constraint.check("PARCEL_SOIL_CHECK", "parcels", "soil"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("id", "id", Integer.class),
            Filters.on("name", "name", String.class),
            Filters.on("varietyCode", "variety_code", String.class))
            .key("id");

    private static final String COLUMNS = """
            id, name, variety_code, area_ha, slope_percent, soil, planted_on, organic, latitude,
            longitude\
            """;

    private static final String BY_KEY = "WHERE id = ?";

    private static final StoredRow<Parcel> ROW = new StoredRow<>(Parcel.class, ParcelRepository::row, "id");

    public ParcelRepository() {
        super("parcel", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<Parcel> findById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY, id);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<Parcel> lockById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", id);
    }

    /** The rows with these values of id, in one statement. */
    public List<Parcel> lookUpById(Connection connection, Collection<Integer> keys) throws SQLException {
        return list(connection, PageQuery.first(keys.size() + 1).where(condition -> condition.in("id", "?", keys)))
                .whole();
    }

    /** The rows of a page that refer to this grape variety. */
    public PageResult<Parcel> listWhereVarietyCodeIs(Connection connection, String varietyCode, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("variety_code = ?", varietyCode)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public Parcel insert(Connection connection, ParcelInput input) throws SQLException {
        return new Insert("parcel")
                .set("name", input.name())
                .set("variety_code", input.varietyCode())
                .set("area_ha", input.areaHa())
                .set("slope_percent", input.slopePercent())
                .set("soil", input.soil())
                .set("planted_on", input.plantedOn())
                .set("organic", input.organic())
                .set("latitude", input.latitude())
                .set("longitude", input.longitude())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, int id, ParcelInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("parcel", fields)
                .set("name", "name", input.name())
                .set("varietyCode", "variety_code", input.varietyCode())
                .set("areaHa", "area_ha", input.areaHa())
                .set("slopePercent", "slope_percent", input.slopePercent())
                .set("soil", "soil", input.soil())
                .set("plantedOn", "planted_on", input.plantedOn())
                .set("organic", "organic", input.organic())
                .set("latitude", "latitude", input.latitude())
                .set("longitude", "longitude", input.longitude())
                .where(connection, "id = ?", id);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, int id) throws SQLException {
        return deleteWhere(connection, BY_KEY, id) == 1;
    }

    private static Parcel row(ResultSet row) throws SQLException {
        return new Parcel(
                row.getInt(1),
                row.getString(2),
                row.getString(3),
                row.getBigDecimal(4),
                row.getObject(5, Integer.class),
                ParcelSoil.fromString(row.getString(6)),
                row.getObject(7, LocalDate.class),
                row.getBoolean(8),
                row.getObject(9, Double.class),
                row.getObject(10, Double.class));
    }
}
