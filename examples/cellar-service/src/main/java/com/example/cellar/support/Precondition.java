package com.example.cellar.support;

import jakarta.ws.rs.core.HttpHeaders;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which state of a row a client means to change (RFC 9110, section 13).
 *
 * @param tags what {@code If-Match} lists; null if the client does not care
 */
public record Precondition(List<String> tags) {
    /** Any state. */
    public static final Precondition NONE = new Precondition(null);

    private static final Pattern TAG = Pattern.compile("\\*|(?:W/)?\"[\\x21\\x23-\\x7E\\x80-\\xFF]*\"");

    /**
     * What the headers of a request say.
     *
     * @throws ProblemException 400 if {@code If-Match} is not a list of entity tags
     */
    public static Precondition of(HttpHeaders headers) {
        String text = headers.getHeaderString("If-Match");
        return text == null ? NONE : new Precondition(tags("If-Match", text));
    }

    /** Whether any state will do. */
    public boolean isNone() {
        return tags == null;
    }

    /**
     * Verifies the state of a row.
     *
     * @throws ProblemException 412 if it is another one; a weak tag never fits
     */
    public void verify(Object row) {
        if (!isNone() && !tags.contains("*") && !tags.contains(RowState.of(row).tag())) {
            throw ProblemException.changed();
        }
    }

    /** Whether {@code If-None-Match} lists a tag, and so the client has this state already; weak tags count. */
    static boolean isKnown(HttpHeaders headers, String tag) {
        String text = headers.getHeaderString("If-None-Match");
        return text != null && tags("If-None-Match", text).stream()
                .anyMatch(known -> known.equals("*") || known.replaceFirst("^W/", "").equals(tag));
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
