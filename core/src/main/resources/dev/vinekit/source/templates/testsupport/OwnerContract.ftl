<#if s.owned>
import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of rows that belong to somebody: to anybody else they are not there. */
public interface OwnerContract<R extends Record, I extends Record> extends KeyContract<R, I> {
    /** What the claim says of whoever a row belongs to. */
    default String owner(R row) throws SQLException {
        return Sql.list(connection(), facts().owned().query(), found -> found.getString(1), rows().key(row)).get(0);
    }

    /** What it says of somebody else. */
    default String stranger(String owner) {
        if (owner.matches("-?[0-9]{1,9}")) {
            return String.valueOf(Integer.parseInt(owner) + 1_000_003);
        }
        return owner.length() == 36 ? UUID.randomUUID().toString() : owner + " too";
    }

    /** Requests of somebody to whom not all rows are shown. */
    default Api as(String owner) {
        return SERVICE.api(facts().owned().claim(), owner);
    }

    @Test
    @Tag("access")
    default void rowOfSomebodyElseIsNotThere() throws SQLException {
        R row = inserted();
        Api stranger = as(stranger(owner(row)));
        List<String> may = facts().owned().operations();

        if (may.contains("list")) {
            ApiResponse list = stranger.get(path() + "?count=true&limit=${s.limits.page}");
            assertThat(list.asList(type())).doesNotContain(row);
            assertThat(list.header("Total-Count")).isEqualTo(String.valueOf(list.body().size()));
        }
        for (String operation : may) {
            String path = path(row);
            switch (operation) {
                case "read" -> assertThat(stranger.get(path).status()).as(operation).isEqualTo(404);
                case "replace" -> assertThat(stranger.put(path, mine(input(row))).status()).as(operation).isEqualTo(404);
                case "patch" -> assertThat(stranger.patch(path, mine(input(row))).status()).as(operation).isEqualTo(404);
                case "delete" -> assertThat(stranger.delete(path).status()).as(operation).isEqualTo(404);
                default -> assertThat(operation).isIn("list", "create"<#if s.deleting>, "restore"</#if>);
            }
        }
        for (String child : facts().children()) {
            assertThat(stranger.get(child.replace("{key}", path(row))).status()).as(child).isIn(403, 404);
        }
        assertThat(stored(row)).contains(row);
<#if s.deleting>
        if (may.contains("restore") && api().delete(path(row)).status() == 204) {
            assertThat(stranger.get(path() + "?deleted=true&limit=${s.limits.page}").asList(type())).doesNotContain(row);
            assertThat(stranger.post(path(row) + "/restoration", "").status()).isEqualTo(404);
        }
</#if>
    }

    @Test
    @Tag("access")
    default void rowOfOnesOwnIsThere() throws SQLException {
        R row = inserted();
        Api owner = as(owner(row));

        if (facts().owned().operations().contains("read")) {
            assertThat(owner.get(path(row)).as(type())).isEqualTo(row);
        }
        if (facts().owned().operations().contains("list")) {
            List<R> rows = new ArrayList<>();
            owner.eachPage(path() + "?limit=${s.limits.page}", page -> rows.addAll(page.asList(type())));
            assertThat(rows).contains(row);
        }
    }

    @Test
    @Tag("access")
    default void newRowBelongsToWhoeverMakesIt() throws SQLException {
        String property = facts().owned().property();
        if (property.isEmpty() || !facts().owned().references().isEmpty() || !facts().owned().operations().contains("create")) {
            return;
        }
        I sample = sample();
        String caller = Json.tree(sample).path(property).asText();
        int rows = stored().size();

        assertThat(as(stranger(caller)).post(path(), sample).status()).isEqualTo(403);
        assertThat(stored()).hasSize(rows);
        ApiResponse created = as(caller).post(path(), mine(sample));

        assertThat(created.status()).as(created.text()).isEqualTo(201);
        assertThat(created.body().path(property).asText()).isEqualTo(caller);
    }

    @Test
    @Tag("access")
    default void referenceToARowOfSomebodyElseIsRefused() throws SQLException {
        if (facts().owned().references().isEmpty() || !facts().owned().operations().contains("create")) {
            return;
        }
        String owner = owner(inserted());
        Object sample = mine(sample());
        int rows = stored().size();

        ApiResponse response = as(stranger(owner)).post(path(), sample);

        assertThat(response.status()).as(response.text()).isEqualTo(422);
        assertThat(stored()).hasSize(rows);
    }

    @Test
    @Tag("access")
    default void changedReferenceToARowOfSomebodyElseIsRefused() throws SQLException {
        List<String> references = facts().owned().references();
        if (references.isEmpty() || !facts().owned().operations().contains("patch")) {
            return;
        }
        R row = inserted();
        R other = inserted();
        if (owner(other).equals(owner(row))) {
            return;
        }
        ObjectNode patch = Json.tree(input(other)).retain(references);

        ApiResponse response = as(owner(row)).patch(path(row), patch);

        assertThat(response.status()).as(response.text()).isEqualTo(422);
        assertThat(stored(row)).contains(row);
    }

    /** A body that does not say whose the row is. */
    private Object mine(Object input) {
        String property = facts().owned().property();
        return property.isEmpty() ? input : Api.without(input, property);
    }
}
</#if>
