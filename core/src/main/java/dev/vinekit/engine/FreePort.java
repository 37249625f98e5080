package dev.vinekit.engine;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.concurrent.ThreadLocalRandom;

/** A port for a server that cannot choose one itself, and so has it only a moment after we have looked. */
public final class FreePort {
    /**
     * Below those that systems give to connections that go out (49152 and higher, RFC 6335, section 6; on Linux 32768
     * and higher): none of those takes the port in that moment.
     */
    private static final int FIRST = 20_000;
    private static final int BEYOND = 32_000;
    private static final int ATTEMPTS = 100;

    private FreePort() {
    }

    /**
     * A port on which nobody listens.
     *
     * @throws IOException if none is found
     */
    public static int find() throws IOException {
        for (int i = 0; i < ATTEMPTS; i++) {
            int port = ThreadLocalRandom.current().nextInt(FIRST, BEYOND);
            if (isFree(port)) {
                return port;
            }
        }
        throw new IOException("no free port between " + FIRST + " and " + BEYOND);
    }

    private static boolean isFree(int port) {
        try (ServerSocket socket = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
            return socket.isBound();
        } catch (IOException taken) {
            return false;
        }
    }
}
