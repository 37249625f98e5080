import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;

/** Sends what no client should, by several threads at a time, and tells what another client gets meanwhile. */
public final class AttackBench {
    private static final int THREADS = 8;
    private static final String JSON = "Content-Type: application/json\r\n";

    private final int port;
    private final HttpClient client = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

    private AttackBench(int port) {
        this.port = port;
    }

    private interface Attack {
        void once() throws Exception;
    }

    public static void main(String[] arguments) throws Exception {
        AttackBench bench = new AttackBench(Integer.parseInt(arguments[0]));
        int seconds = Integer.parseInt(arguments[1]);
        if (arguments[2].equals("watch")) {
            bench.watch(seconds);
            System.exit(0);
        }
        for (int i = 0; i < 60; i++) {
            bench.post("/labels", "{\"title\":\"L" + i + "\",\"languageCode\":\"en\",\"backText\":\""
                    + "x".repeat(900_000) + "\"}");
        }
        System.out.printf("%-28s %8s %s%n", "attack", "requests",
                "the other client: statuses, median and 99th percentile in ms; heap in use before and after");
        for (Map.Entry<String, Attack> attack : bench.attacks().entrySet()) {
            bench.run(attack.getKey(), attack.getValue(), seconds, arguments[2]);
        }
        System.exit(0);
    }

    private Map<String, Attack> attacks() {
        Map<String, Attack> attacks = new LinkedHashMap<>();
        attacks.put("texts of 900,000 letters",
                () -> post("/cellar-hands", "{\"fullName\":\"a\",\"email\":\"" + "@".repeat(900_000) + "\"}"));
        attacks.put("bodies that do not come", () -> {
            List<Socket> sockets = new ArrayList<>();
            for (int i = 0; i < 90; i++) {
                sockets.add(send("POST /api/blends HTTP/1.1\r\nHost: localhost\r\n" + JSON
                        + "Content-Length: 1000000\r\n\r\n{"));
            }
            close(sockets);
        });
        attacks.put("trailers without end", () -> {
            try (Socket socket = send("POST /api/blends HTTP/1.1\r\nHost: localhost\r\n" + JSON
                    + "Transfer-Encoding: chunked\r\n\r\n2\r\n{}\r\n0\r\n")) {
                byte[] line = ("X-A: " + "a".repeat(1000) + "\r\n").getBytes(StandardCharsets.US_ASCII);
                for (int i = 0; i < 100_000; i++) {
                    socket.getOutputStream().write(line);
                }
            }
        });
        attacks.put("values nested without end",
                () -> post("/lab-analyses", "{\"readings\":" + "[".repeat(490) + "]".repeat(490) + "}"));
        attacks.put("numbers that grow",
                () -> post("/lab-analyses", "{\"readings\":[" + "1e9000,".repeat(100_000) + "1]}"));
        attacks.put("objects of nothing",
                () -> post("/lab-analyses", "{\"readings\":[" + "{},".repeat(300_000) + "{}]}"));
        attacks.put("lists of large rows", () -> get("/labels?limit=500"));
        attacks.put("properties that are not", () -> {
            StringBuilder body = new StringBuilder("{\"a\":1");
            for (int i = 0; i < 60_000; i++) {
                body.append(",\"p").append(i).append("\":1");
            }
            post("/blends", body + "}");
        });
        attacks.put("bytes that are no request", () -> {
            List<Socket> sockets = new ArrayList<>();
            for (String bytes : List.of("GET / HTTP/1.1\rHost: x\r\n\r\n",
                    "POST /api/blends HTTP/1.1\r\nHost: localhost\r\nTransfer-Encoding: foo\r\n\r\n",
                    "\0\0\0\0\r\n\r\n", "GET /api/vessels/1 HTTP/1.1\r\nHost: localhost\r\nX: " + "a".repeat(50_000)
                    + "\r\n\r\n")) {
                sockets.add(send(bytes));
            }
            close(sockets);
        });
        attacks.put("answers that nobody reads", () -> {
            List<Socket> sockets = new ArrayList<>();
            for (int i = 0; i < 20; i++) {
                sockets.add(send("GET /api/labels?limit=500 HTTP/1.1\r\nHost: localhost\r\n\r\n"));
            }
            TimeUnit.SECONDS.sleep(2);
            close(sockets);
        });
        return attacks;
    }

    private void run(String name, Attack attack, int seconds, String process) throws Exception {
        long before = heap(process);
        AtomicLong done = new AtomicLong();
        Process watcher = watcher(seconds);
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
        ExecutorService attackers = Executors.newFixedThreadPool(THREADS);
        for (int i = 0; i < THREADS; i++) {
            attackers.submit(() -> {
                while (System.nanoTime() < end) {
                    try {
                        attack.once();
                    } catch (Exception e) {
                        // The service may close a connection, or answer late: that is its right here.
                    }
                    done.incrementAndGet();
                }
            });
        }
        String watched = new String(watcher.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
        attackers.shutdown();
        attackers.awaitTermination(60, TimeUnit.SECONDS);
        System.out.printf("%-28s %8d %s; %d MB, %d MB%n", name, done.get(), watched, before >> 20, heap(process) >> 20);
    }

    /** Another client, in a process of its own: the attackers are not to keep it from looking at its watch. */
    private Process watcher(int seconds) throws IOException {
        String java = System.getProperty("java.home") + "/bin/java";
        Process watcher = new ProcessBuilder(java, "-cp", System.getProperty("java.class.path"),
                System.getProperty("attack.source"),
                String.valueOf(port), String.valueOf(seconds), "watch").redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        watcher.getInputStream().read();
        return watcher;
    }

    /** Reads a row every 100 ms, on one connection for as long as the service keeps it. */
    private void watch(int seconds) throws Exception {
        Map<String, Integer> statuses = new TreeMap<>();
        List<Long> times = new ArrayList<>();
        int connections = 0;
        Socket socket = null;
        long end = 0;
        do {
            long begin = System.nanoTime();
            if (socket == null) {
                socket = new Socket("localhost", port);
                connections++;
            }
            String answer = answer(socket, "GET /api/vessels/1 HTTP/1.1\r\nHost: localhost\r\n\r\n");
            if (answer.isEmpty() || answer.contains("Connection: close")) {
                socket.close();
                socket = null;
            }
            if (end == 0) {
                System.out.print("!");
                System.out.flush();
                end = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
            } else {
                statuses.merge(answer.isEmpty() ? "closed" : answer.substring(9, 12), 1, Integer::sum);
                times.add(TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - begin));
                TimeUnit.MILLISECONDS.sleep(Math.max(1, 100 - times.get(times.size() - 1)));
            }
        } while (System.nanoTime() < end);
        Collections.sort(times);
        System.out.printf("%s, %d, %d, %d connections", statuses, times.get(times.size() / 2),
                times.get(times.size() * 99 / 100), connections);
    }

    /** An answer with its body; empty if the connection was closed. */
    private static String answer(Socket socket, String request) throws IOException {
        StringBuilder answer = new StringBuilder();
        try {
            socket.getOutputStream().write(request.getBytes(StandardCharsets.ISO_8859_1));
            InputStream in = socket.getInputStream();
            int length = -1;
            for (int next = in.read(); next >= 0 && length != 0; next = length == 0 ? -1 : in.read()) {
                answer.append((char) next);
                length--;
                if (length < 0 && answer.toString().endsWith("\r\n\r\n")) {
                    length = Integer.parseInt(answer.toString().replaceFirst("(?s).*Content-Length: (\\d+).*", "$1"));
                }
            }
        } catch (IOException e) {
            return ""; // Closed while it was written to.
        }
        return answer.toString();
    }

    /** Bytes in use after a collection. */
    private static long heap(String process) throws Exception {
        String jcmd = System.getProperty("java.home") + "/bin/jcmd";
        new ProcessBuilder(jcmd, process, "GC.run").start().waitFor();
        Process info = new ProcessBuilder(jcmd, process, "GC.heap_info").start();
        String text = new String(info.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return text.lines().filter(line -> line.contains(" used ")).mapToLong(line ->
                Long.parseLong(line.replaceFirst(".* used (\\d+)K.*", "$1")) << 10).findFirst().orElse(0);
    }

    private static void close(List<Socket> sockets) throws IOException {
        for (Socket socket : sockets) {
            socket.close();
        }
    }

    private Socket send(String bytes) throws IOException {
        Socket socket = new Socket("localhost", port);
        socket.setSoTimeout(10_000);
        OutputStream out = socket.getOutputStream();
        out.write(bytes.getBytes(StandardCharsets.ISO_8859_1));
        out.flush();
        return socket;
    }

    private int get(String path) throws IOException, InterruptedException {
        return status(HttpRequest.newBuilder(uri(path)).GET());
    }

    private int post(String path, String body) throws IOException, InterruptedException {
        return status(HttpRequest.newBuilder(uri(path)).header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    private URI uri(String path) {
        return URI.create("http://localhost:" + port + "/api" + path);
    }

    private int status(HttpRequest.Builder request) throws IOException, InterruptedException {
        HttpResponse<InputStream> response =
                client.send(request.timeout(Duration.ofSeconds(20)).build(), HttpResponse.BodyHandlers.ofInputStream());
        try (InputStream body = response.body()) {
            body.skip(Long.MAX_VALUE);
        }
        return response.statusCode();
    }
}
