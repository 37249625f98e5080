package dev.vinekit;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** As many of many cases as fit into a time, other ones in each run. */
public final class Timebox {
    private Timebox() {
    }

    /**
     * At least one case, and more until the time is over; all of them if it is 0 seconds.
     *
     * @param name of the system properties {@code name.seconds} and {@code name.seed}, which gives an order again
     * @param usual how many seconds if nothing is said
     */
    public static <T> Stream<T> of(Collection<T> cases, String name, int usual) {
        int seconds = Integer.getInteger(name + ".seconds", usual);
        long seed = Long.getLong(name + ".seed", ThreadLocalRandom.current().nextLong());
        List<T> shuffled = new ArrayList<>(cases);
        Collections.shuffle(shuffled, new Random(seed));
        long begin = System.nanoTime();
        return IntStream.range(0, shuffled.size()).takeWhile(i -> {
            boolean inTime = i == 0 || seconds == 0
                    || System.nanoTime() - begin < Duration.ofSeconds(seconds).toNanos();
            if (!inTime || i == shuffled.size() - 1) {
                System.out.printf("%d of %d cases (-D%s.seconds=0 tries all, -D%s.seed=%d in this order)%n",
                        inTime ? i + 1 : i, shuffled.size(), name, name, seed);
            }
            return inTime;
        }).mapToObj(shuffled::get);
    }
}
