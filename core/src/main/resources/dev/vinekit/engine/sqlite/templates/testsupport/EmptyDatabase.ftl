import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;

/** An empty database in a temporary file, which is deleted when it is closed. */
final class EmptyDatabase implements AutoCloseable {
    private final File file;

    EmptyDatabase() {
        try {
            file = File.createTempFile("test-", ".db");
        } catch (IOException e) {
            throw new UncheckedIOException("The file for the test database could not be made.", e);
        }
    }

    String url() {
        return "jdbc:sqlite:" + file + "?foreign_keys=true&synchronous=OFF&busy_timeout=10000&limit_attached=0";
    }

    String user() {
        return "";
    }

    String password() {
        return "";
    }

    @Override
    public void close() {
        if (!file.delete()) {
            throw new IllegalStateException("The test database is still open: " + file);
        }
    }
}
