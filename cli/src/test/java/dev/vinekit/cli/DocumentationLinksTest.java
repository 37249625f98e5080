package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** No page leads to nothing. */
@Tag("fast")
class DocumentationLinksTest {
    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
    private static final Pattern LINK = Pattern.compile("\\]\\(([^)\\s]+)\\)");
    private static final Pattern HEADING = Pattern.compile("(?m)^#+ +(.*)$");

    @Test
    void everyLinkLeadsToAPageAndAHeadingThatAreThere() throws IOException {
        List<String> broken = new ArrayList<>();
        int links = 0;
        for (Path page : pages()) {
            Matcher link = LINK.matcher(withoutCode(Files.readString(page)));
            while (link.find()) {
                links++;
                if (!link.group(1).matches("https?:.*") && !leadsSomewhere(page, link.group(1))) {
                    broken.add(ROOT.relativize(page) + " -> " + link.group(1));
                }
            }
        }

        assertThat(broken).isEmpty();
        assertThat(links).isGreaterThan(60);
    }

    @Test
    void everyPageIsReachedFromTheFirst() throws IOException {
        List<Path> reached = new ArrayList<>(List.of(ROOT.resolve("README.md")));
        for (int i = 0; i < reached.size(); i++) {
            Path page = reached.get(i);
            LINK.matcher(Files.readString(page)).results().map((MatchResult link) -> link.group(1))
                    .filter(target -> target.replaceFirst("#.*", "").endsWith(".md") && !target.startsWith("http"))
                    .map(target -> page.resolveSibling(target.replaceFirst("#.*", "")).normalize())
                    .filter(target -> !reached.contains(target)).forEach(reached::add);
        }

        try (Stream<Path> docs = Files.list(ROOT.resolve("docs"))) {
            assertThat(reached).containsAll(docs.filter(file -> file.toString().endsWith(".md")).toList());
        }
    }

    private static List<Path> pages() throws IOException {
        List<Path> pages = new ArrayList<>();
        for (String folder : List.of("", "docs", "bench", "examples")) {
            try (Stream<Path> files = Files.walk(ROOT.resolve(folder), folder.equals("examples") ? 2 : 1)) {
                files.filter(file -> file.toString().endsWith(".md")).forEach(pages::add);
            }
        }
        return pages;
    }

    private static boolean leadsSomewhere(Path page, String target) throws IOException {
        String[] parts = target.split("#", 2);
        Path file = parts[0].isEmpty() ? page : page.resolveSibling(parts[0]).normalize();
        return Files.exists(file) && (parts.length == 1 || HEADING.matcher(Files.readString(file)).results()
                .anyMatch(heading -> anchor(heading.group(1)).equals(parts[1])));
    }

    /** As the usual hosts of repositories make anchors of headings. */
    private static String anchor(String heading) {
        return heading.strip().toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N} _-]", "").replace(' ', '-');
    }

    private static String withoutCode(String text) {
        return text.replaceAll("(?s)```.*?```", "").replaceAll("`[^`\n]*`", "");
    }
}
