package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.run.Runner;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.tukaani.xz.XZInputStream;

/** A project that an earlier version made, in which people have worked since, and what this version makes of it. */
class UpgradeTest {
    /** The record that the earlier version kept: its files by their paths. */
    private static final String BEFORE = "cellar-before.json.xz";

    /** What people put in before the last brace of a class, in every layer, in tests and in what all tables share. */
    private static final Map<String, String> MEMBERS = new TreeMap<>(Map.of(
            "src/main/java/com/example/cellar/entity/Vessel.java", "public boolean ofOurs() { return true; }",
            "src/main/java/com/example/cellar/dto/VesselInput.java", "public boolean ofOurs() { return true; }",
            "src/main/java/com/example/cellar/repository/VesselRepository.java", "public String ofOurs() { return \"r\"; }",
            "src/main/java/com/example/cellar/service/VesselService.java", "public String ofOurs() { return \"s\"; }",
            "src/main/java/com/example/cellar/controller/VesselController.java",
            "public String ofOurs() { return \"c\"; }",
            "src/main/java/com/example/cellar/support/Settings.java", "public static String ofOurs() { return \"t\"; }",
            "src/test/java/com/example/cellar/samples/VesselSamples.java",
            "public static String ofOurs() { return \"x\"; }",
            "src/test/java/com/example/cellar/controller/VesselControllerTest.java",
            "static String ofOurs() { return \"y\"; }",
            "src/test/java/com/example/cellar/repository/VesselRepositoryTest.java",
            "static String ofOurs() { return \"z\"; }"));

    /** Where people put a line of theirs behind one that they found, in what is no Java. */
    private static final Map<String, String> LINES = Map.of(
            "pom.xml", "<properties>\n    <ours>1</ours>",
            "README.md", "\nOurs.\n",
            "src/main/resources/logback.xml", "<!-- ours -->\n    <appender-ref ");

    @TempDir
    private Path directory;

    @Test
    void editsInEveryLayerAndInTestsAreKept() throws IOException {
        madeBefore();
        for (Map.Entry<String, String> member : MEMBERS.entrySet()) {
            edit(member.getKey(), text -> text.substring(0, text.lastIndexOf('}')) + "\n    " + member.getValue() + "\n}\n");
        }
        edit("pom.xml", text -> text.replace("<properties>", LINES.get("pom.xml")));
        edit("README.md", text -> text.replaceFirst("\n", LINES.get("README.md")));
        edit("src/main/resources/logback.xml",
                text -> text.replaceFirst("<appender-ref ", LINES.get("src/main/resources/logback.xml")));
        ChangeSet changes;
        try (Cellar cellar = Cellar.open("h2")) {
            changes = VineKit.plan(VineKit.generate(VineKit.map(VineKit.read(cellar.database(), Scope.all()),
                    "com.example.cellar"), Cellar.seed("h2")), directory);
        }

        Project project = VineKit.write(changes);

        MEMBERS.forEach((path, member) -> assertThat(directory.resolve(path)).content().contains(member));
        LINES.forEach((path, line) -> assertThat(directory.resolve(path)).content().contains(line.strip()));
        List<String> marked = changes.ofKind(FileChange.Kind.CONFLICT).stream().map(FileChange::path).toList();
        assertThat(MEMBERS.keySet()).containsAll(marked);
        for (String path : marked) {
            assertThat(directory.resolve(path)).content().contains("<<<<<<<").contains(">>>>>>>");
            edit(path, text -> text.replaceAll("(?ms)^<<<<<<< .*?^=======\\R(.*?)^>>>>>>> [^\\n]*\\R", "$1"));
        }
        assertThat(directory.resolve(".vinekit/generated")).doesNotExist();
        assertThat(QuickCompiler.compile(project).warnings()).isEmpty();
        assertThat(Runner.test(project).failures()).isEmpty();
    }

    private void madeBefore() throws IOException {
        Map<String, String> record;
        try (InputStream kept = UpgradeTest.class.getResourceAsStream(BEFORE);
                InputStream json = new XZInputStream(kept)) {
            record = new ObjectMapper().readValue(json, new TypeReference<>() { });
        }
        for (Map.Entry<String, String> file : record.entrySet()) {
            write(file.getKey(), file.getValue());
            if (file.getKey().startsWith(".vinekit/generated/")) {
                write(file.getKey().replaceFirst("^.vinekit/generated/", "").replaceFirst("[.]txt$", ""), file.getValue());
            }
        }
    }

    private void write(String path, String text) throws IOException {
        Files.createDirectories(directory.resolve(path).getParent());
        Files.writeString(directory.resolve(path), text);
    }

    private void edit(String path, UnaryOperator<String> change) throws IOException {
        String text = Files.readString(directory.resolve(path));
        String edited = change.apply(text);
        assertThat(edited).as(path).isNotEqualTo(text);
        write(path, edited);
    }
}
