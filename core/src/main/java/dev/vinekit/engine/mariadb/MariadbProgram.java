package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.mysqlfamily.ServerProgram;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** The programs of MariaDB's server. */
final class MariadbProgram implements ServerProgram {
    /** That of new databases. */
    static final String COLLATION = "utf8mb4_general_ci";

    @Override
    public String name() {
        return "mariadb";
    }

    @Override
    public String title() {
        return "MariaDB";
    }

    @Override
    public List<String> installation() {
        return List.of(program("mariadb-install-db"), "--auth-root-authentication-method=normal", "--skip-test-db");
    }

    @Override
    public List<String> start(Path directory) throws IOException {
        return List.of(program("mariadbd"),
                "--secure-file-priv=" + Files.createDirectories(directory.resolve("nothing")));
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

    private static String program(String name) {
        return ServerProgram.find(name, path -> true, "MariaDB",
                "Install one (on Debian and Ubuntu: apt-get install mariadb-server)");
    }
}
