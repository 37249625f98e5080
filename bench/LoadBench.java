import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.StandardSocketOptions;
import java.net.URI;
import java.nio.ByteBuffer;
import java.nio.channels.SelectionKey;
import java.nio.channels.Selector;
import java.nio.channels.SocketChannel;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * Sends requests to the generated cellar service at a steady rate, whether they are answered or not: of ten, eight read a
 * row, one a list, one writes a row; or, if they are to be heavy, six a list of a hundred rows with those they refer to. One thread, and nothing but bytes on sockets, so that it can ask more than the service
 * can answer. The first seconds, in which the rate is low, are not counted.
 *
 * <p>Arguments: URL of the service, requests a second, seconds, and "heavy".
 */
public final class LoadBench {
    private static final int MOST_OPEN = 2_000;
    private static final int WARM_UP_RATE = 100;
    private static final int WARM_UP_SECONDS = 4;
    private static final long PATIENCE = 30_000_000_000L;
    private static final byte[] END_OF_CHUNKS = "\r\n0\r\n\r\n".getBytes(StandardCharsets.US_ASCII);

    /** A connection, with the request that it waits for the answer of. */
    private static final class Connection {
        private final SocketChannel channel;
        private byte[] answer = new byte[1 << 10];
        private ByteBuffer request;
        private long due;
        private boolean counted;
        private int length;

        Connection(SocketChannel channel) {
            this.channel = channel;
        }
    }

    private final URI url;
    private final Selector selector = Selector.open();
    private final ArrayDeque<Connection> idle = new ArrayDeque<>();
    private final Map<Integer, Integer> byStatus = new TreeMap<>();
    private final ByteBuffer buffer = ByteBuffer.allocateDirect(1 << 16);
    private long[] good = new long[1 << 16];
    private int goods;
    private int open;
    private int waiting;
    private int skipped;

    private final boolean heavy;

    private LoadBench(URI url, boolean heavy) throws IOException {
        this.url = url;
        this.heavy = heavy;
    }

    public static void main(String[] arguments) throws Exception {
        LoadBench bench = new LoadBench(URI.create(arguments[0]), arguments.length > 3 && arguments[3].equals("heavy"));
        int rate = Integer.parseInt(arguments[1]);
        int seconds = Integer.parseInt(arguments[2]);
        bench.run(Math.min(rate, WARM_UP_RATE), WARM_UP_SECONDS, false);
        bench.await();
        long start = System.nanoTime();
        bench.run(rate, seconds, true);
        bench.await();
        double took = (System.nanoTime() - start) / 1e9;
        long[] times = Arrays.copyOf(bench.good, bench.goods);
        Arrays.sort(times);
        System.out.printf("%d requests in %.1f s, %d not sent; by status (0: none) %s; good %.0f a second; of the good ms: "
                + "median %.1f, 99 %% %.1f, greatest %.0f; connections %d%n", rate * seconds, took, bench.skipped, bench.byStatus,
                times.length / took, at(times, 0.5), at(times, 0.99), at(times, 1), bench.open);
        System.exit(0);
    }

    private static double at(long[] sorted, double part) {
        return sorted.length == 0 ? Double.NaN : sorted[(int) Math.min(sorted.length - 1, sorted.length * part)] / 1e6;
    }

    private void run(int rate, int seconds, boolean counted) throws IOException {
        long start = System.nanoTime();
        int count = rate * seconds;
        for (int sent = 0; sent < count; ) {
            long now = System.nanoTime();
            while (sent < count && start + (long) (sent * 1e9 / rate) <= now) {
                send(sent, start + (long) (sent * 1e9 / rate), counted);
                sent++;
            }
            long next = start + (long) (sent * 1e9 / rate);
            take(Math.max(1, (next - System.nanoTime()) / 1_000_000));
        }
    }

    /** Waits for what has not been answered. */
    private void await() throws IOException {
        long end = System.nanoTime() + PATIENCE;
        while (waiting > 0 && System.nanoTime() < end) {
            take(10);
        }
        if (waiting > 0) {
            byStatus.merge(0, waiting, Integer::sum);
            waiting = 0;
        }
    }

    private void send(int number, long due, boolean counted) throws IOException {
        Connection connection = idle.pollFirst();
        if (connection == null) {
            if (open >= MOST_OPEN) {
                skipped++;
                return;
            }
            connection = opened();
        }
        connection.request = ByteBuffer.wrap(request(number));
        connection.due = due;
        connection.counted = counted;
        connection.length = 0;
        waiting++;
        if (connection.channel.isConnected()) {
            write(connection);
        }
    }

    private Connection opened() throws IOException {
        SocketChannel channel = SocketChannel.open();
        channel.configureBlocking(false);
        channel.setOption(StandardSocketOptions.TCP_NODELAY, true);
        Connection connection = new Connection(channel);
        boolean connected = channel.connect(new InetSocketAddress(url.getHost(), url.getPort()));
        channel.register(selector, connected ? SelectionKey.OP_READ : SelectionKey.OP_CONNECT, connection);
        open++;
        return connection;
    }

    private void write(Connection connection) {
        try {
            connection.channel.write(connection.request);
            connection.channel.keyFor(selector).interestOps(connection.request.hasRemaining()
                    ? SelectionKey.OP_READ | SelectionKey.OP_WRITE : SelectionKey.OP_READ);
        } catch (IOException e) {
            end(connection, 0);
        }
    }

    private void take(long millis) throws IOException {
        selector.select(key -> {
            Connection connection = (Connection) key.attachment();
            try {
                if (key.isConnectable()) {
                    connection.channel.finishConnect();
                    write(connection);
                } else if (key.isWritable()) {
                    write(connection);
                } else if (key.isReadable()) {
                    read(connection);
                }
            } catch (IOException e) {
                end(connection, 0);
            }
        }, millis);
    }

    private void read(Connection connection) throws IOException {
        buffer.clear();
        int count = connection.channel.read(buffer);
        if (count < 0) {
            end(connection, 0);
            return;
        }
        buffer.flip();
        if (connection.length + count > connection.answer.length) {
            connection.answer = Arrays.copyOf(connection.answer, 2 * (connection.length + count));
        }
        buffer.get(connection.answer, connection.length, count);
        connection.length += count;
        int body = indexOf(connection.answer, connection.length, "\r\n\r\n");
        if (body < 0) {
            return;
        }
        String head = new String(connection.answer, 0, body, StandardCharsets.US_ASCII).toLowerCase(Locale.ROOT);
        int declared = head.indexOf("content-length: ");
        boolean whole = declared < 0 ? endsChunks(connection)
                : connection.length >= body + 4 + Integer.parseInt(head.substring(declared + 16).lines().findFirst().orElse("0").strip());
        if (whole) {
            int status = Integer.parseInt(head.substring(9, 12));
            if (head.contains("connection: close")) {
                end(connection, status);
            } else {
                answered(connection, status);
                idle.addFirst(connection);
            }
        }
    }

    private static boolean endsChunks(Connection connection) {
        int start = connection.length - END_OF_CHUNKS.length;
        return start >= 0 && Arrays.equals(connection.answer, start, connection.length, END_OF_CHUNKS, 0, END_OF_CHUNKS.length);
    }

    private static int indexOf(byte[] bytes, int length, String wanted) {
        for (int i = 0; i + wanted.length() <= length; i++) {
            int k = 0;
            while (k < wanted.length() && bytes[i + k] == wanted.charAt(k)) {
                k++;
            }
            if (k == wanted.length()) {
                return i;
            }
        }
        return -1;
    }

    private void answered(Connection connection, int status) {
        if (connection.request == null) {
            return;
        }
        connection.request = null;
        waiting--;
        if (connection.counted) {
            byStatus.merge(status, 1, Integer::sum);
            if (status / 100 == 2) {
                good = goods < good.length ? good : Arrays.copyOf(good, 2 * good.length);
                good[goods++] = System.nanoTime() - connection.due;
            }
        }
    }

    /** A connection that has come to its end, with an answer or without. */
    private void end(Connection connection, int status) {
        answered(connection, status);
        idle.remove(connection);
        open--;
        try {
            connection.channel.close();
        } catch (IOException e) {
            System.err.println("not closed: " + e);
        }
    }

    private byte[] request(int number) {
        String body = number % 10 == 9 ? "{\"title\":\"load-" + number + "-" + System.nanoTime() + "\"}" : "";
        String path = number % 10 == 9 ? "/labels" : heavy && number % 10 > 2 ? "/harvests?limit=100&include=parcel" : number % 10 == 8 ? "/vessel-transfers?limit=20" : "/vessel-transfers/" + (1 + number % 20);
        return ((body.isEmpty() ? "GET " : "POST ") + url.getPath() + path + " HTTP/1.1\r\nHost: " + url.getAuthority() + "\r\n"
                + (body.isEmpty() ? "" : "Content-Type: application/json\r\nContent-Length: " + body.length() + "\r\n")
                + "\r\n" + body).getBytes(StandardCharsets.US_ASCII);
    }
}
