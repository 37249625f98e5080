package com.example.cellar.repository;

import com.example.cellar.dto.BlendInput;
import com.example.cellar.entity.Blend;
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

/** The SQL for {@code BLEND}. Every method works on the connection, and in the transaction, that it is given. */
public final class BlendRepository extends RowRepository<Blend> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("BLEND_PKEY", "blends", "id"),
            Constraint.unique("BLEND_NAME_VINTAGE_KEY", "blends", "name", "vintage"),
            Constraint.reference("BLEND_APPROVER_FKEY", "blends", "cellar-hands", "approvedBy"),
            Constraint.check("BLEND_VINTAGE_CHECK", "blends", "vintage"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("id", "id", Integer.class),
            Filters.on("name", "name", String.class),
            Filters.on("vintage", "vintage", Integer.class).orNull(),
            Filters.on("approvedBy", "approved_by", Integer.class).orNull())
            .key("id");

    private static final String COLUMNS = "id, name, vintage, blended_on, tasting_notes, approved_by";

    private static final String BY_KEY = "WHERE id = ?";

    private static final StoredRow<Blend> ROW = new StoredRow<>(Blend.class, BlendRepository::row, "id");

    public BlendRepository() {
        super("blend", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<Blend> findById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY, id);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<Blend> lockById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", id);
    }

    /** The rows with these values of id, in one statement. */
    public List<Blend> lookUpById(Connection connection, Collection<Integer> keys) throws SQLException {
        return list(connection, PageQuery.first(keys.size() + 1).where(condition -> condition.in("id", "?", keys)))
                .whole();
    }

    /** The rows of a page that refer to this cellar hand. */
    public PageResult<Blend> listWhereApprovedByIs(Connection connection, int approvedBy, PageQuery page)
            throws SQLException {
        return list(connection, page.where(condition -> condition.and("approved_by = ?", approvedBy)));
    }

    /** The rows of a page that blend components join to this wine lot. */
    public PageResult<Blend> listJoinedToWineLotByBlendComponent(Connection connection, UUID wineLotId, PageQuery page)
            throws SQLException {
        return list(connection,
                page.where(condition ->
                        condition.and("id IN (SELECT blend_id FROM blend_component WHERE wine_lot_id = ?)",
                                wineLotId)));
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public Blend insert(Connection connection, BlendInput input) throws SQLException {
        return new Insert("blend")
                .set("name", input.name())
                .set("vintage", input.vintage())
                .set("blended_on", input.blendedOn())
                .set("tasting_notes", input.tastingNotes())
                .set("approved_by", input.approvedBy())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, int id, BlendInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("blend", fields)
                .set("name", "name", input.name())
                .set("vintage", "vintage", input.vintage())
                .set("blendedOn", "blended_on", input.blendedOn())
                .set("tastingNotes", "tasting_notes", input.tastingNotes())
                .set("approvedBy", "approved_by", input.approvedBy())
                .where(connection, "id = ?", id);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, int id) throws SQLException {
        return deleteWhere(connection, BY_KEY, id) == 1;
    }

    private static Blend row(ResultSet row) throws SQLException {
        return new Blend(
                row.getInt(1),
                row.getString(2),
                row.getObject(3, Integer.class),
                row.getObject(4, LocalDate.class),
                row.getString(5),
                row.getObject(6, Integer.class));
    }
}
