package com.example.cellar.repository;

import com.example.cellar.dto.LabAnalysisInput;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Filters;
import com.example.cellar.support.Insert;
import com.example.cellar.support.Json;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.PageResult;
import com.example.cellar.support.RowRepository;
import com.example.cellar.support.StoredRow;
import com.example.cellar.support.Update;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;

/** The SQL for {@code LAB_ANALYSIS}. Every method works on the connection, and in the transaction, that it is given. */
public final class LabAnalysisRepository extends RowRepository<LabAnalysis> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("LAB_ANALYSIS_PKEY", "lab-analyses", "id"),
            Constraint.reference("LAB_ANALYSIS_LOT_FKEY", "lab-analyses", "wine-lots", "wineLotId"),
            Constraint.check("LAB_ANALYSIS_ALCOHOL_CHECK", "lab-analyses", "alcoholVolume"),
            Constraint.check("LAB_ANALYSIS_PH_CHECK", "lab-analyses", "ph"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("id", "id", Long.class),
            Filters.on("wineLotId", "wine_lot_id", UUID.class))
            .key("id");

    private static final String COLUMNS = "id, wine_lot_id, taken_at, ph, alcohol_volume, celsius, readings, remarks";

    private static final String BY_KEY = "WHERE id = ?";

    private static final StoredRow<LabAnalysis> ROW
            = new StoredRow<>(LabAnalysis.class, LabAnalysisRepository::row, "id");

    public LabAnalysisRepository() {
        super("lab_analysis", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<LabAnalysis> findById(Connection connection, long id) throws SQLException {
        return firstWhere(connection, BY_KEY, id);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<LabAnalysis> lockById(Connection connection, long id) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", id);
    }

    /** The rows of a page that refer to this wine lot. */
    public PageResult<LabAnalysis> listWhereWineLotIdIs(Connection connection, UUID wineLotId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("wine_lot_id = ?", wineLotId)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public LabAnalysis insert(Connection connection, LabAnalysisInput input) throws SQLException {
        return new Insert("lab_analysis")
                .set("wine_lot_id", input.wineLotId())
                .set("taken_at", input.takenAt())
                .set("ph", input.ph())
                .set("alcohol_volume", input.alcoholVolume())
                .set("celsius", input.celsius())
                .set("readings", "? FORMAT JSON", input.readings())
                .set("remarks", input.remarks())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, long id, LabAnalysisInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("lab_analysis", fields)
                .set("wineLotId", "wine_lot_id", input.wineLotId())
                .set("takenAt", "taken_at", input.takenAt())
                .set("ph", "ph", input.ph())
                .set("alcoholVolume", "alcohol_volume", input.alcoholVolume())
                .set("celsius", "celsius", input.celsius())
                .set("readings", "readings", "? FORMAT JSON", input.readings())
                .set("remarks", "remarks", input.remarks())
                .where(connection, "id = ?", id);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, long id) throws SQLException {
        return deleteWhere(connection, BY_KEY, id) == 1;
    }

    private static LabAnalysis row(ResultSet row) throws SQLException {
        return new LabAnalysis(
                row.getLong(1),
                row.getObject(2, UUID.class),
                row.getObject(3, OffsetDateTime.class),
                row.getBigDecimal(4),
                row.getBigDecimal(5),
                row.getObject(6, Float.class),
                Json.parse(row.getString(7)),
                row.getString(8));
    }
}
