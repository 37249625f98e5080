package dev.vinekit.project;

import dev.vinekit.schema.TableName;
import java.util.Optional;

/**
 * What a generation means for one file.
 *
 * @param path relative to the project, with forward slashes
 * @param reason why, as a few words
 * @param table the table that the file is about; empty if it is about all
 * @param sort what such files of tables are, as {@code controllers}; empty if the file is about all
 * @param text what will be in the file; empty if it will not be there, or is left as it is
 * @param from where its content is taken from, which then goes away; empty if it is where it was
 */
public record FileChange(
        String path, Kind kind, String reason, Optional<TableName> table, Optional<String> sort,
        Optional<String> text, Optional<String> from) {
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
        /** It stays as it is, though another text was generated for it, or none any more. */
        LEFT_ALONE
    }

    /** Whether anything is written or deleted. */
    public boolean touchesFile() {
        return switch (kind) {
            case NEW, CHANGED, MERGED, CONFLICT, REMOVED -> true;
            case SAME, LEFT_ALONE -> from.isPresent();
        };
    }

    /** Whether a person moved the file since the last run, and it was found again. */
    public boolean isFollowed() {
        return reason.contains(Reasons.FOLLOWED);
    }

    /** Whether a person should look at it before going on. */
    public boolean wantsAttention() {
        return kind == Kind.CONFLICT || kind == Kind.LEFT_ALONE && reason.startsWith(Reasons.NOT_OURS);
    }
}
