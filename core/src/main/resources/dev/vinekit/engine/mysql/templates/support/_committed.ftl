<#if s.replicas>
        replicas.note(connection);
</#if>
