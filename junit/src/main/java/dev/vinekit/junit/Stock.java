package dev.vinekit.junit;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** The databases that no test has at the moment; they are there until the last test has ended. */
final class Stock implements AutoCloseable {
    private final Map<Recipe, Maker> makers = new ConcurrentHashMap<>();
    private final Map<Recipe, Deque<MadeDatabase>> free = new ConcurrentHashMap<>();

    /** A database that is as it was made. */
    MadeDatabase take(Recipe recipe) {
        MadeDatabase left = shelf(recipe, Deque::poll);
        return left != null ? left : makers.computeIfAbsent(recipe, Maker::new).make();
    }

    /** Takes a database back; one that cannot be put back to what it was is not kept. */
    void giveBack(Recipe recipe, MadeDatabase database) {
        if (database.restore()) {
            shelf(recipe, databases -> databases.offer(database));
        } else {
            database.close();
        }
    }

    private <T> T shelf(Recipe recipe, Function<Deque<MadeDatabase>, T> work) {
        Deque<MadeDatabase> databases = free.computeIfAbsent(recipe, key -> new ArrayDeque<>());
        synchronized (databases) {
            return work.apply(databases);
        }
    }

    @Override
    public void close() {
        List<MadeDatabase> all = new ArrayList<>();
        free.keySet().forEach(recipe -> shelf(recipe, all::addAll));
        all.forEach(MadeDatabase::close);
    }
}
