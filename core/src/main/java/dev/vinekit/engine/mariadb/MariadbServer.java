package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.ScratchFolder;
import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * A server of our own on a temporary data directory, from the server program that is installed here. It starts when it
 * is first asked for, and goes with its data when the process ends.
 */
final class MariadbServer {
    private static final List<String> FOLDERS =
            List.of("/usr/sbin", "/usr/bin", "/usr/local/bin", "/usr/local/sbin", "/usr/libexec", "/opt/homebrew/bin");
    private static final int SECONDS = 30;
    private static MariadbServer instance;

    private final ScratchFolder folder;
    private final int port;
    private final Process process;

    private MariadbServer(ScratchFolder folder, int port, Process process) {
        this.folder = folder;
        this.port = port;
        this.process = process;
    }

    /**
     * The URL of the server, without a database.
     *
     * @throws Fault if no server program is installed, or it does not start
     */
    static synchronized String url() {
        if (instance == null) {
            instance = start();
        }
        return url(instance.port);
    }

    private static String url(int port) {
        return "jdbc:mariadb://127.0.0.1:" + port + "/";
    }

    private static MariadbServer start() {
        try {
            ScratchFolder folder = ScratchFolder.ofServer("vinekit-mariadb-");
            Path directory = folder.path();
            Path log = directory.resolve("log");
            String data = "--datadir=" + directory.resolve("data");
            String user = "--user=" + System.getProperty("user.name");
            Process install = run(log, program("mariadb-install-db"), "--no-defaults", data, user,
                    "--auth-root-authentication-method=normal", "--skip-test-db");
            if (!install.waitFor(SECONDS, TimeUnit.SECONDS) || install.exitValue() != 0) {
                install.destroyForcibly();
                throw failure("It could not make its data directory", log);
            }
            int port = freePort();
            Process process = run(log, program("mariadbd"), "--no-defaults", data, user, "--port=" + port,
                    "--bind-address=127.0.0.1", "--socket=" + directory.resolve("socket"),
                    "--pid-file=" + directory.resolve("pid"), "--skip-log-bin", "--skip-name-resolve",
                    "--character-set-server=utf8mb4", "--collation-server=utf8mb4_general_ci",
                    "--innodb-flush-log-at-trx-commit=0", "--innodb-fast-shutdown=2");
            MariadbServer server = new MariadbServer(folder, port, process);
            server.await(log);
            return server;
        } catch (IOException e) {
            throw Fault.inWorld("The MariaDB server for scratch databases did not start: " + e.getMessage(),
                    "Check that the temporary directory may be written to.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw Fault.inWorld("The MariaDB server for scratch databases did not start in time.", "Try again.", e);
        }
    }

    private static String program(String name) {
        return FOLDERS.stream().map(folder -> Path.of(folder, name)).filter(Files::isExecutable).findFirst()
                .orElseThrow(() -> Fault.inWorld(
                        "MariaDB needs an installed server for scratch databases, and there is no " + name + " here.",
                        "Install one (on Debian and Ubuntu: apt-get install mariadb-server), or name a server with --url.",
                        null))
                .toString();
    }

    private static Process run(Path log, String... command) throws IOException {
        return new ProcessBuilder(command).redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile())).start();
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private void await(Path log) throws InterruptedException, IOException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(SECONDS);
        while (System.nanoTime() < end && process.isAlive()) {
            try (Connection connection = DriverManager.getConnection(url(port), "root", "")) {
                if (connection.isValid(SECONDS)) {
                    return;
                }
            } catch (SQLException notYet) {
                Thread.sleep(50);
            }
        }
        stop();
        throw failure("It does not answer", log);
    }

    private static Fault failure(String what, Path log) throws IOException {
        String last = Files.exists(log) ? Files.readString(log).strip().replaceAll("(?s).*\\R", "") : "";
        return Fault.inWorld("The MariaDB server for scratch databases did not start. " + what + ": " + last,
                "Check that mariadbd runs here, or name a server with --url.", null);
    }

    private void stop() {
        try {
            folder.close();
        } catch (IOException e) {
            throw new UncheckedIOException("removing " + folder.path(), e);
        }
    }
}
