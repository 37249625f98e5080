<#ftl attributes={"layer": "dto", "class": "*Input", "files": "inputs"}>
<#if e.writable>
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Null;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
<#include "/types.ftl">
/**
 * What a client may send to create or replace ${e.title.withArticle}.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record ${e.name}Input(
<#list e.inputs as f>
<#if f.renamed>
        @JsonProperty(${f.json})
</#if>
<#list f.annotations as annotation>
        ${annotation}
</#list>
        ${f.taken} ${f.name}<#if f?has_next>,<#else>) {</#if>
</#list>
    /** What a client would send to write this row again<#if e.inputs?filter(f -> !f.told)?has_content>; what is not told is kept</#if>. */
    public static ${e.name}Input of(${e.name} ${e.variable}) {
        return new ${e.name}Input(
<#list e.inputs as f>
                <#if f.told>${e.variable}.${f.name}()<#else>null</#if><#if f?has_next>,<#else>);</#if>
</#list>
    }
<#assign untold = e.inputs?filter(f -> !f.told)>
<#if untold?has_content>

    /** Without what is not told. */
    @Override
    public String toString() {
        return "${e.name}Input[<#list e.inputs?filter(f -> f.told) as f>${f.name}=" + ${f.name}<#sep> + ", </#sep><#else>"</#list> + "]";
    }
</#if>
}
</#if>
