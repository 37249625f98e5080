<#ftl attributes={"layer": "entity", "class": "*Key", "files": "keys"}>
<#if e.keyName??>
<#include "/types.ftl">
/** The primary key of {@link ${e.name}}. In a path it is one segment: the parts, percent-encoded, joined by commas. */
public record ${e.keyName}(<#list e.key as f>${f.boxed} ${f.name}<#sep>, </#list>) {
    /** The path segment. */
    @Override
    public String toString() {
        return PathKeys.join(<#list e.key as f>${f.name}<#sep>, </#list>);
    }

    /**
     * The key that a path segment stands for.
     *
     * @throws IllegalArgumentException if it stands for none
     */
    public static ${e.keyName} fromString(String segment) {
        List<String> parts = PathKeys.split(segment, ${e.key?size});
        return new ${e.keyName}(
<#list e.key as f>
                PathKeys.part(parts.get(${f?index}), ${f.boxed}.class)<#if f?has_next>,<#else>);</#if>
</#list>
    }
}
</#if>
