package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.mysqlfamily.ServerProgram;
import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The programs of MariaDB's server.
 *
 * @param fetched the folder of a server that no package of the system installed; empty for an installed one
 */
record MariadbProgram(Optional<Path> fetched) implements ServerProgram {
    /** That of new databases. */
    static final String COLLATION = "utf8mb4_general_ci";

    /** Not the usual 96 MB, which every server would copy. */
    private static final String REDO = "--innodb-log-file-size=16M";

    /**
     * An installed server if there is one; else one from Maven Central, where there is one for this machine.
     *
     * @throws Fault if it cannot be fetched
     */
    static MariadbProgram preferred() {
        return new MariadbProgram(isInstalled() || !MariadbPackage.isForThisMachine() ? Optional.empty()
                : Optional.of(MariadbPackage.folder()));
    }

    /** Whether there is a server program for this machine, here or to be fetched. */
    static boolean isToBeHad() {
        return isInstalled() || MariadbPackage.isForThisMachine();
    }

    @Override
    public String name() {
        return "mariadb";
    }

    @Override
    public String title() {
        return "MariaDB";
    }

    @Override
    public String program() {
        return program("mariadbd", "bin");
    }

    @Override
    public List<String> installation() {
        return command(program("mariadb-install-db", "scripts"), "--auth-root-authentication-method=normal",
                "--skip-test-db", REDO);
    }

    @Override
    public List<String> start(Path directory) throws IOException {
        return command(program(), "--skip-ssl", REDO,
                "--secure-file-priv=" + Files.createDirectories(directory.resolve("nothing")));
    }

    /** An installed program knows where what it reads is. */
    private List<String> command(String... command) {
        return Stream.concat(Stream.of(command), fetched.stream().map(folder -> "--basedir=" + folder)).toList();
    }

    @Override
    public String withoutUsers() {
        return """
                DELETE FROM mysql.global_priv WHERE User <> 'mariadb.sys';
                FLUSH PRIVILEGES;
                """;
    }

    @Override
    public String collation() {
        return COLLATION;
    }

    @Override
    public String url(int port) {
        return "jdbc:mariadb://127.0.0.1:" + port + "/?allowLocalInfile=false";
    }

    private String program(String name, String folder) {
        return fetched.map(base -> base.resolve(folder).resolve(name).toString())
                .orElseGet(() -> ServerProgram.find(name, path -> true, title(),
                        "Install one (on Debian and Ubuntu: apt-get install mariadb-server)"));
    }

    private static boolean isInstalled() {
        return ServerProgram.installed("mariadbd", path -> true).isPresent();
    }
}
