package dev.vinekit.project;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.source.Sources;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The package that generated code goes to if nobody names one.
 *
 * @param reason why this one, as the rest of a sentence; empty where there was nothing to look at
 */
public record PackageChoice(String name, Optional<String> reason) {
    private static final Pattern PACKAGE = Pattern.compile("(?m)^\\s*package\\s+([\\w.]+)");

    /** What is generated lies below a package of people's, beside theirs. */
    private static final String BESIDE = "tables";

    /** So many classes with names of generated support classes make a package one that was generated. */
    private static final int ENOUGH = 5;

    /**
     * That of the last run; in a project with other classes, one next to them; otherwise one of the directory's name.
     *
     * @throws Fault if the project has generated code, but no record of the run that generated it
     */
    public static PackageChoice of(Path directory) {
        Optional<ServiceDescription> before = Project.serviceBefore(directory);
        if (before.isPresent()) {
            return new PackageChoice(before.get().basePackage(), Optional.empty());
        }
        Optional<String> common = common(directory);
        common.filter(name -> isGenerated(directory, name)).ifPresent(name -> {
            throw Fault.inCall("The classes in " + name + " look as if Vine Kit had generated them, but the record of that run, "
                    + directory.resolve(LastRun.FOLDER) + ", is missing.", Remedy.of(Remedy.Kind.RESTORE_RECORD, name));
        });
        if (common.isPresent()) {
            return new PackageChoice(common.get() + "." + BESIDE,
                    Optional.of("the classes of this project are in " + common.get()));
        }
        Optional<String> coordinates =
                HostProject.isIn(directory) ? HostProject.coordinates(directory) : Optional.empty();
        if (coordinates.isPresent()) {
            return new PackageChoice(coordinates.get(), Optional.of("the pom.xml names the project so"));
        }
        Path last = directory.toAbsolutePath().normalize().getFileName();
        String letters = letters(last == null ? "" : last.toString());
        return new PackageChoice("com.example." + (letters.isEmpty() ? "service" : letters), Optional.empty());
    }

    /** Whether the package has the layers of generated code, and classes that every generated project has. */
    private static boolean isGenerated(Path directory, String name) {
        return SourceFolders.of(directory).ofProgram(directory).stream()
                .map(folder -> folder.resolve(name.replace('.', '/')).resolve("support")).anyMatch(support ->
                        Sources.supportNames().stream()
                                .filter(type -> Files.isRegularFile(support.resolve(type + ".java"))).count() >= ENOUGH);
    }

    /** A name as a part of a package's. */
    static String letters(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", "").replaceFirst("^[0-9]+", "");
    }

    /** The package of all classes that are there, if it is more than the first part of a name. */
    private static Optional<String> common(Path directory) {
        List<String> common = null;
        for (Path folder : SourceFolders.of(directory).ofProgram(directory)) {
            for (String name : packages(folder)) {
                List<String> parts = List.of(name.split("\\."));
                common = common == null ? parts : together(common, parts);
            }
        }
        return Optional.ofNullable(common).filter(parts -> parts.size() > 1).map(parts -> String.join(".", parts));
    }

    private static List<String> together(List<String> one, List<String> other) {
        List<String> same = new ArrayList<>();
        for (int i = 0; i < Math.min(one.size(), other.size()) && one.get(i).equals(other.get(i)); i++) {
            same.add(one.get(i));
        }
        return same;
    }

    private static List<String> packages(Path folder) {
        List<String> packages = new ArrayList<>();
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.filter(Files::isRegularFile)
                    .filter(file -> file.toString().endsWith(".java") || file.toString().endsWith(".kt")).toList()) {
                Matcher declared = PACKAGE.matcher(new String(Files.readAllBytes(file), StandardCharsets.UTF_8));
                if (declared.find()) {
                    packages.add(declared.group(1));
                }
            }
            return packages;
        } catch (IOException e) {
            throw Fault.inWorld("Reading " + folder + " failed: " + FileFailure.reason(e) + ".",
                    "Check that the directory may be read.", e);
        }
    }
}
