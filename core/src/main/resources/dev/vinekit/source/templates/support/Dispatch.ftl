/**
 * Hands requests to the controllers and sends what they answer: what a servlet container would do, without one.
 * Bodies are read and answers are sent by the server's own threads, so that a slow client holds no other, and no
 * connection to the database.
 */
final class Dispatch implements HttpHandler {
    private final SynchronousDispatcher controllers;
    private final Optional<ExecutorService> threads;
    private final Settings.Http settings;

    /**
     * For controllers that have been started.
     *
     * @param threads where requests are worked on; the server's own pool if there are none
     */
    Dispatch(ResteasyDeployment deployment, Optional<ExecutorService> threads, Settings.Http settings) {
        this.controllers = (SynchronousDispatcher) deployment.getDispatcher();
        this.threads = threads;
        this.settings = settings;
    }

    @Override
    public void handleRequest(HttpServerExchange exchange) {
        if (exchange.isRequestComplete()) {
            workOn(exchange, new byte[0]);
            return;
        }
        Receiver body = exchange.getRequestReceiver();
        body.setMaxBufferSize(settings.greatestBody());
        body.receiveFullBytes(this::workOn, (same, error) -> {
            if (error instanceof Receiver.RequestToLargeException) {
                same.setStatusCode(StatusCodes.REQUEST_ENTITY_TOO_LARGE);
            }
            same.endExchange();
        });
    }

    private void workOn(HttpServerExchange exchange, byte[] body) {
        exchange.dispatch(threads.orElse(null), new RequestIds(same -> answer(same, body)));
    }

    private void answer(HttpServerExchange exchange, byte[] body) {
        Answer answer = new Answer();
        try {
            controllers.invoke(new Request(exchange, body, answer), answer);
        } catch (UnreadableUrl e) {
            answer.setStatus(StatusCodes.BAD_REQUEST);
        }
        exchange.dispatch(exchange.getIoThread(), answer::send);
    }

    /** The request as the controllers see it. */
    private final class Request extends BaseHttpRequest {
        private final HttpServerExchange exchange;
        private final ResteasyHttpHeaders headers;
        private final ResteasyAsynchronousContext context;
        private final Map<String, Object> attributes = new HashMap<>();
        private String method;
        private InputStream body;

        Request(HttpServerExchange exchange, byte[] sentBody, Answer answer) {
            super(url(exchange));
            this.exchange = exchange;
            this.method = exchange.getRequestMethod().toString();
            this.body = new ByteArrayInputStream(sentBody);
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
            return query.isEmpty() ? new UrlAlone(exchange.getRequestURL(), settings.basePath())
                    : new ResteasyUriInfo(exchange.getRequestURL() + "?" + query, settings.basePath());
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

    /** The answer, sent as a whole when it is complete. */
    private static final class Answer implements org.jboss.resteasy.spi.HttpResponse {
        private final MultivaluedMap<String, Object> headers = new CaseInsensitiveMap<>();
        private final ByteArrayOutputStream body = new ByteArrayOutputStream();
        private OutputStream stream = body;
        private int status = StatusCodes.OK;

        void send(HttpServerExchange exchange) {
            exchange.setStatusCode(status);
            headers.forEach((name, values) -> values.forEach(value ->
                    exchange.getResponseHeaders().add(HttpString.tryFromString(name), value.toString())));
            if (body.size() > 0) {
                exchange.getResponseSender().send(ByteBuffer.wrap(body.toByteArray()));
            }
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
            return stream;
        }

        @Override
        public void setOutputStream(OutputStream other) {
            stream = other;
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
            return false;
        }

        @Override
        public void reset() {
            headers.clear();
            body.reset();
        }

        @Override
        public void flushBuffer() {
            // The whole answer is sent at its end.
        }
    }
}
