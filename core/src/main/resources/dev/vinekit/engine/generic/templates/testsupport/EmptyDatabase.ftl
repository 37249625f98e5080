/** An empty database that the environment names: {@code TEST_DB_URL}, {@code TEST_DB_USER}, {@code TEST_DB_PASSWORD}. */
final class EmptyDatabase implements AutoCloseable {
    EmptyDatabase() {
        if (System.getenv("TEST_DB_URL") == null) {
            throw new IllegalStateException("TEST_DB_URL is not set: the JDBC URL of an empty database for the tests.");
        }
    }

    String url() {
        return System.getenv("TEST_DB_URL");
    }

    String user() {
        return System.getenv().getOrDefault("TEST_DB_USER", "");
    }

    String password() {
        return System.getenv().getOrDefault("TEST_DB_PASSWORD", "");
    }

    @Override
    public void close() {
        // The database belongs to whoever made it.
    }
}
