package dev.vinekit.engine;

import java.util.Optional;
import java.util.ServiceLoader;

/**
 * A server of scratch databases that runs on this machine.
 *
 * @param port the port, on the loopback interface
 * @param password that of the login that owns the scratch databases
 * @param administratorPassword that of the login that may do everything
 */
public record RunningServer(int port, String password, String administratorPassword) {
    /** Lends servers that do not end with this process, to a build whose many processes need one each. */
    @FunctionalInterface
    public interface Lender {
        /**
         * The server of an engine, started if need be; empty if the process is to start its own.
         *
         * @param engine the engine's name
         */
        Optional<RunningServer> server(String engine);
    }

    /** A server that a lender on the class path has; empty without a lender. */
    public static Optional<RunningServer> lent(String engine) {
        return ServiceLoader.load(Lender.class, Lender.class.getClassLoader()).findFirst()
                .flatMap(lender -> lender.server(engine));
    }

    /** The password is in no log. */
    @Override
    public String toString() {
        return "server on port " + port;
    }
}
