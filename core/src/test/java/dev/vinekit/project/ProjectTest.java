package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.TestDatabases;
import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.source.SourceTree;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ProjectTest {
    private static final String ENTITY = "src/main/java/com/example/cellar/entity/Barrel.java";
    private static final String BARREL = "CREATE TABLE barrel (id INT PRIMARY KEY, code VARCHAR(10) NOT NULL)";
    private static final String BARREL_WITH_TOAST =
            "CREATE TABLE barrel (id INT PRIMARY KEY, code VARCHAR(10) NOT NULL, toast VARCHAR(8))";

    @TempDir
    private Path parent;

    @Test
    void newProjectIsAllNewAndThenAllTheSame() throws Exception {
        ChangeSet first = VineKit.plan(sources(BARREL), project());
        VineKit.write(first);

        assertThat(first.changes()).extracting(FileChange::kind).containsOnly(FileChange.Kind.NEW);
        assertThat(VineKit.plan(sources(BARREL), project()).changes())
                .extracting(FileChange::kind).containsOnly(FileChange.Kind.SAME);
    }

    @Test
    void runWithNothingToDoWritesNothing() throws Exception {
        generate(BARREL);
        Map<Path, Object> before = times();

        generate(BARREL);

        assertThat(times()).isEqualTo(before);
    }

    @Test
    void handEditAndSchemaChangeMerge() throws Exception {
        generate(BARREL);
        edit(ENTITY, "public record Barrel(", "/** Ours. */\npublic record Barrel(");

        ChangeSet changes = generate(BARREL_WITH_TOAST);

        assertThat(kind(changes, ENTITY)).isEqualTo(FileChange.Kind.MERGED);
        assertThat(Files.readString(project().resolve(ENTITY))).contains("/** Ours. */", "String toast)");
    }

    @Test
    void editOfTheSameLineIsAConflictThatKeepsBothSides() throws Exception {
        generate(BARREL);
        edit(ENTITY, "        String code)", "        CharSequence code)");

        ChangeSet changes = generate(BARREL_WITH_TOAST);

        assertThat(kind(changes, ENTITY)).isEqualTo(FileChange.Kind.CONFLICT);
        assertThat(Files.readString(project().resolve(ENTITY)))
                .contains("<<<<<<< edited", "CharSequence code)", "String toast)", ">>>>>>> generated now");
    }

    @Test
    void editedFileIsLeftWhileTheSchemaStaysTheSame() throws Exception {
        generate(BARREL);
        edit(ENTITY, "String code", "CharSequence code");

        assertThat(kind(generate(BARREL), ENTITY)).isEqualTo(FileChange.Kind.SAME);
        assertThat(Files.readString(project().resolve(ENTITY))).contains("CharSequence code");
    }

    @Test
    void deletedFileStaysDeleted() throws Exception {
        generate(BARREL);
        Files.delete(project().resolve(ENTITY));

        assertThat(kind(generate(BARREL_WITH_TOAST), ENTITY)).isEqualTo(FileChange.Kind.LEFT_ALONE);
        assertThat(project().resolve(ENTITY)).doesNotExist();
    }

    @Test
    void filesOfADroppedTableGoUnlessSomeoneEditedThem() throws Exception {
        generate(BARREL + "; CREATE TABLE press (id INT PRIMARY KEY)");
        String service = "src/main/java/com/example/cellar/service/PressService.java";
        edit(service, "public final class", "/* ours */ public final class");

        ChangeSet changes = generate(BARREL);

        assertThat(kind(changes, "src/main/java/com/example/cellar/entity/Press.java"))
                .isEqualTo(FileChange.Kind.REMOVED);
        assertThat(project().resolve("src/main/java/com/example/cellar/entity/Press.java")).doesNotExist();
        assertThat(kind(changes, service)).isEqualTo(FileChange.Kind.LEFT_ALONE);
        assertThat(project().resolve(service)).exists();
    }

    @Test
    void directoryOfSomeoneElseIsRefusedAndNotTouched() throws Exception {
        Files.createDirectories(project());
        Files.writeString(project().resolve("pom.xml"), "mine");

        assertThatThrownBy(() -> VineKit.plan(sources(BARREL), project()))
                .isInstanceOfSatisfying(Fault.class, fault -> assertThat(fault.kind()).isEqualTo(Fault.Kind.CALL));
        assertThat(project()).isDirectoryContaining("glob:**/pom.xml");
        assertThat(files()).hasSize(1);
    }

    @Test
    void writeThatWasKilledBeforeItWasCompleteNeverHappened() throws Exception {
        PendingWrite killed = PendingWrite.of(project());
        killed.put("src/Half.java", "half");

        generate(BARREL);

        assertThat(project().resolve("src/Half.java")).doesNotExist();
        assertThat(project().resolve(".vinekit/pending")).doesNotExist();
        assertThat(project().resolve(ENTITY)).exists();
    }

    @Test
    void writeThatWasKilledAfterItWasCompleteIsFinishedByTheNextRun() throws Exception {
        generate(BARREL);
        PendingWrite killed = PendingWrite.of(project());
        killed.put("src/Whole.java", "whole");
        Files.createFile(project().resolve(".vinekit/pending/ready"));

        Project.toWrite(project());

        assertThat(project().resolve("src/Whole.java")).hasContent("whole");
        assertThat(project().resolve(".vinekit/pending")).doesNotExist();
    }

    private Path project() {
        return parent.resolve("project");
    }

    private ChangeSet generate(String schema) throws Exception {
        ChangeSet changes = VineKit.plan(sources(schema), project());
        VineKit.write(changes);
        return changes;
    }

    private static SourceTree sources(String schema) throws Exception {
        try (TestDatabases database = TestDatabases.h2(schema)) {
            return VineKit.generate(
                    VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.cellar"));
        }
    }

    private void edit(String path, String from, String to) throws IOException {
        Path file = project().resolve(path);
        String text = Files.readString(file);
        assertThat(text).contains(from);
        Files.writeString(file, text.replace(from, to));
    }

    private static FileChange.Kind kind(ChangeSet changes, String path) {
        return changes.changes().stream().filter(change -> change.path().equals(path)).findFirst().orElseThrow().kind();
    }

    private Stream<Path> files() throws IOException {
        return Files.walk(project()).filter(Files::isRegularFile);
    }

    private Map<Path, Object> times() throws IOException {
        Map<Path, Object> times = new TreeMap<>();
        for (Path file : files().toList()) {
            times.put(file, Files.getLastModifiedTime(file));
        }
        return times;
    }
}
