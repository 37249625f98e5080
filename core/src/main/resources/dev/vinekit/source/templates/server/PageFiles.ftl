<#if s.withPage>
import io.undertow.Handlers;
import io.undertow.server.HttpHandler;
import io.undertow.server.handlers.AllowedMethodsHandler;
import io.undertow.server.handlers.PathHandler;
import io.undertow.server.handlers.resource.ClassPathResourceManager;
import io.undertow.util.HttpString;
import io.undertow.util.Methods;

/** The page for people: files of the class path, which read all else that they show from the service itself. */
final class PageFiles {
    private static final String LIBRARY = "META-INF/resources/webjars/lit-html/${v["lit-html"]}";

    /** Nothing from elsewhere, nothing within another page (Content Security Policy, level 3). */
    private static final String POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; connect-src 'self'; "
            + "img-src 'self' data:; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

    private PageFiles() {
    }

    /**
     * Answers with the page at {@code /}, and with its files below {@code /page}.
     *
     * @param service answers everything else
     * @param basePath where the service's description is, to which the page finds by a link (RFC 8631)
     */
    static HttpHandler beside(PathHandler service, String basePath) {
        return service
                .addExactPath("/", guarded(folder("page"), "<" + basePath + "/openapi.json>; rel=\"service-desc\""))
                .addPrefixPath("/page", guarded(folder("page"), ""))
                .addPrefixPath("/page/lib", guarded(folder(LIBRARY), ""));
    }

    private static HttpHandler folder(String name) {
        return Handlers.resource(new ClassPathResourceManager(PageFiles.class.getClassLoader(), name)).setCacheTime(0);
    }

    private static HttpHandler guarded(HttpHandler files, String link) {
        return new AllowedMethodsHandler(exchange -> {
            exchange.getResponseHeaders().put(new HttpString("Content-Security-Policy"), POLICY)
                    .put(new HttpString("Referrer-Policy"), "no-referrer");
            if (!link.isEmpty()) {
                exchange.getResponseHeaders().put(new HttpString("Link"), link);
            }
            files.handleRequest(exchange);
        }, Methods.GET, Methods.HEAD);
    }
}
</#if>
