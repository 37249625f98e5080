package dev.vinekit.project;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * What the last run recorded in a project, in text files that version control can compare: each generated text, what
 * each file is for, where people moved files to, the schema, and what the service is.
 */
final class LastRun {
    static final String FOLDER = ".vinekit";
    static final String SERVICE = FOLDER + "/service.json";
    static final String SCHEMA = FOLDER + "/schema.json";
    private static final String FILES = FOLDER + "/files.json";
    private static final String GENERATED = FOLDER + "/generated";
    private static final String SUFFIX = ".txt";
    private static final ObjectMapper JSON = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

    private final Path directory;
    private final Map<String, String> texts;
    private final Map<String, Entry> files;

    /**
     * What a file is for, and where it is.
     *
     * @param role its identity, whatever its name
     * @param at where a person moved it to; null if it is where it was written
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Entry(String role, String at) {
    }

    private LastRun(Path directory, Map<String, String> texts, Map<String, Entry> files) {
        this.directory = directory;
        this.texts = texts;
        this.files = files;
    }

    static LastRun of(Path directory) {
        Map<String, Entry> files = new TreeMap<>();
        read(directory, FILES).ifPresent(json ->
                files.putAll(parse(directory, FILES, json, new TypeReference<TreeMap<String, Entry>>() { })));
        return new LastRun(directory, texts(directory), files);
    }

    /** What was generated, by path. */
    Map<String, String> texts() {
        return texts;
    }

    /** What a file was for; its path where that was not recorded. */
    String role(String path) {
        return files.containsKey(path) ? files.get(path).role() : path;
    }

    /** Where the file that was generated for a path is, as far as is known. */
    String location(String path) {
        return files.containsKey(path) && files.get(path).at() != null ? files.get(path).at() : path;
    }

    static Optional<ServiceDescription> service(Path directory) {
        return read(directory, SERVICE)
                .map(json -> parse(directory, SERVICE, json, new TypeReference<ServiceDescription>() { }));
    }

    static Optional<String> schema(Path directory) {
        return read(directory, SCHEMA);
    }

    /** The files of the record that have to change. */
    Map<String, Optional<String>> changes(
            Map<String, String> generated, Map<String, Entry> entries, ServiceDescription service, String schema) {
        Map<String, Optional<String>> changes = new LinkedHashMap<>();
        generated.forEach((path, text) -> {
            if (!text.equals(texts.get(path))) {
                changes.put(recorded(path), Optional.of(text));
            }
        });
        texts.keySet().stream().filter(path -> !generated.containsKey(path))
                .forEach(path -> changes.put(recorded(path), Optional.empty()));
        put(changes, FILES, write(new TreeMap<>(entries)));
        put(changes, SERVICE, write(service));
        put(changes, SCHEMA, schema);
        return changes;
    }

    private void put(Map<String, Optional<String>> changes, String path, String text) {
        if (!read(directory, path).equals(Optional.of(text))) {
            changes.put(path, Optional.of(text));
        }
    }

    private static String recorded(String path) {
        return GENERATED + "/" + path + SUFFIX;
    }

    private static Map<String, String> texts(Path directory) {
        Path root = directory.resolve(GENERATED);
        Map<String, String> texts = new TreeMap<>();
        if (!Files.isDirectory(root)) {
            return texts;
        }
        try (Stream<Path> files = Files.walk(root)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                String path = root.relativize(file).toString().replace('\\', '/');
                texts.put(path.substring(0, path.length() - SUFFIX.length()), Files.readString(file));
            }
        } catch (IOException e) {
            throw Fault.inWorld("Reading " + root + " failed: " + FileFailure.reason(e) + ".",
                    "Restore the directory from version control.", e);
        }
        return texts;
    }

    private static Optional<String> read(Path directory, String path) {
        return FileFailure.readIfThere(directory.resolve(path));
    }

    private static <T> T parse(Path directory, String path, String json, TypeReference<T> type) {
        try {
            return JSON.readValue(json, type);
        } catch (JsonProcessingException e) {
            throw Fault.inWorld(directory.resolve(path) + " cannot be understood: " + e.getOriginalMessage() + ".",
                    "Restore the file from version control, or generate into a new directory.", e);
        }
    }

    private static String write(Object value) {
        try {
            return JSON.writeValueAsString(value) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a record of text is JSON", e);
        }
    }
}
