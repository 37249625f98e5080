package dev.vinekit.engine.mysql;

import dev.vinekit.engine.mysqlfamily.ServerProgram;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The program of MySQL's server. */
record MysqlProgram() implements ServerProgram {
    /** That of new databases. */
    static final String COLLATION = "utf8mb4_0900_ai_ci";

    /** Not the usual 100 MB, which every server would copy. */
    private static final String REDO = "--innodb-redo-log-capacity=16M";

    /** The connection does not leave this machine. */
    private static final String UNENCRYPTED = "&sslMode=DISABLED&allowPublicKeyRetrieval=true";

    /** Programs have to be asked which they are: once. */
    private static final Map<String, String> FOUND = new ConcurrentHashMap<>();

    @Override
    public String name() {
        return "mysql";
    }

    @Override
    public String title() {
        return "MySQL";
    }

    @Override
    public List<String> installation() {
        return List.of(program(), "--initialize-insecure", REDO);
    }

    @Override
    public List<String> start(Path directory) {
        return List.of(program(), REDO, "--secure-file-priv=NULL", "--mysqlx=OFF", "--performance-schema=OFF",
                "--loose-restrict-fk-on-non-standard-key=OFF");
    }

    @Override
    public String withoutUsers() {
        return "DROP USER root@localhost;\n";
    }

    @Override
    public String collation() {
        return COLLATION;
    }

    @Override
    public String url(int port) {
        return "jdbc:mysql://127.0.0.1:" + port + "/?" + MysqlEngine.WITHOUT_TRACES + UNENCRYPTED;
    }

    @Override
    public String program() {
        return FOUND.computeIfAbsent("mysqld", name -> ServerProgram.find(name, MysqlProgram::isMysql, "MySQL",
                "Install one (on systems without a package of it: the archive from dev.mysql.com, and a link to its "
                        + "mysqld in /usr/local/sbin)"));
    }

    /** MariaDB's server goes by this name too. */
    private static boolean isMysql(Path program) {
        try {
            Process process = new ProcessBuilder(program.toString(), "--no-defaults", "-V")
                    .redirectErrorStream(true).start();
            String version = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            return process.waitFor() == 0 && !version.contains("MariaDB");
        } catch (IOException e) {
            throw new UncheckedIOException("asking " + program + " for its version", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }
}
