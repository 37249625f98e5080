<#if s.metrics>
import jakarta.ws.rs.Path;
import jakarta.ws.rs.container.ContainerRequestContext;
import jakarta.ws.rs.container.ContainerRequestFilter;
import jakarta.ws.rs.container.DynamicFeature;
import jakarta.ws.rs.container.ResourceInfo;
import jakarta.ws.rs.core.FeatureContext;
import jakarta.ws.rs.ext.Provider;

/** Lets the thread know the route of its request: the path, with names for the keys in it. */
@Provider
public final class RouteFilter implements DynamicFeature {
    private final String basePath;

    public RouteFilter(String basePath) {
        this.basePath = basePath;
    }

    @Override
    public void configure(ResourceInfo method, FeatureContext context) {
        String route = basePath + path(method.getResourceClass().getAnnotation(Path.class))
                + path(method.getResourceMethod().getAnnotation(Path.class));
        context.register(new Route(route), 0);
    }

    private static String path(Path path) {
        String value = path == null ? "" : path.value();
        return value.isEmpty() || value.startsWith("/") ? value : "/" + value;
    }

    private record Route(String route) implements ContainerRequestFilter {
        @Override
        public void filter(ContainerRequestContext request) {
            RequestIds.route(route);
        }
    }
}
</#if>
