package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What holds of the SQL of every table: its rows are listed page by page. */
public interface RepositoryContract<R extends Record> {
    @RegisterExtension
    TestTransaction TRANSACTION = new TestTransaction();

    TestRows<R, ?, ?> rows();

    /** What a test does here is taken back when it is over. */
    default Connection connection() {
        return TRANSACTION.connection();
    }

    /** The tables among those written to on which a rollback has no effect. */
    default List<Tables> withoutTransactions() {
        return List.of();
    }

    /** Adds rows where there are samples; otherwise tests work with those of the seed. */
    default void addRows() throws SQLException {
    }

    @Test
    @Tag("repository")
    default void listGoesOnAfterARow() throws SQLException {
        addRows();
        List<R> all = rows().all(connection());

        assertThat(all).hasSize((int) rows().count(connection()));
        assertThat(rows().list(connection(), PageQuery.first(1))).isEqualTo(all.stream().limit(1).toList());
        if (!all.isEmpty()) {
            PageQuery second = PageQuery.first(1).after(rows().place(all.get(0)));
            assertThat(rows().list(connection(), second)).isEqualTo(all.stream().skip(1).limit(1).toList());
        }
    }
}
