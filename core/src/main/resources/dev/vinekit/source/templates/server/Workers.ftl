import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** The threads that requests are worked on. */
final class Workers {
    private Workers() {
    }

    /** Virtual threads if this Java has them (21 or later), one for each request; otherwise nothing. */
    static Optional<ExecutorService> virtual() {
        try {
            return Optional.of((ExecutorService) Executors.class.getMethod("newVirtualThreadPerTaskExecutor").invoke(null));
        } catch (NoSuchMethodException e) {
            return Optional.empty();
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("virtual threads cannot be had", e);
        }
    }
}
