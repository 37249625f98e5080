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
    private final transient Remedy remedy;
    private final String fix;

    private Fault(Kind kind, String what, Remedy remedy, Throwable cause) {
        super(Visible.text(what), cause);
        this.kind = kind;
        this.remedy = new Remedy(remedy.kind(), remedy.words().stream().map(Visible::text).toList());
        this.fix = this.remedy.text();
    }

    /** A mistake in the call. */
    public static Fault inCall(String what, String fix) {
        return inCall(what, Remedy.of(Remedy.Kind.PLAIN, fix));
    }

    /** A mistake in the call. */
    public static Fault inCall(String what, Remedy remedy) {
        return new Fault(Kind.CALL, what, remedy, null);
    }

    /** A refusal by the database or the file system. */
    public static Fault inWorld(String what, String fix, Throwable cause) {
        return inWorld(what, Remedy.of(Remedy.Kind.PLAIN, fix), cause);
    }

    /** A refusal by the database or the file system. */
    public static Fault inWorld(String what, Remedy remedy, Throwable cause) {
        return new Fault(Kind.WORLD, what, remedy, cause);
    }

    public Kind kind() {
        return kind;
    }

    /** What would put it right; nothing is left of it where the fault was serialized. */
    public Remedy remedy() {
        return remedy;
    }

    /** What would put it right, as a sentence in the words of the library. */
    public String fix() {
        return fix;
    }
}
