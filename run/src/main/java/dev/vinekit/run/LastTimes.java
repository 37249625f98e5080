package dev.vinekit.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.project.ServiceDescription;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** How long the tests of each table took the last time, in seconds, kept in the project's folder target. */
final class LastTimes {
    private static final String FILE = "target/vinekit/times.json";
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final double MILLISECONDS = 1000;

    private LastTimes() {
    }

    /** By table, under an empty name those of the service as a whole; empty if there was no run. */
    static Map<String, Double> of(Project project) {
        Path file = project.path(FILE);
        try {
            return read(file);
        } catch (IOException e) {
            throw Fault.inCall(file + " cannot be understood: " + e.getClass().getSimpleName() + ".",
                    "Delete it: the next run of the tests writes it anew.");
        }
    }

    private static Map<String, Double> read(Path file) throws IOException {
        return Files.isRegularFile(file) ? JSON.readValue(file.toFile(), new TypeReference<>() { }) : Map.of();
    }

    /** Keeps those of a run, and of other tables those before; a file that makes no sense is written anew. */
    static void keep(Project project, ServiceDescription service, List<TestOutcome> outcomes) {
        Map<String, String> tables = new TreeMap<>();
        service.tables().forEach(table -> tables.put(table.entity(), table.table()));
        Map<String, Double> times = new TreeMap<>();
        outcomes.forEach(outcome -> times.merge(tables.getOrDefault(outcome.entity(), ""),
                outcome.duration().toMillis() / MILLISECONDS, Double::sum));
        Path file = project.path(FILE);
        try {
            Map<String, Double> all = new TreeMap<>(before(file));
            all.putAll(times);
            Files.createDirectories(file.getParent());
            JSON.writerWithDefaultPrettyPrinter().writeValue(file.toFile(), all);
        } catch (IOException e) {
            throw Fault.inWorld("Writing " + file + " failed: " + e + ".", "Check that the directory may be written.", e);
        }
    }

    private static Map<String, Double> before(Path file) throws IOException {
        try {
            return read(file);
        } catch (JsonProcessingException e) {
            return Map.of();
        }
    }
}
