package com.example.cellar.repository;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.support.Sql;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;

/** The SQL for {@code CELLAR_STOCK}. Every method works on the connection, and in the transaction, that it is given. */
public final class CellarStockRepository {
    private static final String SELECT = """
            SELECT code, kind, capacity_litres, wine, vintage, litres
            FROM cellar_stock
            """;

    private static final String LIST = SELECT + """
            ORDER BY code, kind, capacity_litres, wine, vintage, litres
            LIMIT ? OFFSET ?
            """;

    private static final String COUNT = """
            SELECT COUNT(*)
            FROM cellar_stock
            """;

    /** At most {@code limit} rows, without the first {@code offset}. */
    public List<CellarStock> list(Connection connection, long offset, int limit) throws SQLException {
        return Sql.list(connection, LIST, CellarStockRepository::row, limit, offset);
    }

    /** The number of rows. */
    public long count(Connection connection) throws SQLException {
        return Sql.count(connection, COUNT);
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
