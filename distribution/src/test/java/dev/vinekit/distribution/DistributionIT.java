package dev.vinekit.distribution;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The archive, unpacked where nobody may write, by somebody who has a JDK and nothing else. */
class DistributionIT {
    private static final String USER = "nobody";

    /** All that the start script asks the system for. */
    private static final List<String> PROGRAMS =
            List.of("sh", "dirname", "readlink", "cksum", "cut", "ls", "mkdir", "mv", "rm", "stty");

    private static Path place;
    private static Path unpacked;
    private static Path home;
    private static Path path;

    /** How a program ended. */
    private record Result(int exit, String out, String err) {
    }

    @BeforeAll
    static void unpack(@TempDir Path directory) throws Exception {
        place = Files.createDirectories(directory.resolve("a place for it"));
        home = Files.createDirectories(directory.resolve("home"));
        path = Files.createDirectories(directory.resolve("path"));
        for (String program : PROGRAMS) {
            link(program, found(program));
        }
        link("java", Path.of(System.getProperty("java.home"), "bin", "java"));
        run(place, "tar", "-xzf", archive("tar.gz").toString());
        try (Stream<Path> folders = Files.list(place)) {
            unpacked = folders.toList().get(0);
        }
        run(directory, "chmod", "-R", "a+rX,a-w", place.toString());
        run(directory, "chmod", "a+rx", directory.toString());
        if (isRoot()) {
            run(directory, "chown", USER, home.toString());
        }
    }

    /** So that it can be deleted. */
    @AfterAll
    static void release() throws Exception {
        run(home, "chmod", "-R", "u+w", place.toString());
    }

    /** A program that calls another: a link would be followed when the folder is deleted. */
    private static void link(String name, Path program) throws IOException {
        Path script = Files.writeString(path.resolve(name), "#!/bin/sh\nexec " + program + " \"$@\"\n");
        assertThat(script.toFile().setExecutable(true, false)).isTrue();
    }

    private static Path archive(String ending) throws IOException {
        try (Stream<Path> files = Files.list(Path.of("target"))) {
            return files.filter(file -> file.getFileName().toString().matches("vinekit-[\\d.]+.*\\." + ending))
                    .findFirst().orElseThrow().toAbsolutePath();
        }
    }

    private static Path found(String program) {
        return places(program).findFirst().orElseThrow();
    }

    private static boolean isFound(String program) {
        return places(program).findAny().isPresent();
    }

    private static Stream<Path> places(String program) {
        return Stream.of(System.getenv("PATH").split(":")).map(folder -> Path.of(folder, program))
                .filter(Files::isExecutable);
    }

    private static boolean isRoot() {
        return System.getProperty("user.name").equals("root");
    }

    /** Runs the tool as a user without rights, without Maven, and without anything in their folder. */
    private static Result tool(String... arguments) throws Exception {
        List<String> command = new ArrayList<>(isRoot() ? List.of(found("runuser").toString(), "-u", USER, "--") : List.of());
        command.addAll(List.of(found("env").toString(), "-i", "PATH=" + path, "HOME=" + home, "LANG=C.UTF-8",
                unpacked.resolve("bin/vinekit").toString()));
        command.addAll(List.of(arguments));
        return run(home, command.toArray(String[]::new));
    }

    private static Result run(Path directory, String... command) throws Exception {
        Path out = Files.createTempFile("out", ".txt");
        Path err = Files.createTempFile("err", ".txt");
        try {
            Process process = new ProcessBuilder(command).directory(directory.toFile())
                    .redirectOutput(out.toFile()).redirectError(err.toFile()).start();
            assertThat(process.waitFor(5, TimeUnit.MINUTES)).isTrue();
            return new Result(process.exitValue(), Files.readString(out), Files.readString(err));
        } finally {
            Files.delete(out);
            Files.delete(err);
        }
    }

    @Test
    void demoIsGreenWithoutMaven() throws Exception {
        Result demo = tool("demo");

        assertThat(demo.exit()).as(demo.err() + demo.out()).isZero();
        assertThat(demo.out()).contains(" passed, 0 failed");
        assertThat(home.resolve("cellar-demo/pom.xml")).exists();
    }

    /** On the newest Java of this machine, too. */
    @Tag("thorough")
    @Test
    void demoIsGreenOnALaterJava() throws Exception {
        Optional<Path> later = laterJava();
        Assumptions.assumeTrue(later.isPresent(), "There is no later Java here.");

        Result demo = run(Files.createTempDirectory("later"), found("env").toString(), "JAVA_HOME=" + later.get(),
                "XDG_CACHE_HOME=" + home, unpacked.resolve("bin/vinekit").toString(), "demo", "--dir", "here");

        assertThat(demo.exit()).as(demo.err() + demo.out()).isZero();
        assertThat(demo.out()).contains(" passed, 0 failed");
    }

    private static Optional<Path> laterJava() throws IOException {
        Path folder = Path.of("/usr/lib/jvm");
        if (!Files.isDirectory(folder)) {
            return Optional.empty();
        }
        try (Stream<Path> javas = Files.list(folder)) {
            return javas.filter(java -> Files.isExecutable(java.resolve("bin/javac")) && version(java) > Runtime.version().feature())
                    .max(Comparator.comparing(DistributionIT::version));
        }
    }

    private static int version(Path java) {
        try (Stream<String> lines = Files.lines(java.resolve("release"))) {
            return lines.filter(line -> line.startsWith("JAVA_VERSION=")).findFirst()
                    .map(line -> Integer.valueOf(line.replaceAll("\\D*(\\d+).*", "$1"))).orElse(0);
        } catch (IOException e) {
            return 0;
        }
    }

    @Tag("thorough")
    @Test
    void oneFileDoesTheSame() throws Exception {
        Result demo = run(Files.createTempDirectory("one-file"), path.resolve("java").toString(), "-jar",
                archive("jar").toString(), "demo", "--dir", "here");

        assertThat(demo.exit()).as(demo.err() + demo.out()).isZero();
        assertThat(demo.out()).contains(" passed, 0 failed");
    }

    @Test
    void classesAreKeptForLaterRuns() throws Exception {
        assertThat(tool("--version").out()).startsWith("vinekit ");
        assertThat(tool("generate", "--dir", "nowhere").exit()).isEqualTo(2);
        assertThat(kept()).hasSize(1).noneMatch(name -> name.endsWith("-all"));
        Path script = Files.writeString(Files.createTempDirectory("cask").resolve("cask.sql"),
                "CREATE TABLE cask (id INT PRIMARY KEY);");
        run(home, "chmod", "-R", "a+rX", script.getParent().toString());
        Result generated = tool("generate", "--script", script.toString(), "--engine", "h2", "--dir", "casks");
        assertThat(generated.exit()).as(generated.err()).isZero();
        assertThat(tool("--help").out()).contains("inspect", "completion");

        assertThat(kept()).hasSize(1).allMatch(name -> name.endsWith("-all"));
    }

    private static List<String> kept() throws IOException {
        try (Stream<Path> files = Files.list(home.resolve(".cache/vinekit"))) {
            return files.map(file -> file.getFileName().toString()).filter(name -> name.startsWith("start-")).toList();
        }
    }

    /** What is typed stands ready before the tool asks. */
    @Test
    void passwordIsAskedForAtATerminal() throws Exception {
        Path folder = Files.createTempDirectory("cask");
        String url = "jdbc:h2:" + folder.resolve("cask");
        try (Connection connection = DriverManager.getConnection(url, "sa", "corked");
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE cask (id INT PRIMARY KEY)");
        }

        Result asked = run(folder, "sh", "-c", "echo corked | XDG_CACHE_HOME=" + folder + " script -qec \"'"
                + unpacked.resolve("bin/vinekit") + "' inspect --url " + url + " --user sa\" /dev/null");

        assertThat(asked.out()).contains("Password of sa: ", "CASK");
    }

    @Test
    void missingJavaIsNamed() throws Exception {
        Result result = run(home, found("env").toString(), "-i", "PATH=" + path, "JAVA_HOME=/nonexistent",
                unpacked.resolve("bin/vinekit").toString(), "--version");

        assertThat(result.exit()).isEqualTo(3);
        assertThat(result.err()).contains("needs a JDK 17 or later", "/nonexistent/bin/java", "JAVA_HOME");
    }

    @Test
    void everyLibraryIsInTheListAndInTheBill() throws Exception {
        Set<String> jars;
        try (Stream<Path> files = Files.list(unpacked.resolve("lib"))) {
            jars = files.map(file -> file.getFileName().toString()).filter(name -> name.endsWith(".jar"))
                    .collect(Collectors.toSet());
        }
        List<String> listed = Files.readAllLines(unpacked.resolve("lib/class-path")).stream()
                .filter(line -> !line.startsWith("#")).toList();
        assertThat(listed).doesNotHaveDuplicates().containsExactlyInAnyOrderElementsOf(jars);

        JsonNode bill = new ObjectMapper().readTree(unpacked.resolve("bill-of-materials.cdx.json").toFile());
        Set<String> billed = new HashSet<>();
        for (JsonNode component : bill.path("components")) {
            billed.add(component.path("name").textValue());
            assertThat(component.path("purl").textValue()).startsWith("pkg:maven/");
            assertThat(component.path("licenses")).as(component.path("name").textValue()).isNotEmpty();
        }
        assertThat(bill.path("bomFormat").textValue()).isEqualTo("CycloneDX");
        String third = Files.readString(unpacked.resolve("THIRD-PARTY.txt"));
        for (String jar : jars) {
            assertThat(billed).as(jar).anyMatch(jar::startsWith);
            assertThat(jar.startsWith("vinekit-") || third.contains(":" + jar.replaceFirst("-\\d.*", "") + ":")).as(jar).isTrue();
        }
        assertThat(unpacked.resolve("LICENSE")).exists();
        assertThat(unpacked.resolve("licences/common/epl_v1.txt")).content().contains("Eclipse Public License");
        assertThat(unpacked.resolve("licences/mysql-connector-j")).isDirectoryContaining("glob:**LICENSE");
    }

    @Test
    void manualHasAPageForEachCommand() throws Exception {
        List<String> commands = commands();
        for (String command : commands) {
            Path page = unpacked.resolve("man/man1/vinekit-" + command + ".1");
            assertThat(page).content().contains(".SH \"NAME\"", ".SH \"SYNOPSIS\"");
        }
        assertThat(unpacked.resolve("man/man1/vinekit.1")).content().contains(commands);
    }

    private static List<String> commands() throws Exception {
        return tool("--help").out().lines().filter(line -> line.matches("  [a-z]+ {2,}\\S.*"))
                .map(line -> line.strip().replaceFirst(" .*", "")).toList();
    }

    /** What a shell offers after the beginning of a call. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "vinekit ins            | inspect",
        "vinekit inspect --form | --format",
        "vinekit demo --eng     | --engine",
        "vinekit completion     | fish"})
    void fishCompletes(String call, String word) throws Exception {
        Assumptions.assumeTrue(isFound("fish"), "There is no fish here.");
        String begun = call.equals("vinekit completion") ? call + " " : call;

        Result result = run(home, "fish", "--no-config", "-c", "source '"
                + unpacked.resolve("completions/fish/vinekit.fish") + "'; complete -C '" + begun + "'");

        assertThat(result.err()).isEmpty();
        assertThat(result.out().lines().map(line -> line.replaceFirst("\t.*", ""))).contains(word);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "vinekit ins            | inspect",
        "vinekit inspect --form | --format",
        "vinekit demo --eng     | --engine"})
    void bashCompletes(String call, String word) throws Exception {
        String[] words = call.split(" ");

        Result result = run(home, "bash", "--norc", "-c", "source '" + unpacked.resolve("completions/bash/vinekit")
                + "'; COMP_WORDS=(" + call + "); COMP_CWORD=" + (words.length - 1)
                + "; COMP_LINE='" + call + "'; COMP_POINT=" + call.length()
                + "; _complete_vinekit; printf '%s\\n' \"${COMPREPLY[@]}\"");

        assertThat(result.out().lines().map(String::strip)).contains(word);
    }

    @Test
    void zshReadsItsFunction() throws Exception {
        Assumptions.assumeTrue(isFound("zsh"), "There is no zsh here.");

        Result result = run(home, "zsh", "-f", "-c", "_arguments() { print -l -- $@; state=command; }; _describe() {"
                + " print -l -- ${(P)2}; }; source '" + unpacked.resolve("completions/zsh/_vinekit") + "'");

        assertThat(result.err()).isEmpty();
        assertThat(result.out().lines()).anyMatch(line -> line.startsWith("inspect:Shows what is in a database"));
        Result within = run(home, "zsh", "-f", "-c", "_arguments() { print -l -- $@; state=rest; words=(demo); };"
                + " source '" + unpacked.resolve("completions/zsh/_vinekit") + "'");
        assertThat(within.out().lines()).anyMatch(line -> line.startsWith("--engine["));
    }
}
