import java.util.List;
import java.util.Optional;

/**
 * What a table adds to the service. The service finds the classes that do by their names in
 * {@code META-INF/services}, as {@link java.util.ServiceLoader} does; endpoints of one's own can be added in the same way.
 */
public interface Registration {
    /** The path of the list that the entry point links to; empty for none. */
    default Optional<String> collection() {
        return Optional.empty();
    }

    /** The constraints whose violations are reported with the fields that they are about. */
    default List<Constraint> constraints() {
        return List.of();
    }

    /** Adds the services that controllers may ask for, before any controller is made. */
    default void addServices(Services services) {
        // A controller need not have a service of its own.
    }

    /** The controller, a Jakarta REST resource. */
    Object controller(Services services);
}
