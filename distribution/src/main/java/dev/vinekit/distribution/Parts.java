package dev.vinekit.distribution;

import dev.vinekit.cli.VineKitCommand;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine;
import picocli.codegen.docgen.manpage.ManPageGenerator;

/** Writes what the distribution has besides the libraries: their list, words for shells, and the manual. */
public final class Parts {
    private static final Map<String, String> COMPLETIONS =
            Map.of("bash", "bash/vinekit", "zsh", "zsh/_vinekit", "fish", "fish/vinekit.fish");

    private Parts() {
    }

    /**
     * Writes them.
     *
     * @param arguments the folder of the build, with what it knows of the libraries
     */
    public static void main(String[] arguments) throws IOException {
        Path build = Path.of(arguments[0]);
        Path parts = build.resolve("parts");
        List<Path> libraries = Arrays.stream(Files.readString(build.resolve("libraries")).strip().split(File.pathSeparator))
                .map(Path::of).toList();
        write(parts.resolve("lib/class-path"), libraries.stream().map(library -> library.getFileName().toString())
                .collect(Collectors.joining("\n", "# " + digest(libraries) + "\n", "\n")));
        for (Map.Entry<String, String> file : COMPLETIONS.entrySet()) {
            write(parts.resolve("completions").resolve(file.getValue()), printed("completion", file.getKey()));
        }
        licences(build, parts.resolve("licences"));
        Path manual = Files.createDirectories(build.resolve("manual"));
        ManPageGenerator.generateManPage(manual.toFile(), null, new boolean[0], true,
                new CommandLine(new VineKitCommand()).getCommandSpec());
    }

    /** What the libraries have of their licences, and the texts that several of them share. */
    private static void licences(Path build, Path folder) throws IOException {
        for (Path text : files(build.resolve("licences"))) {
            Path within = build.resolve("licences").relativize(text);
            String library = within.getName(0).toString().replaceFirst("-jar$", "");
            copy(text, folder.resolve(library).resolve(text.getFileName()));
        }
        for (Path text : files(build.resolve("common-licences"))) {
            copy(text, folder.resolve("common/" + text.getParent().getFileName() + ".txt"));
        }
    }

    private static List<Path> files(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(Files::isRegularFile).sorted().toList();
        }
    }

    /** What tells one state of the libraries from another, though all files of a build have the same time. */
    private static String digest(List<Path> libraries) throws IOException {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            for (Path library : libraries) {
                digest.update(Files.readAllBytes(library));
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    private static String printed(String... arguments) {
        PrintStream before = System.out;
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        System.setOut(new PrintStream(bytes, true, StandardCharsets.UTF_8));
        try {
            new CommandLine(new VineKitCommand()).execute(arguments);
        } finally {
            System.setOut(before);
        }
        return bytes.toString(StandardCharsets.UTF_8);
    }

    private static void copy(Path from, Path to) throws IOException {
        Files.createDirectories(to.getParent());
        Files.copy(from, to, StandardCopyOption.REPLACE_EXISTING);
    }

    private static void write(Path file, String text) throws IOException {
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
    }
}
