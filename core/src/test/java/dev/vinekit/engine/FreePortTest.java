package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

@Tag("fast")
class FreePortTest {
    @Test
    void portIsFreeAndNoneThatConnectionsThatGoOutTake() throws IOException {
        List<ServerSocket> taken = new ArrayList<>();
        try {
            for (int i = 0; i < 200; i++) {
                int port = FreePort.find();
                assertThat(port).isBetween(20_000, 32_767);
                taken.add(new ServerSocket(port, 1, InetAddress.getLoopbackAddress()));
            }
        } finally {
            for (ServerSocket socket : taken) {
                socket.close();
            }
        }
        assertThat(taken).hasSize(200);
    }
}
