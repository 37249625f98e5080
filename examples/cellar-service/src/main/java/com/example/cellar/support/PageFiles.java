package com.example.cellar.support;

import org.eclipse.jetty.http.HttpHeader;
import org.eclipse.jetty.http.HttpMethod;
import org.eclipse.jetty.http.HttpStatus;
import org.eclipse.jetty.http.pathmap.PathSpec;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.server.handler.ContextHandler;
import org.eclipse.jetty.server.handler.PathMappingsHandler;
import org.eclipse.jetty.server.handler.ResourceHandler;
import org.eclipse.jetty.util.Callback;
import org.eclipse.jetty.util.resource.ResourceFactory;

/** The page for people: files of the class path, which read all else that they show from the service itself. */
final class PageFiles {
    private static final String LIBRARY = "META-INF/resources/webjars/lit-html/3.3.1";

    /** Nothing from elsewhere, nothing within another page (Content Security Policy, level 3). */
    private static final String POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; connect-src 'self'; "
            + "img-src 'self' data:; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

    private PageFiles() {
    }

    /**
     * Answers with the page at {@code /}, and with its files below {@code /page}.
     *
     * @param basePath where the service's description is, to which the page finds by a link (RFC 8631)
     */
    static void add(PathMappingsHandler paths, String basePath) {
        paths.addMapping(PathSpec.from(""),
                new Guarded(folder("/", "page"), "<" + basePath + "/openapi.json>; rel=\"service-desc\""));
        paths.addMapping(PathSpec.from("/page/*"), new Guarded(folder("/page", "page"), ""));
        paths.addMapping(PathSpec.from("/page/lib/*"), new Guarded(folder("/page/lib", LIBRARY), ""));
    }

    private static Handler folder(String path, String name) {
        ResourceHandler files = new ResourceHandler();
        ContextHandler context = new ContextHandler(files, path);
        context.setBaseResource(ResourceFactory.of(context).newClassLoaderResource(name));
        context.setErrorHandler(new ErrorResponses());
        files.setCacheControl("no-cache");
        files.setDirAllowed(false);
        return context;
    }

    /** Gives the files their headers. */
    private static final class Guarded extends Handler.Wrapper {
        private final String link;

        Guarded(Handler files, String link) {
            super(files);
            this.link = link;
        }

        @Override
        public boolean handle(Request request, Response response, Callback callback) throws Exception {
            if (!HttpMethod.GET.is(request.getMethod()) && !HttpMethod.HEAD.is(request.getMethod())) {
                response.getHeaders().put(HttpHeader.ALLOW, "GET, HEAD");
                Response.writeError(request, response, callback, HttpStatus.METHOD_NOT_ALLOWED_405);
                return true;
            }
            response.getHeaders().put("Content-Security-Policy", POLICY);
            if (!link.isEmpty()) {
                response.getHeaders().put(HttpHeader.LINK, link);
            }
            return super.handle(request, response, callback);
        }
    }
}
