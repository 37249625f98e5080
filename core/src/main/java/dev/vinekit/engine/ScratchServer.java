package dev.vinekit.engine;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A server on which scratch databases may be made. Their names tell whose they are and since when they are there, so
 * that those of a process that was killed are dropped by the next.
 *
 * @param url opens the server, whatever database it names
 * @param unconnected the query for the databases to which nobody is connected
 * @param drop the statement that drops a database, with {@code %s} for its name
 */
public record ScratchServer(String url, String user, String password, String unconnected, String drop) {
    private static final Pattern NAME = Pattern.compile("vinekit_scratch_(\\d{10})_[0-9a-f]{16}");

    /** How old a database must be before nobody being connected to it means anything, in seconds. */
    private static final long YOUNG = 60;

    /**
     * A new, empty database, which is dropped when it is closed.
     *
     * @param urlOf the URL of a database on this server
     * @param help what the login may not do in a database, by its URL
     */
    public ScratchDatabase database(Engine engine, UnaryOperator<String> urlOf,
            Function<String, ScratchDatabase.Help> help)
            throws SQLException {
        String name = "vinekit_scratch_" + Instant.now().getEpochSecond() + "_"
                + UUID.randomUUID().toString().replace("-", "").substring(16);
        try (Connection connection = DriverManager.getConnection(url, user, password);
                Statement statement = connection.createStatement()) {
            for (String left : left(statement)) {
                statement.execute(drop.formatted(left));
            }
            statement.execute("CREATE DATABASE " + name);
        }
        return new ScratchDatabase(engine, urlOf.apply(name), user, password, help.apply(urlOf.apply(name)), () -> {
            try (Connection connection = DriverManager.getConnection(url, user, password);
                    Statement statement = connection.createStatement()) {
                statement.execute(drop.formatted(name));
            }
        });
    }

    private List<String> left(Statement statement) throws SQLException {
        long now = Instant.now().getEpochSecond();
        List<String> left = new ArrayList<>();
        try (ResultSet row = statement.executeQuery(unconnected)) {
            while (row.next()) {
                Matcher known = NAME.matcher(row.getString(1));
                if (known.matches() && now - Long.parseLong(known.group(1)) > YOUNG) {
                    left.add(known.group());
                }
            }
        }
        return left;
    }
}
