import io.undertow.connector.PooledByteBuffer;
import io.undertow.server.Connectors;
import io.undertow.server.HttpHandler;
import io.undertow.server.HttpServerExchange;
<#if s.secured>
import io.undertow.server.protocol.http.HttpContinue;
import io.undertow.util.AttachmentKey;
import io.undertow.util.Headers;
</#if>
import io.undertow.util.ImmediatePooledByteBuffer;
import io.undertow.util.StatusCodes;
<#if s.secured>
import jakarta.ws.rs.core.SecurityContext;
</#if>
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
<#if s.secured>
import java.util.concurrent.Executor;
</#if>
import java.util.concurrent.atomic.AtomicLong;
import org.xnio.channels.StreamSourceChannel;

/** Receives bodies in the server's own threads, so that a slow client holds no other, and no connection to the database. */
final class BodyReceiver implements HttpHandler {
<#if s.secured>
    /** Whose body was taken. */
    static final AttachmentKey<SecurityContext> CALLER = AttachmentKey.create(SecurityContext.class);

</#if>
    private final HttpHandler next;
    private final Settings.Http settings;
<#if s.secured>
    private final AccessTokens tokens;
    private final Executor threads;
</#if>

    /** Bytes of bodies whose requests are not over. */
    private final AtomicLong inWork = new AtomicLong();

<#if s.secured>
    /**
     * Receives bodies for a handler.
     *
     * @param tokens say who may send a body
     * @param threads where they are asked; the server's own pool if null
     */
    BodyReceiver(HttpHandler next, Settings.Http settings, AccessTokens tokens, Executor threads) {
        this.tokens = tokens;
        this.threads = threads;
<#else>
    BodyReceiver(HttpHandler next, Settings.Http settings) {
</#if>
        this.next = next;
        this.settings = settings;
    }

    @Override
    public void handleRequest(HttpServerExchange exchange) throws Exception {
        if (exchange.isRequestComplete()) {
            next.handleRequest(exchange);
        } else {
<#if s.secured>
            exchange.dispatch(threads, this::receiveFromCaller);
<#else>
            receive(exchange, exchange.getRequestChannel(), new Body(exchange));
</#if>
        }
    }

<#if s.secured>
    /** Takes a body of those only who have a token. That of others is passed over, so that the next request can follow. */
    private void receiveFromCaller(HttpServerExchange exchange) throws Exception {
        try {
            exchange.putAttachment(CALLER, tokens.caller(exchange.getRequestHeaders().getFirst(Headers.AUTHORIZATION)));
            exchange.dispatch(exchange.getIoThread(), same -> receive(same, same.getRequestChannel(), new Body(same, true)));
        } catch (ProblemException e) {
            if (HttpContinue.requiresContinueResponse(exchange)) {
                next.handleRequest(exchange.setPersistent(false));
            } else {
                exchange.dispatch(exchange.getIoThread(), same -> receive(same, same.getRequestChannel(), new Body(same, false)));
            }
        }
    }

</#if>
    private void receive(HttpServerExchange exchange, StreamSourceChannel channel, Body body) throws Exception {
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
            if (count == 0) {
                channel.getReadSetter().set(same -> {
                    channel.suspendReads();
                    Connectors.executeRootHandler(again -> receive(again, same, body), exchange);
                });
                channel.resumeReads();
                return;
            }
            channel.suspendReads();
        } catch (IOException e) {
            exchange.setStatusCode(StatusCodes.BAD_REQUEST).setPersistent(false).endExchange();
            return;
        }
        Connectors.ungetRequestBytes(exchange,
                new ImmediatePooledByteBuffer(ByteBuffer.wrap(body.bytes.toByteArray())));
        Connectors.resetRequestChannel(exchange);
        next.handleRequest(exchange);
    }

    /** What has come of a body: it grows with what is sent, and all of them together have a limit. */
    private final class Body {
        private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
<#if s.secured>
        private final boolean kept;
        private int passedOver;

        /** @param kept whether the bytes are wanted */
        Body(HttpServerExchange exchange, boolean kept) {
            this.kept = kept;
<#else>

        Body(HttpServerExchange exchange) {
</#if>
            exchange.addExchangeCompleteListener((done, then) -> {
                inWork.addAndGet(-bytes.size());
                then.proceed();
            });
        }

        /** Adds some more; not 0 but a status if that is too much. */
        private int append(ByteBuffer more) {
<#if s.secured>
            if (!kept) {
                passedOver += more.remaining();
                return passedOver > settings.maxBodyBytes() ? StatusCodes.REQUEST_ENTITY_TOO_LARGE : 0;
            }
</#if>
            if (bytes.size() + more.remaining() > settings.maxBodyBytes()) {
                return StatusCodes.REQUEST_ENTITY_TOO_LARGE;
            }
            if (inWork.addAndGet(more.remaining()) > settings.maxBodyBytesInWork()) {
                inWork.addAndGet(-more.remaining());
                return StatusCodes.SERVICE_UNAVAILABLE;
            }
            byte[] part = new byte[more.remaining()];
            more.get(part);
            bytes.writeBytes(part);
            return 0;
        }
    }
}
