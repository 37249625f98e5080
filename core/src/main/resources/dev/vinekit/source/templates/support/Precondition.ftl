import jakarta.ws.rs.core.HttpHeaders;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which state of a row a client means to change (RFC 9110, section 13).
 *
 * @param tags what {@code If-Match} lists; null if the client does not care
 * @param others what {@code If-None-Match} lists; null likewise
 */
public record Precondition(List<String> tags, List<String> others) {
    /** Any state. */
    public static final Precondition NONE = new Precondition(null, null);

    private static final Pattern TAG = Pattern.compile("\\*|(?:W/)?\"[\\x21\\x23-\\x7E\\x80-\\xFF]*\"");

    /** The row in the state of one of these tags. */
    public static Precondition matching(String... tags) {
        return new Precondition(List.of(tags), null);
    }

    /**
     * What the headers of a request that changes a row say.
     *
     * @throws ProblemException 400 if one of them is not a list of entity tags
     */
    public static Precondition of(HttpHeaders headers) {
        Precondition toRead = toRead(headers);
        String text = headers.getHeaderString("If-None-Match");
        return text == null ? toRead : new Precondition(toRead.tags, tags("If-None-Match", text));
    }

    /** As {@link #of}, for a request that reads it: what {@code If-None-Match} lists is answered with 304 then. */
    static Precondition toRead(HttpHeaders headers) {
        String text = headers.getHeaderString("If-Match");
        return text == null ? NONE : new Precondition(tags("If-Match", text), null);
    }

<#if s.guarded>
    /**
     * The same, of a client that must say which state it means.
     *
     * @throws ProblemException 428 if it does not
     */
    public Precondition required() {
        if (isNone()) {
            throw ProblemException.unconditional();
        }
        return this;
    }

</#if>
    /** Whether any state will do. */
    public boolean isNone() {
        return tags == null && others == null;
    }

    /**
     * Verifies the state of a row.
     *
     * @throws ProblemException 412 if it is another one; a weak tag never fits for {@code If-Match}
     */
    public void verify(Object row) {
        if (isNone()) {
            return;
        }
        String tag = RowState.of(row).tag();
        boolean isMeant = tags == null || tags.contains("*") || tags.contains(tag);
        if (!isMeant || others != null && lists(others, tag)) {
            throw ProblemException.changed();
        }
    }

    /** Whether {@code If-None-Match} lists a tag, and so the client has this state already; weak tags count. */
    static boolean isKnown(HttpHeaders headers, String tag) {
        String text = headers.getHeaderString("If-None-Match");
        return text != null && lists(tags("If-None-Match", text), tag);
    }

    private static boolean lists(List<String> known, String tag) {
        return known.stream().anyMatch(each -> each.equals("*") || each.replaceFirst("^W/", "").equals(tag));
    }

    private static List<String> tags(String header, String text) {
        List<String> tags = new ArrayList<>();
        Matcher tag = TAG.matcher(text);
        while (tag.find()) {
            tags.add(tag.group());
        }
        if (tags.isEmpty() || !TAG.matcher(text).replaceAll("").matches("[ \\t,]*")) {
            throw ProblemException.malformed("The header " + header + " takes entity tags in their quotes.");
        }
        return tags;
    }
}
