package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.lang.reflect.Constructor;
import java.lang.reflect.Method;
import java.net.URL;
import java.net.URLClassLoader;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.TimeUnit;
import org.eclipse.jetty.util.component.AbstractLifeCycle;
import org.eclipse.jetty.util.thread.Scheduler;
import org.junit.jupiter.api.Test;

/** How many requests the generated service works on at a time, where they are read late or in time. */
class WorkLimitTest {
    private static final int MOST = 16;

    /** What the reader is to do, when the test lets it. */
    private final Deque<Runnable> later = new ArrayDeque<>();

    @Test
    void isLowerWhileRequestsAreReadLateAndGrowsAgain() throws Exception {
        try (URLClassLoader classes = classes()) {
            Limit limit = limit(classes);
            for (int i = 0; i < MOST; i++) {
                assertThat(limit.take()).isTrue();
            }
            assertThat(later).as("nobody looks while there is room").isEmpty();
            assertThat(limit.take()).as("one more, for a moment").isTrue();
            TimeUnit.MILLISECONDS.sleep(600);
            assertThat(limit.take()).as("one more, after a moment").isFalse();

            readsLate();
            assertThat(limit.now()).isEqualTo(MOST / 2);
            readsLate();
            readsLate();
            readsLate();
            readsLate();
            assertThat(limit.now()).as("one at least").isEqualTo(1);
            limit.free(MOST);
            limit.free(1);
            assertThat(limit.take()).isTrue();
            assertThat(limit.take()).isFalse();

            readsInTime();
            int before = limit.now();
            readsInTime();
            assertThat(limit.now()).isEqualTo(before + 1);
            assertThat(limit.take()).isTrue();
            assertThat(limit.take()).isTrue();
            limit.free(3);
            TimeUnit.MILLISECONDS.sleep(1100);
            readsInTime();
            assertThat(limit.now()).as("nobody was refused for a second").isEqualTo(MOST);
            assertThat(later).isEmpty();
        }
    }

    @Test
    void whatComesAllAtOnceIsTakenOnceAndNotForAsLongAsPlacesBecomeFree() throws Exception {
        try (URLClassLoader classes = classes()) {
            Limit limit = limit(classes);
            for (int i = 0; i < 5 * MOST; i++) {
                assertThat(limit.take()).isTrue();
            }
            assertThat(limit.take()).isFalse();
            limit.free(4 * MOST);
            assertThat(limit.take()).as("there are as many as may be at a time").isFalse();
            limit.free(1);
            assertThat(limit.take()).isTrue();

            limit.free(MOST);
            TimeUnit.MILLISECONDS.sleep(1100);
            readsInTime();
            for (int i = 0; i < 5 * MOST; i++) {
                assertThat(limit.take()).as("again, after a second without refusals").isTrue();
            }
            assertThat(limit.take()).isFalse();
        }
    }

    private static URLClassLoader classes() throws IOException {
        return new URLClassLoader(new URL[] {
            ServedCellar.project("h2", "").directory().resolve("target/classes").toUri().toURL()});
    }

    private void readsLate() throws InterruptedException {
        TimeUnit.MILLISECONDS.sleep(40);
        later.remove().run();
    }

    private void readsInTime() {
        later.remove().run();
    }

    private Limit limit(ClassLoader classes) throws ReflectiveOperationException {
        Class<?> type = classes.loadClass("com.example.cellar.support.WorkLimit");
        Constructor<?> constructor = type.getDeclaredConstructor(int.class, String.class, Scheduler.class);
        constructor.setAccessible(true);
        return new Limit(constructor.newInstance(MOST, "", new Tasks()));
    }

    /** Does at once what is to be done at once. */
    private final class Tasks extends AbstractLifeCycle implements Scheduler {
        @Override
        public Task schedule(Runnable task, long delay, TimeUnit unit) {
            if (delay == 0) {
                task.run();
                return () -> false;
            }
            later.add(task);
            return () -> later.remove(task);
        }
    }

    /** The generated class, which only its own package sees. */
    private record Limit(Object limit) {
        boolean take() throws ReflectiveOperationException {
            return (boolean) call("take");
        }

        int now() throws ReflectiveOperationException {
            return (int) call("now");
        }

        void free(int times) throws ReflectiveOperationException {
            for (int i = 0; i < times; i++) {
                call("free");
            }
        }

        private Object call(String name) throws ReflectiveOperationException {
            Method method = limit.getClass().getDeclaredMethod(name);
            method.setAccessible(true);
            return method.invoke(limit);
        }
    }
}
