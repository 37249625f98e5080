import java.util.Map;

<#if s.server>
/**
 * Starts the service for the tests. The server that comes along does, unless there is one of your own, whose name is in
 * {@code META-INF/services} as {@link java.util.ServiceLoader} wants it.
 */
<#else>
/**
 * Starts the service for the tests. Write one that starts your application, and its name into
 * {@code src/test/resources/META-INF/services}, as {@link java.util.ServiceLoader} wants it.
 */
</#if>
public interface ServiceStarter {
    /**
     * Starts the service.
     *
     * @param settings what the environment would say: {@code DB_URL}, {@code DB_USER} and {@code DB_PASSWORD} lead to the
     *     database
     */
    Started start(Map<String, String> settings);

    /** The running service. */
    interface Started extends AutoCloseable {
        /** Where the entry point is, without a slash at the end. */
        String url();

        /** Stops the service. */
        @Override
        void close();
    }
}
