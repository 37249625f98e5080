/** An empty database on a PostgreSQL server of the tests' own, which is stopped when it is closed. */
final class EmptyDatabase implements AutoCloseable {
    private final EmbeddedPostgres server;

    EmptyDatabase() {
        try {
            server = EmbeddedPostgres.builder().setServerConfig("fsync", "off").start();
        } catch (IOException e) {
            throw new UncheckedIOException("The PostgreSQL server for the tests did not start.", e);
        }
    }

    String url() {
        return "jdbc:postgresql://localhost:" + server.getPort() + "/postgres";
    }

    String user() {
        return "postgres";
    }

    String password() {
        return "postgres";
    }

    @Override
    public void close() {
        try {
            server.close();
        } catch (IOException e) {
            throw new UncheckedIOException("The PostgreSQL server of the tests did not stop.", e);
        }
    }
}
