package dev.vinekit.fault;

/** Something could not be done: what was tried, on what, why not, and what would put it right. */
public final class Fault extends RuntimeException {
    private static final long serialVersionUID = 1L;

    /** Who can put it right. */
    public enum Kind {
        /** The caller: a wrong name, a wrong option, a directory that is not ours. */
        CALL,
        /** The world: a database or file system that would not let us. */
        WORLD
    }

    private final Kind kind;
    private final String fix;

    private Fault(Kind kind, String what, String fix, Throwable cause) {
        super(Visible.text(what), cause);
        this.kind = kind;
        this.fix = Visible.text(fix);
    }

    /** A mistake in the call. */
    public static Fault inCall(String what, String fix) {
        return new Fault(Kind.CALL, what, fix, null);
    }

    /** A refusal by the database or the file system. */
    public static Fault inWorld(String what, String fix, Throwable cause) {
        return new Fault(Kind.WORLD, what, fix, cause);
    }

    public Kind kind() {
        return kind;
    }

    /** What would put it right, as a sentence. */
    public String fix() {
        return fix;
    }
}
