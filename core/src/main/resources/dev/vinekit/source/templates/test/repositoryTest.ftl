<#ftl attributes={"layer": "repository", "class": "*RepositoryTest", "files": "repository tests"}>
import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
<#include "/types.ftl">
class ${e.name}RepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction(<#if !e.test.transactional>Tables.${e.constant}</#if>);

    private final ${e.name}Repository repository = new ${e.repositoryClass}();
<#if e.test.creates>

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        ${e.name}Input input = ${e.name}Samples.sample(connection);

        ${e.name} stored = repository.insert(connection, input);

<#if e.keyed>
        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, ${e.keyCode.ofStored})).contains(stored);
<#else>
        assertThat(${e.name}Input.of(stored)).usingRecursiveComparison().ignoringExpectedNullFields()<#if e.test.overwritten?has_content>.ignoringFields(<#list e.test.overwritten as f>${f.nameText}<#sep>, </#list>)</#if>.isEqualTo(input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(stored);
</#if>
    }
</#if>
<#if e.updatable() && e.test.creates>

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        ${e.name} before = ${e.name}Samples.inserted(connection);
<#if e.test.shared?has_content>
        insertBeside(connection, before);
<#else>
        ${e.name}Samples.inserted(connection);
</#if>
        ${e.name}Input input = ${e.name}Samples.other(connection);
        List<${e.name}> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, ${e.keyCode.ofBefore}, input, Update.ALL)).isTrue();

        ${e.name} after = repository.findById(connection, ${e.keyCode.ofBefore}).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }
</#if>
<#if e.can("delete") && e.test.creates>

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        ${e.name} stored = ${e.name}Samples.inserted(connection);
<#if e.test.shared?has_content>
        insertBeside(connection, stored);
<#else>
        ${e.name}Samples.inserted(connection);
</#if>
        long rows = repository.count(connection, Condition.NONE);

        assertThat(repository.delete(connection, ${e.keyCode.ofStored})).isTrue();

        assertThat(repository.findById(connection, ${e.keyCode.ofStored})).isEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows - 1);
        assertThat(repository.delete(connection, ${e.keyCode.ofStored})).isFalse();
    }
</#if>
<#if e.test.creates>
<#list e.test.finders as f>

    @Test
    @Tag("repository")
    void ${f.name}ReturnsTheRowsThatMatch() throws SQLException {
        Connection connection = transaction.connection();
        ${e.name} stored = ${e.name}Samples.inserted(connection);
        ${e.name}Samples.inserted(connection);

        List<${e.name}> found = repository.${f.name}(connection, ${f.arguments}, PageQuery.all()).rows();

<#if f.matches>
        List<${e.name}> expected = repository.list(connection, PageQuery.all()).rows().stream()
                .filter(row -> ${f.predicate})
                .toList();
        assertThat(found).contains(stored).isEqualTo(expected);
<#else>
        assertThat(found).doesNotContain(stored);
        assertThat(found.size()).isLessThan((int) repository.count(connection, Condition.NONE));
</#if>
    }
</#list>
</#if>
<#if e.keyed>

    @Test
    @Tag("repository")
    void listGoesOnAfterAKey() throws SQLException {
        Connection connection = transaction.connection();
<#if e.test.creates>
        ${e.name}Samples.inserted(connection);
        ${e.name}Samples.inserted(connection);
</#if>
        List<${e.name}> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
<#if e.test.creates>
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(${e.keyCode.firstArguments})).rows()).isEqualTo(all.subList(1, 2));
<#else>
        if (!all.isEmpty()) {
            assertThat(repository.list(connection, PageQuery.first(1).after(${e.keyCode.firstArguments})).rows())
                    .isEqualTo(all.stream().skip(1).limit(1).toList());
        }
</#if>
    }
<#else>

    @Test
    @Tag("repository")
    void listGoesOnAfterAnOffset() throws SQLException {
        Connection connection = transaction.connection();
        List<${e.name}> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1).after(1L)).rows()).isEqualTo(all.stream().skip(1).limit(1).toList());
    }
</#if>
<#if (e.updatable() || e.can("delete")) && e.test.creates && e.test.shared?has_content>

    /** Inserts rows that have parts of their keys in common with a stored one. */
    private void insertBeside(Connection connection, ${e.name} stored) throws SQLException {
        for (String part : List.of(<#list e.test.shared as f>${f.json}<#sep>, </#list>)) {
            repository.insert(connection, InputReader.read(
                    Api.copying(${e.name}Samples.sample(connection), ${e.name}Input.of(stored), part), ${e.name}Input.class));
        }
    }
</#if>
<#if e.keyed && e.test.creates>

    private static void assertStored(Connection connection, ${e.name} stored, ${e.name}Input input) throws SQLException {
        TestRow row = TestRow.find(connection, Tables.${e.constant}, ${e.keyCode.storedArguments});
<#assign overwritten = e.test.overwritten?map(f -> "${f.name}")>
<#list e.inputs as f>
<#if !overwritten?seq_contains("${f.name}")>
        ${f.stored}
</#if>
</#list>
        assertThat(${e.name}Input.of(stored)).usingRecursiveComparison().ignoringFields(<#list e.key + e.test.overwritten as f>${f.nameText}<#sep>, </#list>).isEqualTo(input);
    }
</#if>
}
