package com.example.cellar.support;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import org.eclipse.jetty.http.HttpHeader;
import org.eclipse.jetty.http.HttpStatus;
import org.eclipse.jetty.io.Content;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;
import org.eclipse.jetty.util.thread.Scheduler;

/**
 * Reads a body whole before its request is handled, so that a slow client holds no thread; all bodies together have a
 * limit.
 */
final class BodyBudget extends Handler.Wrapper {
    private final Settings.Http settings;

    /** Bytes of bodies whose requests are not over. */
    private final AtomicLong held = new AtomicLong();

    BodyBudget(Settings.Http settings) {
        this.settings = settings;
    }

    @Override
    public boolean handle(Request request, Response response, Callback callback) throws Exception {
        if (request.getLength() <= 0 && !request.getHeaders().contains(HttpHeader.TRANSFER_ENCODING)) {
            return super.handle(request, response, callback);
        }
        new Body(request, response, callback).run();
        return true;
    }

    /** A body that is being read. */
    private final class Body implements Runnable {
        private final Request request;
        private final Response response;
        private final Callback callback;
        private final Scheduler.Task deadline;
        private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        private int length;

        Body(Request request, Response response, Callback callback) {
            this.request = request;
            this.response = response;
            this.callback = Callback.from(callback, () -> held.addAndGet(-bytes.size()));
            this.deadline = request.getComponents().getScheduler().schedule(
                    () -> request.fail(new TimeoutException("the body took too long to come")),
                    settings.requestTime().toMillis(), TimeUnit.MILLISECONDS);
        }

        @Override
        public void run() {
            for (Content.Chunk chunk = request.read(); chunk != null; chunk = request.read()) {
                if (Content.Chunk.isFailure(chunk)) {
                    deadline.cancel();
                    Response.writeError(request, response, callback, HttpStatus.BAD_REQUEST_400, null,
                            chunk.getFailure());
                    return;
                }
                int refusal = append(chunk.getByteBuffer());
                boolean last = chunk.isLast();
                chunk.release();
                if (refusal != 0) {
                    deadline.cancel();
                    Response.writeError(request, response, callback, refusal);
                    return;
                } else if (last) {
                    deadline.cancel();
                    proceed();
                    return;
                }
            }
            request.demand(this);
        }

        /** Adds some more; not 0 but a status if that is too much. */
        private int append(ByteBuffer more) {
            int count = more.remaining();
            length += count;
            if (length > settings.maxBodyBytes()) {
                return HttpStatus.PAYLOAD_TOO_LARGE_413;
            }
            byte[] part = new byte[count];
            more.get(part);
            bytes.writeBytes(part);
            return held.addAndGet(count) > settings.maxBodyBytesInWork() ? HttpStatus.SERVICE_UNAVAILABLE_503 : 0;
        }

        private void proceed() {
            try {
                if (!BodyBudget.super.handle(new Received(request, bytes.toByteArray()), response, callback)) {
                    Response.writeError(request, response, callback, HttpStatus.NOT_FOUND_404);
                }
            } catch (Exception e) {
                Response.writeError(request, response, callback, e);
            }
        }
    }

    /** A request whose body is there. */
    private static final class Received extends Request.Wrapper {
        private final byte[] bytes;
        private final Content.Source body;

        Received(Request request, byte[] bytes) {
            super(request);
            this.bytes = bytes;
            this.body = Content.Source.from(ByteBuffer.wrap(bytes));
        }

        @Override
        public long getLength() {
            return bytes.length;
        }

        @Override
        public Content.Chunk read() {
            return body.read();
        }

        @Override
        public void demand(Runnable available) {
            body.demand(available);
        }
    }
}
