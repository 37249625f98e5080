<#ftl attributes={"layer": "controller", "class": "*ControllerTest"}>
import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
<#include "/types.ftl">
class ${e.name}ControllerTest {
    private static final String PATH = ${e.collection};

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(<#if !e.test.touched?has_content>);</#if>
<#list e.test.touched as t>
            Tables.${t}<#sep>,</#sep><#if t?is_last>);</#if>
</#list>

    private final ${e.name}Repository repository = new ${e.repositoryClass}();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

<#if e.can("list")>
    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=${s.limits.page}");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(${e.name}.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
<#if e.test.creates>
        ${e.name}Samples.inserted(connection);
        ${e.name}Samples.inserted(connection);
</#if>
        List<${e.name}> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(${e.name}.class)));

        assertThat(rows).isEqualTo(repository.list(connection, Page.all()).rows());
        assertThat(pages).isEqualTo(Math.max(1, (rows.size() + 2) / 3));
    }
</#if>
<#if e.can("list")>

    @Test
    @Tag("list")
    void countTellsTheNumberOfAllRows() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?count=true&limit=1");

        assertThat(answer.header("Total-Count")).isEqualTo(String.valueOf(repository.count(connection, Condition.NONE)));
    }
</#if>
<#if e.can("list") && e.keyed>

    @Test
    @Tag("list")
    void sortTurnsTheOrder() throws SQLException {
<#if e.test.creates>
        ${e.name}Samples.inserted(connection);
</#if>
        List<${e.name}> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + ${e.test.descending});

        assertThat(answer.asList(${e.name}.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }
<#if e.test.sorted?? && e.test.creates>

    @Test
    @Tag("list")
    void pagesInTheOrderOf${e.test.sorted.capitalised}HaveEachRowOnce() throws SQLException {
        ${e.name}Samples.inserted(connection);
        ${e.name}Samples.inserted(connection);
        List<${e.name}> ascending = new ArrayList<>();
        List<${e.name}> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + ${e.test.sortParameter}, page -> ascending.addAll(page.asList(${e.name}.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + ${e.test.sortParameter}, page -> descending.addAll(page.asList(${e.name}.class)));

        List<${e.name}> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }
</#if>
</#if>
<#if e.test.creates>

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        ${e.name}Input input = ${e.name}Samples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        ${e.name} created = answer.as(${e.name}.class);
        assertThat(${e.name}Input.of(created)).usingRecursiveComparison().ignoringExpectedNullFields()<#if e.test.overwritten?has_content>.ignoringFields(<#list e.test.overwritten as f>${f.nameText}<#sep>, </#list>)</#if>.isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
<#if e.can("read")>
        assertThat(api.at(answer.header("Location")).as(${e.name}.class)).isEqualTo(created);
</#if>
<#if e.keyed>
        assertThat(repository.findById(connection, ${e.keyCode.ofCreated})).contains(created);
<#else>
        assertThat(repository.list(connection, Page.all()).rows()).contains(created);
</#if>
    }
</#if>
<#if e.test.creates && e.test.transactional>

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<${e.name}Input> inputs = List.of(${e.name}Samples.sample(connection), ${e.name}Samples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(${e.name}.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        ${e.name}Input input = ${e.name}Samples.sample(connection);
<#if e.test.duplicable?has_content>
        ${e.name} stored = ${e.name}Samples.inserted(connection);
</#if>
        long rows = repository.count(connection, Condition.NONE);

<#if e.test.duplicable?has_content>
        ApiAnswer answer = api.post(PATH, List.of(input, Api.copying(${e.name}Samples.sample(connection), ${e.name}Input.of(stored), <#list e.test.duplicable as f>${f.json}<#sep>, </#list>)));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
<#else>
        ApiAnswer answer = api.post(PATH, List.of(input, Api.with(input, "no such property", 1)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsExactly("[1].no such property");
</#if>
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }
</#if>
<#if e.can("read") && e.test.creates>

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        ${e.name} stored = ${e.name}Samples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(${e.name}.class)).isEqualTo(stored);
    }
</#if>
<#if e.can("read") && e.test.creates>

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(${e.name}Samples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(${e.name}Samples.inserted(connection));

        ApiAnswer answer = api.get(path + ${e.test.oneField.query});

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), ${e.test.oneField.json}));
    }
</#if>
<#if e.test.creates>
<#list e.test.includes as i>

    @Test
    @Tag("read")
    void include${i.capitalised}EmbedsTheRow() throws SQLException {
        ${e.name} stored = ${e.name}Samples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + ${i.query});

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get(${i.json})).isEqualTo(api.get(${i.collection} + ${i.segment}).body());
    }
</#list>
<#list e.test.children as c>

    @Test
    @Tag("list")
    void ${c.method}Narrows() throws SQLException {
        ${e.name} stored = ${e.name}Samples.inserted(connection);
        ${e.name}Samples.inserted(connection);

        ApiAnswer answer = api.get(${c.collection} + ${c.segment} + ${c.path});

        assertThat(answer.status()).isEqualTo(200);
<#if c.linked??>
        assertThat(answer.asList(${c.linked}.class)).${c.alone?then("hasSize(1)", "isNotEmpty()")}
                .isEqualTo(new ${c.repositoryClass}().${c.finder}(connection, ${c.arguments}, Page.all()).rows());
<#else>
        List<${e.name}> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> ${c.predicate})
                .toList();
        assertThat(answer.asList(${e.name}.class)).contains(stored).isEqualTo(expected);
</#if>
    }
</#list>
<#if e.can("list")>
<#list e.test.filters as f>

    @Test
    @Tag("list")
    void filterBy${f.name?cap_first}Narrows() throws SQLException {
        ${e.name} stored = ${e.name}Samples.inserted(connection);
        ${e.name}Samples.inserted(connection);

        ApiAnswer answer = api.get(PATH + ${f.query});

        List<${e.name}> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> ${f.predicate})
                .toList();
        assertThat(answer.asList(${e.name}.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + ${f.explicit}).asList(${e.name}.class)).isEqualTo(expected);
    }
</#list>
<#if e.test.divided??>

    @Test
    @Tag("list")
    void filtersByTheOrderOf${e.test.divided.capitalised}DivideTheList() throws SQLException {
        ${e.name} stored = ${e.name}Samples.inserted(connection);
        ${e.name}Samples.inserted(connection);
        List<${e.name}> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.${e.test.divided.name}());

        assertThat(where(${e.test.divided.json}, "less", value)).doesNotContain(stored).isSubsetOf(where(${e.test.divided.json}, "not", value));
        assertThat(where(${e.test.divided.json}, "greater", value)).doesNotContain(stored).isSubsetOf(where(${e.test.divided.json}, "not", value));
        assertThat(where(${e.test.divided.json}, "less", value).size() + where(${e.test.divided.json}, "atLeast", value).size()).isEqualTo(all.size());
        assertThat(where(${e.test.divided.json}, "greater", value).size() + where(${e.test.divided.json}, "atMost", value).size()).isEqualTo(all.size());
        assertThat(where(${e.test.divided.json}, "in", value).size() + where(${e.test.divided.json}, "not", value).size()).isEqualTo(all.size());
        assertThat(where(${e.test.divided.json}, "isNull", "false")).isEqualTo(all);
        assertThat(where(${e.test.divided.json}, "isNull", "true")).isEmpty();
    }
</#if>
<#if e.test.searched??>

    @Test
    @Tag("list")
    void ${e.test.searched.name}IsSearched() throws SQLException {
        ${e.name} stored = ${e.name}Samples.inserted(connection);
        String value = stored.${e.test.searched.name}();
        String end = value.substring(1);
        boolean repeated = value.regionMatches(true, 0, end, 0, end.length());

        assertThat(where(${e.test.searched.json}, "startsWith", Api.encoded(value))).contains(stored);
        assertThat(where(${e.test.searched.json}, "contains", Api.encoded(end))).contains(stored);
        assertThat(where(${e.test.searched.json}, "startsWith", Api.encoded(end)).contains(stored)).isEqualTo(repeated);
    }
</#if>
<#if e.test.divided?? || e.test.searched??>

    private List<${e.name}> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=${s.limits.page}&" + Api.encoded(property) + "[" + comparison + "]=" + value).asList(${e.name}.class);
    }
</#if>
</#if>
<#list e.test.finders as f>
<#if e.can("list")>

    @Test
    @Tag("list")
    void ${f.name}FiltersTheList() throws SQLException {
        ${e.name} stored = ${e.name}Samples.inserted(connection);

        ApiAnswer answer = api.get(PATH + ${f.query});

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(${e.name}.class)).isEqualTo(repository.${f.name}(connection, ${f.arguments}, Page.first(500)).rows());
    }
</#if>
</#list>
</#if>
<#if e.can("replace") && e.test.creates>

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        ${e.name} before = ${e.name}Samples.inserted(connection);
        ${e.name}Input input = ${e.name}Samples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, <#list e.key as f>${f.json}<#sep>, </#list>));

        assertThat(answer.status()).isEqualTo(200);
        ${e.name} after = answer.as(${e.name}.class);
        assertThat(${e.name}Input.of(after)).usingRecursiveComparison().ignoringFields(<#list e.key + e.test.overwritten as f>${f.nameText}<#sep>, </#list>).isEqualTo(input);
        assertThat(repository.findById(connection, ${e.keyCode.ofBefore})).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        ${e.name} before = ${e.name}Samples.inserted(connection);
        ${e.name}Input input = ${e.name}Samples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, <#list e.key as f>${f.json}<#sep>, </#list>));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, ${e.keyCode.ofBefore})).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        ${e.name} before = ${e.name}Samples.inserted(connection);
        ${e.name} another = ${e.name}Samples.inserted(connection);

        ApiAnswer answer = api.put(path(before), ${e.name}Input.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields())<#if e.test.differingKey?has_content>.contains(<#list e.test.differingKey as f>${f.json}<#sep>, </#list>)<#else>.isNotEmpty()</#if>;
        assertThat(repository.findById(connection, ${e.keyCode.ofBefore})).contains(before);
    }
</#if>
<#if e.can("patch") && e.test.creates>
<#if !e.test.patched?has_content>

    @Test
    @Tag("patch")
    void patchOfNothingLeavesTheRow() throws SQLException {
        ${e.name} before = ${e.name}Samples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), "{}");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(${e.name}.class)).isEqualTo(before);
        assertThat(repository.findById(connection, ${e.keyCode.ofBefore})).contains(before);
    }
</#if>
<#if e.test.patched?has_content>

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        ${e.name} before = ${e.name}Samples.inserted(connection);
        ${e.name}Input other = ${e.name}Samples.other(connection);
        ${e.name} row = before;

        for (String field : List.of(<#list e.test.patched as f>${f.json}<#sep>, </#list>)) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            ${e.name} after = answer.as(${e.name}.class);
<#if e.test.following?has_content>
            assertThat(Api.without(${e.name}Input.of(after)<#list e.test.following as f>, ${f.json}</#list>))
                    .isEqualTo(Api.without(Api.copying(${e.name}Input.of(row), other, field)<#list e.test.following as f>, ${f.json}</#list>));
<#else>
            assertThat(Json.tree(${e.name}Input.of(after))).isEqualTo(Api.copying(${e.name}Input.of(row), other, field));
</#if>
            assertThat(repository.findById(connection, ${e.keyCode.ofBefore})).contains(after);
            row = after;
        }
    }
</#if>
</#if>
<#if e.can("patch") && e.can("read") && e.test.creates && e.test.changed??>

    @Test
    @Tag("patch")
    void changedRowHasAnotherTag() throws SQLException {
        String path = path(${e.name}Samples.inserted(connection));
        String before = api.get(path).header("ETag");

        ApiAnswer answer = api.patch(path, Api.only(${e.name}Samples.other(connection), ${e.test.changed.json}));

        assertThat(answer.header("ETag")).isNotEqualTo(before).isEqualTo(api.get(path).header("ETag"));
    }
</#if>
<#if e.can("patch") && e.can("read") && e.test.creates && e.test.patched?has_content>

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        ${e.name} before = ${e.name}Samples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        ${e.name}Input other = ${e.name}Samples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, ${e.test.patched[0].json}));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, ${e.keyCode.ofBefore})).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }
</#if>
<#if e.guarded && e.can("read") && e.test.creates>

    @Test
    @Tag("read")
    void changeOfNoStateInParticularIsRefused() throws SQLException {
        ${e.name} stored = ${e.name}Samples.inserted(connection);
        Api careless = api.leavingOut("If-Match");

<#if e.can("replace")>
        assertThat(careless.put(path(stored), ${e.name}Input.of(stored)).status()).isEqualTo(428);
</#if>
<#if e.can("patch")>
        assertThat(careless.patch(path(stored), "{}").status()).isEqualTo(428);
</#if>
<#if e.can("delete")>
        assertThat(careless.delete(path(stored)).status()).isEqualTo(428);
</#if>
        assertThat(repository.findById(connection, ${e.keyCode.ofStored})).contains(stored);
    }
</#if>
<#if e.can("delete") && e.test.creates>

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        ${e.name} stored = ${e.name}Samples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, ${e.keyCode.ofStored})).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        ${e.name} stored = ${e.name}Samples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, ${e.keyCode.ofStored})).isEmpty();
<#if e.can("read")>
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
</#if>
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }
</#if>
<#if e.test.creates>
<#list e.test.rules.refusals as r>

    /** ${r.rule}. */
    @Test
    @Tag("rules")
    void ${r.method}() throws SQLException {
<#if r.stored>
        ${e.name} stored = ${e.name}Samples.inserted(connection);
</#if>
        ${e.name}Input input = ${e.name}Samples.sample(connection);

        assertRefused(${r.expectation});
    }
</#list>
<#list e.test.rules.unchecked as u>

    /** ${u.rule}. */
    @Test
    @Tag("rules")
    void ${u.method}() throws SQLException {
        ${e.name}Input input = ${e.name}Samples.sample(connection);
        List<${e.name}> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, ${u.body});

        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
        assertThat(answer.body().path("violations").path(0).path("rule").textValue()).isEqualTo(${u.constraint});
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }
</#list>
<#list e.test.rules.cleared as c>

    /** ${c.rule}. */
    @Test
    @Tag("rules")
    void ${c.method}() throws SQLException {
        ${e.name} before = ${e.name}Samples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), Api.clearing(${c.json}));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly(${c.json});
        assertThat(repository.findById(connection, ${e.keyCode.ofBefore})).contains(before);
    }
</#list>
<#list e.test.rules.defaults as d>

    /** ${d.rule}. */
    @Test
    @Tag("rules")
    void ${d.method}() throws SQLException {
        ${e.name}Input input = ${e.name}Samples.sample(connection);

        ApiAnswer answer = api.post(PATH, Api.without(input, ${d.json}));

        assertThat(answer.status()).isEqualTo(201);
<#if d.constant??>
        assertThat(Api.plain(answer.body().get(${d.json}))).isEqualTo(${d.constant});
<#else>
        assertThat(answer.body().hasNonNull(${d.json})).isTrue();
</#if>
    }
</#list>
<#list e.test.rules.referred as r>

    /** ${r.rule}. */
    @Test
    @Tag("rules")
    void ${r.method}() throws SQLException {
        ${e.name} stored = ${r.stored};

        ApiAnswer answer = api.delete(${r.collection} + PathKeys.join(stored.${r.field}()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains(${r.children});
        assertThat(repository.<#if e.keyed>findById(connection, ${e.keyCode.ofStored})).contains(stored<#else>list(connection, Page.all()).rows()).contains(stored</#if>);
    }
</#list>
<#list e.test.rules.released as r>

    /** ${r.rule}. */
    @Test
    @Tag("rules")
    void ${r.method}() throws SQLException {
        ${e.name} stored = ${r.stored};

        ApiAnswer answer = api.delete(${r.collection} + PathKeys.join(stored.${r.field}()));

        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
<#if r.gone>
        assertThat(repository.findById(connection, ${e.keyCode.ofStored})).isEmpty();
<#else>
        assertThat(repository.findById(connection, ${e.keyCode.ofStored}).orElseThrow().${r.field}()).isNull();
</#if>
    }
</#list>
</#if>
<#list e.test.access as a>

    @Test
    @Tag("access")
    void ${a.operation}NeedsAToken() {
        ApiAnswer answer = api.sending("Authorization", "").send(${a.method}, ${a.path}, ${a.contentType}, ${a.body});

        assertThat(answer.status()).isEqualTo(401);
        assertThat(answer.header("WWW-Authenticate")).startsWith("Bearer");
    }

    @Test
    @Tag("access")
    void ${a.operation}Is${a.everybody?then("ForEverybodyWithAToken", "RefusedToOtherRoles")}() {
        for (String role : List.of("none of the roles"<#if !a.everybody><#list a.others as role>, ${role}</#list></#if>)) {
            ApiAnswer answer = api.sending("Authorization", "Bearer " + TestTokens.of(List.of(role)))
                    .send(${a.method}, ${a.path}, ${a.contentType}, ${a.body});

            assertThat(answer.status()).as(role).<#if a.everybody>isNotIn(401, 403)<#else>isEqualTo(403)</#if>;
        }
    }
<#if !a.everybody && a.roles?has_content>

    @Test
    @Tag("access")
    void ${a.operation}IsOpenToItsRoles() {
        for (String role : List.of(<#list a.roles as role>${role}<#sep>, </#list>)) {
            ApiAnswer answer = api.sending("Authorization", "Bearer " + TestTokens.of(List.of(role)))
                    .send(${a.method}, ${a.path}, ${a.contentType}, ${a.body});

            assertThat(answer.status()).as(role).isNotIn(401, 403);
        }
    }
</#if>
</#list>
<#if e.test.creates && e.test.rules.toItself>

    /** A stored row that refers to another one by this property. */
    private ${e.name} referring(String property) throws SQLException {
        Object key = Json.tree(${e.name}Samples.inserted(connection)).get(${e.key[0].json});
        return repository.insert(connection, InputReader.read(
                Api.with(${e.name}Samples.sample(connection), property, key), ${e.name}Input.class));
    }
</#if>
<#if e.test.creates && e.test.rules.refusals?has_content>

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<${e.name}> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }
</#if>
<#if e.keyed && e.test.creates>

    private static String path(${e.name} ${e.variable}) {
        return PATH + "/" + ${e.keyCode.segmentCode};
    }
</#if>
}
