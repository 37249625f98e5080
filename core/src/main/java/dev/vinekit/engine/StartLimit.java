package dev.vinekit.engine;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Collections;
import java.util.List;

/**
 * How long a program may take to start a server: a number of seconds in which it neither writes to its log nor uses the
 * processor. A slow or busy machine gets the time that it needs.
 */
public final class StartLimit {
    /** The environment variable that sets the limit. */
    public static final String VARIABLE = "VINEKIT_SERVER_SECONDS";
    private static final int SECONDS = 30;


    /** A stuck server still uses some processor time, so a start is given up after this many times the limit. */
    private static final int AT_MOST = 10;

    /** How many lines of a log a message repeats. */
    private static final int LINES = 8;

    private final Process process;
    private final Path log;
    private long signs;
    private final long start = System.nanoTime();
    private long since = start;

    /** @param log to which the process writes; it may not be there yet */
    public StartLimit(Process process, Path log) {
        this.process = process;
        this.log = log;
    }

    /** The limit: that of the environment, from 1 second, or 30 seconds. */
    public static Duration duration() {
        String set = System.getenv().getOrDefault(VARIABLE, "");
        return Duration.ofSeconds(set.matches("[1-9][0-9]{0,5}") ? Integer.parseInt(set) : SECONDS);
    }

    /** Whether the process runs and has shown a sign of progress within the limit. */
    public boolean lasts() throws IOException {
        long now = (Files.exists(log) ? Files.size(log) : 0)
                + process.info().totalCpuDuration().orElse(Duration.ZERO).toMillis();
        if (now != signs) {
            signs = now;
            since = System.nanoTime();
        }
        long limit = duration().toNanos();
        return process.isAlive() && System.nanoTime() - since < limit && System.nanoTime() - start < AT_MOST * limit;
    }

    /** Why it did not start, in a sentence: how the process ended, and the last lines of its log. */
    public static String reason(Process process, Path log) throws IOException {
        String how = process.isAlive() ? "It was not ready in time (" + VARIABLE
                + " sets another limit than " + duration().toSeconds() + " seconds)." : "It ended with exit code " + process.exitValue() + ".";
        List<String> lines = Files.exists(log) ? Files.readString(log).lines().filter(line -> !line.isBlank()).toList()
                : Collections.emptyList();
        return how + (lines.isEmpty() ? " It wrote nothing to its log."
                : " The last lines of its log:\n  "
                        + String.join("\n  ", lines.subList(Math.max(0, lines.size() - LINES), lines.size())));
    }
}
