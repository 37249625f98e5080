package dev.vinekit.source;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.JarURLConnection;
import java.net.URI;
import java.net.URL;
import java.net.URLConnection;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/** A folder of files that come with classes: in a directory, or in a jar. */
final class ResourceFolder {
    private ResourceFolder() {
    }

    /**
     * The names of the files in a folder, sorted; none if it is not there.
     *
     * @param beside a class in the package that the folder lies in
     */
    static List<String> names(Class<?> beside, String folder) {
        URL place = beside.getResource(folder);
        if (place == null) {
            return List.of();
        }
        try {
            URLConnection connection = place.openConnection();
            return connection instanceof JarURLConnection jar ? inJar(jar)
                    : inDirectory(Path.of(URI.create(place.toString())));
        } catch (IOException e) {
            throw new UncheckedIOException("listing " + place, e);
        }
    }

    private static List<String> inDirectory(Path directory) throws IOException {
        try (Stream<Path> files = Files.list(directory)) {
            return files.filter(Files::isRegularFile).map(file -> file.getFileName().toString()).sorted().toList();
        }
    }

    private static List<String> inJar(JarURLConnection jar) throws IOException {
        String name = jar.getEntryName();
        String start = name.endsWith("/") ? name : name + "/";
        return jar.getJarFile().stream().map(entry -> entry.getName())
                .filter(entry -> entry.startsWith(start) && entry.length() > start.length())
                .map(entry -> entry.substring(start.length())).filter(entry -> entry.indexOf('/') < 0).sorted()
                .toList();
    }
}
