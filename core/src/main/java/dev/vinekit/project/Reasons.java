package dev.vinekit.project;

/** Why files change as they do, in the words that people read. */
final class Reasons {
    static final String NEW = "not there before";
    static final String SAME = "as it should be";
    static final String ADOPTED = "there already, with the same content";
    static final String KEPT = "edited by hand; what is generated has not changed";
    static final String CHANGED = "the schema, the mapping or a template changed";
    static final String MERGED = "edited by hand too; both changes are in it";
    static final String CONFLICT = "edited by hand in the same lines; both versions are in it, marked";
    static final String REMOVED = "no longer generated, and not edited";
    static final String YOURS = "edited by hand and no longer generated: it is yours now";
    static final String LOST =
            "lost sight of: deleted by hand, or moved and changed beyond recognition; not written again";
    static final String NOT_OURS = "a file that Vine Kit did not write is there";

    static final String SCRIPT = "the change for other databases";

    static final String FOLLOWED = "; followed from ";

    private Reasons() {
    }

    static String undecided(int decisions) {
        return SCRIPT + "; does nothing until you decide on " + (decisions == 1 ? "one statement" : decisions + " statements");
    }

    static String moved(String reason, String from) {
        return reason + FOLLOWED + from;
    }

    static String renamed(String reason, String from) {
        return reason + "; it was " + from;
    }
}
