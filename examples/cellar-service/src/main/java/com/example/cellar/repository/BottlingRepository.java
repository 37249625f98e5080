package com.example.cellar.repository;

import com.example.cellar.dto.BottlingInput;
import com.example.cellar.entity.Bottling;
import com.example.cellar.entity.BottlingClosedWith;
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
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** The SQL for {@code BOTTLING}. Every method works on the connection, and in the transaction, that it is given. */
public final class BottlingRepository extends RowRepository<Bottling> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("BOTTLING_PKEY", "bottlings", "id"),
            Constraint.reference("BOTTLING_BLEND_FKEY", "bottlings", "blends", "blendId"),
            Constraint.reference("BOTTLING_LABEL_FKEY", "bottlings", "labels", "labelId"),
            Constraint.check("BOTTLING_BOTTLES_CHECK", "bottlings", "bottles"),
            Constraint.check("BOTTLING_CLOSURE_CHECK", "bottlings", "closedWith"),
            Constraint.check("BOTTLING_PRICE_CHECK", "bottlings", "price"),
            Constraint.check("BOTTLING_SIZE_CHECK", "bottlings", "bottleMl"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("id", "id", Integer.class),
            Filters.on("blendId", "blend_id", Integer.class),
            Filters.on("labelId", "label_id", Integer.class).orNull())
            .key("id");

    private static final String COLUMNS
            = "id, blend_id, label_id, bottled_on, bottle_ml, bottles, litres, price, closed_with";

    private static final String BY_KEY = "WHERE id = ?";

    private static final StoredRow<Bottling> ROW = new StoredRow<>(Bottling.class, BottlingRepository::row, "id");

    public BottlingRepository() {
        super("bottling", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<Bottling> findById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY, id);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<Bottling> lockById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", id);
    }

    /** The rows of a page that refer to this blend. */
    public PageResult<Bottling> listWhereBlendIdIs(Connection connection, int blendId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("blend_id = ?", blendId)));
    }

    /** The rows of a page that refer to this label. */
    public PageResult<Bottling> listWhereLabelIdIs(Connection connection, int labelId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("label_id = ?", labelId)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public Bottling insert(Connection connection, BottlingInput input) throws SQLException {
        return new Insert("bottling")
                .set("blend_id", input.blendId())
                .set("label_id", input.labelId())
                .set("bottled_on", input.bottledOn())
                .set("bottle_ml", input.bottleMl())
                .set("bottles", input.bottles())
                .set("price", input.price())
                .set("closed_with", input.closedWith())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, int id, BottlingInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("bottling", fields)
                .set("blendId", "blend_id", input.blendId())
                .set("labelId", "label_id", input.labelId())
                .set("bottledOn", "bottled_on", input.bottledOn())
                .set("bottleMl", "bottle_ml", input.bottleMl())
                .set("bottles", "bottles", input.bottles())
                .set("price", "price", input.price())
                .set("closedWith", "closed_with", input.closedWith())
                .where(connection, "id = ?", id);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, int id) throws SQLException {
        return deleteWhere(connection, BY_KEY, id) == 1;
    }

    private static Bottling row(ResultSet row) throws SQLException {
        return new Bottling(
                row.getInt(1),
                row.getInt(2),
                row.getObject(3, Integer.class),
                row.getObject(4, LocalDate.class),
                row.getInt(5),
                row.getInt(6),
                row.getBigDecimal(7),
                row.getBigDecimal(8),
                BottlingClosedWith.fromString(row.getString(9)));
    }
}
