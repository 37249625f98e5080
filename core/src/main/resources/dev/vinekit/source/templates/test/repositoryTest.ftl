<#ftl attributes={"layer": "repository", "class": "*RepositoryTest", "files": "repository tests"}>
<#import "/shapes.ftl" as shape>
<#assign input = "<" + e.name + ", " + e.name + "Input>", contracts = []>
<#if e.test.creates>
<#if e.updatable() && !e.test.unchanged>
<#assign contracts += ["UpdateContract" + input]>
</#if>
<#if e.can("delete")>
<#assign contracts += ["RemovalContract" + input]>
</#if>
<#if !contracts?has_content>
<#assign contracts += ["InsertContract" + input]>
</#if>
<#else>
<#assign contracts += ["RepositoryContract<" + e.name + ">"]>
</#if>
import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
<#include "/types.ftl">
class ${e.name}RepositoryTest implements ${contracts?join(", ")} {
    @Override
<#if e.test.creates>
    public TestRows<${e.name}, ${e.name}Input, ?> rows() {
        return ${e.name}Samples.ROWS;
<#else>
    public TestRows<${e.name}, ?, ?> rows() {
        return TestRows.of(${e.name}.class, new ${e.repositoryClass}())<#if e.keyed>
                .keyed(${e.name}::${shape.keyName()}, new ${e.repositoryClass}()::findById)</#if>;
</#if>
    }
<#if !e.test.transactional>

    @Override
    public List<Tables> withoutTransactions() {
        return List.of(Tables.${e.constant});
    }
</#if>
<#if e.test.creates>

    @Override
<#assign overwritten = e.test.overwritten?map(f -> "${f.name}")>
<#assign untold = e.inputs?filter(f -> !f.told)>
<#if e.keyed>
<#-- A row that is found by its key has it. -->
<#assign compared = e.inputs?filter(f -> !f.inKey && !overwritten?seq_contains("${f.name}"))>
    public void assertStored(${e.name} stored, ${e.name}Input input) throws SQLException {
<#if compared?has_content>
        TestRow row = TestRow.find(connection(), Tables.${e.constant}, ${shape.keyParts("stored")});
<#list compared as f>
        ${f.stored}
</#list>
        assertThat(${e.name}Input.of(stored)).usingRecursiveComparison().ignoringFields(<#list e.key + e.test.overwritten + untold as f>${f.nameText}<#sep>, </#list>).isEqualTo(input);
<#else>
        assertThat(TestRow.find(connection(), Tables.${e.constant}, ${shape.keyParts("stored")})).isNotNull();
</#if>
<#else>
    public void assertStored(${e.name} stored, ${e.name}Input input) {
        assertThat(${e.name}Input.of(stored)).usingRecursiveComparison().ignoringExpectedNullFields()<#if (e.test.overwritten + untold)?has_content>.ignoringFields(<#list e.test.overwritten + untold as f>${f.nameText}<#sep>, </#list>)</#if>.isEqualTo(input);
</#if>
    }
<#list e.test.finders as f>

    @Test
    @Tag("repository")
    void ${f.name}ReturnsTheRowsThatMatch() throws SQLException {
        ${e.name} stored = rows().inserted(connection());
        rows().inserted(connection());
        ${e.name}Repository repository = new ${e.repositoryClass}();

        List<${e.name}> found = repository.${f.name}(connection(), ${f.arguments}, PageQuery.all()).rows();

<#if f.matches>
        List<${e.name}> expected = repository.list(connection(), PageQuery.all()).rows().stream()
                .filter(row -> ${f.predicate})
                .toList();
        assertThat(found).contains(stored).isEqualTo(expected);
<#else>
        assertThat(found).doesNotContain(stored);
        assertThat(found.size()).isLessThan((int) repository.count(connection(), Condition.NONE));
</#if>
    }
</#list>
</#if>
}
