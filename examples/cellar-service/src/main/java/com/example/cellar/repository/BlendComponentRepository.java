package com.example.cellar.repository;

import com.example.cellar.dto.BlendComponentInput;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.BlendComponentKey;
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
 * The SQL for {@code BLEND_COMPONENT}. Every method works on the connection, and in the transaction, that it is given.
 */
public final class BlendComponentRepository {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("BLEND_COMPONENT_PKEY", "blend-components", "blendId", "wineLotId"),
            Constraint.reference("BLEND_COMPONENT_BLEND_FKEY", "blend-components", "blends", "blendId"),
            Constraint.reference("BLEND_COMPONENT_LOT_FKEY", "blend-components", "wine-lots", "wineLotId"),
            Constraint.check("BLEND_COMPONENT_SHARE_CHECK", "blend-components", "share"));

    private static final String COLUMNS = """
            blend_id, wine_lot_id, share
            """;

    private static final String SELECT = "SELECT " + COLUMNS + """
            FROM blend_component
            """;

    private static final String LIST = SELECT + """
            ORDER BY blend_id, wine_lot_id
            LIMIT ?
            """;

    private static final String LIST_AFTER = SELECT + """
            WHERE (blend_id, wine_lot_id) > (?, ?)
            ORDER BY blend_id, wine_lot_id
            LIMIT ?
            """;

    private static final String FIND = SELECT + """
            WHERE blend_id = ? AND wine_lot_id = ?
            """;

    private static final String COUNT = """
            SELECT COUNT(*)
            FROM blend_component
            """;

    private static final String UPDATE = """
            UPDATE blend_component
            SET share = ?
            WHERE blend_id = ? AND wine_lot_id = ?
            """;

    private static final String DELETE = """
            DELETE FROM blend_component
            WHERE blend_id = ? AND wine_lot_id = ?
            """;

    /**
     * At most {@code limit} rows, by ascending key.
     *
     * @param after the key of the row before the first one wanted; null to begin at the first
     */
    public List<BlendComponent> list(Connection connection, BlendComponentKey after, int limit) throws SQLException {
        return after == null
                ? Sql.list(connection, LIST, BlendComponentRepository::row, limit)
                : Sql.list(connection, LIST_AFTER, BlendComponentRepository::row, after.blendId(), after.wineLotId(),
                        limit);
    }

    /** The row with this key, if there is one. */
    public Optional<BlendComponent> findById(Connection connection, BlendComponentKey key) throws SQLException {
        return Sql.first(connection, FIND, BlendComponentRepository::row, key.blendId(), key.wineLotId());
    }

    /** The number of rows. */
    public long count(Connection connection) throws SQLException {
        return Sql.count(connection, COUNT);
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public BlendComponent insert(Connection connection, BlendComponentInput input) throws SQLException {
        return new Insert("blend_component")
                .set("blend_id", input.blendId())
                .set("wine_lot_id", input.wineLotId())
                .set("share", input.share())
                .returning(connection, COLUMNS, BlendComponentRepository::row);
    }

    /** Gives every column but those of the key a new value; false if there is no such row. */
    public boolean update(Connection connection, BlendComponentKey key, BlendComponentInput input) throws SQLException {
        return Sql.update(connection, UPDATE,
                input.share(),
                key.blendId(), key.wineLotId()) == 1;
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, BlendComponentKey key) throws SQLException {
        return Sql.update(connection, DELETE, key.blendId(), key.wineLotId()) == 1;
    }

    private static BlendComponent row(ResultSet row) throws SQLException {
        return new BlendComponent(
                row.getInt(1),
                row.getObject(2, UUID.class),
                row.getBigDecimal(3));
    }
}
