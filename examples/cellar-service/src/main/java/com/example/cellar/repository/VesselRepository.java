package com.example.cellar.repository;

import com.example.cellar.dto.VesselInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.entity.VesselKind;
import com.example.cellar.entity.VesselToast;
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
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** The SQL for {@code VESSEL}. Every method works on the connection, and in the transaction, that it is given. */
public final class VesselRepository extends RowRepository<Vessel> {
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
            Constraint.unique("VESSEL_PKEY", "vessels", "id"),
            Constraint.unique("VESSEL_CODE_KEY", "vessels", "code"),
            Constraint.check("VESSEL_CAPACITY_CHECK", "vessels", "capacityLitres"),
            Constraint.check("VESSEL_KIND_CHECK", "vessels", "kind"),
            Constraint.check("VESSEL_TOAST_CHECK", "vessels", "toast"));

    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of(
            Filters.on("id", "id", Integer.class),
            Filters.on("code", "code", String.class))
            .key("id");

    private static final String COLUMNS = "id, code, kind, capacity_litres, toast, bought_on, in_use";

    private static final String BY_KEY = "WHERE id = ?";

    private static final StoredRow<Vessel> ROW = new StoredRow<>(Vessel.class, VesselRepository::row, "id");

    public VesselRepository() {
        super("vessel", COLUMNS, FILTERS, ROW);
    }

    /** The row with this key, if there is one. */
    public Optional<Vessel> findById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY, id);
    }

    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
    public Optional<Vessel> lockById(Connection connection, int id) throws SQLException {
        return firstWhere(connection, BY_KEY + " FOR UPDATE", id);
    }

    /** The rows with these values of id, in one statement. */
    public List<Vessel> lookUpById(Connection connection, Collection<Integer> keys) throws SQLException {
        return list(connection, PageQuery.first(keys.size() + 1).where(condition -> condition.in("id", "?", keys)))
                .whole();
    }

    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public Vessel insert(Connection connection, VesselInput input) throws SQLException {
        return new Insert("vessel")
                .set("code", input.code())
                .set("kind", input.kind())
                .set("capacity_litres", input.capacityLitres())
                .set("toast", input.toast())
                .set("bought_on", input.boughtOn())
                .set("in_use", input.inUse())
                .returning(connection, COLUMNS, ROW);
    }

    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
    public boolean update(Connection connection, int id, VesselInput input, Predicate<String> fields)
            throws SQLException {
        return new Update("vessel", fields)
                .set("code", "code", input.code())
                .set("kind", "kind", input.kind())
                .set("capacityLitres", "capacity_litres", input.capacityLitres())
                .set("toast", "toast", input.toast())
                .set("boughtOn", "bought_on", input.boughtOn())
                .set("inUse", "in_use", input.inUse())
                .where(connection, "id = ?", id);
    }

    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, int id) throws SQLException {
        return deleteWhere(connection, BY_KEY, id) == 1;
    }

    private static Vessel row(ResultSet row) throws SQLException {
        return new Vessel(
                row.getInt(1),
                row.getString(2),
                VesselKind.fromString(row.getString(3)),
                row.getInt(4),
                VesselToast.fromString(row.getString(5)),
                row.getObject(6, LocalDate.class),
                row.getBoolean(7));
    }
}
