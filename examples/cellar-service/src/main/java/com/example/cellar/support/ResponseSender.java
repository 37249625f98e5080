package com.example.cellar.support;

import io.undertow.io.AsyncSenderImpl;
import io.undertow.server.HttpHandler;
import io.undertow.server.HttpServerExchange;
import io.undertow.servlet.handlers.ServletRequestContext;
import io.undertow.util.HeaderMap;
import io.undertow.util.HeaderValues;
import io.undertow.util.Headers;
import io.undertow.util.QValueParser;
import io.undertow.util.StatusCodes;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpServletResponseWrapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import java.util.zip.GZIPOutputStream;

/** Sends responses when they are complete, in the server's own threads, so that a slow client holds no other. */
final class ResponseSender implements HttpHandler {
    private static final String GZIP = "gzip";
    private static final int SHORTEST_COMPRESSED = 1000;

    private final HttpHandler servlet;

    private final boolean compresses;

    /** Bytes of responses that have not gone. */
    private final AtomicLong inWork;

    /**
     * Behind what makes the responses.
     *
     * @param compresses whether those that are long are compressed, for clients that ask for it
     * @param inWork counts the bytes of responses that have not gone
     */
    ResponseSender(HttpHandler servlet, boolean compresses, AtomicLong inWork) {
        this.servlet = servlet;
        this.compresses = compresses;
        this.inWork = inWork;
    }

    @Override
    public void handleRequest(HttpServerExchange exchange) throws Exception {
        ServletRequestContext context = exchange.getAttachment(ServletRequestContext.ATTACHMENT_KEY);
        Complete response = new Complete((HttpServletResponse) context.getServletResponse());
        context.setServletResponse(response);
        servlet.handleRequest(exchange);
        boolean unexplained = response.bytes.size() == 0 && exchange.getStatusCode() >= StatusCodes.BAD_REQUEST;
        byte[] body = unexplained ? RequestGuard.explanation(exchange).getBytes(StandardCharsets.UTF_8)
                : compresses ? compressed(response.bytes.toByteArray(), exchange) : response.bytes.toByteArray();
        if (body.length > 0) {
            inWork.addAndGet(body.length);
            exchange.addExchangeCompleteListener((done, then) -> {
                inWork.addAndGet(-body.length);
                then.proceed();
            });
            exchange.dispatch(exchange.getIoThread(), same -> new AsyncSenderImpl(same).send(ByteBuffer.wrap(body)));
        }
    }

    /**
     * A body in the form that is sent. An answer with an entity tag stays as it is: the tag would be that of other
     * bytes (RFC 9110, section 8.8.3).
     */
    private static byte[] compressed(byte[] body, HttpServerExchange exchange) throws IOException {
        HeaderMap headers = exchange.getResponseHeaders();
        if (headers.contains(Headers.ETAG)) {
            return body;
        }
        headers.add(Headers.VARY, Headers.ACCEPT_ENCODING_STRING);
        HeaderValues accepted = exchange.getRequestHeaders().get(Headers.ACCEPT_ENCODING);
        if (body.length < SHORTEST_COMPRESSED || accepted == null || !QValueParser.parse(accepted).stream()
                .flatMap(List::stream)
                .anyMatch(coding -> coding.getValue().equalsIgnoreCase(GZIP) && !coding.isQValueZero())) {
            return body;
        }
        ByteArrayOutputStream compressed = new ByteArrayOutputStream(body.length / 4);
        try (GZIPOutputStream gzip = new GZIPOutputStream(compressed)) {
            gzip.write(body);
        }
        headers.put(Headers.CONTENT_ENCODING, GZIP);
        exchange.setResponseContentLength(compressed.size());
        return compressed.toByteArray();
    }

    /** A response that is not sent while it is made. */
    private static final class Complete extends HttpServletResponseWrapper {
        private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        private final ServletOutputStream stream = new ServletOutputStream() {
            @Override
            public boolean isReady() {
                return true;
            }

            @Override
            public void setWriteListener(WriteListener listener) {
                throw new IllegalStateException("The response is sent when it is complete.");
            }

            @Override
            public void write(int letter) {
                bytes.write(letter);
            }

            @Override
            public void write(byte[] more, int from, int count) {
                bytes.write(more, from, count);
            }
        };

        Complete(HttpServletResponse response) {
            super(response);
        }

        @Override
        public ServletOutputStream getOutputStream() {
            return stream;
        }

        @Override
        public void sendError(int status) {
            setStatus(status);
        }

        @Override
        public void sendError(int status, String message) {
            setStatus(status);
        }

        @Override
        public void flushBuffer() {
            // The whole response is sent at its end.
        }

        @Override
        public void resetBuffer() {
            bytes.reset();
        }

        @Override
        public void reset() {
            super.reset();
            bytes.reset();
        }
    }
}
