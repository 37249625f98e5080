package dev.vinekit.run;

import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.project.ProjectPaths;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The libraries that a project is compiled with: those of this process, without Vine Kit itself, on which no generated
 * code may depend, and what else the project's {@code pom.xml} names.
 *
 * @param own those of this process
 * @param more those that only Maven knows
 */
record LibraryPath(List<Path> own, List<Path> more) {
    private static final int MINUTES = 10;

    /**
     * The libraries of a project. If its {@code pom.xml} is not the one that was generated, Maven is asked, once for
     * each state of it.
     *
     * @throws Fault if Maven is asked and cannot tell
     */
    static LibraryPath of(Path project) throws IOException {
        List<Path> own = ofThisProcess().own;
        Path pom = ProjectPaths.of(project).resolve("pom.xml");
        if (!Files.isRegularFile(pom) || isGenerated(project, pom)) {
            return new LibraryPath(own, List.of());
        }
        Set<String> known = own.stream().map(entry -> artifact(entry)).collect(Collectors.toSet());
        return new LibraryPath(own, told(project, pom).stream()
                .filter(entry -> !known.contains(artifact(entry)) && !isVineKit(entry)).toList());
    }

    /** The libraries of this process. */
    static LibraryPath ofThisProcess() {
        List<Path> own = Arrays.stream(System.getProperty("java.class.path").split(File.pathSeparator))
                .filter(entry -> !entry.isEmpty()).map(Path::of).filter(entry -> !isVineKit(entry)).toList();
        return new LibraryPath(own, List.of());
    }

    private static boolean isGenerated(Path project, Path pom) throws IOException {
        return Project.generatedBefore(project, "pom.xml").equals(Optional.of(Files.readString(pom)));
    }

    /** What Maven says, remembered beside the classes for as long as the {@code pom.xml} stays the same. */
    private static List<Path> told(Path project, Path pom) throws IOException {
        Path remembered = ProjectPaths.of(project).resolve("target/vinekit/libraries-"
                + SourceFolder.hash(Files.readAllBytes(pom)).substring(0, 16) + ".txt");
        if (!Files.isRegularFile(remembered)) {
            Files.createDirectories(remembered.getParent());
            Path answer = Files.createTempFile(remembered.getParent(), "libraries", ".txt");
            ask(project, answer);
            Files.move(answer, remembered);
        }
        return Arrays.stream(Files.readString(remembered).strip().split(File.pathSeparator))
                .filter(entry -> !entry.isEmpty()).map(Path::of).toList();
    }

    private static void ask(Path project, Path answer) throws IOException {
        String maven = System.getProperty("os.name").startsWith("Windows") ? "mvn.cmd" : "mvn";
        List<String> command = List.of(maven, "-B", "-q", "dependency:build-classpath", "-Dmdep.includeScope=test",
                "-Dmdep.outputFile=" + answer.toAbsolutePath());
        Path log = Files.createTempFile("vinekit-maven", ".log");
        try {
            Process process = new ProcessBuilder(command).directory(project.toFile()).redirectErrorStream(true)
                    .redirectOutput(log.toFile()).start();
            if (!process.waitFor(MINUTES, TimeUnit.MINUTES) || process.exitValue() != 0) {
                process.destroyForcibly();
                try (Stream<String> lines = Files.lines(log)) {
                    String reason = lines.filter(line -> line.startsWith("[ERROR]")).findFirst()
                            .orElse("it gives no reason");
                    throw Fault.inCall("Maven does not tell the class path of " + project + ": "
                            + reason.replace("[ERROR] ", "") + ".",
                            "Correct pom.xml until mvn test-compile works.");
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw Fault.inWorld("Maven was interrupted.", "Run again.", e);
        } catch (IOException e) {
            throw Fault.inWorld("pom.xml names libraries that only Maven knows, and " + maven + " could not be run: "
                    + e.getMessage() + ".",
                    "Install Maven, or take the changes in pom.xml back.", e);
        } finally {
            Files.deleteIfExists(log);
        }
    }

    /** The name of a jar without its version. */
    private static String artifact(Path jar) {
        return jar.getFileName().toString().replaceFirst("-\\d.*", "");
    }

    /** Whether it is one of our own; the jar that has everything in it is not. */
    private static boolean isVineKit(Path entry) {
        return entry.getFileName() != null && entry.getFileName().toString().matches("vinekit-\\D.*")
                || Files.isDirectory(entry.resolve("dev/vinekit"));
    }

    /** All of them, as a compiler takes them. */
    String classPath() {
        List<Path> all = new ArrayList<>(own);
        all.addAll(more);
        return all.stream().map(Path::toString).collect(Collectors.joining(File.pathSeparator));
    }
}
