<#-- A public method: whole in a class; in an interface without its body; in an implementation without its comment. -->
<#macro method signature>
<#if part == "interface">
<#nested "doc">
    ${signature};

<#elseif part == "implementation">
    @Override
    public ${signature} {
<#nested "body">
    }

<#else>
<#nested "doc">
    public ${signature} {
<#nested "body">
    }

</#if>
</#macro>

<#-- What a row calls its key. -->
<#function keyName>
<#return (e.key?size == 1)?then("${e.key[0].name}", "primaryKey")>
</#function>

<#-- The key of a row that is in a variable. -->
<#function keyOf row>
<#return row + "." + keyName() + "()">
</#function>

<#-- The parts of a key, each as an argument: of a row in a variable, or of the key in its own. -->
<#function keyParts row>
<#return (row == "key" && e.key?size == 1)?then("${e.keyCode.variable}", e.key?map(f -> "${row}.${f.name}()")?join(", "))>
</#function>

<#-- The parameter that takes a key from a path. -->
<#macro keyParameter>${(e.key?size == 1)?then("", "@Encoded ")}@PathParam("key") ${e.keyCode.type} ${e.keyCode.variable}</#macro>

<#-- How long an answer may be used again. -->
<#macro cached seconds>
<#if seconds gt 0>
    @Cached(${seconds?c})
</#if>
</#macro>

<#-- What it takes to call a method. -->
<#macro requires rights>
<#if rights?has_content>
    @Requires(${(rights?size gt 1)?then("{", "")}${rights?map(right -> "AccessRight.${right}")?join(", ")}${(rights?size gt 1)?then("}", "")})
</#if>
</#macro>

<#-- What can be included in rows of a type, and the function of its service that does so. -->
<#macro includes any type>${any?then("${type}Service.INCLUDES", "Includes.none()")}</#macro>
<#macro embedding any service>${any?then("${service}::including", "Includes::nothing")}</#macro>
