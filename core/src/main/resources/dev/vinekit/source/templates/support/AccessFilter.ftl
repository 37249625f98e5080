<#if s.secured>
import jakarta.ws.rs.Priorities;
import jakarta.ws.rs.container.ContainerRequestContext;
import jakarta.ws.rs.container.ContainerRequestFilter;
import jakarta.ws.rs.container.DynamicFeature;
import jakarta.ws.rs.container.ResourceInfo;
import jakarta.ws.rs.core.FeatureContext;
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.SecurityContext;
import jakarta.ws.rs.ext.Provider;
import java.util.List;

/** Lets nobody through to a method that {@link Requires} rights but those who have them. */
@Provider
public final class AccessFilter implements DynamicFeature {
    /** The property of a request that says whose it is, where that has been verified. */
    static final String CALLER = "caller";

    private final AccessTokens tokens;
    private final boolean everywhere;

    /** @param everywhere whether the entry point and the description need a token too, with whatever rights */
    public AccessFilter(AccessTokens tokens, boolean everywhere) {
        this.tokens = tokens;
        this.everywhere = everywhere;
    }

    @Override
    public void configure(ResourceInfo method, FeatureContext context) {
        Requires requires = method.getResourceMethod().getAnnotation(Requires.class);
        boolean told = method.getResourceClass() == EntryPoint.class || method.getResourceClass() == OpenApi.class;
        if (everywhere && told) {
            context.register(new Check(tokens, List.of()), Priorities.AUTHORIZATION);
        }
        if (requires != null) {
            context.register(new Check(tokens, List.of(requires.value())), Priorities.AUTHORIZATION);
        }
    }

    private record Check(AccessTokens tokens, List<AccessRight> rights) implements ContainerRequestFilter {
        @Override
        public void filter(ContainerRequestContext request) {
            SecurityContext caller = request.getProperty(CALLER) instanceof SecurityContext known ? known
                    : tokens.caller(request.getHeaderString(HttpHeaders.AUTHORIZATION));
            for (AccessRight right : rights) {
                if (!right.belongsTo(caller)) {
                    throw ProblemException.forbidden();
                }
            }
            request.setSecurityContext(caller);
<#if s.owned || s.signed>
            Caller.begin(caller);
</#if>
        }
    }
}
</#if>
