package com.example.cellar.repository;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.support.Condition;
import com.example.cellar.support.Filters;
import com.example.cellar.support.Page;
import com.example.cellar.support.Sql;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;

/** The SQL for {@code CELLAR_STOCK}. Every method works on the connection, and in the transaction, that it is given. */
public final class CellarStockRepository {
    /** The columns that a list can be narrowed by. */
    public static final Filters FILTERS = Filters.of();

    private static final String SELECT = """
            SELECT code, kind, capacity_litres, wine, vintage, litres
            FROM cellar_stock
            """;

    private static final String PAGE = """
            ORDER BY code, kind, capacity_litres, wine, vintage, litres
            LIMIT ? OFFSET ?
            """;

    private static final String COUNT = """
            SELECT COUNT(*)
            FROM cellar_stock
            """;

    /** The rows of a page; what {@link Page#after} says is how many to pass over. */
    public List<CellarStock> list(Connection connection, Page<Long> page) throws SQLException {
        long offset = page.after() == null ? 0 : page.after();
        return Sql.list(connection, SELECT + page.condition().where() + PAGE, CellarStockRepository::row,
                page.condition().valuesAnd(page.limit(), offset));
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
