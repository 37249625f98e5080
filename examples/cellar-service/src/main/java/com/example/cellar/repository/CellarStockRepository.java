package com.example.cellar.repository;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.support.Condition;
import com.example.cellar.support.Filters;
import com.example.cellar.support.FoundRows;
import com.example.cellar.support.Page;
import com.example.cellar.support.Sql;
import com.example.cellar.support.StoredRow;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;

/** The SQL for {@code CELLAR_STOCK}. Every method works on the connection, and in the transaction, that it is given. */
public final class CellarStockRepository {
    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of()
            .order(Filters.on("code", "code", String.class).orNull(), Filters.on("kind", "kind", String.class).orNull(),
                    Filters.on("capacityLitres", "capacity_litres", Integer.class).orNull(),
                            Filters.on("wine", "wine", String.class).orNull(),
                                    Filters.on("vintage", "vintage", Integer.class).orNull(),
                                            Filters.on("litres", "litres", BigDecimal.class).orNull());

    private static final String SELECT = """
            SELECT code, kind, capacity_litres, wine, vintage, litres
            FROM cellar_stock
            """;

    private static final String COUNT = """
            SELECT COUNT(*)
            FROM cellar_stock
            """;

    private static final StoredRow<CellarStock> ROW = new StoredRow<>(CellarStock.class, CellarStockRepository::row);

    /** The rows of a page; what {@link Page#after} says is how many to pass over. */
    public FoundRows<CellarStock> list(Connection connection, Page page) throws SQLException {
        return page.read(connection, FILTERS, SELECT, COUNT, ROW);
    }

    /** The number of rows that fulfil a condition. */
    public long count(Connection connection, Condition condition) throws SQLException {
        return Sql.count(connection, COUNT + condition.where(), condition.valuesAnd());
    }

    private static CellarStock row(ResultSet row) throws SQLException {
        return new CellarStock(
                row.getString(1),
                row.getString(2),
                row.getObject(3, Integer.class),
                row.getString(4),
                row.getObject(5, Integer.class),
                row.getBigDecimal(6));
    }
}
