<#if !s.server>
import jakarta.ws.rs.container.ContainerRequestContext;
import jakarta.ws.rs.container.ContainerRequestFilter;
import jakarta.ws.rs.container.ContainerResponseContext;
import jakarta.ws.rs.container.ContainerResponseFilter;
import jakarta.ws.rs.container.PreMatching;
import jakarta.ws.rs.ext.Provider;

/** Tells each answer, and what is logged for it, the identifier of its request. */
@Provider
@PreMatching
public final class RequestIdFilter implements ContainerRequestFilter, ContainerResponseFilter {
<#if s.metrics>
    private static final String BEGIN = RequestIdFilter.class.getName() + ".begin";
</#if>
<#if s.metrics>

</#if>
    @Override
    public void filter(ContainerRequestContext request) {
        RequestIds.begin(RequestIds.of(request.getHeaderString(RequestIds.HEADER)));
<#if s.metrics>
        request.setProperty(BEGIN, System.nanoTime());
</#if>
    }

    @Override
    public void filter(ContainerRequestContext request, ContainerResponseContext response) {
        if (RequestIds.current() != null) {
            response.getHeaders().putSingle(RequestIds.HEADER, RequestIds.current());
<#if s.metrics>
            if (request.getProperty(BEGIN) instanceof Long begin) {
                Measures.request(request.getMethod(), RequestIds.route(), response.getStatus(), begin);
            }
</#if>
            RequestIds.end();
        }
    }
}
</#if>
