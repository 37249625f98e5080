package dev.vinekit.cli;

import dev.vinekit.engine.ScratchDatabase;
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
    private static final int WIDTH = 64;

    private final boolean quiet;

    Stages(boolean quiet) {
        this.quiet = quiet;
    }

    /** Runs a stage and says what came of it. */
    <T> T run(String name, Supplier<T> work, Function<T, String> summary) {
        long begin = System.nanoTime();
        T result = work.get();
        if (!quiet) {
            line(name, summary.apply(result), begin);
        }
        return result;
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
