package com.example.cellar.repository;

import com.example.cellar.dto.LabelInput;
import com.example.cellar.entity.Label;
import com.example.cellar.support.Binary;
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

/** The SQL for {@code LABEL}. Every method works on the connection, and in the transaction, that it is given. */
public final class LabelRepository extends RowRepository<Label> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("LABEL_PKEY", "labels", "id"),
            Constraint.unique("LABEL_TITLE_LANGUAGE_KEY", "labels", "title", "languageCode"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("id", "id", Integer.class),
            Filters.on("title", "title", String.class),
            Filters.on("languageCode", "language_code", String.class))
            .key("id");

    private static final String COLUMNS = "id, title, language_code, back_text, picture";

    private static final String BY_KEY = "WHERE id = ?";

    private static final StoredRow<Label> ROW = new StoredRow<>(Label.class, LabelRepository::row, "id");

    public LabelRepository() {
        super("label", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<Label> findById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY, id);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<Label> lockById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", id);
    }

    /** The rows with these values of id, in one statement. */
    public List<Label> lookUpById(Connection connection, Collection<Integer> keys) throws SQLException {
        return list(connection, PageQuery.first(keys.size() + 1).where(condition -> condition.in("id", "?", keys)))
                .whole();
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public Label insert(Connection connection, LabelInput input) throws SQLException {
        return new Insert("label")
                .set("title", input.title())
                .set("language_code", input.languageCode())
                .set("back_text", input.backText())
                .set("picture", input.picture())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, int id, LabelInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("label", fields)
                .set("title", "title", input.title())
                .set("languageCode", "language_code", input.languageCode())
                .set("backText", "back_text", input.backText())
                .set("picture", "picture", input.picture())
                .where(connection, "id = ?", id);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, int id) throws SQLException {
        return deleteWhere(connection, BY_KEY, id) == 1;
    }

    private static Label row(ResultSet row) throws SQLException {
        return new Label(
                row.getInt(1),
                row.getString(2),
                row.getString(3),
                row.getString(4),
                Binary.of(row.getBytes(5)));
    }
}
