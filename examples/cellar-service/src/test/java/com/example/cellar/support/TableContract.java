package com.example.cellar.support;

import java.sql.SQLException;
import java.util.List;

/** The facts of one table, for the tests that are the same for every table. */
public interface TableContract<R extends Record> {
    ServiceUnderTest service();

    TableFacts facts();

    /** The path of the collection. */
    default String path() {
        return facts().path();
    }

    Class<R> type();

    /** The rows of a page, as they are stored. */
    List<R> stored(PageQuery page) throws SQLException;

    /** Adds rows where there are samples; otherwise tests work with those of the seed. */
    default void addRows() throws SQLException {
    }

    /** The value that a row has for a property. */
    default Object value(R row, String property) {
        try {
            return type().getRecordComponents()[Json.properties(type()).indexOf(property)].getAccessor().invoke(row);
        } catch (ReflectiveOperationException e) {
            throw new LinkageError("no value for " + property, e);
        }
    }

    default List<R> stored() throws SQLException {
        return stored(PageQuery.all());
    }

    default Api api() {
        return service().api();
    }
}
