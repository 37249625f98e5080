/**
 * What the environment says. Each setting has a default but the database's URL.
 *
 * @param databaseUrl {@code DB_URL}
 * @param databaseUser {@code DB_USER}; empty by default
 * @param databasePassword {@code DB_PASSWORD}; empty by default
 * @param poolSize {@code DB_POOL_SIZE}: connections kept at most
 * @param host {@code HTTP_HOST}: the address to listen on; 0.0.0.0 for all
 * @param port {@code HTTP_PORT}; 0 picks a free one
 * @param basePath {@code HTTP_BASE_PATH}: what every path begins with
 */
public record Settings(
        String databaseUrl,
        String databaseUser,
        String databasePassword,
        int poolSize,
        String host,
        int port,
        String basePath) {
    /**
     * Reads the settings.
     *
     * @throws IllegalArgumentException naming the variable that is missing or cannot be read
     */
    public static Settings from(Map<String, String> environment) {
        String url = environment.getOrDefault("DB_URL", "");
        if (url.isEmpty()) {
            throw new IllegalArgumentException("DB_URL is not set: the JDBC URL of the database, for example ${s.exampleUrl}");
        }
        String basePath = environment.getOrDefault("HTTP_BASE_PATH", ${s.basePath});
        if (!basePath.matches("(/[A-Za-z0-9._~-]+)+")) {
            throw new IllegalArgumentException("HTTP_BASE_PATH is not a path such as /api: " + basePath);
        }
        return new Settings(
                url,
                environment.getOrDefault("DB_USER", ""),
                environment.getOrDefault("DB_PASSWORD", ""),
                number(environment, "DB_POOL_SIZE", 10, 1, 1000),
                environment.getOrDefault("HTTP_HOST", "localhost"),
                number(environment, "HTTP_PORT", 8080, 0, 65535),
                basePath);
    }

    private static int number(Map<String, String> environment, String name, int otherwise, int least, int most) {
        String text = environment.getOrDefault(name, String.valueOf(otherwise));
        int number = text.matches("[0-9]{1,9}") ? Integer.parseInt(text) : -1;
        if (number < least || number > most) {
            throw new IllegalArgumentException(name + " is not a number from " + least + " to " + most + ": " + text);
        }
        return number;
    }

    /** The settings, without the password. */
    @Override
    public String toString() {
        return "Settings[" + databaseUser + " on " + host + ":" + port + basePath + "]";
    }
}
