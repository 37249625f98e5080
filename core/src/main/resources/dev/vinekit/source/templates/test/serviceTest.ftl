<#ftl attributes={"layer": "service", "class": "*ServiceTest", "files": "service tests"}>
<#import "/shapes.ftl" as shape>
<#if s.interfaces>
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.any;
import static org.mockito.Mockito.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Optional;
import java.util.OptionalLong;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
<#include "/types.ftl">
/** What the service adds to its repository, which is a mock here: rules, transactions, and answers for rows that are not there. */
class ${e.name}ServiceTest {
    private final Connection connection = mock(Connection.class);
    private final ${e.name}Repository repository = mock(${e.name}Repository.class);
    private ${e.name}Service service;

    @BeforeEach
    void makeService() throws SQLException {
        service = new ${e.serviceClass}(UnitTransactions.on(connection), repository);
    }
<#if e.test.creates>

    private static ${e.name}Input input() {
        return new ${e.name}Input(
<#list e.test.alone.input as a>
                ${a}<#if a?has_next>,<#else>);</#if>
</#list>
    }
</#if>
<#if e.keyed || e.test.creates>

    private static ${e.name} row() {
        return new ${e.name}(
<#list e.test.alone.stored as a>
                ${a}<#if a?has_next>,<#else>);</#if>
</#list>
    }
</#if>

    @Test
    @Tag("service")
    void listGivesThePageOfTheRepository() throws SQLException {
        PageResult<${e.name}> page = new PageResult<>(List.of(), false, OptionalLong.empty());
        when(repository.list(connection, PageQuery.first(7))).thenReturn(page);

        assertThat(service.list(PageQuery.first(7))).isSameAs(page);
    }
<#if e.keyed>

    @Test
    @Tag("service")
    void findGivesTheRowOfTheRepository() throws SQLException {
        ${e.name} stored = row();
        when(repository.findById(connection, ${shape.keyOf("stored")})).thenReturn(Optional.of(stored));

        assertThat(service.find(${shape.keyOf("stored")})).isSameAs(stored);
    }

    @Test
    @Tag("service")
    void findOfAMissingRowIs404() {
        ${e.name} stored = row();

        assertProblem(404, () -> service.find(${shape.keyOf("stored")}));
    }
</#if>
<#if e.test.creates>

    @Test
    @Tag("service")
    void createCommitsWhatTheRepositoryInserts() throws SQLException {
        ${e.name} stored = row();
        when(repository.insert(connection, input())).thenReturn(stored);

        assertThat(service.create(input())).isSameAs(stored);

        verify(connection).commit();
    }

    @Test
    @Tag("service")
    void createThatFailsIsTakenBack() throws SQLException {
        when(repository.insert(connection, input())).thenThrow(new SQLException("refused"));

        assertThatThrownBy(() -> service.create(input())).isInstanceOf(RuntimeException.class);

        verify(connection).rollback();
        verify(connection, never()).commit();
    }
<#if e.test.alone.lacking?has_content>

    @Test
    @Tag("service")
    void createOfAnInputThatBreaksARuleAsksNoDatabase() {
        ${e.name}Input lacking = new ${e.name}Input(
<#list e.test.alone.lacking as a>
                ${a}<#if a?has_next>,<#else>);</#if>
</#list>

        assertProblem(400, () -> service.create(lacking));

        verifyNoInteractions(connection, repository);
    }
</#if>
<#if e.test.transactional>

    @Test
    @Tag("service")
    void createAllInsertsEachInOneTransaction() throws SQLException {
<#if e.sql.readBack?? && e.sql.readBack.numbered>
        List<${e.name}Input> inputs = List.of(input(), input());
        when(repository.insertAll(connection, inputs)).thenReturn(List.of(row(), row()));

        assertThat(service.createAll(inputs)).hasSize(2);

<#else>
        when(repository.insert(connection, input())).thenReturn(row());

        assertThat(service.createAll(List.of(input(), input()))).hasSize(2);

        verify(repository, times(2)).insert(connection, input());
</#if>
        verify(connection, times(1)).commit();
    }
</#if>
</#if>
<#assign find = e.locks?then("lockById", "findById")>
<#if e.can("replace") && e.test.creates>

    @Test
    @Tag("service")
    void replaceGivesTheRowAsStored() throws SQLException {
        ${e.name} stored = row();
<#if e.keyCode.loose || e.ownReferences?has_content>
        when(repository.${find}(connection, ${shape.keyOf("stored")})).thenReturn(Optional.of(stored));
</#if>
        when(repository.update(connection, ${shape.keyOf("stored")}, input(), Update.ALL)).thenReturn(true);
        when(repository.findById(connection, ${shape.keyOf("stored")})).thenReturn(Optional.of(stored));

        assertThat(service.replace(${shape.keyOf("stored")}, input(), Precondition.NONE)).isSameAs(stored);

        verify(connection).commit();
    }

    @Test
    @Tag("service")
    void replaceOfAMissingRowIs404() throws SQLException {
        ${e.name} stored = row();

        assertProblem(404, () -> service.replace(${shape.keyOf("stored")}, input(), Precondition.NONE));

        verify(connection, never()).commit();
    }

    @Test
    @Tag("service")
    void replaceOfAnotherStateWritesNothing() throws SQLException {
        ${e.name} stored = row();
        when(repository.${find}(connection, ${shape.keyOf("stored")})).thenReturn(Optional.of(stored));

        assertProblem(412, () -> service.replace(${shape.keyOf("stored")}, input(), Precondition.matching("\"another\"")));

        verify(repository, never()).update(connection, ${shape.keyOf("stored")}, input(), Update.ALL);
    }
</#if>
<#if e.can("patch") && e.test.creates>

    @Test
    @Tag("service")
    void changeOfNothingKeepsEveryField() throws SQLException {
        ${e.name} stored = row();
        when(repository.${find}(connection, ${shape.keyOf("stored")})).thenReturn(Optional.of(stored));
        when(repository.findById(connection, ${shape.keyOf("stored")})).thenReturn(Optional.of(stored));
        when(repository.update(eq(connection), eq(${shape.keyOf("stored")}), eq(${e.name}Input.of(stored)), any())).thenReturn(true);

        assertThat(service.patch(${shape.keyOf("stored")}, JsonNodeFactory.instance.objectNode(), Precondition.NONE)).isSameAs(stored);

        verify(connection).commit();
    }
</#if>
<#if e.can("delete")>

    @Test
    @Tag("service")
    void deleteCommits() throws SQLException {
        ${e.name} stored = row();
        when(repository.delete(connection, ${shape.keyOf("stored")})).thenReturn(true);

        service.delete(${shape.keyOf("stored")}, Precondition.NONE);

        verify(connection).commit();
    }

    @Test
    @Tag("service")
    void deleteOfAMissingRowIs404() {
        ${e.name} stored = row();

        assertProblem(404, () -> service.delete(${shape.keyOf("stored")}, Precondition.NONE));
    }

    @Test
    @Tag("service")
    void deleteOfAnotherStateDeletesNothing() throws SQLException {
        ${e.name} stored = row();
        when(repository.${find}(connection, ${shape.keyOf("stored")})).thenReturn(Optional.of(stored));

        assertProblem(412, () -> service.delete(${shape.keyOf("stored")}, Precondition.matching("\"another\"")));

        verify(repository, never()).delete(connection, ${shape.keyOf("stored")});
    }
</#if>
<#if e.keyed || e.test.creates && e.test.alone.lacking?has_content>

    private static void assertProblem(int status, ThrowingCallable call) {
        assertThatThrownBy(call).isInstanceOfSatisfying(ProblemException.class,
                problem -> assertThat(problem.problem().status()).isEqualTo(status));
    }
</#if>
}
</#if>
