package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.VesselTransferInput;
import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.repository.VesselTransferRepository;
import com.example.cellar.samples.VesselTransferSamples;
import com.example.cellar.support.Api;
import com.example.cellar.support.ApiAnswer;
import com.example.cellar.support.Condition;
import com.example.cellar.support.Json;
import com.example.cellar.support.Page;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.Tables;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class VesselTransferControllerTest {
    private static final String PATH = "/vessel-transfers";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND,
            Tables.VESSEL,
            Tables.VESSEL_TRANSFER);

    private final VesselTransferRepository repository = new VesselTransferRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(VesselTransfer.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);
        List<VesselTransfer> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(VesselTransfer.class)));

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
        VesselTransferSamples.inserted(connection);
        List<VesselTransfer> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-id");

        assertThat(answer.asList(VesselTransfer.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfFromHaveEachRowOnce() throws SQLException {
        VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);
        List<VesselTransfer> ascending = new ArrayList<>();
        List<VesselTransfer> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "from", page -> ascending.addAll(page.asList(VesselTransfer.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "from", page -> descending.addAll(page.asList(VesselTransfer.class)));

        List<VesselTransfer> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        VesselTransfer created = answer.as(VesselTransfer.class);
        assertThat(VesselTransferInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields()
                .isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(VesselTransfer.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<VesselTransferInput> inputs
                = List.of(VesselTransferSamples.sample(connection), VesselTransferSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(VesselTransfer.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, List.of(input, Api.with(input, "no such property", 1)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsExactly("[1].no such property");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(VesselTransfer.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(VesselTransferSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(VesselTransferSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=id");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "id"));
    }

    @Test
    @Tag("read")
    void includeFromVesselEmbedsTheRow() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=fromVessel");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("fromVessel"))
                .isEqualTo(api.get("/vessels/" + PathKeys.join(stored.from())).body());
    }

    @Test
    @Tag("read")
    void includeCellarHandEmbedsTheRow() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=cellarHand");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("cellarHand"))
                .isEqualTo(api.get("/cellar-hands/" + PathKeys.join(stored.movedBy())).body());
    }

    @Test
    @Tag("read")
    void includeToVesselEmbedsTheRow() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=toVessel");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("toVessel")).isEqualTo(api.get("/vessels/" + PathKeys.join(stored.to())).body());
    }

    @Test
    @Tag("list")
    void listVesselTransfersByFromVesselOfVesselNarrows() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);

        ApiAnswer answer
                = api.get("/vessels/" + PathKeys.join(stored.from()) + "/vessel-transfers-by-from-vessel?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<VesselTransfer> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.from(), stored.from()))
                .toList();
        assertThat(answer.asList(VesselTransfer.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void listVesselTransfersOfCellarHandNarrows() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.get("/cellar-hands/" + PathKeys.join(stored.movedBy()) + "/vessel-transfers?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<VesselTransfer> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.movedBy(), stored.movedBy()))
                .toList();
        assertThat(answer.asList(VesselTransfer.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void listVesselTransfersByToVesselOfVesselNarrows() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);

        ApiAnswer answer
                = api.get("/vessels/" + PathKeys.join(stored.to()) + "/vessel-transfers-by-to-vessel?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<VesselTransfer> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.to(), stored.to()))
                .toList();
        assertThat(answer.asList(VesselTransfer.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByIdNarrows() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&id=" + PathKeys.join(stored.id()));

        List<VesselTransfer> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.id(), stored.id()))
                .toList();
        assertThat(answer.asList(VesselTransfer.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&id%5Bis%5D=" + PathKeys.join(stored.id())).asList(VesselTransfer.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByFromNarrows() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&from=" + PathKeys.join(stored.from()));

        List<VesselTransfer> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.from(), stored.from()))
                .toList();
        assertThat(answer.asList(VesselTransfer.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&from%5Bis%5D=" + PathKeys.join(stored.from()))
                .asList(VesselTransfer.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByToNarrows() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&to=" + PathKeys.join(stored.to()));

        List<VesselTransfer> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.to(), stored.to()))
                .toList();
        assertThat(answer.asList(VesselTransfer.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&to%5Bis%5D=" + PathKeys.join(stored.to())).asList(VesselTransfer.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByMovedAtNarrows() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&movedAt=" + PathKeys.join(stored.movedAt()));

        List<VesselTransfer> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.movedAt(), stored.movedAt()))
                .toList();
        assertThat(answer.asList(VesselTransfer.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&movedAt%5Bis%5D=" + PathKeys.join(stored.movedAt()))
                .asList(VesselTransfer.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByMovedByNarrows() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&movedBy=" + PathKeys.join(stored.movedBy()));

        List<VesselTransfer> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.movedBy(), stored.movedBy()))
                .toList();
        assertThat(answer.asList(VesselTransfer.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&movedBy%5Bis%5D=" + PathKeys.join(stored.movedBy()))
                .asList(VesselTransfer.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfIdDivideTheList() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);
        List<VesselTransfer> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.id());

        assertThat(where("id", "less", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "greater", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "less", value).size() + where("id", "atLeast", value).size()).isEqualTo(all.size());
        assertThat(where("id", "greater", value).size() + where("id", "atMost", value).size()).isEqualTo(all.size());
        assertThat(where("id", "in", value).size() + where("id", "not", value).size()).isEqualTo(all.size());
        assertThat(where("id", "isNull", "false")).isEqualTo(all);
        assertThat(where("id", "isNull", "true")).isEmpty();
    }

    private List<VesselTransfer> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(VesselTransfer.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        VesselTransfer before = VesselTransferSamples.inserted(connection);
        VesselTransferInput input = VesselTransferSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        VesselTransfer after = answer.as(VesselTransfer.class);
        assertThat(VesselTransferInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        VesselTransfer before = VesselTransferSamples.inserted(connection);
        VesselTransferInput input = VesselTransferSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        VesselTransfer before = VesselTransferSamples.inserted(connection);
        VesselTransfer another = VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), VesselTransferInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        VesselTransfer before = VesselTransferSamples.inserted(connection);
        VesselTransferInput other = VesselTransferSamples.other(connection);
        VesselTransfer row = before;

        for (String field : List.of("litres", "movedAt", "movedBy", "reason")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            VesselTransfer after = answer.as(VesselTransfer.class);
            assertThat(Json.tree(VesselTransferInput.of(after)))
                    .isEqualTo(Api.copying(VesselTransferInput.of(row), other, field));
            assertThat(repository.findById(connection, before.id())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void changedRowHasAnotherTag() throws SQLException {
        String path = path(VesselTransferSamples.inserted(connection));
        String before = api.get(path).header("ETag");

        ApiAnswer answer = api.patch(path, Api.only(VesselTransferSamples.other(connection), "litres"));

        assertThat(answer.header("ETag")).isNotEqualTo(before).isEqualTo(api.get(path).header("ETag"));
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        VesselTransfer before = VesselTransferSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        VesselTransferInput other = VesselTransferSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "litres"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Reference VESSEL_TRANSFER_FROM_FKEY: from -&gt; VESSEL (ID). */
    @Test
    @Tag("rules")
    void fromOfAMissingRowIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.with(input, "from", 2000000000), 422, "from");
    }

    /** Reference VESSEL_TRANSFER_HAND_FKEY: MOVED_BY -&gt; CELLAR_HAND (ID). */
    @Test
    @Tag("rules")
    void movedByOfAMissingRowIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.with(input, "movedBy", 2000000000), 422, "movedBy");
    }

    /** Reference VESSEL_TRANSFER_TO_FKEY: to -&gt; VESSEL (ID). */
    @Test
    @Tag("rules")
    void toOfAMissingRowIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.with(input, "to", 2000000000), 422, "to");
    }

    /** Check VESSEL_TRANSFER_ENDS_CHECK: "from" &lt;&gt; "to". */
    @Test
    @Tag("rules")
    void fromEqualToToIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.with(input, "to", Json.tree(input).get("from")), 400, "from");
    }

    /** Check VESSEL_TRANSFER_LITRES_CHECK: "LITRES" &gt; CAST(0 AS NUMERIC(1)). */
    @Test
    @Tag("rules")
    void litresBelowItsLeastIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.with(input, "litres", 0), 400, "litres");
    }

    /** Generated ID: numbered by the database. */
    @Test
    @Tag("rules")
    void idFromTheClientIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.with(input, "id", 1), 400, "id");
    }

    /** Not null from. */
    @Test
    @Tag("rules")
    void createWithoutFromIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.without(input, "from"), 400, "from");
    }

    /** Not null to. */
    @Test
    @Tag("rules")
    void createWithoutToIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.without(input, "to"), 400, "to");
    }

    /** Not null LITRES. */
    @Test
    @Tag("rules")
    void createWithoutLitresIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.without(input, "litres"), 400, "litres");
    }

    /** Type NUMERIC(9, 2) of LITRES. */
    @Test
    @Tag("rules")
    void litresWithTooManyDigitsIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.with(input, "litres", 10000000), 400, "litres");
    }

    /** Type NUMERIC(9, 2) of LITRES. */
    @Test
    @Tag("rules")
    void litresWithTooManyDecimalsIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.with(input, "litres", new BigDecimal("10.005")), 400, "litres");
    }

    /** Not null MOVED_AT. */
    @Test
    @Tag("rules")
    void createWithoutMovedAtIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.without(input, "movedAt"), 400, "movedAt");
    }

    /** Not null MOVED_BY. */
    @Test
    @Tag("rules")
    void createWithoutMovedByIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.without(input, "movedBy"), 400, "movedBy");
    }

    /** Type VARCHAR(200) of REASON. */
    @Test
    @Tag("rules")
    void reasonTooLongIsRefused() throws SQLException {
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        assertRefused(Api.with(input, "reason", "x".repeat(201)), 400, "reason");
    }

    /** Reference VESSEL_TRANSFER_FROM_FKEY: from -&gt; VESSEL (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByFromCannotBeDeleted() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.delete("/vessels/" + PathKeys.join(stored.from()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("vessel-transfers");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    /** Reference VESSEL_TRANSFER_HAND_FKEY: MOVED_BY -&gt; CELLAR_HAND (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByMovedByCannotBeDeleted() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.delete("/cellar-hands/" + PathKeys.join(stored.movedBy()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("vessel-transfers");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    /** Reference VESSEL_TRANSFER_TO_FKEY: to -&gt; VESSEL (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByToCannotBeDeleted() throws SQLException {
        VesselTransfer stored = VesselTransferSamples.inserted(connection);

        ApiAnswer answer = api.delete("/vessels/" + PathKeys.join(stored.to()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("vessel-transfers");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<VesselTransfer> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(VesselTransfer vesselTransfer) {
        return PATH + "/" + PathKeys.join(vesselTransfer.id());
    }
}
