package dev.vinekit.source;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;

/** The files of the service's page, the same for every service. */
final class PageFiles {
    private PageFiles() {
    }

    /** Each with its text, by its name. */
    static Map<String, String> all() {
        Map<String, String> files = new LinkedHashMap<>();
        for (String name : ResourceFolder.names(PageFiles.class, "page")) {
            try (InputStream file = PageFiles.class.getResourceAsStream("page/" + name)) {
                files.put(name, new String(file.readAllBytes(), StandardCharsets.UTF_8));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return files;
    }
}
