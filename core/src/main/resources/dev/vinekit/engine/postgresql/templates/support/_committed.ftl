        Confirmation.verify(connection);
<#if s.replicas>
        replicas.note(connection);
</#if>
