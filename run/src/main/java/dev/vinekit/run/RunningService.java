package dev.vinekit.run;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.project.Project;
import java.io.IOException;
import java.lang.reflect.InvocationTargetException;
import java.net.BindException;
import java.net.URLClassLoader;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A generated service that runs in this process. */
public final class RunningService implements AutoCloseable {
    private final URLClassLoader loader;
    private final AutoCloseable server;

    private RunningService(URLClassLoader loader, AutoCloseable server) {
        this.loader = loader;
        this.server = server;
    }

    /**
     * Starts the compiled service of a project.
     *
     * @param environment the settings, as environment variables would give them
     * @throws Fault if a setting is wrong, the database does not answer or the port is in use
     */
    public static RunningService start(Project project, Map<String, String> environment) {
        URLClassLoader loader = new ProjectCompiler(project.directory()).classLoader();
        String support = project.service().basePackage() + ".support.";
        Thread thread = Thread.currentThread();
        ClassLoader context = thread.getContextClassLoader();
        try {
            thread.setContextClassLoader(loader);
            Class<?> settings = loader.loadClass(support + "Settings");
            Object values = settings.getMethod("from", Map.class).invoke(null, environment);
            Object server = loader.loadClass(support + "Server").getMethod("start", settings).invoke(null, values);
            return new RunningService(loader, (AutoCloseable) server);
        } catch (InvocationTargetException e) {
            close(loader);
            throw notStarted(e.getCause());
        } catch (ReflectiveOperationException e) {
            close(loader);
            if (!hasServer(project)) {
                throw Fault.inCall("The project in " + project.directory() + " has no server of its own.",
                        "Start the application that it is a part of, or take server: false out of the mapping file and"
                        + " generate again.");
            }
            throw Fault.inCall("The project's support package is not as it was generated: " + e.getMessage() + ".",
                    "Restore Settings and Server in " + support + "*.");
        } finally {
            thread.setContextClassLoader(context);
        }
    }

    private static boolean hasServer(Project project) {
        return project.decisions().flatMap(decisions -> decisions.http().server()).orElse(true);
    }

    private static Fault notStarted(Throwable reason) {
        for (Throwable cause = reason; cause != null; cause = cause.getCause()) {
            if (cause instanceof BindException) {
                return Fault.inWorld(reason.getMessage().replaceFirst(" is in use\\..*", " is in use."),
                        Remedy.of(Remedy.Kind.CHOOSE_PORT), reason);
            }
        }
        return Fault.inWorld("The service did not start. " + reason.getMessage(),
                "Check the settings named above.", reason);
    }

    /** Where the entry point is, without a slash at the end. */
    public String url() {
        return (String) ask("url");
    }

    /** Where the page for people is; empty if there is none. A project of an earlier version has none. */
    public Optional<String> page() {
        boolean told = Arrays.stream(server.getClass().getMethods())
                .anyMatch(method -> method.getName().equals("page"));
        return told ? Optional.of((String) ask("page")).filter(address -> !address.isEmpty()) : Optional.empty();
    }

    /** One line for each path, with the methods that it takes. */
    public List<String> endpoints() {
        return ((List<?>) ask("endpoints")).stream().map(String::valueOf).toList();
    }

    private Object ask(String method) {
        try {
            return server.getClass().getMethod(method).invoke(server);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("the generated Server has no method " + method, e);
        }
    }

    @Override
    public void close() {
        try {
            server.close();
        } catch (Exception e) {
            throw Fault.inWorld("The service did not stop: " + e.getMessage() + ".", "End the process.", e);
        } finally {
            close(loader);
        }
    }

    private static void close(URLClassLoader loader) {
        try {
            loader.close();
        } catch (IOException e) {
            throw Fault.inWorld("The service's classes could not be closed: " + e.getMessage() + ".",
                    "End the process.", e);
        }
    }
}
