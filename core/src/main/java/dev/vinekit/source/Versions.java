package dev.vinekit.source;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;

/** The versions that this library is built with, for the generated build file. */
final class Versions {
    private Versions() {
    }

    static Map<String, String> all() {
        Properties properties = new Properties();
        try (InputStream file = Versions.class.getResourceAsStream("versions.properties")) {
            properties.load(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Map<String, String> versions = new TreeMap<>();
        properties.forEach((name, version) -> versions.put(name.toString(), version.toString()));
        return versions;
    }
}
