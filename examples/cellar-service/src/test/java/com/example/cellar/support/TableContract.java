package com.example.cellar.support;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The facts of one table, for the tests that are the same for every table. */
public interface TableContract<R extends Record> {
    @RegisterExtension
    ServiceUnderTest SERVICE = ServiceUnderTest.touching();

    TableFacts<R, ?> facts();

    /** How its rows are got at without the service. */
    default TestRows<R, ?, ?> rows() {
        return facts().rows();
    }

    /** The path of the collection. */
    default String path() {
        return facts().path();
    }

    default Connection connection() {
        return SERVICE.connection();
    }

    default Class<R> type() {
        return rows().type();
    }

    /** The rows of a page, as they are stored. */
    default List<R> stored(PageQuery page) throws SQLException {
        return rows().list(connection(), page);
    }

    /** Adds rows where there are samples; otherwise tests work with those of the seed. */
    default void addRows() throws SQLException {
    }

    /** The value that a row has for a property. */
    default Object value(R row, String property) {
        return TestRows.value(row, type().getRecordComponents()[Json.properties(type()).indexOf(property)]);
    }

    default List<R> stored() throws SQLException {
        return stored(PageQuery.all());
    }

    default Api api() {
        return SERVICE.api();
    }
}
