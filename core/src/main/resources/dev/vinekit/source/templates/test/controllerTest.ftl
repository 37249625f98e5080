<#ftl attributes={"layer": "controller", "class": "*ControllerTest", "files": "controller tests"}>
<#import "/shapes.ftl" as shape>
<#assign row = "<" + e.name + ">", input = "<" + e.name + ", " + e.name + "Input>", contracts = []>
<#assign changes = e.test.creates && e.updatable() && !e.test.unchanged>
<#assign crud = e.test.creates && !e.test.unchanged && e.test.rules?has_content && e.keyed && e.can("list") && e.can("read") && e.can("replace") && e.can("patch") && e.can("delete")>
<#if crud>
<#assign contracts += ["CrudContract" + input]>
<#elseif e.can("list")>
<#assign contracts += [e.keyed?then("OrderContract", "ListContract") + row]>
</#if>
<#if e.test.creates>
<#if e.can("list") && e.test.filters?has_content>
<#if e.test.divided??>
<#assign contracts += ["ComparisonContract" + input]>
</#if>
<#if e.test.searched??>
<#assign contracts += ["SearchContract" + input]>
</#if>
<#if !e.test.divided?? && !e.test.searched??>
<#assign contracts += ["FilterContract" + input]>
</#if>
</#if>
<#assign contracts += [(!e.test.transactional)?then("CreateContract", e.test.duplicable?has_content?then("UniqueContract", "CreateManyContract")) + input]>
<#list crud?then([], ["read", "replace", "patch", "delete"]) as operation>
<#if e.can(operation) && (!e.test.unchanged || ["read", "delete"]?seq_contains(operation))>
<#assign contracts += [operation?cap_first + "Contract" + input]>
</#if>
</#list>
<#if e.guarded && e.can("read")>
<#assign contracts += ["GuardedContract" + input]>
</#if>
<#if e.test.includes?has_content>
<#assign contracts += ["IncludeContract" + input]>
</#if>
<#if e.test.children?has_content>
<#assign contracts += ["NestedContract" + input]>
</#if>
<#if e.test.secrets?has_content && e.keyed && e.can("read")>
<#assign contracts += [(e.can("replace") && e.can("patch"))?then("KeptSecretContract", "SecretContract") + input]>
</#if>
<#assign stamps = e.stamps?filter(t -> t.field??)>
<#if stamps?has_content && e.keyed && e.can("create")>
<#assign contracts += ["StampContract" + input]>
</#if>
<#if e.can("delete") && e.can("restore") && e.can("read") && e.can("list")>
<#assign contracts += ["RestoreContract" + input]>
</#if>
<#if e.test.deletedReferences?has_content && e.can("create")>
<#assign contracts += ["LiveReferenceContract" + input]>
</#if>
<#if e.test.own?has_content>
<#assign contracts += ["OwnerContract" + input]>
</#if>
<#if e.test.rules?has_content && !crud>
<#assign contracts += ["RulesContract" + input]>
</#if>
</#if>
<#if e.test.access?has_content>
<#assign contracts += ["AccessContract" + row]>
</#if>
<#assign path = e.test.access?has_content?then("PATH", e.collection), facts = []>
<#macro fact name fields>
<#if fields?has_content>
<#assign facts += ["." + name + "(" + fields?map(f -> f.json)?join(", ") + ")"]>
</#if>
</#macro>
<#if e.test.touched?has_content>
<#assign facts += [".touching(" + e.test.touched?map(t -> "Tables." + t)?join(", ") + ")"]>
</#if>
<#if e.keyed>
<@fact name="key" fields=e.key/>
</#if>
<#if e.can("list") && e.keyed>
<@fact name="sortable" fields=e.test.sortable/>
</#if>
<#if e.test.creates>
<#if e.can("list")>
<@fact name="filters" fields=e.test.filters/>
<#if e.test.divided?? && e.test.filters?has_content>
<@fact name="ordered" fields=[e.test.divided]/>
</#if>
<#if e.test.searched?? && e.test.filters?has_content>
<@fact name="searched" fields=[e.test.searched]/>
</#if>
</#if>
<#if e.test.transactional>
<@fact name="unique" fields=e.test.duplicable/>
</#if>
<@fact name="overwritten" fields=e.test.overwritten/>
<@fact name="secret" fields=e.inputs?filter(f -> !f.told)/>
<#if e.can("replace") && e.test.differingKey?size != e.key?size>
<#assign facts += [".differing(" + e.test.differingKey?map(f -> f.json)?join(", ") + ")"]>
</#if>
<#if e.can("patch")>
<@fact name="changeable" fields=e.test.patched/>
<#if e.test.following?size != e.test.overwritten?size>
<@fact name="following" fields=e.test.following/>
</#if>
</#if>
<#if stamps?has_content && e.keyed && e.can("create")>
<@fact name="stamps" fields=stamps?map(t -> t.field)/>
<@fact name="signatures" fields=stamps?filter(t -> !t.moment)?map(t -> t.field)/>
</#if>
<#if e.test.own?has_content>
<#assign said = e.inputs?filter(f -> f.owner && f.told)?map(f -> f.json)?first!'""', refers = "List.of(" + e.ownReferences?filter(r -> r.owned && !r.owner)?map(r -> "" + r.names)?join(", ") + ")">
<#assign facts += [".owned(new TableFacts.Owned(" + e.own.claim + ", " + e.own.owner + ", " + said + ", " + refers + ", List.of(" + e.test.own?join(", ") + ")))"]>
</#if>
<#if (e.can("read") || e.updatable() || e.can("delete")) && e.children?has_content>
<#assign facts += [".children(" + e.children?map(c -> c.path)?join(", ") + ")"]>
</#if>
</#if>
<#if contracts?has_content>
import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
<#include "/types.ftl">
class ${e.name}ControllerTest implements
        ${contracts?join(",\n        ")} {
<#if e.test.access?has_content>
    private static final String PATH = ${e.collection};

</#if>
    @Override
<#if e.test.creates>
    public TableFacts<${e.name}, ${e.name}Input> facts() {
        return TableFacts.of(${path}, ${e.name}Samples.ROWS)<#list facts as fact>
                ${fact}</#list>;
<#else>
    public TableFacts<${e.name}, ${e.name}> facts() {
        return TableFacts.of(${path}, TestRows.of(${e.name}.class, new ${e.repositoryClass}()))<#list facts as fact>
                ${fact}</#list>;
</#if>
    }
<#if e.test.creates && e.test.includes?has_content>

    @Override
    public Map<String, String> included(${e.name} stored) {
        return Map.of<#if e.test.includes?size gt 10>Entries</#if>(
<#list e.test.includes as i>
                <#if e.test.includes?size gt 10>Map.entry(</#if>${i.json}, ${i.collection} + ${i.segment}<#if e.test.includes?size gt 10>)</#if><#if i?is_last>);<#else>,</#if>
</#list>
    }
</#if>
<#if e.test.creates && e.test.children?has_content>

    @Override
    public List<NestedList<?>> nested(${e.name} stored) throws SQLException {
        return List.of(
<#list e.test.children as c>
                <#if c.linked??>new NestedList<>(${c.collection} + ${c.segment} + ${c.path}, ${c.linked}.class, new ${c.repositoryClass}().${c.finder}(connection(), ${c.arguments}, PageQuery.all()).rows(), ${c.alone?c}<#else>listAt(${c.collection} + ${c.segment} + ${c.path},
                        row -> ${c.predicate}</#if>)<#if c?is_last>);<#else>,</#if>
</#list>
    }
</#if>
<#if contracts?filter(c -> c?starts_with("KeptSecret"))?has_content>

    @Override
    public List<Object> secrets(${e.name} stored) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.${e.constant}, ${shape.keyParts("stored")});
        return Arrays.asList(<#list e.test.secrets as f>row.get(${f.column})<#sep>, </#list>);
    }
</#if>
<#if e.test.creates && e.test.deletedReferences?has_content && e.can("create")>

    @Override
    public void deleteReferred(${e.name}Input input) throws SQLException {
<#list e.test.deletedReferences as r>
        Sql.update(connection(), ${r.delete}, ${r.values});
</#list>
    }
</#if>
<#if e.test.creates>
<#list e.test.finders as f>
<#if e.can("list")>

    @Test
    @Tag("list")
    void ${f.name}FiltersTheList() throws SQLException {
        ${e.name} stored = inserted();

        ApiResponse response = api().get(path() + ${f.query});

        assertThat(response.status()).isEqualTo(200);
        assertThat(response.asList(${e.name}.class)).isEqualTo(new ${e.repositoryClass}().${f.name}(connection(), ${f.arguments}, PageQuery.first(500)).rows());
    }
</#if>
</#list>
</#if>
<#if e.test.creates && e.test.rules?has_content>

    static Stream<RuleCase> rules() {
        return Stream.of(
<#if (e.test.required?size > 1)>
                RuleCase.of("all required missing").without(<#list e.test.required as f>${f.json}<#sep>, </#list>).isRefused(400),
</#if>
<#list e.test.rules as r>
<#if r.doc??>
                // ${r.doc}
</#if>
<#list r.cases as c>
                RuleCase.of(${c.name})<#list c.steps as step>.${step.method}(${step.arguments?join(", ")})</#list><#if r?is_last && c?is_last>);<#else>,</#if>
</#list>
</#list>
    }
</#if>
<#if e.test.access?has_content>

    static Stream<AccessCase> access() {
        return Stream.of(
<#if e.can("restore")>
                new AccessCase("list of deleted rows", "GET", PATH + "?deleted=true", "application/json", List.of(${e.roles("restore")})),
</#if>
<#list e.test.access as a>
                new AccessCase(${a.operation}, ${a.method}, PATH<#if a.segment??> + ${a.segment}</#if>, ${a.contentType}, List.of(${a.roles?join(", ")}))<#if a?is_last>);<#else>,</#if>
</#list>
    }
</#if>
}
</#if>
