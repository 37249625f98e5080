package dev.vinekit.engine;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The URLs of an engine that neither run SQL, nor load a class or library, nor read or write a file other than the
 * database, nor fetch anything. A list of what is allowed, because drivers have properties by the hundred.
 *
 * @param place the part before the properties
 * @param begin what the properties begin with
 * @param separator what separates them, as a regular expression
 * @param properties their names, whatever the case of their letters
 */
public record SafeUrl(Pattern place, String begin, String separator, Set<String> properties) {
    /** No URL at all. */
    public static final SafeUrl NONE = new SafeUrl(Pattern.compile("(?!)"), "?", "&", Set.of());

    public SafeUrl {
        Set<String> any = new TreeSet<>(String.CASE_INSENSITIVE_ORDER);
        any.addAll(properties);
        properties = any;
    }

    /**
     * The URLs of an engine.
     *
     * @param place a regular expression
     * @param begin {@code ?} or {@code ;}
     * @param properties their names, separated by blanks
     */
    public static SafeUrl of(String place, String begin, String properties) {
        return new SafeUrl(Pattern.compile(place), begin, begin.equals("?") ? "&" : ";",
                Set.of(properties.strip().split("\\s+")));
    }

    /** What of a URL is not allowed: names of properties, or the part before them; empty if nothing. */
    public Optional<String> refusedPart(String url) {
        int end = url.indexOf(begin);
        String before = end < 0 ? url : url.substring(0, end);
        if (!place.matcher(before).matches()) {
            return Optional.of(before.toLowerCase(Locale.ROOT).replaceAll("^(jdbc:[a-z0-9]*).*", "$1") + " URLs of this form");
        }
        List<String> refused = end < 0 ? List.of() : Stream.of(url.substring(end + 1).split(separator))
                .map(property -> property.replaceAll("=.*", "").strip())
                .filter(name -> !name.isEmpty() && !properties.contains(name)).distinct().toList();
        return refused.isEmpty() ? Optional.empty() : Optional.of(String.join(", ", refused));
    }
}
