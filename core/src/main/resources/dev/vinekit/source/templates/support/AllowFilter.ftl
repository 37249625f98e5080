<#if s.secured>
import jakarta.ws.rs.HttpMethod;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.container.ContainerRequestContext;
import jakarta.ws.rs.container.ContainerRequestFilter;
import jakarta.ws.rs.container.ContainerResponseContext;
import jakarta.ws.rs.container.ContainerResponseFilter;
import jakarta.ws.rs.container.DynamicFeature;
import jakarta.ws.rs.container.PreMatching;
import jakarta.ws.rs.container.ResourceInfo;
import jakarta.ws.rs.core.FeatureContext;
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.SecurityContext;
import jakarta.ws.rs.ext.Provider;
import java.lang.annotation.Annotation;
import java.lang.reflect.AnnotatedElement;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Tells at OPTIONS which methods of a path the roles of the token may use; all that it has, where there is no token. */
@Provider
@PreMatching
public final class AllowFilter implements DynamicFeature, ContainerRequestFilter, ContainerResponseFilter {
    private final AccessTokens tokens;
    private final Map<Endpoint, List<AccessRight>> rights = new ConcurrentHashMap<>();

    /**
     * A method of a path.
     *
     * @param segments of the path, some of them in braces
     */
    private record Endpoint(List<String> segments, String method) {
        /** Whether a path has these segments. */
        boolean isAt(List<String> path) {
            boolean fits = path.size() == segments.size();
            for (int i = 0; fits && i < path.size(); i++) {
                fits = segments.get(i).startsWith("{") || segments.get(i).equals(path.get(i));
            }
            return fits;
        }
    }

    public AllowFilter(AccessTokens tokens) {
        this.tokens = tokens;
    }

    @Override
    public void configure(ResourceInfo method, FeatureContext context) {
        Requires requires = method.getResourceMethod().getAnnotation(Requires.class);
        Optional<String> verb = Arrays.stream(method.getResourceMethod().getAnnotations()).map(Annotation::annotationType)
                .map(type -> type.getAnnotation(HttpMethod.class)).filter(type -> type != null).map(HttpMethod::value).findFirst();
        if (requires != null && verb.isPresent()) {
            rights.put(new Endpoint(Stream.of(method.getResourceClass(), method.getResourceMethod())
                    .flatMap(AllowFilter::segments).toList(), verb.get()), List.of(requires.value()));
        }
    }

    private static Stream<String> segments(AnnotatedElement annotated) {
        Path path = annotated.getAnnotation(Path.class);
        return path == null ? Stream.of() : segments(path.value());
    }

    private static Stream<String> segments(String path) {
        return Arrays.stream(path.split("/")).filter(segment -> !segment.isEmpty());
    }

    @Override
    public void filter(ContainerRequestContext request) {
        String token = request.getHeaderString(HttpHeaders.AUTHORIZATION);
        if (request.getMethod().equals(HttpMethod.OPTIONS) && token != null) {
            request.setProperty(AccessFilter.CALLER, tokens.caller(token));
        }
    }

    @Override
    public void filter(ContainerRequestContext request, ContainerResponseContext response) {
        String allowed = response.getHeaderString(HttpHeaders.ALLOW);
        if (request.getMethod().equals(HttpMethod.OPTIONS) && allowed != null
                && request.getProperty(AccessFilter.CALLER) instanceof SecurityContext caller) {
            List<String> path = segments(request.getUriInfo().getPath()).toList();
            response.getHeaders().putSingle(HttpHeaders.ALLOW, Arrays.stream(allowed.split(",")).map(String::strip)
                    .filter(method -> isAllowed(method, path, caller)).collect(Collectors.joining(", ")));
        }
    }

    private boolean isAllowed(String method, List<String> path, SecurityContext caller) {
        String asked = method.equals(HttpMethod.HEAD) ? HttpMethod.GET : method;
        return rights.entrySet().stream()
                .filter(known -> known.getKey().method().equals(asked) && known.getKey().isAt(path))
                .allMatch(known -> known.getValue().stream().allMatch(right -> right.belongsTo(caller)));
    }
}
</#if>
