<#if s.secured>
import jakarta.ws.rs.core.SecurityContext;
import java.util.List;

/** What can be done with each table, and the roles that may do it; {@code *} stands for everybody with a valid token. */
public enum AccessRight {
<#list s.rights as r>
    ${r.right}(${r.roles})<#if r?has_next>,<#else>;</#if>
</#list>

    private final List<String> roles;

    AccessRight(String... roles) {
        this.roles = List.of(roles);
    }

    /** Whether somebody has this right. */
    public boolean belongsTo(SecurityContext caller) {
        return roles.stream().anyMatch(role -> role.equals("*") || caller.isUserInRole(role));
    }
}
</#if>
