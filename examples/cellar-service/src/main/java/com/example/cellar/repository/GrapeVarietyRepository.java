package com.example.cellar.repository;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.entity.GrapeVarietyColour;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Filters;
import com.example.cellar.support.Insert;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.RowRepository;
import com.example.cellar.support.StoredRow;
import com.example.cellar.support.Update;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * The SQL for {@code GRAPE_VARIETY}. Every method works on the connection, and in the transaction, that it is given.
 */
public final class GrapeVarietyRepository extends RowRepository<GrapeVariety> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("GRAPE_VARIETY_PKEY", "grape-varieties", "code"),
            Constraint.unique("GRAPE_VARIETY_NAME_KEY", "grape-varieties", "name"),
            Constraint.check("GRAPE_VARIETY_COLOUR_CHECK", "grape-varieties", "colour"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("code", "code", String.class),
            Filters.on("name", "name", String.class))
            .key("code");

    private static final String COLUMNS = "code, name, colour, \"order\", synonyms";

    private static final String BY_KEY = "WHERE code = ?";

    private static final StoredRow<GrapeVariety> ROW
            = new StoredRow<>(GrapeVariety.class, GrapeVarietyRepository::row, "code");

    public GrapeVarietyRepository() {
        super("grape_variety", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<GrapeVariety> findById(Connection connection, String code) throws SQLException {
        return firstWhere(connection, BY_KEY, code);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<GrapeVariety> lockById(Connection connection, String code) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", code);
    }

    /** The rows with these values of code, in one statement. */
    public List<GrapeVariety> lookUpByCode(Connection connection, Collection<String> keys) throws SQLException {
        return list(connection, PageQuery.first(keys.size() + 1).where(condition -> condition.in("code", "?", keys)))
                .whole();
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public GrapeVariety insert(Connection connection, GrapeVarietyInput input) throws SQLException {
        return new Insert("grape_variety")
                .set("code", input.code())
                .set("name", input.name())
                .set("colour", input.colour())
                .set("\"order\"", input.order())
                .set("synonyms", input.synonyms())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, String code, GrapeVarietyInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("grape_variety", fields)
                .set("name", "name", input.name())
                .set("colour", "colour", input.colour())
                .set("order", "\"order\"", input.order())
                .set("synonyms", "synonyms", input.synonyms())
                .where(connection, "code = ?", code);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, String code) throws SQLException {
        return deleteWhere(connection, BY_KEY, code) == 1;
    }

    private static GrapeVariety row(ResultSet row) throws SQLException {
        return new GrapeVariety(
                row.getString(1),
                row.getString(2),
                GrapeVarietyColour.fromString(row.getString(3)),
                row.getInt(4),
                row.getString(5));
    }
}
