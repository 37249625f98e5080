<#if s.replicas>
import jakarta.ws.rs.container.ContainerRequestContext;
import jakarta.ws.rs.container.ContainerRequestFilter;
import jakarta.ws.rs.container.ContainerResponseContext;
import jakarta.ws.rs.container.ContainerResponseFilter;
import jakarta.ws.rs.ext.Provider;

/** Tells a client where its change is in the order of all changes, and lets it ask for what has at least that. */
@Provider
public final class PositionFilter implements ContainerRequestFilter, ContainerResponseFilter {
    static final String WRITTEN = "Write-Position";
    static final String AFTER = "Read-After";

    @Override
    public void filter(ContainerRequestContext request) {
        String after = request.getHeaderString(AFTER);
        Replicas.begin(null);
        if (after != null && !Replication.isPosition(after)) {
            throw ProblemException.malformed("The header " + AFTER + " is not what an answer has said in " + WRITTEN + ".");
        }
        Replicas.begin(after);
    }

    @Override
    public void filter(ContainerRequestContext request, ContainerResponseContext response) {
        Replicas.end().filter(position -> !position.isEmpty() && response.getStatus() < 300)
                .ifPresent(position -> response.getHeaders().putSingle(WRITTEN, position));
    }
}
</#if>
