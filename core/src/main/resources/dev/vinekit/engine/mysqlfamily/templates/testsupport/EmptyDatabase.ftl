<#include "_server.ftl">
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.BindException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Comparator;
import java.util.UUID;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * An empty database on a ${server.title} server of the tests' own, which runs on a temporary directory and is stopped when it
 * is closed. ${server.installed} Scripts run
 * in it as a user who owns it, but may not touch files or reach other servers. Nobody else gets in: the password is a
 * new one.
 */
final class EmptyDatabase implements AutoCloseable {
    private static final int SECONDS = 30;

    private final String password = UUID.randomUUID().toString();
    private final File directory;
    private final int port;
    private final Process server;

    EmptyDatabase() {
        try {
            directory = Files.createTempDirectory("${server.name}-").toFile();
            String data = "--datadir=" + new File(directory, "data");
            String user = "--user=" + System.getProperty("user.name");
            int installed = run("${server.installation}", "--no-defaults", data, user,
                    ${server.installationOptions}).waitFor();
            if (installed != 0) {
                throw new IllegalStateException("${server.installation} failed: " + Files.readString(log().toPath()));
            }
            port = freePort();
            File first = new File(directory, "first.sql");
            Files.writeString(first.toPath(), """
<#list server.withoutUsers as statement>
                    ${statement}
</#list>
                    CREATE DATABASE tests;
                    CREATE USER tests@'127.0.0.1' IDENTIFIED BY '%s';
                    GRANT ALL PRIVILEGES ON tests.* TO tests@'127.0.0.1';
                    """.formatted(password));
            server = run("${server.program}", "--no-defaults", data, user, "--port=" + port, "--bind-address=127.0.0.1",
                    "--init-file=" + first, "--local-infile=0", "--skip-symbolic-links", ${server.options},
                    "--socket=" + new File(directory, "socket"), "--skip-log-bin", "--skip-name-resolve",
                    "--character-set-server=utf8mb4", "--innodb-flush-log-at-trx-commit=0");
            await();
        } catch (IOException e) {
            throw new UncheckedIOException("The ${server.title} server for the tests did not start.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("The ${server.title} server for the tests was not given the time to start.", e);
        }
    }

    /**
     * Its temporary files are in its own directory: a server that starts deletes those of all others in the directory
     * that they share, tables in use among them.
     */
    private Process run(String... command) throws IOException {
        String path = System.getenv().getOrDefault("PATH", "");
        File program = Stream.concat(Stream.of(path.split(File.pathSeparator)),
                        Stream.of("/usr/sbin", "/usr/bin", "/usr/local/bin", "/opt/homebrew/bin"))
                .map(folder -> new File(folder, command[0])).filter(File::canExecute).findFirst()
                .orElseThrow(() -> new IllegalStateException("The tests need a ${server.title} server: no " + command[0] + " here."));
        command[0] = program.toString();
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log()));
        builder.environment().put("TMPDIR", directory.toString());
        return builder.start();
    }

    /** Below those that connections that go out get, so that none of them takes it before the server does. */
    private static int freePort() throws IOException {
        int port = 0;
        while (port == 0) {
            try (ServerSocket socket = new ServerSocket(ThreadLocalRandom.current().nextInt(20_000, 32_000))) {
                port = socket.getLocalPort();
            } catch (BindException taken) {
                port = 0;
            }
        }
        return port;
    }

    private File log() {
        return new File(directory, "log");
    }

    private void await() throws InterruptedException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(SECONDS);
        while (server.isAlive() && System.nanoTime() < end) {
            try (Connection connection = DriverManager.getConnection(url(), user(), password())) {
                if (connection.isValid(SECONDS)) {
                    return;
                }
            } catch (SQLException notYet) {
                Thread.sleep(50);
            }
        }
        throw new IllegalStateException("${server.program} does not answer, see " + log());
    }

    String url() {
        return "jdbc:${server.name}://127.0.0.1:" + port + "/tests?allowMultiQueries=true${server.urlOptions}"
                + "&connectionTimeZone=UTC&forceConnectionTimeZoneToSession=true";
    }

    String user() {
        return "tests";
    }

    String password() {
        return password;
    }

    @Override
    public void close() {
        server.destroy();
        server.onExit().join();
        try (var files = Files.walk(directory.toPath())) {
            files.sorted(Comparator.reverseOrder()).forEach(file -> file.toFile().delete());
        } catch (IOException e) {
            throw new UncheckedIOException("The directory of the tests' ${server.title} server could not be removed.", e);
        }
    }
}
