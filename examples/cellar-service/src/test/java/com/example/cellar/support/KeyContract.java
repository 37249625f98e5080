package com.example.cellar.support;

import java.sql.SQLException;
import java.util.Optional;

/** The facts of a table with a key that tests can make rows for. */
public interface KeyContract<R extends Record, I extends Record> extends RowContract<R, I> {
    /** The path of a row. */
    default String path(R row) {
        return path() + "/" + PathKeys.join(rows().key(row));
    }

    /** A row as it is stored now. */
    default Optional<R> stored(R row) throws SQLException {
        return stored().stream().filter(each -> path(each).equals(path(row))).findFirst();
    }
}
