package com.example.cellar.repository;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.support.Filters;
import com.example.cellar.support.RowRepository;
import com.example.cellar.support.StoredRow;
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;

/** The SQL for {@code CELLAR_STOCK}. Every method works on the connection, and in the transaction, that it is given. */
public final class CellarStockRepository extends RowRepository<CellarStock> {
    /** What the rows can be filtered and sorted by. */
    public static final Filters FILTERS = Filters.of()
            .order(Filters.on("code", "code", String.class).orNull(), Filters.on("kind", "kind", String.class).orNull(),
                    Filters.on("capacityLitres", "capacity_litres", Integer.class).orNull(),
                            Filters.on("wine", "wine", String.class).orNull(),
                                    Filters.on("vintage", "vintage", Integer.class).orNull(),
                                            Filters.on("litres", "litres", BigDecimal.class).orNull());

    private static final String COLUMNS = "code, kind, capacity_litres, wine, vintage, litres";

    private static final StoredRow<CellarStock> ROW = new StoredRow<>(CellarStock.class, CellarStockRepository::row);

    public CellarStockRepository() {
        super("cellar_stock", COLUMNS, FILTERS, ROW);
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
