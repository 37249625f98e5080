import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;

/**
 * Writes rows through the service at a steady rate, whatever happens to its database meanwhile, and then looks which of
 * them are there.
 *
 * <p>Arguments: URL of the service, JDBC URL with login of a database that is there at the end, rows a second, seconds,
 * and for each thing to happen the second and the command.
 */
public final class OutageBench {
    private record Written(String title, double begin, double end, int status) {
    }

    private record Event(double begin, double end, String command) {
    }

    private static final int WARM_UP = 1000;

    private static long start = System.nanoTime();

    private OutageBench() {
    }

    public static void main(String[] arguments) throws Exception {
        String url = arguments[0] + "/labels";
        int rate = Integer.parseInt(arguments[2]);
        int seconds = Integer.parseInt(arguments[3]);
        ConcurrentLinkedQueue<Written> written = new ConcurrentLinkedQueue<>();
        ConcurrentLinkedQueue<Event> events = new ConcurrentLinkedQueue<>();
        HttpClient client = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
        for (int i = 0; i < WARM_UP; i++) {
            client.send(write(url, "warm-" + i), HttpResponse.BodyHandlers.discarding());
        }
        start = System.nanoTime();
        List<Thread> happenings = new ArrayList<>();
        for (int i = 4; i + 1 < arguments.length; i += 2) {
            happenings.add(happening(Double.parseDouble(arguments[i]), arguments[i + 1], events));
        }
        List<CompletableFuture<?>> running = new ArrayList<>();
        for (int i = 0; i < rate * seconds; i++) {
            double due = (double) i / rate;
            while (now() < due) {
                TimeUnit.MICROSECONDS.sleep(200);
            }
            String title = "w-" + i;
            double begin = now();
            running.add(client.sendAsync(write(url, title), HttpResponse.BodyHandlers.ofString()).handle((answer, error) ->
                    written.add(new Written(title, begin, now(), error == null ? answer.statusCode() : 0))));
        }
        CompletableFuture.allOf(running.toArray(CompletableFuture[]::new)).join();
        for (Thread happening : happenings) {
            happening.join();
        }
        tell(new ArrayList<>(written), new ArrayList<>(events), present(arguments[1]));
    }

    private static HttpRequest write(String url, String title) {
        return HttpRequest.newBuilder(URI.create(url)).timeout(Duration.ofSeconds(15))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString("{\"title\":\"" + title + "\"}")).build();
    }

    private static double now() {
        return (System.nanoTime() - start) / 1e9;
    }

    private static Thread happening(double when, String command, ConcurrentLinkedQueue<Event> events) {
        Thread thread = new Thread(() -> {
            try {
                TimeUnit.MILLISECONDS.sleep((long) (1000 * (when - now())));
                double begin = now();
                int exit = new ProcessBuilder("bash", "-c", command).inheritIO().start().waitFor();
                events.add(new Event(begin, now(), command + (exit == 0 ? "" : " (exit " + exit + ")")));
            } catch (Exception e) {
                throw new IllegalStateException(command, e);
            }
        });
        thread.start();
        return thread;
    }

    private static Set<String> present(String jdbc) throws SQLException {
        String[] parts = jdbc.split(" ");
        try (Connection connection = DriverManager.getConnection(parts[0], parts[1], parts[2]);
                Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("SELECT title FROM label WHERE title LIKE 'w-%'")) {
            Set<String> titles = new HashSet<>();
            while (row.next()) {
                titles.add(row.getString(1));
            }
            return titles;
        }
    }

    private static void tell(List<Written> written, List<Event> events, Set<String> present) {
        Map<Integer, Integer> byStatus = new TreeMap<>();
        written.forEach(each -> byStatus.merge(each.status(), 1, Integer::sum));
        long lost = written.stream().filter(each -> each.status() / 100 == 2 && !present.contains(each.title())).count();
        long unconfirmed = written.stream().filter(each -> each.status() / 100 != 2 && present.contains(each.title())).count();
        System.out.printf("%d writes, by status (0: no answer) %s; %d are there%n", written.size(), byStatus, present.size());
        System.out.printf("answered 2xx and not there: %d; there and not answered 2xx: %d%n", lost, unconfirmed);
        double first = written.stream().filter(each -> each.status() != 201).mapToDouble(Written::end).min().orElse(-1);
        double last = written.stream().filter(each -> each.status() != 201).mapToDouble(Written::end).max().orElse(-1);
        System.out.printf("answers other than 201 from second %.2f to %.2f%n", first, last);
        System.out.printf("seconds with an answer other than 201: %d; other than 201 and 503: %d%n",
                written.stream().filter(each -> each.status() != 201).mapToInt(each -> (int) each.end()).distinct().count(),
                written.stream().filter(each -> each.status() != 201 && each.status() != 503).mapToInt(each -> (int) each.end())
                        .distinct().count());
        Map<Integer, Integer> bySecond = new TreeMap<>();
        written.stream().filter(each -> each.status() != 201).forEach(each -> bySecond.merge((int) each.end(), 1, Integer::sum));
        System.out.println("answers other than 201 by second: " + bySecond);
        for (Event event : events) {
            double well = written.stream().filter(each -> each.status() == 201 && each.begin() > event.end())
                    .mapToDouble(Written::end).min().orElse(Double.NaN);
            System.out.printf("%.2f to %.2f: %s; a write begun after it was answered 201 %.2f s after its end%n",
                    event.begin(), event.end(), event.command(), well - event.end());
        }
        System.exit(lost == 0 ? 0 : 1);
    }
}
