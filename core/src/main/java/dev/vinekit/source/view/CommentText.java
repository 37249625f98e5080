package dev.vinekit.source.view;

import java.util.stream.Collectors;

/** Text that stands in a comment to the end of its line, which it can neither end nor turn into something else. */
public final class CommentText {
    private final String safe;

    private CommentText(String safe) {
        this.safe = safe;
    }

    /**
     * A text in one line. A backslash before a {@code u}, which would begin an escape even in a comment, is written
     * twice (The Java Language Specification, section 3.3).
     */
    static CommentText of(String text) {
        String flat = text.strip().replaceAll("\\s+", " ").replaceAll("(\\\\+)(?=u)", "$1$1");
        return new CommentText(flat.codePoints()
                .mapToObj(c -> JavaString.isVisible(c) ? Character.toString(c) : "&#" + c + ";")
                .collect(Collectors.joining()));
    }

    @Override
    public String toString() {
        return safe;
    }
}
