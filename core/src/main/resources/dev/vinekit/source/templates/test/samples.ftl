<#ftl attributes={"layer": "samples", "class": "*Samples", "files": "samples"}>
<#import "/shapes.ftl" as shape>
<#if e.test.filled>
import java.sql.Connection;
import java.sql.SQLException;
<#include "/types.ftl">
<#if !e.test.creates>
/** Rows of ${e.table.code}: those of the seed, for tests make no others. */
public final class ${e.name}Samples {
    private ${e.name}Samples() {
    }

    /** A row of the seed, another one each time as long as there are any. */
    public static ${e.name} stored(Connection connection) throws SQLException {
        List<${e.name}> rows = new ${e.repositoryClass}().list(connection, PageQuery.all()).rows();
        return rows.get(Numbers.next(${e.name}Samples.class) % rows.size());
    }
}
<#else>
/** Rows of ${e.table.code} that satisfy every constraint. */
public final class ${e.name}Samples {
    private static final ${e.repositoryClass} REPOSITORY = new ${e.repositoryClass}();

    /** How tests get at the rows. */
    public static final TestRows<${e.name}, ${e.name}Input, <#if e.keyed>${e.keyCode.boxed}<#else>Void</#if>> ROWS = TestRows.of(${e.name}.class, REPOSITORY)
<#if e.keyed>
            .keyed(${e.name}::${shape.keyName()}, REPOSITORY::findById)
</#if>
            .made(${e.name}Input::of, ${e.name}Samples::sample, REPOSITORY::insert)<#if e.updatable()>
            .changed(${e.name}Samples::other, REPOSITORY::update)</#if><#if e.can("delete")>
            .deleted(REPOSITORY::delete)</#if><#if (e.updatable() || e.can("delete")) && e.test.shared?has_content>
            .sharing(<#list e.test.shared as f>${f.json}<#sep>, </#list>)</#if>;

    private ${e.name}Samples() {
    }

<#list e.updatable()?then([e.test.sample, e.test.other], [e.test.sample]) as s>
<#if s?index == 0>
    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static ${e.name}Input sample(Connection connection) throws SQLException {
<#else>
    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static ${e.name}Input other(Connection connection) throws SQLException {
</#if>
<#if s.numbered>
        int n = Numbers.next(${e.name}Samples.class);
</#if>
<#list s.parents as p>
        ${p.type} ${p.name} = ${p.type}Samples.<#if "${p.method}" == "inserted">ROWS.</#if>${p.method}(connection);
</#list>
<#assign call = "        return new " + e.name + "Input(" + s.arguments?join(", ") + ");">
<#if (call?length <= 120)>
${call}
<#else>
        return new ${e.name}Input(
<#list s.arguments as a>
                ${a}<#if a?has_next>,<#else>);</#if>
</#list>
</#if>
    }

</#list>
<#if e.test.referredInCircle>
    /** A row of the seed, which come before those of a test: a new one would need others that refer to it. */
    public static ${e.name} stored(Connection connection) throws SQLException {
        List<${e.name}> rows = REPOSITORY.list(connection, PageQuery.all()).rows();
        return rows.get(Numbers.next(${e.name}Samples.class) % Math.max(1, rows.size() - Numbers.MOST_ADDED));
    }

</#if>
}
</#if>
</#if>
