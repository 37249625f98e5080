package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds of every GET of a row. */
public interface ReadContract<R extends Record, I extends Record> extends KeyContract<R, I> {
    @Test
    @Tag("read")
    default void readReturnsTheRow() throws SQLException {
        R row = inserted();

        ApiResponse response = api().get(path(row));

        assertThat(response.status()).isEqualTo(200);
        assertThat(response.as(type())).isEqualTo(row);
    }

    @Test
    @Tag("read")
    default void newRowIsWhereItsLocationSays() throws SQLException {
        ApiResponse created = api().post(path(), sample());

        ApiResponse read = api().at(created.header("Location"));

        assertThat(read.status()).isEqualTo(200);
        assertThat(read.body()).isEqualTo(created.body());
        assertThat(read.header("ETag")).isNotEmpty().isEqualTo(created.header("ETag"));
    }

    @Test
    @Tag("read")
    default void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(inserted());
        String tag = api().get(path).header("ETag");

        ApiResponse known = api().sending("If-None-Match", tag).get(path);

        assertThat(known.status()).isEqualTo(304);
        assertThat(known.header("ETag")).isEqualTo(tag);
        assertThat(api().sending("If-None-Match", "W/" + tag).get(path).status()).isEqualTo(304);
        assertThat(api().sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    default void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(inserted());
        String name = Json.properties(type()).get(0);

        ApiResponse response = api().get(path + "?fields=" + Api.encoded(name));

        assertThat(response.status()).isEqualTo(200);
        assertThat(response.body()).isEqualTo(Api.only(api().get(path).body(), name));
        assertThat(api().get(path + "?fields=no.such").status()).isEqualTo(400);
        assertThat(api().get(path + "?no.such=1").status()).isEqualTo(400);
    }

    /** Of a key that is a number; texts are the same where the database takes them for the same. */
    @Test
    @Tag("read")
    default void rowHasOnePathOnly() throws SQLException {
        String path = path(inserted());
        String number = path.substring(path().length() + 1);

        ApiResponse response = api().get(path);

        assertThat(response.status()).isEqualTo(200);
        if (number.matches("[1-9][0-9]*") && response.body().path(facts().key().get(0)).isNumber()) {
            assertThat(api().get(path() + "/0" + number).status()).isEqualTo(404);
            assertThat(api().get(path() + "/+" + number).status()).isEqualTo(404);
        }
    }
}
