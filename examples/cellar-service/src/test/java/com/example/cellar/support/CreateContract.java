package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.lang.reflect.RecordComponent;
import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every POST of a row. */
public interface CreateContract<R extends Record, I extends Record> extends RowContract<R, I> {
    @Test
    @Tag("create")
    default void createStoresTheRowAndReturnsIt() throws SQLException {
        I input = sample();
        int rows = stored().size();

        ApiResponse response = api().post(path(), input);

        assertThat(response.status()).as(response.text()).isEqualTo(201);
        R created = response.as(type());
        assertThat(Api.given(input(created), input, facts().overwritten()))
                .isEqualTo(Api.given(input, input, facts().overwritten()));
        assertThat(stored()).hasSize(rows + 1).contains(created);
    }

    @Test
    @Tag("create")
    default void valueThatIsNotOfItsTypeIsRefused() throws SQLException {
        Class<?> type = sample().getClass();
        for (int i = 0; i < type.getRecordComponents().length; i++) {
            RecordComponent component = type.getRecordComponents()[i];
            String name = Json.properties(type).get(i);
            for (String misfit : Misfits.of(component.getType())) {
                ApiResponse response = api().post(path(), "{" + Json.MAPPER.valueToTree(name) + ": " + misfit + "}");

                assertThat(response.status()).as("%s of %s", name, misfit).isEqualTo(400);
                assertThat(response.violatedFields()).as("%s of %s", name, misfit).containsExactly(name);
            }
        }
    }

    @Test
    @Tag("create")
    default void bodyThatIsNotWellFormedIsRefused() throws SQLException {
        ObjectNode input = Json.tree(sample());
        String name = Json.MAPPER.valueToTree(input.fieldNames().next()).toString();
        int rows = stored().size();

        assertThat(api().post(path(), "{" + name + ": null, " + input.toString().substring(1)).status()).isEqualTo(400);
        assertThat(api().post(path(), input + "{}").status()).isEqualTo(400);
        assertThat(api().post(path(), "{" + name + ": -0}").body().path("detail").textValue()).contains("minus zero");
        assertThat(stored()).hasSize(rows);
    }
}
