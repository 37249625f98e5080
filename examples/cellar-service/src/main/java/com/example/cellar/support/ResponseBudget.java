package com.example.cellar.support;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import org.eclipse.jetty.http.HttpStatus;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.BufferUtil;
import org.eclipse.jetty.util.Callback;
import org.eclipse.jetty.util.thread.Scheduler;

/**
 * Sends a response when it is complete, so that a slow client holds no thread. All responses that clients have not read
 * have a limit, and so has the time for which one may take.
 */
final class ResponseBudget extends Handler.Wrapper {
    private final Settings.Http settings;

    /** Bytes of responses that are not sent. */
    private final AtomicLong held = new AtomicLong();

    ResponseBudget(Settings.Http settings) {
        this.settings = settings;
    }

    @Override
    public boolean handle(Request request, Response response, Callback callback) throws Exception {
        if (held.get() > settings.maxResponseBytesInWork()) {
            Response.writeError(request, response, callback, HttpStatus.SERVICE_UNAVAILABLE_503);
            return true;
        }
        return super.handle(request, new Complete(request, response), callback);
    }

    private final class Complete extends Response.Wrapper {
        private final ByteArrayOutputStream parts = new ByteArrayOutputStream();

        Complete(Request request, Response response) {
            super(request, response);
        }

        @Override
        public void write(boolean last, ByteBuffer bytes, Callback callback) {
            if (last && parts.size() == 0) {
                send(bytes, callback);
                return;
            }
            if (bytes != null) {
                parts.writeBytes(BufferUtil.toArray(bytes));
                BufferUtil.clear(bytes);
            }
            if (last) {
                send(ByteBuffer.wrap(parts.toByteArray()), callback);
            } else {
                callback.succeeded();
            }
        }

        private void send(ByteBuffer bytes, Callback callback) {
            int count = BufferUtil.length(bytes);
            if (count == 0) {
                super.write(true, bytes, callback);
                return;
            }
            held.addAndGet(count);
            Scheduler.Task deadline = getRequest().getComponents().getScheduler().schedule(
                    getRequest().getConnectionMetaData().getConnection()::close, settings.responseTime().toMillis(),
                            TimeUnit.MILLISECONDS);
            super.write(true, bytes, Callback.from(callback, () -> {
                deadline.cancel();
                held.addAndGet(-count);
            }));
        }
    }
}
