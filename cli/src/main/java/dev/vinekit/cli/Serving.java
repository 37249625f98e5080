package dev.vinekit.cli;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import dev.vinekit.engine.Database;
import dev.vinekit.mapping.Operation;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import dev.vinekit.run.SeededDatabase;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import org.slf4j.LoggerFactory;

/** Runs a service until the process is told to stop. */
final class Serving {
    private final Style style;
    private final int port;

    Serving(Style style, int port) {
        this.style = style;
        this.port = port;
    }

    /** On a scratch database with the project's seed rows. */
    int scratch(Project project) {
        try (SeededDatabase scratch = SeededDatabase.of(project)) {
            return serve(project, scratch.url(), scratch.user(), scratch.password(),
                    "a scratch database with the seed rows, gone when you stop");
        }
    }

    /** On a database that is there. */
    int database(Project project, Database database) {
        return serve(project, database.url(), database.user(), database.password(), database.toString());
    }

    private int serve(Project project, String url, String user, String password, String where) {
        Map<String, String> settings = new HashMap<>(System.getenv());
        settings.put("DB_URL", url);
        settings.put("DB_USER", user);
        settings.put("DB_PASSWORD", password);
        settings.put("HTTP_PORT", String.valueOf(port));
        RunningService service = Runner.serve(project, settings);
        System.out.println();
        service.endpoints().forEach(System.out::println);
        System.out.println();
        System.out.println(style.strong("Serving at " + service.url() + "/"));
        System.out.println("Database: " + where + ".");
        boolean secured = project.service().secured();
        System.out.println(secured ? "Access: bearer tokens with roles. For one to try it out: vinekit token"
                + (project.directory().toString().isEmpty() ? "" : " --dir " + project.directory())
                : style.warning("No access control: everyone who reaches the port may read and write."));
        project.service().tables().stream().filter(table -> table.operations().contains(Operation.LIST)).findFirst()
                .ifPresent(table -> System.out.println("Try: curl "
                        + (secured ? "-H \"Authorization: Bearer $TOKEN\" " : "") + service.url() + "/" + table.path()
                        + "?limit=3"));
        service.page().ifPresent(page -> System.out.println(style.strong("Look at it in a browser: " + page)));
        System.out.println("Stop with Ctrl-C. The log of the service:");
        showLog(project.service().basePackage());
        untilStopped(service);
        return 0;
    }

    /** From now on: what it logs while it starts is said already. */
    private static void showLog(String basePackage) {
        ((Logger) LoggerFactory.getLogger(basePackage)).setLevel(Level.INFO);
    }

    private static void untilStopped(RunningService service) {
        CountDownLatch stopped = new CountDownLatch(1);
        Runtime.getRuntime().addShutdownHook(new Thread(() -> {
            service.close();
            stopped.countDown();
        }, "stop"));
        try {
            stopped.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            service.close();
        }
    }
}
