package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** The programs of a server. Equal ones are one server. */
public interface ServerProgram {
    /** The environment variable with the only folders in which servers are looked for. */
    String VARIABLE = "VINEKIT_SERVER_PATH";

    /** Those of the variable; else the path, and where packages of systems put servers. */
    List<String> FOLDERS = Optional.ofNullable(System.getenv(VARIABLE))
            .map(only -> List.of(only.split(File.pathSeparator)))
            .orElseGet(() -> Stream.concat(
                    Stream.of(Optional.ofNullable(System.getenv("PATH")).orElse("").split(File.pathSeparator)),
                    Stream.of("/usr/sbin", "/usr/bin", "/usr/local/bin", "/usr/local/sbin", "/usr/libexec",
                            "/opt/homebrew/bin")).distinct().toList());

    /** The name of its engine. */
    String name();

    /** What messages call it. */
    default String subject() {
        return "The " + title() + " server for scratch databases";
    }

    String title();

    /** The path of the server. */
    String program();

    /** Distinguishes the program of the server from other versions: its place, size and date. */
    default String version() throws IOException {
        Path program = Path.of(program()).toRealPath();
        return program + " " + Files.size(program) + " " + Files.getLastModifiedTime(program);
    }

    /** The program that fills a data directory, with its own options. */
    List<String> installation();

    /**
     * The server, with its own options.
     *
     * @param directory of its own, apart from that of its data
     */
    List<String> start(Path directory) throws IOException;

    /** The statements that take away the users who are there from the beginning. */
    String withoutUsers();

    /** The collation of new databases. */
    String collation();

    /** The URL of the server, without a database. */
    String url(int port);

    /** A program, if it is installed. */
    static Optional<Path> installed(String name, Predicate<Path> ours) {
        return FOLDERS.stream().map(folder -> Path.of(folder, name)).filter(Files::isExecutable).filter(ours)
                .findFirst();
    }

    /**
     * A program.
     *
     * @param ours tells it from others of its name
     * @param advice how to install it
     * @throws Fault if it is not installed
     */
    static String find(String name, Predicate<Path> ours, String title, String advice) {
        return installed(name, ours)
                .orElseThrow(() -> Fault.inWorld(
                        title + " needs an installed server for scratch databases, and there is no " + name + " here.",
                        Remedy.of(Remedy.Kind.USE_ANOTHER_SERVER, advice), null))
                .toString();
    }
}
