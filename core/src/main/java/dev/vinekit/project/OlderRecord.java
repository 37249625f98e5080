package dev.vinekit.project;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The record as it was at first: a second copy of each generated file, and two files about them. */
final class OlderRecord {
    private static final String SERVICE = LastRun.FOLDER + "/service.json";
    private static final String FILES = LastRun.FOLDER + "/files.json";
    private static final String GENERATED = LastRun.FOLDER + "/generated";
    private static final String SUFFIX = ".txt";
    private static final ObjectMapper JSON = new ObjectMapper();

    private OlderRecord() {
    }

    static boolean isIn(Path directory) {
        return Files.isRegularFile(ProjectPaths.of(directory).resolve(SERVICE));
    }

    static Optional<RunRecord> read(Path directory) {
        if (!isIn(directory)) {
            return Optional.empty();
        }
        Map<String, RunRecord.Entry> about = new TreeMap<>();
        if (Files.isRegularFile(ProjectPaths.of(directory).resolve(FILES))) {
            about.putAll(parse(ProjectPaths.of(directory).resolve(FILES), new TypeReference<TreeMap<String, RunRecord.Entry>>() { }));
        }
        Map<String, RunRecord.Entry> files = new TreeMap<>();
        for (String recorded : copies(directory)) {
            String path = recorded.substring(GENERATED.length() + 1, recorded.length() - SUFFIX.length());
            RunRecord.Entry known = about.getOrDefault(path, new RunRecord.Entry(path, null, null));
            files.put(path, new RunRecord.Entry(known.role(), known.at(),
                    FileFailure.readIfThere(ProjectPaths.of(directory).resolve(recorded)).orElseThrow()));
        }
        return Optional.of(new RunRecord(
                parse(ProjectPaths.of(directory).resolve(SERVICE), new TypeReference<ServiceDescription>() { }), null, files));
    }

    /** Its files, by path, each as one that goes. */
    static Map<String, Optional<byte[]>> files(Path directory) {
        return Stream.concat(Stream.of(SERVICE, FILES).filter(path -> Files.isRegularFile(ProjectPaths.of(directory).resolve(path))),
                copies(directory).stream()).collect(Collectors.toMap(path -> path, path -> Optional.empty()));
    }

    private static List<String> copies(Path directory) {
        Path root = ProjectPaths.of(directory).resolve(GENERATED);
        if (!Files.isDirectory(root)) {
            return List.of();
        }
        try (Stream<Path> files = Files.walk(root)) {
            return files.filter(Files::isRegularFile)
                    .map(file -> directory.relativize(file).toString().replace('\\', '/')).toList();
        } catch (IOException e) {
            throw Fault.inWorld("Reading " + root + " failed: " + FileFailure.reason(e) + ".",
                    "Restore the directory from version control.", e);
        }
    }

    private static <T> T parse(Path file, TypeReference<T> type) {
        try {
            return JSON.readValue(file.toFile(), type);
        } catch (IOException e) {
            throw Fault.inWorld(file + " cannot be understood: " + FileFailure.reason(e) + ".",
                    "Restore the file from version control, or generate into a new directory.", e);
        }
    }
}
