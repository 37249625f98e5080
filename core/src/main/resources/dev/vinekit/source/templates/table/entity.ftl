<#ftl attributes={"layer": "entity", "class": "*", "files": "entities"}>
import com.fasterxml.jackson.annotation.JsonProperty;
<#include "/types.ftl">
/**
<#if "${e.doc}"?has_content>
<#list e.doc.lines(112) as line>
 * ${line}
</#list>
 *
 * <p>${e.view?then("View", "Table")} ${e.table.code}.
<#else>
 * A row of ${e.table.code}.
</#if>
<#if e.documented?has_content>
 *
<#list e.documented as f>
<#list f.doc.lines(96) as line>
<#if line?index == 0> * @param ${f.name} ${line}<#else> *     ${line}</#if>
</#list>
</#list>
</#if>
 */
public record ${e.name}(
<#list e.fields as f>
        <#if f.renamed>@JsonProperty(${f.json}) </#if>${f.type} ${f.name}<#if f?has_next>,<#else>)<#if e.version??> implements Versioned</#if> {</#if>
</#list>
<#if e.keyName??>
    /** The primary key. */
    public ${e.keyName} primaryKey() {
        return new ${e.keyName}(<#list e.key as f>${f.name}<#sep>, </#list>);
    }
</#if>
<#if e.version??>

    @Override
    public long rowVersion() {
        return ${e.version.name};
    }
</#if>
}
