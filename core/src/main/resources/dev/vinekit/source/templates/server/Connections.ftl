import io.undertow.server.protocol.http.HttpOpenListener;
import io.undertow.util.StatusCodes;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.xnio.Buffers;
import org.xnio.ChannelListener;
import org.xnio.IoUtils;
import org.xnio.StreamConnection;
import org.xnio.XnioIoThread;
import org.xnio.channels.StreamSinkChannel;
import org.xnio.conduits.AbstractStreamSinkConduit;
import org.xnio.conduits.AbstractStreamSourceConduit;
import org.xnio.conduits.ConduitReadableByteChannel;
import org.xnio.conduits.StreamSinkConduit;
import org.xnio.conduits.StreamSourceConduit;

/**
 * Stands between the network and the server's parser: no bytes pass that are not a request ({@link Framing}), and neither a
 * request that takes too long to come nor an answer that takes too long to go holds anything.
 */
final class Connections implements ChannelListener<StreamConnection> {
    private static final Logger LOG = LoggerFactory.getLogger(Connections.class);
    private static final int MOST_PASSED_OVER = 1 << 16;

    /** So that the answer arrives before the end. */
    private static final int LINGERING_MILLIS = 50;

    /** So many new connections are listened to before those that are at work have their turn again. */
    private static final int AT_A_TIME = 32;

    private final HttpOpenListener server;
    private final Settings.Http settings;
    private final ThreadLocal<AtomicInteger> heard = ThreadLocal.withInitial(AtomicInteger::new);

    Connections(HttpOpenListener server, Settings.Http settings) {
        this.server = server;
        this.settings = settings;
    }

    @Override
    public void handleEvent(StreamConnection connection) {
        StreamSinkConduit answers = connection.getSinkChannel().getConduit();
        connection.getSourceChannel().setConduit(new Requests(connection, answers));
        connection.getSinkChannel().setConduit(new Answers(answers));
        server.handleEvent(connection);
    }

    /** Whether another new connection may be listened to in this round of its thread, which begins with what is to be executed. */
    private boolean hasTurn(XnioIoThread thread) {
        AtomicInteger count = heard.get();
        if (count.get() == 0) {
            thread.execute(() -> count.set(0));
        }
        return count.incrementAndGet() <= AT_A_TIME;
    }

    /** That of a new connection to be listened to. */
    private enum Turn { NOT_YET, WAITING, HAD }

    /** What clients send. */
    private final class Requests extends AbstractStreamSourceConduit<StreamSourceConduit> {
        private final StreamConnection connection;
        private final StreamSinkConduit answers;
        private final Framing framing = new Framing(settings);
        private Turn turn = Turn.NOT_YET;
        private long begin;
        private int refusal;

        Requests(StreamConnection connection, StreamSinkConduit answers) {
            super(connection.getSourceChannel().getConduit());
            this.connection = connection;
            this.answers = answers;
        }

        /** Not where it has only just been accepted: others would have to wait until no more come. */
        private boolean hasTurn() {
            boolean isFirst = turn == Turn.NOT_YET;
            turn = !isFirst && Connections.this.hasTurn(connection.getIoThread()) ? Turn.HAD : Turn.WAITING;
            return turn == Turn.HAD;
        }

        @Override
        public int read(ByteBuffer target) throws IOException {
            if (refusal != 0) {
                refuse(target);
                return -1;
            }
            if (turn != Turn.HAD && !hasTurn()) {
                return 0;
            }
            int start = target.position();
            int count = next.read(target);
            if (count <= 0) {
                return count;
            }
            begin = framing.isBetweenRequests() ? System.nanoTime() : begin;
            ByteBuffer sent = target.duplicate().flip().position(start);
            refusal = framing.follow(sent);
            if (refusal == 0 && !framing.isBetweenRequests() && System.nanoTime() - begin > settings.requestTime().toNanos()) {
                refusal = StatusCodes.REQUEST_TIME_OUT;
            }
            if (refusal == 0) {
                return count;
            }
            target.position(start);
            refuse(target);
            return -1;
        }

        /** Answers instead of the server, and takes in the rest, so that the answer is not lost. */
        private void refuse(ByteBuffer room) throws IOException {
            if (refusal > 0) {
                LOG.info("refused {}: {}", refusal, StatusCodes.getReason(refusal));
                ByteBuffer response = ByteBuffer.wrap(RequestGuard.refusal(refusal).getBytes(StandardCharsets.UTF_8));
                answers.write(response);
                answers.terminateWrites();
                answers.flush();
                refusal = -refusal;
                connection.getIoThread().executeAfter(() -> IoUtils.safeClose(connection), LINGERING_MILLIS, TimeUnit.MILLISECONDS);
            }
            int start = room.position();
            for (int taken = 0; taken < MOST_PASSED_OVER && next.read(room) > 0; taken += room.position() - start) {
                room.position(start);
            }
            room.position(start);
        }

        @Override
        public long read(ByteBuffer[] targets, int offset, int length) throws IOException {
            for (int i = offset; i < offset + length; i++) {
                if (targets[i].hasRemaining()) {
                    return read(targets[i]);
                }
            }
            return 0;
        }

        @Override
        public long transferTo(long position, long count, FileChannel target) throws IOException {
            return target.transferFrom(new ConduitReadableByteChannel(this), position, count);
        }

        @Override
        public long transferTo(long count, ByteBuffer throughBuffer, StreamSinkChannel target) throws IOException {
            return IoUtils.transfer(new ConduitReadableByteChannel(this), count, throughBuffer, target);
        }
    }

    /** What is sent to clients. */
    private final class Answers extends AbstractStreamSinkConduit<StreamSinkConduit> {
        private long waiting;

        Answers(StreamSinkConduit bytes) {
            super(bytes);
        }

        private void verify(boolean complete) throws IOException {
            if (complete) {
                waiting = 0;
            } else if (waiting == 0) {
                waiting = System.nanoTime();
            } else if (System.nanoTime() - waiting > settings.responseTime().toNanos()) {
                throw new IOException("the client takes too long to read");
            }
        }

        @Override
        public int write(ByteBuffer source) throws IOException {
            int count = next.write(source);
            verify(!source.hasRemaining());
            return count;
        }

        @Override
        public long write(ByteBuffer[] sources, int offset, int length) throws IOException {
            long count = next.write(sources, offset, length);
            verify(!Buffers.hasRemaining(sources, offset, length));
            return count;
        }

        @Override
        public int writeFinal(ByteBuffer source) throws IOException {
            int count = next.writeFinal(source);
            verify(!source.hasRemaining());
            return count;
        }

        @Override
        public long writeFinal(ByteBuffer[] sources, int offset, int length) throws IOException {
            long count = next.writeFinal(sources, offset, length);
            verify(!Buffers.hasRemaining(sources, offset, length));
            return count;
        }
    }
}
