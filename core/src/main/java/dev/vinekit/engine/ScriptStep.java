package dev.vinekit.engine;

/** A part of a change script. */
public sealed interface ScriptStep {
    /** A statement, without its semicolon. */
    record Statement(String sql) implements ScriptStep {
    }

    /** A comment of one line. */
    record Note(String text) implements ScriptStep {
    }

    /**
     * A statement that is commented out until the user decides.
     *
     * @param why a sentence
     */
    record Decision(String why, String sql) implements ScriptStep {
    }
}
