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
