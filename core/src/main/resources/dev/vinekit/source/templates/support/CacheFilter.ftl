<#if s.cached>
import jakarta.ws.rs.container.ContainerRequestContext;
import jakarta.ws.rs.container.ContainerResponseContext;
import jakarta.ws.rs.container.ContainerResponseFilter;
import jakarta.ws.rs.container.DynamicFeature;
import jakarta.ws.rs.container.ResourceInfo;
import jakarta.ws.rs.core.FeatureContext;
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.ext.Provider;

/** Tells clients how long they may use an answer again (RFC 9111)<#if s.secured>, each the ones to its own token</#if>. */
@Provider
public final class CacheFilter implements DynamicFeature {
    @Override
    public void configure(ResourceInfo method, FeatureContext context) {
        Cached cached = method.getResourceMethod().getAnnotation(Cached.class);
        if (cached != null) {
            context.register(new Lifetime(<#if s.secured>"private, max-age="<#else>"max-age="</#if> + cached.value()));
        }
    }

    private record Lifetime(String value) implements ContainerResponseFilter {
        @Override
        public void filter(ContainerRequestContext request, ContainerResponseContext response) {
            if (response.getStatusInfo().getFamily() == Response.Status.Family.SUCCESSFUL
                    || response.getStatus() == Response.Status.NOT_MODIFIED.getStatusCode()) {
                response.getHeaders().putSingle(HttpHeaders.CACHE_CONTROL, value);
<#if s.secured>
                response.getHeaders().add(HttpHeaders.VARY, HttpHeaders.AUTHORIZATION);
</#if>
            }
        }
    }
}
</#if>
