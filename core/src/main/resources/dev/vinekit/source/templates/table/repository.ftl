<#ftl attributes={"layer": "repository", "class": "*Repository", "implementation": "Jdbc*Repository",
    "files": "repositories", "locals": "condition connection fields found input page row stored"}>
<#import "/shapes.ftl" as shape>
<#-- What every change of a row changes besides. -->
<#macro changed>
<#list e.stamps?filter(t -> t.ofChange) as t>
                .put(${t.sqlName}, ${t.sql}<#if !t.moment>, Caller.current().signature(${t.type}.class, ${t.length?c})</#if>)
</#list>
<#if e.version??>
                .count(${e.version.sqlName})
</#if>
</#macro>
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Optional;
import java.util.function.Predicate;
<#include "/types.ftl">
<#if part == "implementation">
/** The SQL for ${e.table.code}. */
public final class ${e.repositoryClass} extends RowRepository<${e.name}> implements ${e.name}Repository {
<#elseif part == "interface">
/** The rows of ${e.table.code}. Every method works on the connection, and in the transaction, that it is given. */
public interface ${e.name}Repository {
<#else>
/** The SQL for ${e.table.code}. Every method works on the connection, and in the transaction, that it is given. */
public final class ${e.name}Repository extends RowRepository<${e.name}> {
</#if>
<#assign constant = (part == "interface")?then("", "public static final ")>
<#if part != "implementation">
<#if e.constraints?has_content>
    /** What it means to a client when the database refuses a row. */
    ${constant}List<Constraint> CONSTRAINTS = List.of(
<#list e.constraints as c>
            ${c}<#if c?has_next>,<#else>);</#if>
</#list>

</#if>
<#if e.scoped>
    /** Which rows are there for the caller. */
<#if e.own??>
    ${constant}RowScope SCOPE = RowScope.of(${e.own.claim}, ${e.own.type}.class, List.of(${e.own.everything}), ${e.own.condition}, ${e.own.parameters})<#if e.deletion??>
            .andUndeleted(${e.deletion.sqlName})</#if>;
<#else>
    ${constant}RowScope SCOPE = RowScope.undeleted(${e.deletion.sqlName});
</#if>

</#if>
    /** What the rows can be filtered and sorted by. */
    ${constant}Filters FILTERS = Filters.of(<#if !e.filters?has_content>)</#if>
<#list e.filters as f>
            ${f.filter}<#if f?has_next>,<#else>)</#if>
</#list>
            .${e.keyed?then("key", "order")}(${e.orderCode})<#if e.can("restore")>
            .deletable(<#if s.secured>AccessRight.${e.rights("restore")?first}</#if>)</#if>;

</#if>
<#if part != "interface">
<#list e.converters as c>
    private static final ColumnConverter<${c.stored}, ${c.type}> ${c.constant} = new ${c.by}();

</#list>
<#if e.can("create") && !e.sql.returning && !e.sql.readBack??>
    private static final String[] COLUMN_NAMES = {
<#list e.fields as f>
        ${f.column}<#sep>,</#sep>
</#list>
    };

</#if>
<#if e.sql.columnList.oneLine>
    private static final String COLUMNS = ${e.sql.columnList};
<#else>
    private static final String COLUMNS = """
            ${e.sql.columnList.block(12)}\
            """;
</#if>

<#if e.keyed>
    private static final String BY_KEY = ${e.sql.keyMatch.after("WHERE ")};

</#if>
    private static final StoredRow<${e.name}> ROW = new StoredRow<>(${e.name}.class, ${e.repositoryClass}::row<#list e.key as f>, ${f.json}</#list>);

</#if>
<#if part == "interface">
<#if e.keyed>
    /** The rows of a page, by ascending key if it does not say otherwise. */
<#else>
    /** The rows of a page; what {@link PageQuery#after} says is how many to pass over. */
</#if>
    PageResult<${e.name}> list(Connection connection, PageQuery page) throws SQLException;

    /** The number of rows that fulfil a condition. */
    long count(Connection connection, Condition condition) throws SQLException;

<#else>
    public ${e.repositoryClass}() {
        super(${e.sql.rows}, COLUMNS, FILTERS, ROW<#if e.scoped>, SCOPE</#if>);
    }

</#if>
<#if e.keyed>
<@shape.method "Optional<${e.name}> findById(Connection connection, ${e.keyCode.type} ${e.keyCode.variable}) throws SQLException"; piece>
<#if piece == "doc">
    /** The row with this key, if there is one. */
<#else>
        return firstWhere(connection, BY_KEY, ${shape.keyParts("key")});
</#if>
</@shape.method>
</#if>
<#if e.locks>
<@shape.method "Optional<${e.name}> lockById(Connection connection, ${e.keyCode.type} ${e.keyCode.variable}) throws SQLException"; piece>
<#if piece == "doc">
    /** The row with this key, if there is one; nobody else changes it before the transaction ends. */
<#else>
<#if s.scoped>
        return lockWhere(connection, BY_KEY, ${shape.keyParts("key")});
<#else>
        return firstWhere(connection, BY_KEY + ${e.sql.lock.after(" ")}, ${shape.keyParts("key")});
</#if>
</#if>
</@shape.method>
</#if>
<#list e.lookups as l>
<@shape.method "List<${e.name}> ${l.name}(Connection connection, Collection<${l.type}> keys) throws SQLException"; piece>
<#if piece == "doc">
    /** The rows with these values of ${l.doc}, in one statement. */
<#else>
        return list(connection, PageQuery.first(keys.size() + 1).where(condition -> ${l.narrowing})).whole();
</#if>
</@shape.method>
</#list>
<#list e.finders as f>
<@shape.method "PageResult<${e.name}> ${f.name}(Connection connection, ${f.parameters}, PageQuery page) throws SQLException"; piece>
<#if piece == "doc">
    /** The rows of a page ${f.doc}. */
<#else>
        return list(connection, page.where(condition -> condition${f.narrowing}));
</#if>
</@shape.method>
</#list>
<#if e.can("create")>
<@shape.method "${e.name} insert(Connection connection, ${e.name}Input input) throws SQLException"; piece>
<#if piece == "doc">
    /** Inserts a row and returns it as stored. Columns without a value take the database's default. */
<#elseif e.sql.readBack?? && e.sql.readBack.numbered>
<#if e.ownReferences?has_content>
        verifyReferences(connection, input, Update.ALL);
</#if>
        return insertion(input).returning(connection, COLUMNS, ROW, ${e.key[0].sqlName});
<#else>
<#if e.ownReferences?has_content>
        verifyReferences(connection, input, Update.ALL);
</#if>
        <#if e.sql.rereads>${e.name} created =<#else>return</#if> new Insert(${e.sql.table})
<#list e.inserts as f>
                .set(${f.sqlName}<#if f.parameter??>, ${f.parameter}</#if>, ${f.inserted})
</#list>
<#list e.stamps as t>
                .<#if t.moment>put(${t.sqlName}, ${t.sql})<#else>set(${t.sqlName}, <#if "${t.sql}" != '"?"'>${t.sql}, </#if>Caller.current().signature(${t.type}.class, ${t.length?c}))</#if>
</#list>
<#if e.sql.readBack??>
<#list e.sql.readBack.defaults as d>
                .orDefault(${d.column}, ${d.value})
</#list>
                .returning(connection, COLUMNS, ROW<#list e.key as f>, ${f.sqlName}</#list>);
<#else>
                .returning(connection, <#if e.sql.returning>COLUMNS<#else>COLUMN_NAMES</#if>, ROW);
</#if>
<#if e.sql.rereads>
        // A trigger may have changed the row since.
        return findById(connection, ${shape.keyOf("created")}).orElse(created);
</#if>
</#if>
</@shape.method>
<#if e.sql.readBack?? && e.sql.readBack.numbered>
<@shape.method "List<${e.name}> insertAll(Connection connection, List<${e.name}Input> inputs) throws SQLException"; piece>
<#if piece == "doc">
    /** Inserts rows, many by one statement, and returns them as stored, in their order. */
<#else>
<#if e.ownReferences?has_content>
        for (${e.name}Input input : inputs) {
            verifyReferences(connection, input, Update.ALL);
        }
</#if>
        return Insert.returningAll(connection, inputs.stream().map(${e.repositoryClass}::insertion).toList(), COLUMNS, ROW, ${e.key[0].sqlName});
</#if>
</@shape.method>
<#if part != "interface">
    private static Insert insertion(${e.name}Input input) {
        return new Insert(${e.sql.table})<#if !e.inserts?has_content && !e.stamps?has_content>;</#if>
<#list e.inserts as f>
                .set(${f.sqlName}<#if f.parameter??>, ${f.parameter}</#if>, ${f.inserted})<#if !f?has_next && !e.stamps?has_content>;</#if>
</#list>
<#list e.stamps as t>
                .<#if t.moment>put(${t.sqlName}, ${t.sql})<#else>set(${t.sqlName}, <#if "${t.sql}" != '"?"'>${t.sql}, </#if>Caller.current().signature(${t.type}.class, ${t.length?c}))</#if><#if !t?has_next>;</#if>
</#list>
    }

</#if>
</#if>
</#if>
<#if e.updatable()>
<@shape.method "boolean update(Connection connection, ${e.keyCode.type} ${e.keyCode.variable}, ${e.name}Input input, Predicate<String> fields) throws SQLException"; piece>
<#if piece == "doc">
    /** Gives the columns of these fields, by their names in JSON, a new value; false if there is no such row. */
<#else>
<#if e.ownReferences?has_content>
        verifyReferences(connection, input, fields);
</#if>
        return new Update(${e.sql.rows}, fields)
<#list e.updates as f>
                .${f.owner?then("setIfGiven", f.told?then("set", "setOrKeep"))}(${f.json}, ${f.sqlName}<#if f.parameter??>, ${f.parameter}</#if>, ${f.bound})
</#list>
<@changed/><#if e.scoped>
                .where(connection, narrowed(BY_KEY, ${shape.keyParts("key")}));
<#else>
                .where(connection, ${e.sql.keyMatch}, ${shape.keyParts("key")});
</#if>
</#if>
</@shape.method>
</#if>
<#if e.can("delete")>
<@shape.method "boolean delete(Connection connection, ${e.keyCode.type} ${e.keyCode.variable}) throws SQLException"; piece>
<#if piece == "doc">
    /** Deletes the row with this key; false if there is none. */
<#else>
<#if e.deletion??>
        <#if e.deletion.referrers?has_content>boolean deleted =<#else>return</#if> new Update(${e.sql.rows}, Update.ALL)
                .to(${e.deletion.sqlName}, ${e.deletion.now})
<@changed/>                .where(connection, narrowed(BY_KEY, ${shape.keyParts("key")}));
<#if e.deletion.referrers?has_content>
        if (deleted) {
<#list e.deletion.referrers as r>
            verifyUnreferred(connection, ${r.path}, ${r.query}, ${shape.keyParts("key")});
</#list>
        }
        return deleted;
</#if>
<#else>
        return deleteWhere(connection, BY_KEY, ${shape.keyParts("key")}) == 1;
</#if>
</#if>
</@shape.method>
</#if>
<#if e.can("restore")>
<@shape.method "boolean restore(Connection connection, ${e.keyCode.type} ${e.keyCode.variable}) throws SQLException"; piece>
<#if piece == "doc">
    /** Brings back a deleted row; false if there is none with this key. */
<#else>
        <#if e.ownReferences?has_content && e.writable>boolean restored =<#else>return</#if> new Update(${e.sql.rows}, Update.ALL)
                .to(${e.deletion.sqlName}, "NULL")
<@changed/>                .where(connection, gone(BY_KEY, ${shape.keyParts("key")}));
<#if e.ownReferences?has_content && e.writable>
        if (restored) {
            verifyReferences(connection, ${e.name}Input.of(findById(connection, ${e.keyCode.variable}).orElseThrow()), Update.ALL);
        }
        return restored;
</#if>
</#if>
</@shape.method>
</#if>
<#if part != "interface">
<#if e.ownReferences?has_content && e.writable>
    /** The rows that a row refers to must be there for the caller. */
    private static void verifyReferences(Connection connection, ${e.name}Input input, Predicate<String> fields) throws SQLException {
<#list e.ownReferences as r>
        ${r.repository}.SCOPE.verifyReference(connection, ${r.rows}, ${r.path}, List.of(${r.names}), fields, ${r.match}, ${r.values});
</#list>
    }

</#if>
    private static ${e.name} row(ResultSet row) throws SQLException {
        return new ${e.name}(
<#list e.fields as f>
                ${f.read}<#if f?has_next>,<#else>);</#if>
</#list>
    }
</#if>
}
