import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.sql.SQLException;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every list of rows with a key, in whatever order a client asks for. */
public interface OrderContract<R extends Record> extends ListContract<R> {
    @Test
    @Tag("list")
    default void sortTurnsTheOrder() throws SQLException {
        addRows();
        List<R> expected = new ArrayList<>(stored());
        Collections.reverse(expected);
        String descending = facts().key().stream().map(name -> "-" + Api.encoded(name)).collect(Collectors.joining(","));

        ApiResponse response = api().get(path() + "?limit=${s.limits.page}&sort=" + descending);

        assertThat(response.asList(type())).isEqualTo(expected.subList(0, Math.min(${s.limits.page}, expected.size())));
    }

    @Test
    @Tag("list")
    default void rowsComeInTheOrderAskedForEachOnce() throws SQLException {
        addRows();
        List<R> all = stored();
        List<String> names = Stream.concat(facts().sortable().stream(), facts().key().stream()).toList();
        for (String name : names) {
            List<JsonNode> up = sorted(Api.encoded(name));
            List<JsonNode> down = sorted("-" + Api.encoded(name));

            assertThat(rows(up)).as(name).containsExactlyInAnyOrderElementsOf(all);
            assertThat(rows(down)).as(name).containsExactlyInAnyOrderElementsOf(all);
            assertOrdered(name, up.stream().map(row -> row.path(name)).toList());
            assertTurned(name, values(up, name), values(down, name));
        }
        for (int i = 1; i < names.size(); i++) {
            String first = Api.encoded(names.get(i - 1));
            String second = Api.encoded(names.get(i));

            List<JsonNode> up = sorted(first + ",-" + second);
            List<JsonNode> down = sorted("-" + first + "," + second);

            assertTurned(first + " and " + second, values(up, names.get(i)), values(down, names.get(i)));
        }
    }

    @Test
    @Tag("list")
    default void cursorOfAnotherOrderIsRefused() throws SQLException {
        addRows();
        String first = Api.encoded(facts().key().get(0));
        String link = api().get(path() + "?limit=1&sort=" + first).header("Link");

        assertThat(link.contains("after=")).isEqualTo(stored().size() > 1);
        if (stored().size() > 1) {
            String after = "?after=" + link.replaceFirst("(?s).*[?&]after=([^&>]*).*", "$1");
            assertThat(api().get(path() + after + "&sort=" + first).status()).isEqualTo(200);
            assertThat(api().get(path() + after + "&sort=-" + first).status()).isEqualTo(400);
            assertThat(api().get(path() + after).status()).isEqualTo(400);
        }
    }

    private List<JsonNode> sorted(String sort) throws SQLException {
        List<JsonNode> rows = new ArrayList<>();
        int limit = Math.min(${s.limits.page}, Math.max(3, stored().size() / 5));
        api().eachPage(path() + "?limit=" + limit + "&sort=" + sort, page -> page.body().forEach(rows::add));
        return rows;
    }

    private List<R> rows(List<JsonNode> rows) {
        return rows.stream().map(row -> ApiResponse.read(row.deepCopy(), type())).toList();
    }

    /** The values of a property: numbers without an exponent, what is alike to a database in the same letters; null for none. */
    private static List<String> values(List<JsonNode> rows, String name) {
        return rows.stream().map(row -> row.path(name)).map(value -> isNone(value) ? null
                : value.isNumber() ? value.decimalValue().stripTrailingZeros().toPlainString()
                : Normalizer.normalize(value.asText(), Normalizer.Form.NFKD).replaceAll("\\p{M}", "").strip()
                        .toLowerCase(Locale.ROOT)).collect(Collectors.toCollection(ArrayList::new));
    }

    private static boolean isNone(JsonNode value) {
        return value.isNull() || value.isMissingNode();
    }

    /** Whether every database sees in a value what Java sees in it. */
    private static boolean isPlain(String value) {
        return value == null || value.chars().allMatch(c -> c >= ' ' && c <= '~');
    }

    /** That rows without a value come first, and numbers rise. */
    private static void assertOrdered(String name, List<JsonNode> values) {
        List<JsonNode> present = values.stream().dropWhile(OrderContract::isNone).toList();
        assertThat(present).as("%s: rows without a value come first", name).noneMatch(OrderContract::isNone);
        if (present.stream().allMatch(JsonNode::isNumber)) {
            assertThat(present.stream().map(JsonNode::decimalValue).toList()).as(name).isSorted();
        }
    }

    /** That one order is the other turned around. */
    private static void assertTurned(String name, List<String> up, List<String> down) {
        if (up.stream().allMatch(OrderContract::isPlain)) {
            List<String> turned = new ArrayList<>(down);
            Collections.reverse(turned);
            assertThat(turned).as("%s: one order is the other turned around", name).isEqualTo(up);
        }
    }
}
