package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.BlendComponentInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.BlendComponentRepository;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.samples.BlendComponentSamples;
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

class BlendComponentControllerTest {
    private static final String PATH = "/blend-components";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND,
            Tables.VESSEL,
            Tables.BLEND,
            Tables.WINE_LOT,
            Tables.BLEND_COMPONENT);

    private final BlendComponentRepository repository = new BlendComponentRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(BlendComponent.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        BlendComponentSamples.inserted(connection);
        BlendComponentSamples.inserted(connection);
        List<BlendComponent> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(BlendComponent.class)));

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
        BlendComponentSamples.inserted(connection);
        List<BlendComponent> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-blendId,-wineLotId");

        assertThat(answer.asList(BlendComponent.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        BlendComponentInput input = BlendComponentSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        BlendComponent created = answer.as(BlendComponent.class);
        assertThat(BlendComponentInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields()
                .isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(BlendComponent.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.primaryKey())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<BlendComponentInput> inputs
                = List.of(BlendComponentSamples.sample(connection), BlendComponentSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(BlendComponent.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        BlendComponentInput input = BlendComponentSamples.sample(connection);
        BlendComponent stored = BlendComponentSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer
                = api.post(PATH,
                        List.of(input,
                                Api.copying(BlendComponentSamples.sample(connection), BlendComponentInput.of(stored),
                                        "blendId", "wineLotId")));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(BlendComponent.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(BlendComponentSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(BlendComponentSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=blendId");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "blendId"));
    }

    @Test
    @Tag("read")
    void includeBlendEmbedsTheRow() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=blend");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("blend")).isEqualTo(api.get("/blends/" + PathKeys.join(stored.blendId())).body());
    }

    @Test
    @Tag("read")
    void includeWineLotEmbedsTheRow() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=wineLot");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("wineLot"))
                .isEqualTo(api.get("/wine-lots/" + PathKeys.join(stored.wineLotId())).body());
    }

    @Test
    @Tag("list")
    void listBlendComponentsOfBlendNarrows() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);
        BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.get("/blends/" + PathKeys.join(stored.blendId()) + "/blend-components?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<BlendComponent> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.blendId(), stored.blendId()))
                .toList();
        assertThat(answer.asList(BlendComponent.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void listBlendComponentsOfWineLotNarrows() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);
        BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.get("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/blend-components?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<BlendComponent> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.wineLotId(), stored.wineLotId()))
                .toList();
        assertThat(answer.asList(BlendComponent.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void listWineLotsOfBlendNarrows() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);
        BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.get("/blends/" + PathKeys.join(stored.blendId()) + "/wine-lots?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(WineLot.class)).hasSize(1)
                .isEqualTo(new WineLotRepository()
                        .listJoinedToBlendByBlendComponent(connection, stored.blendId(), Page.all()).rows());
    }

    @Test
    @Tag("list")
    void listBlendsOfWineLotNarrows() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);
        BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.get("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/blends?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(Blend.class)).hasSize(1)
                .isEqualTo(new BlendRepository()
                        .listJoinedToWineLotByBlendComponent(connection, stored.wineLotId(), Page.all()).rows());
    }

    @Test
    @Tag("list")
    void filterByBlendIdNarrows() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);
        BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&blendId=" + PathKeys.join(stored.blendId()));

        List<BlendComponent> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.blendId(), stored.blendId()))
                .toList();
        assertThat(answer.asList(BlendComponent.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&blendId%5Bis%5D=" + PathKeys.join(stored.blendId()))
                .asList(BlendComponent.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByWineLotIdNarrows() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);
        BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&wineLotId=" + PathKeys.join(stored.wineLotId()));

        List<BlendComponent> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.wineLotId(), stored.wineLotId()))
                .toList();
        assertThat(answer.asList(BlendComponent.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&wineLotId%5Bis%5D=" + PathKeys.join(stored.wineLotId()))
                .asList(BlendComponent.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfBlendIdDivideTheList() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);
        BlendComponentSamples.inserted(connection);
        List<BlendComponent> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.blendId());

        assertThat(where("blendId", "less", value)).doesNotContain(stored).isSubsetOf(where("blendId", "not", value));
        assertThat(where("blendId", "greater", value)).doesNotContain(stored)
                .isSubsetOf(where("blendId", "not", value));
        assertThat(where("blendId", "less", value).size() + where("blendId", "atLeast", value).size())
                .isEqualTo(all.size());
        assertThat(where("blendId", "greater", value).size() + where("blendId", "atMost", value).size())
                .isEqualTo(all.size());
        assertThat(where("blendId", "in", value).size() + where("blendId", "not", value).size()).isEqualTo(all.size());
        assertThat(where("blendId", "isNull", "false")).isEqualTo(all);
        assertThat(where("blendId", "isNull", "true")).isEmpty();
    }

    private List<BlendComponent> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(BlendComponent.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        BlendComponent before = BlendComponentSamples.inserted(connection);
        BlendComponentInput input = BlendComponentSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "blendId", "wineLotId"));

        assertThat(answer.status()).isEqualTo(200);
        BlendComponent after = answer.as(BlendComponent.class);
        assertThat(BlendComponentInput.of(after)).usingRecursiveComparison().ignoringFields("blendId", "wineLotId")
                .isEqualTo(input);
        assertThat(repository.findById(connection, before.primaryKey())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        BlendComponent before = BlendComponentSamples.inserted(connection);
        BlendComponentInput input = BlendComponentSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "blendId", "wineLotId"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.primaryKey())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        BlendComponent before = BlendComponentSamples.inserted(connection);
        BlendComponent another = BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), BlendComponentInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("blendId", "wineLotId");
        assertThat(repository.findById(connection, before.primaryKey())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        BlendComponent before = BlendComponentSamples.inserted(connection);
        BlendComponentInput other = BlendComponentSamples.other(connection);
        BlendComponent row = before;

        for (String field : List.of("share")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            BlendComponent after = answer.as(BlendComponent.class);
            assertThat(Json.tree(BlendComponentInput.of(after)))
                    .isEqualTo(Api.copying(BlendComponentInput.of(row), other, field));
            assertThat(repository.findById(connection, before.primaryKey())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void changedRowHasAnotherTag() throws SQLException {
        String path = path(BlendComponentSamples.inserted(connection));
        String before = api.get(path).header("ETag");

        ApiAnswer answer = api.patch(path, Api.only(BlendComponentSamples.other(connection), "share"));

        assertThat(answer.header("ETag")).isNotEqualTo(before).isEqualTo(api.get(path).header("ETag"));
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        BlendComponent before = BlendComponentSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        BlendComponentInput other = BlendComponentSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "share"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.primaryKey())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.primaryKey())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.primaryKey())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Primary key BLEND_COMPONENT_PKEY: BLEND_ID, WINE_LOT_ID. */
    @Test
    @Tag("rules")
    void duplicateBlendIdAndWineLotIdIsRefused() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);
        BlendComponentInput input = BlendComponentSamples.sample(connection);

        assertRefused(Api.copying(input, BlendComponentInput.of(stored), "blendId", "wineLotId"), 409, "blendId",
                "wineLotId");
    }

    /** Reference BLEND_COMPONENT_BLEND_FKEY: BLEND_ID -&gt; BLEND (ID) ON DELETE CASCADE. */
    @Test
    @Tag("rules")
    void blendIdOfAMissingRowIsRefused() throws SQLException {
        BlendComponentInput input = BlendComponentSamples.sample(connection);

        assertRefused(Api.with(input, "blendId", 2000000000), 422, "blendId");
    }

    /** Reference BLEND_COMPONENT_LOT_FKEY: WINE_LOT_ID -&gt; WINE_LOT (ID). */
    @Test
    @Tag("rules")
    void wineLotIdOfAMissingRowIsRefused() throws SQLException {
        BlendComponentInput input = BlendComponentSamples.sample(connection);

        assertRefused(Api.with(input, "wineLotId", "ffffffff-ffff-ffff-ffff-ffffffffffff"), 422, "wineLotId");
    }

    /**
     * Check BLEND_COMPONENT_SHARE_CHECK: ("SHARE" &gt; CAST(0 AS NUMERIC(1))) AND ("SHARE" &lt;= CAST(100 AS
     * NUMERIC(3))).
     */
    @Test
    @Tag("rules")
    void shareBelowItsLeastIsRefused() throws SQLException {
        BlendComponentInput input = BlendComponentSamples.sample(connection);

        assertRefused(Api.with(input, "share", 0), 400, "share");
    }

    /**
     * Check BLEND_COMPONENT_SHARE_CHECK: ("SHARE" &gt; CAST(0 AS NUMERIC(1))) AND ("SHARE" &lt;= CAST(100 AS
     * NUMERIC(3))).
     */
    @Test
    @Tag("rules")
    void shareAboveItsMostIsRefused() throws SQLException {
        BlendComponentInput input = BlendComponentSamples.sample(connection);

        assertRefused(Api.with(input, "share", new BigDecimal("100.01")), 400, "share");
    }

    /** Not null BLEND_ID. */
    @Test
    @Tag("rules")
    void createWithoutBlendIdIsRefused() throws SQLException {
        BlendComponentInput input = BlendComponentSamples.sample(connection);

        assertRefused(Api.without(input, "blendId"), 400, "blendId");
    }

    /** Not null WINE_LOT_ID. */
    @Test
    @Tag("rules")
    void createWithoutWineLotIdIsRefused() throws SQLException {
        BlendComponentInput input = BlendComponentSamples.sample(connection);

        assertRefused(Api.without(input, "wineLotId"), 400, "wineLotId");
    }

    /** Not null SHARE. */
    @Test
    @Tag("rules")
    void createWithoutShareIsRefused() throws SQLException {
        BlendComponentInput input = BlendComponentSamples.sample(connection);

        assertRefused(Api.without(input, "share"), 400, "share");
    }

    /** Type NUMERIC(5, 2) of SHARE. */
    @Test
    @Tag("rules")
    void shareWithTooManyDecimalsIsRefused() throws SQLException {
        BlendComponentInput input = BlendComponentSamples.sample(connection);

        assertRefused(Api.with(input, "share", new BigDecimal("50.005")), 400, "share");
    }

    /** Reference BLEND_COMPONENT_LOT_FKEY: WINE_LOT_ID -&gt; WINE_LOT (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByWineLotIdCannotBeDeleted() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.delete("/wine-lots/" + PathKeys.join(stored.wineLotId()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("blend-components");
        assertThat(repository.findById(connection, stored.primaryKey())).contains(stored);
    }

    /** Reference BLEND_COMPONENT_BLEND_FKEY: BLEND_ID -&gt; BLEND (ID) ON DELETE CASCADE. */
    @Test
    @Tag("rules")
    void rowGoesWithItsRowOfBlendId() throws SQLException {
        BlendComponent stored = BlendComponentSamples.inserted(connection);

        ApiAnswer answer = api.delete("/blends/" + PathKeys.join(stored.blendId()));

        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
        assertThat(repository.findById(connection, stored.primaryKey())).isEmpty();
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<BlendComponent> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(BlendComponent blendComponent) {
        return PATH + "/" + blendComponent.primaryKey().segment();
    }
}
