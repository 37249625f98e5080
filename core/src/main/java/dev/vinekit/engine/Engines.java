package dev.vinekit.engine;

import dev.vinekit.fault.Fault;
import java.util.Comparator;
import java.util.List;
import java.util.ServiceLoader;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** The engines on the class path, found through {@link ServiceLoader}; the one that takes any driver comes last. */
public final class Engines {
    private Engines() {
    }

    public static List<Engine> all() {
        return ServiceLoader.load(Engine.class, Engines.class.getClassLoader()).stream()
                .map(ServiceLoader.Provider::get).sorted(Comparator.comparing(Engine::isLastResort)).toList();
    }

    /**
     * The engine for a JDBC URL.
     *
     * @throws Fault if no engine takes it
     */
    public static Engine forUrl(String jdbcUrl) {
        if (!jdbcUrl.startsWith("jdbc:")) {
            throw Fault.inCall("\"" + shortened(jdbcUrl) + "\" is not a JDBC URL.",
                    "Begin it with jdbc:, for example jdbc:h2:./data/cellar.");
        }
        return all().stream().filter(engine -> engine.accepts(jdbcUrl)).findFirst()
                .orElseThrow(() -> Fault.inCall(
                        "No JDBC driver on the class path takes URLs like " + shortened(jdbcUrl) + ".",
                        "Drivers are here for " + titles(engine -> !engine.libraries().isEmpty()) + "; put the jar of another one on the class path "
                                + "(the command line takes it from VINEKIT_CLASSPATH)."));
    }

    /**
     * The engine of this name.
     *
     * @throws Fault if there is none
     */
    public static Engine named(String name) {
        return all().stream().filter(engine -> engine.name().equals(name)).findFirst()
                .orElseThrow(() -> Fault.inCall("There is no engine named " + name + ".",
                        "Use one of: " + String.join(", ", all().stream().map(Engine::name).toList()) + "."));
    }

    /** The titles of the engines for which something holds, as a sentence lists them. */
    static String titles(Predicate<Engine> condition) {
        return all().stream().filter(condition).map(Engine::title).collect(Collectors.joining(", "))
                .replaceFirst(", ([^,]*)$", " and $1");
    }

    /** The URL without a login, and up to where options, and so perhaps a password, begin. */
    private static String shortened(String url) {
        return url.replaceAll("//[^/]*@", "//...@").replaceAll("[?;].*", "...");
    }
}
