package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.ParcelInput;
import com.example.cellar.entity.Parcel;
import com.example.cellar.samples.ParcelSamples;
import com.example.cellar.support.Condition;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.Sql;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestTransaction;
import com.example.cellar.support.Update;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class ParcelRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final ParcelRepository repository = new ParcelRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        ParcelInput input = ParcelSamples.sample(connection);

        Parcel stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        Parcel before = ParcelSamples.inserted(connection);
        ParcelSamples.inserted(connection);
        ParcelInput input = ParcelSamples.other(connection);
        List<Parcel> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.id(), input, Update.ALL)).isTrue();

        Parcel after = repository.findById(connection, before.id()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        Parcel stored = ParcelSamples.inserted(connection);
        ParcelSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        assertThat(repository.delete(connection, stored.id())).isTrue();

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows - 1);
        assertThat(repository.delete(connection, stored.id())).isFalse();
    }

    @Test
    @Tag("repository")
    void listGoesOnAfterAKey() throws SQLException {
        Connection connection = transaction.connection();
        ParcelSamples.inserted(connection);
        ParcelSamples.inserted(connection);
        List<Parcel> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).id())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, Parcel stored, ParcelInput input) throws SQLException {
        TestRow row = TestRow.find(connection, Tables.PARCEL, stored.id());
        assertThat(row.get("ID")).isEqualTo(stored.id());
        assertThat(row.get("NAME")).isEqualTo(input.name());
        assertThat(row.get("VARIETY_CODE")).isEqualTo(input.varietyCode());
        assertThat(row.get("AREA_HA")).isEqualTo(input.areaHa());
        assertThat(row.get("SLOPE_PERCENT")).isEqualTo(input.slopePercent());
        assertThat(row.get("SOIL")).isEqualTo(Sql.databaseValue(input.soil()));
        assertThat(row.get("PLANTED_ON")).isEqualTo(input.plantedOn());
        assertThat(row.get("ORGANIC")).isEqualTo(input.organic());
        assertThat(row.get("LATITUDE")).isEqualTo(input.latitude());
        assertThat(row.get("LONGITUDE")).isEqualTo(input.longitude());
        assertThat(ParcelInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
