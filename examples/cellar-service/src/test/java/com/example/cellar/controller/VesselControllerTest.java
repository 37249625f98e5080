package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.VesselInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.repository.VesselRepository;
import com.example.cellar.samples.VesselSamples;
import com.example.cellar.support.Api;
import com.example.cellar.support.ApiAnswer;
import com.example.cellar.support.Condition;
import com.example.cellar.support.Json;
import com.example.cellar.support.Page;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.Tables;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class VesselControllerTest {
    private static final String PATH = "/vessels";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.VESSEL);

    private final VesselRepository repository = new VesselRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(Vessel.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        VesselSamples.inserted(connection);
        VesselSamples.inserted(connection);
        List<Vessel> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(Vessel.class)));

        assertThat(rows).isEqualTo(repository.list(connection, Page.all()).rows());
        assertThat(pages).isEqualTo(Math.max(1, (rows.size() + 2) / 3));
    }

    @Test
    @Tag("list")
    void countTellsTheNumberOfAllRows() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?count=true&limit=1");

        assertThat(answer.header("Total-Count"))
                .isEqualTo(String.valueOf(repository.count(connection, Condition.NONE)));
    }

    @Test
    @Tag("list")
    void sortTurnsTheOrder() throws SQLException {
        VesselSamples.inserted(connection);
        List<Vessel> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-id");

        assertThat(answer.asList(Vessel.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfCodeHaveEachRowOnce() throws SQLException {
        VesselSamples.inserted(connection);
        VesselSamples.inserted(connection);
        List<Vessel> ascending = new ArrayList<>();
        List<Vessel> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "code", page -> ascending.addAll(page.asList(Vessel.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "code", page -> descending.addAll(page.asList(Vessel.class)));

        List<Vessel> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        Vessel created = answer.as(Vessel.class);
        assertThat(VesselInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(Vessel.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<VesselInput> inputs = List.of(VesselSamples.sample(connection), VesselSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(Vessel.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);
        Vessel stored = VesselSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer
                = api.post(PATH,
                        List.of(input, Api.copying(VesselSamples.sample(connection), VesselInput.of(stored), "code")));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        Vessel stored = VesselSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(Vessel.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(VesselSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(VesselSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=id");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "id"));
    }

    @Test
    @Tag("list")
    void filterByIdNarrows() throws SQLException {
        Vessel stored = VesselSamples.inserted(connection);
        VesselSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&id=" + PathKeys.join(stored.id()));

        List<Vessel> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.id(), stored.id()))
                .toList();
        assertThat(answer.asList(Vessel.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&id%5Bis%5D=" + PathKeys.join(stored.id())).asList(Vessel.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByCodeNarrows() throws SQLException {
        Vessel stored = VesselSamples.inserted(connection);
        VesselSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&code=" + PathKeys.join(stored.code()));

        List<Vessel> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.code(), stored.code()))
                .toList();
        assertThat(answer.asList(Vessel.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&code%5Bis%5D=" + PathKeys.join(stored.code())).asList(Vessel.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfIdDivideTheList() throws SQLException {
        Vessel stored = VesselSamples.inserted(connection);
        VesselSamples.inserted(connection);
        List<Vessel> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.id());

        assertThat(where("id", "less", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "greater", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "less", value).size() + where("id", "atLeast", value).size()).isEqualTo(all.size());
        assertThat(where("id", "greater", value).size() + where("id", "atMost", value).size()).isEqualTo(all.size());
        assertThat(where("id", "in", value).size() + where("id", "not", value).size()).isEqualTo(all.size());
        assertThat(where("id", "isNull", "false")).isEqualTo(all);
        assertThat(where("id", "isNull", "true")).isEmpty();
    }

    @Test
    @Tag("list")
    void codeIsSearched() throws SQLException {
        Vessel stored = VesselSamples.inserted(connection);
        String value = stored.code();
        String end = value.substring(1);
        boolean repeated = value.regionMatches(true, 0, end, 0, end.length());

        assertThat(where("code", "startsWith", Api.encoded(value))).contains(stored);
        assertThat(where("code", "contains", Api.encoded(end))).contains(stored);
        assertThat(where("code", "startsWith", Api.encoded(end)).contains(stored)).isEqualTo(repeated);
    }

    private List<Vessel> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(Vessel.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        Vessel before = VesselSamples.inserted(connection);
        VesselInput input = VesselSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        Vessel after = answer.as(Vessel.class);
        assertThat(VesselInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        Vessel before = VesselSamples.inserted(connection);
        VesselInput input = VesselSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        Vessel before = VesselSamples.inserted(connection);
        Vessel another = VesselSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), VesselInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        Vessel before = VesselSamples.inserted(connection);
        VesselInput other = VesselSamples.other(connection);
        Vessel row = before;

        for (String field : List.of("code", "kind", "capacityLitres", "toast", "boughtOn", "inUse")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            Vessel after = answer.as(Vessel.class);
            assertThat(Json.tree(VesselInput.of(after))).isEqualTo(Api.copying(VesselInput.of(row), other, field));
            assertThat(repository.findById(connection, before.id())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void changedRowHasAnotherTag() throws SQLException {
        String path = path(VesselSamples.inserted(connection));
        String before = api.get(path).header("ETag");

        ApiAnswer answer = api.patch(path, Api.only(VesselSamples.other(connection), "code"));

        assertThat(answer.header("ETag")).isNotEqualTo(before).isEqualTo(api.get(path).header("ETag"));
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        Vessel before = VesselSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        VesselInput other = VesselSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "code"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        Vessel stored = VesselSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        Vessel stored = VesselSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Unique VESSEL_CODE_KEY: CODE. */
    @Test
    @Tag("rules")
    void duplicateCodeIsRefused() throws SQLException {
        Vessel stored = VesselSamples.inserted(connection);
        VesselInput input = VesselSamples.sample(connection);

        assertRefused(Api.copying(input, VesselInput.of(stored), "code"), 409, "code");
    }

    /** Check VESSEL_CAPACITY_CHECK: "CAPACITY_LITRES" BETWEEN 20 AND 100000. */
    @Test
    @Tag("rules")
    void capacityLitresBelowItsLeastIsRefused() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);

        assertRefused(Api.with(input, "capacityLitres", 19), 400, "capacityLitres");
    }

    /** Check VESSEL_CAPACITY_CHECK: "CAPACITY_LITRES" BETWEEN 20 AND 100000. */
    @Test
    @Tag("rules")
    void capacityLitresAboveItsMostIsRefused() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);

        assertRefused(Api.with(input, "capacityLitres", 100001), 400, "capacityLitres");
    }

    /** Check VESSEL_KIND_CHECK: "KIND" IN('tank', 'barrel', 'amphora', 'egg'). */
    @Test
    @Tag("rules")
    void kindNotAmongItsValuesIsRefused() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);

        assertRefused(Api.with(input, "kind", "no such value"), 400, "kind");
    }

    /** Check VESSEL_TOAST_CHECK: "TOAST" IN('light', 'medium', 'heavy'). */
    @Test
    @Tag("rules")
    void toastNotAmongItsValuesIsRefused() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);

        assertRefused(Api.with(input, "toast", "no such value"), 400, "toast");
    }

    /** Generated ID: numbered by the database. */
    @Test
    @Tag("rules")
    void idFromTheClientIsRefused() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);

        assertRefused(Api.with(input, "id", 1), 400, "id");
    }

    /** Not null CODE. */
    @Test
    @Tag("rules")
    void createWithoutCodeIsRefused() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);

        assertRefused(Api.without(input, "code"), 400, "code");
    }

    /** Type VARCHAR(12) of CODE. */
    @Test
    @Tag("rules")
    void codeTooLongIsRefused() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);

        assertRefused(Api.with(input, "code", "x".repeat(13)), 400, "code");
    }

    /** Not null KIND. */
    @Test
    @Tag("rules")
    void createWithoutKindIsRefused() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);

        assertRefused(Api.without(input, "kind"), 400, "kind");
    }

    /** Not null CAPACITY_LITRES. */
    @Test
    @Tag("rules")
    void createWithoutCapacityLitresIsRefused() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);

        assertRefused(Api.without(input, "capacityLitres"), 400, "capacityLitres");
    }

    /** Not null IN_USE. */
    @Test
    @Tag("rules")
    void inUseCannotBeCleared() throws SQLException {
        Vessel before = VesselSamples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), Api.clearing("inUse"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("inUse");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    /** Default TRUE of IN_USE. */
    @Test
    @Tag("rules")
    void inUseTakesItsDefault() throws SQLException {
        VesselInput input = VesselSamples.sample(connection);

        ApiAnswer answer = api.post(PATH, Api.without(input, "inUse"));

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.body().hasNonNull("inUse")).isTrue();
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<Vessel> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(Vessel vessel) {
        return PATH + "/" + PathKeys.join(vessel.id());
    }
}
