package dev.vinekit.engine;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How to reach a database.
 *
 * @param password never shown
 */
public record Database(Engine engine, String url, String user, String password) {
    /** Properties of the four drivers whose value is SQL to run, or a class or library to load. */
    private static final Pattern RUNS =
            Pattern.compile("(?i)[;?&](INIT|initSql|sessionVariables|socketFactory|socketFactoryArg|sslfactory"
            + "|sslhostnameverifier|authenticationPluginClassName|xmlFactoryFactory|allowLocalInfile|credentialType|enable_load_extension)=");

    /**
     * The database behind a JDBC URL; nothing is opened yet.
     *
     * @param user the login; empty if the URL says who
     * @param password empty if there is none
     * @throws Fault if no engine takes the URL
     */
    public static Database at(String url, String user, String password) {
        return new Database(Engines.forUrl(url), url, user, password);
    }

    /**
     * The database that a file names, which may come from anyone with the project that it is in.
     *
     * @param file the file's name, for the message
     * @throws Fault if no engine accepts the URL, or if it has a part that could do more than reach a database
     */
    public static Database named(String file, String url, String user, String password) {
        Database database = at(url, user, password);
        database.engine.safeUrl().refusedPart(url).ifPresent(part -> {
            throw Fault.inCall(file + " names a database by a URL with " + part
                    + ", which Vine Kit does not accept from a file: it could run, load or write something with your rights.",
                    Remedy.of(Remedy.Kind.GIVE_URL));
        });
        return database;
    }

    /**
     * What the URL has run or loaded whenever a connection is made, by the names of its properties; empty for nothing.
     */
    public List<String> runsOnConnect() {
        return RUNS.matcher(url).results().map(match -> match.group(1)).distinct().toList();
    }

    /**
     * Opens a connection.
     *
     * @throws Fault naming cause and fix if the database refuses
     */
    public Connection connect() {
        String target = engine.connectionUrl(url);
        try {
            return user.isEmpty() && password.isEmpty()
                    ? DriverManager.getConnection(target)
                    : DriverManager.getConnection(target, user, password);
        } catch (SQLException e) {
            Engine.ConnectionAdvice advice = engine.explain(urlWithout("..."), user, e);
            throw Fault.inWorld(advice.cause(), advice.fix(), e);
        }
    }

    /** What an error of a connection that was opened means. */
    public Fault refused(SQLException e) {
        return engine.explainReading(this, e).map(advice -> Fault.inWorld(advice.cause(), advice.fix(), e))
                .orElseGet(() -> Fault.inWorld(this + " refused to be read (SQL state " + e.getSQLState() + ").",
                        "Check that the login may read the schema.", e));
    }

    /**
     * The URL with each password replaced: that of a property, and that of a login before the host.
     *
     * @param instead what takes its place
     */
    public String urlWithout(String instead) {
        String other = Matcher.quoteReplacement(instead);
        return url.replaceAll("(?i)(password|pwd)=[^;&)]*", "$1=" + other)
                .replaceAll("//([^/?;:@]*):[^/?;]*@", "//$1:" + other + "@");
    }

    @Override
    public String toString() {
        return engine.title() + " at " + urlWithout("...");
    }
}
