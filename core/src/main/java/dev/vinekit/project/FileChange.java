package dev.vinekit.project;

import java.util.Optional;

/**
 * What a generation means for one file.
 *
 * @param path relative to the project, with forward slashes
 * @param text what will be in the file; empty if it will not be there, or is left as it is
 * @param generated what was generated for it; empty if nothing is any more
 */
public record FileChange(String path, Kind kind, Optional<String> text, Optional<String> generated) {
    /** What happens to the file. */
    public enum Kind {
        /** It was not there. */
        NEW,
        /** It is as it should be. */
        SAME,
        /** It is as it was generated, and is replaced. */
        CHANGED,
        /** A person edited it; both changes are in the result. */
        MERGED,
        /** A person edited the same lines; both versions are in the file, marked. */
        CONFLICT,
        /** It is no longer generated, and nobody edited it. */
        REMOVED,
        /** A person deleted it, or edited it and it is no longer generated. */
        LEFT_ALONE
    }

    /** Whether anything is written or deleted. */
    public boolean touchesFile() {
        return switch (kind) {
            case NEW, CHANGED, MERGED, CONFLICT, REMOVED -> true;
            case SAME, LEFT_ALONE -> false;
        };
    }
}
