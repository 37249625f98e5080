import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every list. */
public interface ListContract<R extends Record> extends TableContract<R> {
    @Test
    @Tag("list")
    default void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiResponse response = api().get(path() + "?limit=${s.limits.page}");

        assertThat(response.status()).isEqualTo(200);
        assertThat(response.asList(type())).isEqualTo(stored(PageQuery.first(${s.limits.page})));
    }

    @Test
    @Tag("list")
    default void pagesFollowEachOther() throws SQLException {
        addRows();
        List<R> rows = new ArrayList<>();

        int pages = api().eachPage(path() + "?limit=3", page -> rows.addAll(page.asList(type())));

        assertThat(rows).isEqualTo(stored());
        assertThat(pages).isEqualTo(Math.max(1, (rows.size() + 2) / 3));
    }

    @Test
    @Tag("list")
    default void countTellsTheNumberOfAllRows() throws SQLException {
        ApiResponse response = api().get(path() + "?count=true&limit=1");

        assertThat(response.header("Total-Count")).isEqualTo(String.valueOf(stored().size()));
    }

    @Test
    @Tag("list")
    default void unknownNamesAreRefused() {
        assertThat(api().get(path() + "?include=no.such").status()).isEqualTo(400);
        assertThat(api().get(path() + "?fields=no.such").status()).isEqualTo(400);
        assertThat(api().get(path() + "?sort=no.such").status()).isEqualTo(400);
        assertThat(api().get(path() + "?no.such=1").status()).isEqualTo(400);
        assertThat(api().get(path() + "?limit=1&limit=2").status()).isEqualTo(400);
    }
}
