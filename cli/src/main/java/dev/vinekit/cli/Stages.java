package dev.vinekit.cli;

import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.run.Progress;
import java.lang.management.ManagementFactory;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/** Tells on standard error what is being done, what came of it and how long it took. */
final class Stages {
    private static final int WIDTH = 58;

    private final boolean quiet;
    private final boolean live;

    /**
     * Stages of one command.
     *
     * @param live whether standard error is a terminal, on which a line can be written over
     */
    Stages(boolean quiet, boolean live) {
        this.quiet = quiet;
        this.live = live;
    }

    /** Runs a stage and says what came of it. */
    <T> T run(String name, Supplier<T> work, Function<T, String> summary) {
        return run(name, "", work, summary);
    }

    /**
     * Runs a stage, says how far it has come, and then what came of it.
     *
     * @param unit what the stage counts while it lasts, in the plural
     */
    <T> T run(String name, String unit, Supplier<T> work, Function<T, String> summary) {
        if (quiet) {
            return work.get();
        }
        long begin = System.nanoTime();
        T result;
        try (LiveLine line = new LiveLine(System.err, name, unit, live)) {
            result = Progress.told(line, work);
        }
        line(name, summary.apply(result), begin);
        return result;
    }

    /** Says what a person should know before going on. */
    void warn(String text) {
        if (!quiet) {
            System.err.printf(Locale.ROOT, "%-9s %s%n", "warning", text);
        }
    }

    /** Says which parts of a script were not run: each sort of them once, with the first place. */
    void skipped(List<ScratchDatabase.Skipped> parts) {
        if (quiet) {
            return;
        }
        Map<String, List<ScratchDatabase.Skipped>> byReason = parts.stream().collect(
                Collectors.groupingBy(ScratchDatabase.Skipped::reason, LinkedHashMap::new, Collectors.toList()));
        byReason.forEach((reason, group) -> System.err.printf(Locale.ROOT, "%-9s %d x: %s (first in line %d: %s)%n",
                "skipped", group.size(), reason, group.get(0).line(), group.get(0).what()));
    }

    /** Ends with an empty line, which parts progress from results where both are shown. */
    void end() {
        if (!quiet) {
            System.err.println();
        }
    }

    /** Ends with the time that all took, from the start of the virtual machine. */
    void total() {
        if (!quiet) {
            long elapsed = System.currentTimeMillis() - ManagementFactory.getRuntimeMXBean().getStartTime();
            System.err.printf(Locale.ROOT, "%-9s %-" + WIDTH + "s %6.2f s%n", "total", "", elapsed / 1e3);
            end();
        }
    }

    private void line(String name, String summary, long begin) {
        System.err.printf(Locale.ROOT, "%-9s %-" + WIDTH + "s %6.2f s%n",
                name, summary, (System.nanoTime() - begin) / 1e9);
    }
}
