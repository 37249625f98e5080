import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;

/**
 * Sends requests to the generated cellar service at a steady rate, whether they are answered or not: of ten, eight read a
 * row, one a list, one writes a row.
 *
 * <p>Arguments: URL of the service, requests a second, seconds.
 */
public final class LoadBench {
    private static final int MOST_OPEN = 20_000;

    private record Answer(int status, double millis) {
    }

    private LoadBench() {
    }

    public static void main(String[] arguments) throws Exception {
        String url = arguments[0];
        double rate = Double.parseDouble(arguments[1]);
        int seconds = Integer.parseInt(arguments[2]);
        HttpClient client = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
        ConcurrentLinkedQueue<Answer> answers = new ConcurrentLinkedQueue<>();
        Semaphore open = new Semaphore(MOST_OPEN);
        long start = System.nanoTime();
        int count = (int) (rate * seconds);
        int skipped = 0;
        for (int i = 0; i < count; i++) {
            long due = start + (long) (i / rate * 1e9);
            while (System.nanoTime() < due) {
                TimeUnit.MICROSECONDS.sleep(100);
            }
            if (!open.tryAcquire()) {
                skipped++;
                continue;
            }
            long begin = System.nanoTime();
            client.sendAsync(request(url, i), HttpResponse.BodyHandlers.discarding()).handle((answer, error) -> {
                open.release();
                return answers.add(new Answer(error == null ? answer.statusCode() : 0, (System.nanoTime() - begin) / 1e6));
            });
        }
        open.acquire(MOST_OPEN);
        double took = (System.nanoTime() - start) / 1e9;
        Map<Integer, Integer> byStatus = new TreeMap<>();
        answers.forEach(answer -> byStatus.merge(answer.status(), 1, Integer::sum));
        double[] good = answers.stream().filter(answer -> answer.status() / 100 == 2).mapToDouble(Answer::millis).sorted().toArray();
        System.out.printf("%d requests in %.1f s, %d not sent; by status (0: none) %s; good %.0f a second; of the good ms: "
                + "median %.1f, 99 %% %.1f, greatest %.0f%n", count, took, skipped, byStatus, good.length / took,
                at(good, 0.5), at(good, 0.99), at(good, 1));
        System.exit(0);
    }

    private static double at(double[] sorted, double part) {
        return sorted.length == 0 ? Double.NaN : sorted[(int) Math.min(sorted.length - 1, sorted.length * part)];
    }

    private static HttpRequest request(String url, int i) {
        HttpRequest.Builder request = HttpRequest.newBuilder().timeout(Duration.ofSeconds(30));
        if (i % 10 == 9) {
            return request.uri(URI.create(url + "/labels")).header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString("{\"title\":\"load-" + i + "-" + System.nanoTime() + "\"}")).build();
        }
        return request.uri(URI.create(url + (i % 10 == 8 ? "/vessel-transfers?limit=20" : "/vessel-transfers/" + (1 + i % 20)))).build();
    }
}
