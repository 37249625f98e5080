class ${e.name}RepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction(<#if !e.test.transactional>Tables.${e.constant}</#if>);

    private final ${e.name}Repository repository = new ${e.name}Repository();
<#if e.can.create>

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
        assertThat(${e.name}Input.of(stored)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
        assertThat(repository.list(connection, 0, Integer.MAX_VALUE)).contains(stored);
</#if>
    }
</#if>
<#if e.can.replace>

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        ${e.name} before = ${e.name}Samples.inserted(connection);
        ${e.name}Input input = ${e.name}Samples.other(connection);

        assertThat(repository.update(connection, ${e.keyCode.ofBefore}, input)).isTrue();

        ${e.name} after = repository.findById(connection, ${e.keyCode.ofBefore}).orElseThrow();
        assertStored(connection, after, input);
    }
</#if>
<#if e.can.delete && e.can.create>

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        ${e.name} stored = ${e.name}Samples.inserted(connection);
        long rows = repository.count(connection);

        assertThat(repository.delete(connection, ${e.keyCode.ofStored})).isTrue();

        assertThat(repository.findById(connection, ${e.keyCode.ofStored})).isEmpty();
        assertThat(repository.count(connection)).isEqualTo(rows - 1);
        assertThat(repository.delete(connection, ${e.keyCode.ofStored})).isFalse();
    }
</#if>
<#if e.keyed>

    @Test
    @Tag("repository")
    void listGoesOnAfterAKey() throws SQLException {
        Connection connection = transaction.connection();
<#if e.can.create>
        ${e.name}Samples.inserted(connection);
        ${e.name}Samples.inserted(connection);
</#if>
        List<${e.name}> all = repository.list(connection, null, Integer.MAX_VALUE);

        assertThat(all).hasSize((int) repository.count(connection));
        assertThat(repository.list(connection, null, 1)).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, ${e.keyCode.ofFirst}, 1)).isEqualTo(all.subList(1, 2));
    }
<#else>

    @Test
    @Tag("repository")
    void listGoesOnAfterAnOffset() throws SQLException {
        Connection connection = transaction.connection();
        List<${e.name}> all = repository.list(connection, 0, Integer.MAX_VALUE);

        assertThat(all).hasSize((int) repository.count(connection));
        assertThat(repository.list(connection, 1, 1)).isEqualTo(all.stream().skip(1).limit(1).toList());
    }
</#if>
<#if e.keyed && e.can.create>

    private static void assertStored(Connection connection, ${e.name} stored, ${e.name}Input input) throws SQLException {
        TestRow row = TestRow.find(connection, Tables.${e.constant}, ${e.keyCode.storedArguments});
<#list e.inputs as f>
        assertThat(row.get(${f.column})).isEqualTo(<#if f.assigned>stored.${f.name}()<#elseif f.inKey && f.coded>Sql.databaseValue(stored.${f.name}())<#elseif f.inKey>stored.${f.name}()<#elseif f.coded>Sql.databaseValue(input.${f.name}())<#else>input.${f.name}()</#if>);
</#list>
        assertThat(${e.name}Input.of(stored)).usingRecursiveComparison().ignoringFields(<#list e.key as f>${f.nameText}<#sep>, </#list>).isEqualTo(input);
    }
</#if>
}
