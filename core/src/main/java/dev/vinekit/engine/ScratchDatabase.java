package dev.vinekit.engine;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.sql.Script;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** A database that is ours alone and goes away when it is closed. */
public final class ScratchDatabase implements AutoCloseable {
    private final Engine engine;
    private final String url;
    private final String user;
    private final String password;
    private final Help help;
    private final Removal removal;
    private final Connection anchor;

    /**
     * A database that is there and empty.
     *
     * @param url opens it, with nothing secret in it
     * @param removal what makes it go away when its last connection is closed
     */
    public ScratchDatabase(Engine engine, String url, String user, String password, Removal removal)
            throws SQLException {
        this(engine, url, user, password, Help.NONE, removal);
    }

    /** As the other constructor, with help for what the login may not do itself. */
    public ScratchDatabase(Engine engine, String url, String user, String password, Help help, Removal removal)
            throws SQLException {
        this.engine = engine;
        this.url = url;
        this.user = user;
        this.password = password;
        this.help = help;
        this.removal = removal;
        this.anchor = connect();
    }

    /** Does what a database's own login may not do, and what is safe all the same. */
    @FunctionalInterface
    public interface Help {
        /** There is none. */
        Help NONE = statement -> false;

        /**
         * Does what a statement needs before it runs, or the statement itself.
         *
         * @return whether it has been run
         */
        boolean with(String statement) throws SQLException;
    }

    /** Makes a database go away. */
    @FunctionalInterface
    public interface Removal {
        void run() throws SQLException;
    }

    /**
     * A part of a script that was not run.
     *
     * @param line where it begins, from 1
     * @param what its first words
     */
    public record Skipped(int line, String what, String reason) {
    }

    /**
     * A new, empty database of an engine.
     *
     * @throws Fault if it cannot be made
     */
    public static ScratchDatabase of(Engine engine) {
        try {
            return engine.scratch();
        } catch (SQLException e) {
            throw Fault.inWorld("A scratch database could not be made on " + engine.title() + ".",
                    Remedy.of(Remedy.Kind.SEE_CAUSE), e);
        }
    }

    public Engine engine() {
        return engine;
    }

    public String url() {
        return url;
    }

    public String user() {
        return user;
    }

    public String password() {
        return password;
    }

    /** The connection that keeps the database alive. */
    public Connection anchor() {
        return anchor;
    }

    public Connection connect() throws SQLException {
        return DriverManager.getConnection(url, user, password);
    }

    /**
     * Runs a script of our own.
     *
     * <p>Scripts run on the connection that keeps the database alive: in H2 2.4.240 a check with IN goes on using the
     * session that made it, and fails with error 23514 once that is closed.
     *
     * @throws ScriptError at the first statement that fails
     */
    public void execute(String script) throws ScriptError {
        for (Script.Part part : Script.parts(script, engine.scriptSyntax())) {
            run(part, part.text());
        }
    }

    /**
     * Why this database refuses a statement, as another one for the same tables would say it: one line, without the
     * name of the database and without the number of the connection, which MariaDB's driver writes before each message.
     */
    public String reason(SQLException refusal) throws SQLException {
        String line = String.valueOf(refusal.getMessage()).lines().findFirst().orElse("");
        String name = anchor.getCatalog();
        return (name == null ? line : line.replaceAll("[`\"]?" + Pattern.quote(name) + "[`\"]?[.]", ""))
                .replaceFirst("^\\(conn=\\d+\\) ", "");
    }

    /** Runs a statement, and tells whether the database took it: why not is nothing that the caller needs. */
    public boolean takes(String sql) {
        try (Statement statement = anchor.createStatement()) {
            statement.execute(sql);
            return true;
        } catch (SQLException e) {
            return false;
        }
    }

    /**
     * Runs a script of somebody's, a dump for instance, without what concerns other databases, roles and programs.
     *
     * @throws ScriptError at the first statement that fails
     */
    public List<Skipped> load(String script) throws ScriptError {
        List<Skipped> skipped = new ArrayList<>();
        for (Script.Part part : Script.parts(script, engine.scriptSyntax())) {
            Optional<String> reason = part.kind() == Script.Kind.CLIENT_LINE
                    ? Optional.of("a line for a client program") : engine.reasonToSkip(part.text());
            if (reason.isPresent()) {
                skipped.add(new Skipped(part.line(), firstWords(part.text()), reason.get()));
            } else {
                load(part, skipped);
            }
        }
        return skipped;
    }

    private void load(Script.Part part, List<Skipped> skipped) throws ScriptError {
        try {
            run(part, engine.adapted(part.text()));
        } catch (ScriptError e) {
            if (!engine.isDispensable(part.text())) {
                throw e;
            }
            skipped.add(new Skipped(part.line(), firstWords(part.text()),
                    String.valueOf(e.getMessage()).lines().findFirst().orElse("the database refuses it")));
        }
    }

    private void run(Script.Part part, String sql) throws ScriptError {
        try {
            if (part.kind() == Script.Kind.COPY) {
                engine.copy(anchor, sql, part.rows());
                return;
            }
            Optional<String> refusal = engine.refusal(sql);
            if (refusal.isPresent()) {
                throw new SQLException("not run: " + refusal.get());
            } else if (help.with(sql)) {
                return;
            }
            try (Statement statement = anchor.createStatement()) {
                StatementLimit.execute(statement, sql, StatementLimit.seconds());
            }
        } catch (SQLException e) {
            throw new ScriptError(part.line(), firstWords(sql), e);
        }
    }

    private static String firstWords(String sql) {
        String oneLine = sql.replaceAll("\\s+", " ");
        return oneLine.length() > 60 ? oneLine.substring(0, 57) + "..." : oneLine;
    }

    /**
     * What it means that a scratch database would not do something.
     *
     * @param what it would not do, as a predicate
     */
    public static Fault refused(String what, SQLException e) {
        return Fault.inWorld("The scratch database " + what + ": "
                + String.valueOf(e.getMessage()).lines().findFirst().orElse("") + ".",
                Remedy.of(Remedy.Kind.SEE_CAUSE), e);
    }

    @Override
    public void close() {
        try {
            anchor.close();
            removal.run();
        } catch (SQLException e) {
            throw Fault.inWorld("The scratch database could not be dropped.", Remedy.of(Remedy.Kind.SEE_CAUSE), e);
        }
    }
}
