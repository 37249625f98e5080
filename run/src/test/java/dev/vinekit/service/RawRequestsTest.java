package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Bytes on a socket that no library would send. */
class RawRequestsTest {
    private static final Pattern STATUS = Pattern.compile("HTTP/1\\.[01] ([0-9]{3}) ");
    private static final Pattern LENGTH = Pattern.compile("(?s)Content-Length: ([0-9]+)\r\n(?:[^\r].*?\r\n)?\r\n");
    private static final Pattern BYTE = Pattern.compile("\\\\(?:x([0-9A-F]{2})|([rnt0]))");
    private static final Pattern LETTERS = Pattern.compile("\\{([0-9]+)}");

    private static URI service;

    /** A line of the table. */
    record Raw(String what, int status, byte[] bytes) {
        @Override
        public String toString() {
            return what;
        }
    }

    @BeforeAll
    static void serve() {
        service = URI.create(ServedCellar.on("h2").http().url());
    }

    @ParameterizedTest
    @MethodSource("requests")
    void everyRequestIsAnsweredAndNothingGetsThrough(Raw raw) throws IOException {
        try (Socket socket = connect()) {
            socket.getOutputStream().write(raw.bytes);
            String answer = answer(socket, true);

            assertThat(answer).matches("(?s)HTTP/1\\.[01] " + raw.status + " [A-Z].*");
            assertThat(STATUS.matcher(answer).results()).as("one answer to one request").hasSize(1);
            if (raw.status >= 400 && raw.status != 406) {
                assertThat(answer).contains("application/problem+json", "\"status\":" + raw.status, "X-Request-Id");
            }
        }
        assertThat(ServedCellar.on("h2").http().get("/health").status()).isEqualTo(200);
    }

    static Stream<Raw> requests() throws IOException {
        try (InputStream table = RawRequestsTest.class.getResourceAsStream("raw-requests.txt")) {
            return new String(table.readAllBytes(), StandardCharsets.UTF_8).lines()
                    .filter(line -> !line.startsWith("#"))
                    .map(line -> line.split(" \\| ", 3))
                    .map(parts -> new Raw(parts[0], Integer.parseInt(parts[1]), bytes(parts[2])));
        }
    }

    @Test
    void aSmuggledRequestIsNotAnswered() throws IOException {
        try (Socket socket = connect()) {
            socket.getOutputStream()
                    .write(bytes(
                            "POST /api/blends HTTP/1.1\\r\\nHost: localhost\\r\\nTransfer-Encoding:\\x0Bchunked\\r\\nContent-Length: 5\\r\\n\\r\\n"
                    + "0\\r\\n\\r\\nGET /api/vessels HTTP/1.1\\r\\nHost: localhost\\r\\n\\r\\n"));

            assertThat(answer(socket, false)).startsWith("HTTP/1.1 400 ").doesNotContain("capacityLitres");
        }
    }

    @Test
    void requestsOneAfterTheOtherAreAllAnswered() throws IOException {
        try (Socket socket = connect()) {
            String one = "GET /api/vessels/1 HTTP/1.1\\r\\nHost: localhost\\r\\n\\r\\n";
            socket.getOutputStream().write(bytes(one.repeat(5)
                    + one.replace("localhost\\r", "localhost\\r\\nConnection: close\\r")));

            assertThat(STATUS.matcher(answer(socket, false)).results().map(status -> status.group(1))).hasSize(6)
                    .containsOnly("200");
        }
    }

    @Test
    void aBodyCountsOnlyAsItComes() throws IOException {
        try (Socket first = connect(); Socket second = connect()) {
            for (Socket socket : new Socket[] {first, second}) {
                socket.getOutputStream()
                        .write(bytes(
                                "POST /api/blends HTTP/1.1\\r\\nHost: localhost\\r\\nContent-Type: application/json\\r\\n"
                        + "Content-Length: 1000000\\r\\n\\r\\n{"));
            }

            assertThat(ServedCellar.on("h2").http().get("/vessels/1").status()).isEqualTo(200);
        }
    }

    private static Socket connect() throws IOException {
        Socket socket = new Socket(InetAddress.getByName(service.getHost()), service.getPort());
        socket.setSoTimeout(10_000);
        return socket;
    }

    /** What comes back: until the service closes the connection, or until the first answer is there. */
    private static String answer(Socket socket, boolean stays) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        InputStream in = socket.getInputStream();
        byte[] part = new byte[8192];
        for (int count = in.read(part); count >= 0; count = in.read(part)) {
            bytes.write(part, 0, count);
            String text = bytes.toString(StandardCharsets.ISO_8859_1);
            Matcher length = LENGTH.matcher(text);
            if (stays && length.find() && text.length() >= text.indexOf("\r\n\r\n") + 4
                    + Integer.parseInt(length.group(1))) {
                return text;
            }
        }
        return bytes.toString(StandardCharsets.ISO_8859_1);
    }

    private static byte[] bytes(String written) {
        String headers = IntStream.range(0, 201).mapToObj(i -> "X-" + i + ": 1")
                .collect(Collectors.joining("\\\\r\\\\n"));
        String whole = LETTERS.matcher(written.replaceFirst("\\{\\*201}", headers))
                .replaceAll(letters -> "a".repeat(Integer.parseInt(letters.group(1))));
        return BYTE.matcher(whole).replaceAll(match -> Matcher.quoteReplacement(String.valueOf(
                match.group(1) != null ? (char) Integer.parseInt(match.group(1), 16)
                : "\r\n\t\0".charAt("rnt0".indexOf(match.group(2))))))
                .getBytes(StandardCharsets.ISO_8859_1);
    }
}
