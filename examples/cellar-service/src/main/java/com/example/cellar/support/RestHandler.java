package com.example.cellar.support;

import io.undertow.connector.PooledByteBuffer;
import io.undertow.server.Connectors;
import io.undertow.server.HttpHandler;
import io.undertow.server.HttpServerExchange;
import io.undertow.util.HeaderValues;
import io.undertow.util.HttpString;
import io.undertow.util.StatusCodes;
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.MultivaluedHashMap;
import jakarta.ws.rs.core.MultivaluedMap;
import jakarta.ws.rs.core.NewCookie;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.util.Collections;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.atomic.AtomicLong;
import org.jboss.resteasy.core.SynchronousDispatcher;
import org.jboss.resteasy.core.SynchronousExecutionContext;
import org.jboss.resteasy.plugins.server.BaseHttpRequest;
import org.jboss.resteasy.specimpl.ResteasyHttpHeaders;
import org.jboss.resteasy.specimpl.ResteasyUriInfo;
import org.jboss.resteasy.spi.ResteasyAsynchronousContext;
import org.jboss.resteasy.spi.ResteasyDeployment;
import org.jboss.resteasy.spi.ResteasyProviderFactory;
import org.jboss.resteasy.util.CaseInsensitiveMap;
import org.xnio.channels.StreamSourceChannel;

/**
 * Hands requests to the controllers and sends what they answer: what a servlet container would do, without one.
 * Bodies are read and answers are sent by the server's own threads, so that a slow client holds no other, and no
 * connection to the database.
 */
final class RestHandler implements HttpHandler {
    private final SynchronousDispatcher controllers;
    private final Optional<ExecutorService> threads;
    private final Settings.Http settings;

    /** Bytes of bodies that have come, and of answers that have not gone. */
    private final AtomicLong bodies = new AtomicLong();
    private final AtomicLong answers = new AtomicLong();

    /**
     * For controllers that have been started.
     *
     * @param threads where requests are worked on; the server's own pool if there are none
     */
    RestHandler(ResteasyDeployment deployment, Optional<ExecutorService> threads, Settings.Http settings) {
        this.controllers = (SynchronousDispatcher) deployment.getDispatcher();
        this.threads = threads;
        this.settings = settings;
    }

    @Override
    public void handleRequest(HttpServerExchange exchange) {
        if (answers.get() > settings.maxResponseBytesInWork()) {
            exchange.setStatusCode(StatusCodes.SERVICE_UNAVAILABLE).endExchange();
        } else if (exchange.isRequestComplete()) {
            workOn(exchange, new byte[0]);
        } else {
            receive(exchange, exchange.getRequestChannel(), new Body(exchange));
        }
    }

    /** Reads a body as it comes, in the server's own thread. */
    private void receive(HttpServerExchange exchange, StreamSourceChannel channel, Body body) {
        try (PooledByteBuffer pooled = exchange.getConnection().getByteBufferPool().allocate()) {
            ByteBuffer buffer = pooled.getBuffer();
            int count = channel.read(buffer);
            while (count > 0) {
                int refusal = body.append(buffer.flip());
                if (refusal != 0) {
                    channel.suspendReads();
                    exchange.setStatusCode(refusal).endExchange();
                    return;
                }
                count = channel.read(buffer.clear());
            }
            if (count < 0) {
                channel.suspendReads();
                workOn(exchange, body.bytes.toByteArray());
            } else {
                channel.getReadSetter().set(same -> {
                    channel.suspendReads();
                    Connectors.executeRootHandler(again -> receive(again, same, body), exchange);
                });
                channel.resumeReads();
            }
        } catch (IOException e) {
            exchange.setStatusCode(StatusCodes.BAD_REQUEST).setPersistent(false).endExchange();
        }
    }

    /** What has come of a body: it grows with what is sent, and all of them together have a limit. */
    private final class Body {
        private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();

        Body(HttpServerExchange exchange) {
            exchange.addExchangeCompleteListener((done, then) -> {
                bodies.addAndGet(-bytes.size());
                then.proceed();
            });
        }

        /** Adds some more; not 0 but a status if that is too much. */
        private int append(ByteBuffer more) {
            if (bytes.size() + more.remaining() > settings.maxBodyBytes()) {
                return StatusCodes.REQUEST_ENTITY_TOO_LARGE;
            }
            if (bodies.addAndGet(more.remaining()) > settings.maxBodyBytesInWork()) {
                bodies.addAndGet(-more.remaining());
                return StatusCodes.SERVICE_UNAVAILABLE;
            }
            byte[] part = new byte[more.remaining()];
            more.get(part);
            bytes.writeBytes(part);
            return 0;
        }
    }

    private void workOn(HttpServerExchange exchange, byte[] body) {
        exchange.dispatch(threads.orElse(null), new RequestIds(same -> response(same, body)));
    }

    private void response(HttpServerExchange exchange, byte[] body) {
        Answer response = new Answer(controllers.getProviderFactory());
        try {
            controllers.invoke(new Request(exchange, body, response), response);
        } catch (UnreadableUrl e) {
            response.setStatus(StatusCodes.BAD_REQUEST);
        }
        int size = response.body.size();
        answers.addAndGet(size);
        exchange.addExchangeCompleteListener((done, then) -> {
            answers.addAndGet(-size);
            then.proceed();
        });
        exchange.dispatch(exchange.getIoThread(), response::send);
    }

    /** The request as the controllers see it. */
    private final class Request extends BaseHttpRequest {
        private final HttpServerExchange exchange;
        private final ResteasyHttpHeaders headers;
        private final ResteasyAsynchronousContext context;
        private final Map<String, Object> attributes = new HashMap<>();
        private String method;
        private InputStream body;

        Request(HttpServerExchange exchange, byte[] sentBody, Answer response) {
            super(url(exchange));
            this.exchange = exchange;
            this.method = exchange.getRequestMethod().toString();
            this.body = new ByteArrayInputStream(sentBody);
            MultivaluedMap<String, String> sent = new CaseInsensitiveMap<>();
            for (HeaderValues values : exchange.getRequestHeaders()) {
                sent.addAll(values.getHeaderName().toString(), List.copyOf(values));
            }
            this.headers = new ResteasyHttpHeaders(sent, false);
            this.context = new SynchronousExecutionContext(controllers, this, response);
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

    /**
     * The path and query as if they were sent to nobody in particular: what a client calls the service by is in no
     * link.
     */
    private ResteasyUriInfo url(HttpServerExchange exchange) {
        String query = exchange.getQueryString();
        String url = "http://localhost"
                + (exchange.isHostIncludedInRequestURI() ? exchange.getRequestPath() : exchange.getRequestURI());
        try {
            return query.isEmpty() ? new UrlAlone(url, settings.basePath())
                    : new ResteasyUriInfo(url + "?" + query, settings.basePath());
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
        private final ResteasyProviderFactory texts;
        private OutputStream stream = body;
        private int status = StatusCodes.OK;

        /** @param texts knows what dates, cookies and other values of headers are as text */
        Answer(ResteasyProviderFactory texts) {
            this.texts = texts;
        }

        void send(HttpServerExchange exchange) {
            exchange.setStatusCode(status);
            headers.forEach((name, values) -> values.forEach(value ->
                    exchange.getResponseHeaders().add(HttpString.tryFromString(name), texts.toHeaderString(value))));
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
