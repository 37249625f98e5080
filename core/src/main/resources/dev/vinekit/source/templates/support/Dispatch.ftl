/** Hands requests to the controllers and sends what they answer: what a servlet container would do, without one. */
final class Dispatch implements HttpHandler {
    private final SynchronousDispatcher controllers;
    private final String basePath;

    Dispatch(ResteasyDeployment deployment, String basePath) {
        this.controllers = (SynchronousDispatcher) deployment.getDispatcher();
        this.basePath = basePath;
    }

    @Override
    public void handleRequest(HttpServerExchange exchange) throws IOException {
        Answer answer = new Answer(exchange);
        try {
            controllers.invoke(new Request(exchange, answer), answer);
        } catch (UnreadableUrl e) {
            answer.setStatus(StatusCodes.BAD_REQUEST);
        }
        answer.finish();
    }

    /** The request as the controllers see it. */
    private final class Request extends BaseHttpRequest {
        private final HttpServerExchange exchange;
        private final ResteasyHttpHeaders headers;
        private final ResteasyAsynchronousContext context;
        private final Map<String, Object> attributes = new HashMap<>();
        private String method;
        private InputStream body;

        Request(HttpServerExchange exchange, Answer answer) {
            super(url(exchange));
            this.exchange = exchange;
            this.method = exchange.getRequestMethod().toString();
            this.body = exchange.getInputStream();
            MultivaluedMap<String, String> sent = new CaseInsensitiveMap<>();
            for (HeaderValues values : exchange.getRequestHeaders()) {
                sent.addAll(values.getHeaderName().toString(), List.copyOf(values));
            }
            this.headers = new ResteasyHttpHeaders(sent, false);
            this.context = new SynchronousExecutionContext(controllers, this, answer);
        }

        @Override
        public HttpHeaders getHttpHeaders() {
            return headers;
        }

        @Override
        public MultivaluedMap<String, String> getMutableHeaders() {
            return headers.getMutableHeaders();
        }

        @Override
        public InputStream getInputStream() {
            return body;
        }

        @Override
        public void setInputStream(InputStream other) {
            body = other;
        }

        @Override
        public String getHttpMethod() {
            return method;
        }

        @Override
        public void setHttpMethod(String other) {
            method = other;
        }

        @Override
        public Object getAttribute(String name) {
            return attributes.get(name);
        }

        @Override
        public void setAttribute(String name, Object value) {
            attributes.put(name, value);
        }

        @Override
        public void removeAttribute(String name) {
            attributes.remove(name);
        }

        @Override
        public Enumeration<String> getAttributeNames() {
            return Collections.enumeration(attributes.keySet());
        }

        @Override
        public ResteasyAsynchronousContext getAsyncContext() {
            return context;
        }

        @Override
        public void forward(String path) {
            throw new UnsupportedOperationException("there is nothing to forward to");
        }

        @Override
        public boolean wasForwarded() {
            return false;
        }

        @Override
        public String getRemoteAddress() {
            return exchange.getSourceAddress().getAddress().getHostAddress();
        }

        @Override
        public String getRemoteHost() {
            return exchange.getSourceAddress().getHostString();
        }
    }

    private ResteasyUriInfo url(HttpServerExchange exchange) {
        String query = exchange.getQueryString();
        try {
            return query.isEmpty() ? new UrlAlone(exchange.getRequestURL(), basePath)
                    : new ResteasyUriInfo(exchange.getRequestURL() + "?" + query, basePath);
        } catch (IllegalArgumentException e) {
            throw new UnreadableUrl(e);
        }
    }

    /** A URL without a query: most are, and need not be searched for parameters. */
    private static final class UrlAlone extends ResteasyUriInfo {
        UrlAlone(String url, String basePath) {
            super(url, basePath);
        }

        @Override
        public MultivaluedMap<String, String> getQueryParameters(boolean decode) {
            return new MultivaluedHashMap<>();
        }

        @Override
        public MultivaluedMap<String, String> getQueryParameters() {
            return new MultivaluedHashMap<>();
        }
    }

    private static final class UnreadableUrl extends RuntimeException {
        private static final long serialVersionUID = 1L;

        UnreadableUrl(Throwable cause) {
            super(cause);
        }
    }

    /** The answer: its head is sent before the first byte of its body. */
    private static final class Answer extends OutputStream implements org.jboss.resteasy.spi.HttpResponse {
        private final HttpServerExchange exchange;
        private final MultivaluedMap<String, Object> headers = new CaseInsensitiveMap<>();
        private OutputStream replaced = this;
        private int status = StatusCodes.OK;
        private boolean begun;

        Answer(HttpServerExchange exchange) {
            this.exchange = exchange;
        }

        private void begin() {
            begun = true;
            exchange.setStatusCode(status);
            headers.forEach((name, values) -> values.forEach(value ->
                    exchange.getResponseHeaders().add(HttpString.tryFromString(name), value.toString())));
        }

        /** Sends what has been written; without a body the server has the last word. */
        void finish() throws IOException {
            if (begun) {
                exchange.getOutputStream().close();
            } else {
                begin();
            }
        }

        @Override
        public void write(int value) throws IOException {
            write(new byte[] {(byte) value}, 0, 1);
        }

        @Override
        public void write(byte[] bytes, int offset, int length) throws IOException {
            if (!begun) {
                begin();
            }
            exchange.getOutputStream().write(bytes, offset, length);
        }

        @Override
        public void flush() throws IOException {
            // Small answers are sent whole; the server flushes large ones by itself.
        }

        @Override
        public int getStatus() {
            return status;
        }

        @Override
        public void setStatus(int other) {
            status = other;
        }

        @Override
        public MultivaluedMap<String, Object> getOutputHeaders() {
            return headers;
        }

        @Override
        public OutputStream getOutputStream() {
            return replaced;
        }

        @Override
        public void setOutputStream(OutputStream other) {
            replaced = other;
        }

        @Override
        public void addNewCookie(NewCookie cookie) {
            headers.add(HttpHeaders.SET_COOKIE, cookie);
        }

        @Override
        public void sendError(int error) {
            status = error;
        }

        @Override
        public void sendError(int error, String message) {
            status = error;
        }

        @Override
        public boolean isCommitted() {
            return begun;
        }

        @Override
        public void reset() {
            headers.clear();
        }

        @Override
        public void close() {
            // The stream is closed when the request is done.
        }

        @Override
        public void flushBuffer() {
            // As with flush.
        }
    }
}
