package com.example.cellar.repository;

import com.example.cellar.dto.BlendComponentInput;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.BlendComponentKey;
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
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;

/**
 * The SQL for {@code BLEND_COMPONENT}. Every method works on the connection, and in the transaction, that it is given.
 */
public final class BlendComponentRepository extends RowRepository<BlendComponent> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("BLEND_COMPONENT_PKEY", "blend-components", "blendId", "wineLotId"),
            Constraint.reference("BLEND_COMPONENT_BLEND_FKEY", "blend-components", "blends", "blendId"),
            Constraint.reference("BLEND_COMPONENT_LOT_FKEY", "blend-components", "wine-lots", "wineLotId"),
            Constraint.check("BLEND_COMPONENT_SHARE_CHECK", "blend-components", "share"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("blendId", "blend_id", Integer.class),
            Filters.on("wineLotId", "wine_lot_id", UUID.class))
            .key("blendId", "wineLotId");

    private static final String COLUMNS = "blend_id, wine_lot_id, share";

    private static final String BY_KEY = "WHERE blend_id = ? AND wine_lot_id = ?";

    private static final StoredRow<BlendComponent> ROW
            = new StoredRow<>(BlendComponent.class, BlendComponentRepository::row, "blendId", "wineLotId");

    public BlendComponentRepository() {
        super("blend_component", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<BlendComponent> findById(Connection connection, BlendComponentKey key) throws SQLException {
        return firstWhere(connection, BY_KEY, key.blendId(), key.wineLotId());
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<BlendComponent> lockById(Connection connection, BlendComponentKey key) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", key.blendId(), key.wineLotId());
    }

    /** The rows of a page that refer to this blend. */
    public PageResult<BlendComponent> listWhereBlendIdIs(Connection connection, int blendId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("blend_id = ?", blendId)));
    }

    /** The rows of a page that refer to this wine lot. */
    public PageResult<BlendComponent> listWhereWineLotIdIs(Connection connection, UUID wineLotId, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("wine_lot_id = ?", wineLotId)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public BlendComponent insert(Connection connection, BlendComponentInput input) throws SQLException {
        return new Insert("blend_component")
                .set("blend_id", input.blendId())
                .set("wine_lot_id", input.wineLotId())
                .set("share", input.share())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, BlendComponentKey key, BlendComponentInput input,
            Predicate<String> fields) throws SQLException {
        return new Update("blend_component", fields)
                .set("share", "share", input.share())
                .where(connection, "blend_id = ? AND wine_lot_id = ?", key.blendId(), key.wineLotId());
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, BlendComponentKey key) throws SQLException {
        return deleteWhere(connection, BY_KEY, key.blendId(), key.wineLotId()) == 1;
    }

    private static BlendComponent row(ResultSet row) throws SQLException {
        return new BlendComponent(
                row.getInt(1),
                row.getObject(2, UUID.class),
                row.getBigDecimal(3));
    }
}
