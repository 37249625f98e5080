/** The SQL for ${e.table.code}. Every method works on the connection, and in the transaction, that it is given. */
public final class ${e.name}Repository {
<#if e.constraints?has_content>
    /** What it means to a client when the database refuses a row. */
    public static final List<Constraint> CONSTRAINTS = List.of(
<#list e.constraints as c>
            ${c}<#if c?has_next>,<#else>);</#if>
</#list>

</#if>
<#if e.can.create && !e.sql.returning>
    private static final String[] COLUMN_NAMES = {
<#list e.fields as f>
        ${f.column}<#sep>,</#sep>
</#list>
    };

</#if>
<#if e.can.create && e.sql.returning>
    private static final String COLUMNS = """
            ${e.sql.columnList.block(12)}
            """;

    private static final String SELECT = "SELECT " + COLUMNS + """
            FROM ${e.sql.table.block(16)}
            """;

<#else>
    private static final String SELECT = """
            SELECT ${e.sql.columnList.block(16)}
            FROM ${e.sql.table.block(16)}
            """;

</#if>
<#if e.keyed>
    private static final String LIST = SELECT + """
            ORDER BY ${e.sql.keyList.block(16)}
            ${e.sql.limit.block(12)}
            """;

    private static final String LIST_AFTER = SELECT + """
            WHERE ${e.sql.keyAfter.block(16)}
            ORDER BY ${e.sql.keyList.block(16)}
            ${e.sql.limit.block(12)}
            """;

    private static final String FIND = SELECT + """
            WHERE ${e.sql.keyMatch.block(16)}
            """;

<#else>
    private static final String LIST = SELECT + """
            ORDER BY ${e.sql.orderList.block(16)}
            ${e.sql.page.block(12)}
            """;

</#if>
    private static final String COUNT = """
            SELECT COUNT(*)
            FROM ${e.sql.table.block(16)}
            """;

<#if e.can.replace>
    private static final String UPDATE = """
            UPDATE ${e.sql.table.block(16)}
            SET ${e.sql.assignments.block(16)}
            WHERE ${e.sql.keyMatch.block(16)}
            """;

</#if>
<#if e.can.delete>
    private static final String DELETE = """
            DELETE FROM ${e.sql.table.block(16)}
            WHERE ${e.sql.keyMatch.block(16)}
            """;

</#if>
<#if e.keyed>
    /**
     * At most {@code limit} rows, by ascending key.
     *
     * @param after the key of the row before the first one wanted; null to begin at the first
     */
    public List<${e.name}> list(Connection connection, ${e.keyCode.boxed} after, int limit) throws SQLException {
        return after == null
                ? Sql.list(connection, LIST, ${e.name}Repository::row, limit)
                : Sql.list(connection, LIST_AFTER, ${e.name}Repository::row, ${e.keyCode.afterArguments}, limit);
    }

    /** The row with this key, if there is one. */
    public Optional<${e.name}> findById(Connection connection, ${e.keyCode.type} ${e.keyCode.variable}) throws SQLException {
        return Sql.first(connection, FIND, ${e.name}Repository::row, ${e.keyCode.arguments});
    }

<#else>
    /** At most {@code limit} rows, without the first {@code offset}. */
    public List<${e.name}> list(Connection connection, long offset, int limit) throws SQLException {
        return Sql.list(connection, LIST, ${e.name}Repository::row, <#if e.sql.offsetFirst>offset, limit<#else>limit, offset</#if>);
    }

</#if>
    /** The number of rows. */
    public long count(Connection connection) throws SQLException {
        return Sql.count(connection, COUNT);
    }

<#if e.can.create>
    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
    public ${e.name} insert(Connection connection, ${e.name}Input input) throws SQLException {
        return new Insert(${e.sql.table})
<#list e.inserts as f>
                .set(${f.sqlName}<#if f.parameter??>, ${f.parameter}</#if>, input.${f.name}())
</#list>
                .returning(connection, <#if e.sql.returning>COLUMNS<#else>COLUMN_NAMES</#if>, ${e.name}Repository::row);
    }

</#if>
<#if e.can.replace>
    /** Gives every column but those of the key a new value; false if there is no such row. */
    public boolean update(Connection connection, ${e.keyCode.type} ${e.keyCode.variable}, ${e.name}Input input) throws SQLException {
        return Sql.update(connection, UPDATE,
<#list e.updates as f>
                input.${f.name}(),
</#list>
                ${e.keyCode.arguments}) == 1;
    }

</#if>
<#if e.can.delete>
    /** Deletes the row with this key; false if there is none. */
    public boolean delete(Connection connection, ${e.keyCode.type} ${e.keyCode.variable}) throws SQLException {
        return Sql.update(connection, DELETE, ${e.keyCode.arguments}) == 1;
    }

</#if>
    private static ${e.name} row(ResultSet row) throws SQLException {
        return new ${e.name}(
<#list e.fields as f>
                ${f.read}<#if f?has_next>,<#else>);</#if>
</#list>
    }
}
