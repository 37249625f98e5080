package dev.vinekit.engine;

import java.sql.SQLException;

/** A statement of a script that the database refused. */
public final class ScriptError extends SQLException {
    private static final long serialVersionUID = 1L;

    private final int line;
    private final String statement;

    /**
     * An error at a place.
     *
     * @param line where the statement begins, from 1
     */
    public ScriptError(int line, String statement, SQLException cause) {
        super(cause.getMessage(), cause.getSQLState(), cause.getErrorCode(), cause);
        this.line = line;
        this.statement = statement;
    }

    public int line() {
        return line;
    }

    public String statement() {
        return statement;
    }
}
