package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.common.jimfs.Configuration;
import com.google.common.jimfs.Jimfs;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.source.SourceTree;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
        Files.writeString(project().resolve("notes.txt"), "mine");

        assertThatThrownBy(() -> VineKit.plan(sources(BARREL), project()))
                .isInstanceOfSatisfying(Fault.class, fault -> assertThat(fault.kind()).isEqualTo(Fault.Kind.CALL));
        assertThat(project()).isDirectoryContaining("glob:**/notes.txt");
        assertThat(files()).hasSize(1);
    }

    @Test
    void projectOfSomeoneElseGetsSourcesOnlyAndIsToldWhatItLacks() throws Exception {
        String pom = "<project><dependencies><dependency><groupId>com.zaxxer</groupId><artifactId>HikariCP</artifactId>"
                + "</dependency></dependencies></project>";
        Files.createDirectories(project().resolve("src/main/java/com/example/cellar/entity"));
        Files.writeString(project().resolve("pom.xml"), pom);
        Files.writeString(project().resolve(ENTITY), "class Barrel { }");

        ChangeSet changes = generate(BARREL);

        assertThat(project().resolve("pom.xml")).hasContent(pom);
        assertThat(project().resolve("README.md")).doesNotExist();
        assertThat(project().resolve(ENTITY)).hasContent("class Barrel { }");
        assertThat(changes.wantsAttention()).isTrue();
        assertThat(changes.missingLibraries())
                .contains("com.h2database:h2", "org.hibernate.validator:hibernate-validator")
                .doesNotContain("com.zaxxer:HikariCP", "com.fasterxml.jackson:jackson-bom");
        assertThat(kind(generate(BARREL), ENTITY)).isEqualTo(FileChange.Kind.LEFT_ALONE);
    }

    @Test
    void fileThatWasMovedIsFollowed() throws Exception {
        generate(BARREL);
        String moved = "src/main/java/com/example/cellar/mine/Barrel.java";
        Files.createDirectories(project().resolve(moved).getParent());
        edit(ENTITY, "package com.example.cellar.entity;", "package com.example.cellar.mine;");
        Files.move(project().resolve(ENTITY), project().resolve(moved));

        ChangeSet changes = generate(BARREL_WITH_TOAST);

        assertThat(kind(changes, moved)).isEqualTo(FileChange.Kind.MERGED);
        assertThat(Files.readString(project().resolve(moved)))
                .contains("package com.example.cellar.mine;", "String toast)");
        assertThat(project().resolve(ENTITY)).doesNotExist();
        assertThat(generate(BARREL_WITH_TOAST).isEmpty()).isTrue();
        assertThat(kind(generate(BARREL), moved)).isEqualTo(FileChange.Kind.MERGED);
    }

    @Test
    void fileThatWasRenamedIsFollowedAndOneThatIsGoneIsSaidToBeLostSightOf() throws Exception {
        generate(BARREL);
        String renamed = "src/main/java/com/example/cellar/service/Casks.java";
        edit("src/main/java/com/example/cellar/service/BarrelService.java", "BarrelService", "Casks");
        Files.move(project().resolve("src/main/java/com/example/cellar/service/BarrelService.java"),
                project().resolve(renamed));
        Files.delete(project().resolve(ENTITY));

        ChangeSet changes = generate(BARREL_WITH_TOAST);

        assertThat(changes.changes()).filteredOn(change -> change.path().equals(renamed)).singleElement()
                .satisfies(change -> assertThat(change.reason())
                        .contains("followed from src/main/java/com/example/cellar/service/BarrelService"));
        assertThat(changes.changes()).filteredOn(change -> change.path().equals(ENTITY)).singleElement()
                .satisfies(change -> assertThat(change.reason()).startsWith("lost sight of"));
    }

    @Test
    void anotherNameInTheMappingTakesTheEditsAlong() throws Exception {
        generate(BARREL);
        edit(ENTITY, "String code) {", "String code) {\n    // ours");
        String cask = ENTITY.replace("Barrel", "Cask");

        SourceTree renamed = sources(BARREL_WITH_TOAST, "entities: {barrel: {name: Cask}}");
        VineKit.write(VineKit.plan(renamed, project()));

        assertThat(VineKit.plan(renamed, project()).isEmpty()).isTrue();
        assertThat(project().resolve(ENTITY)).doesNotExist();
        assertThat(Files.readString(project().resolve(cask))).contains("// ours", "String toast)", "record Cask(");
    }

    @Test
    void lineEndsOfAnotherSystemAreNoEditAndStay() throws Exception {
        generate(BARREL);
        edit(ENTITY, "\n", "\r\n");

        assertThat(kind(generate(BARREL_WITH_TOAST), ENTITY)).isEqualTo(FileChange.Kind.CHANGED);
        assertThat(Files.readString(project().resolve(ENTITY))).contains("String toast) {\r\n");
    }

    @Test
    void importThatOnlyHandWrittenCodeStillNeedsIsKept() throws Exception {
        generate("CREATE TABLE barrel (id INT PRIMARY KEY, code VARCHAR(10) NOT NULL, filled DATE)");
        edit(ENTITY, "filled) {\n",
                "filled) {\n    static LocalDate today() {\n        return LocalDate.EPOCH;\n    }\n");

        ChangeSet changes =
                generate("CREATE TABLE barrel (id INT PRIMARY KEY, filled VARCHAR(10), code VARCHAR(10) NOT NULL)");

        assertThat(Files.readString(project().resolve(ENTITY)))
                .contains("import java.time.LocalDate;", "LocalDate.EPOCH");
        assertThat(changes.ofKind(FileChange.Kind.LEFT_ALONE)).isEmpty();
    }

    @Test
    void patchDoesWhatWritingDoes() throws Exception {
        generate(BARREL + "; CREATE TABLE press (id INT PRIMARY KEY)");
        edit(ENTITY, "public record", "// no end of line here\npublic record");
        Files.writeString(project().resolve(ENTITY), Files.readString(project().resolve(ENTITY)).stripTrailing());
        ChangeSet changes = VineKit.plan(sources(BARREL_WITH_TOAST + "; CREATE TABLE \"größe\" (id INT PRIMARY KEY)"),
                project());
        Files.writeString(parent.resolve("changes.patch"), Project.patch(changes));
        Path copy = parent.resolve("copy");
        copy(project(), copy);

        Process git = new ProcessBuilder("git", "apply", "--whitespace=nowarn",
                parent.resolve("changes.patch").toString())
                .directory(copy.toFile()).inheritIO().start();
        assertThat(git.waitFor()).isZero();
        VineKit.write(changes);

        assertThat(texts(copy)).isEqualTo(texts(project()));
    }

    @Test
    void changeOfTheSchemaIsFiledAsAScriptWithTheNextNumber() throws Exception {
        generate(BARREL);
        String folder = "src/main/resources/db/changes/";
        assertThat(project().resolve(folder)).doesNotExist();

        generate(BARREL_WITH_TOAST);
        assertThat(project().resolve(folder + "0001-barrel.sql")).content()
                .contains("ALTER TABLE barrel ADD COLUMN toast VARCHAR(8);");

        Files.writeString(project().resolve(folder + "0007-ours.sql"), "-- ours");
        generate(BARREL);
        assertThat(project().resolve(folder + "0008-barrel.sql")).content()
                .contains("DECIDE: Loses the values of TOAST.", "\n-- ALTER TABLE barrel DROP COLUMN toast;");
        assertThat(generate(BARREL).isEmpty()).isTrue();
    }

    @Test
    void readOnlyFileLeavesTheProjectAsItWas() throws Exception {
        generate(BARREL);
        Files.setPosixFilePermissions(project().resolve(ENTITY), PosixFilePermissions.fromString("r--r--r--"));
        Map<Path, Object> before = times();

        assertThatThrownBy(() -> generate(BARREL_WITH_TOAST)).isInstanceOf(Fault.class)
                .hasMessageContaining("Barrel.java").hasMessageContaining("read-only")
                .hasMessageContaining("Nothing was changed");

        assertThat(times()).isEqualTo(before);
    }

    @Test
    void fullDiskLeavesTheProjectAsItWas() throws Exception {
        try (FileSystem small = Jimfs.newFileSystem(Configuration.unix().toBuilder().setMaxSize(2_000_000).build())) {
            Path directory = small.getPath("/project");
            VineKit.write(VineKit.plan(sources(BARREL), directory));
            Map<String, String> before = texts(directory);
            StringBuilder many = new StringBuilder(BARREL_WITH_TOAST);
            for (int i = 0; i < 60; i++) {
                many.append("; CREATE TABLE t").append(i).append(" (id INT PRIMARY KEY)");
            }

            assertThatThrownBy(() -> VineKit.write(VineKit.plan(sources(many.toString()), directory)))
                    .isInstanceOf(Fault.class).hasMessageContaining("out of disk space")
                    .hasMessageContaining("Nothing was changed");

            assertThat(texts(directory)).isEqualTo(before);
            assertThat(VineKit.plan(sources(BARREL), directory).isEmpty()).isTrue();
        }
    }

    private static Map<String, String> texts(Path root) throws IOException {
        Map<String, String> texts = new TreeMap<>();
        try (Stream<Path> all = Files.walk(root)) {
            for (Path file : all.filter(Files::isRegularFile).toList()) {
                texts.put(root.relativize(file).toString(), Files.readString(file, StandardCharsets.ISO_8859_1));
            }
        }
        return texts;
    }

    private static void copy(Path from, Path to) throws IOException {
        for (Map.Entry<String, String> file : texts(from).entrySet()) {
            Files.createDirectories(to.resolve(file.getKey()).getParent());
            Files.writeString(to.resolve(file.getKey()), file.getValue(), StandardCharsets.ISO_8859_1);
        }
    }

    private static SourceTree sources(String script, String yaml) throws Exception {
        try (TestDatabases database = TestDatabases.h2(script)) {
            return VineKit.generate(VineKit.map(VineKit.read(database.database(), Scope.all()),
                    MappingFile.parse("m", yaml, Map.of(), true).inPackage("com.example.cellar"), Set.of()));
        }
    }

    @Test
    void writeThatWasKilledBeforeItWasCompleteNeverHappened() throws Exception {
        PendingWrite killed = PendingWrite.of(project());
        killed.put("src/Half.java", "half".getBytes(StandardCharsets.UTF_8));

        generate(BARREL);

        assertThat(project().resolve("src/Half.java")).doesNotExist();
        assertThat(project().resolve(".vinekit/pending")).doesNotExist();
        assertThat(project().resolve(ENTITY)).exists();
    }

    @Test
    void completeWriteOfAKilledRunIsFinishedOnRequest() throws Exception {
        generate(BARREL);
        PendingWrite killed = PendingWrite.of(project());
        killed.put("src/Whole.java", "whole".getBytes(StandardCharsets.UTF_8));
        killed.seal();

        assertThatThrownBy(() -> VineKit.plan(sources(BARREL), project()))
                .isInstanceOf(Fault.class).hasMessageContaining("interrupted");
        assertThat(project().resolve("src/Whole.java")).doesNotExist();
        assertThat(VineKit.finish(project())).isTrue();

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

    private List<Path> files() throws IOException {
        try (Stream<Path> all = Files.walk(project())) {
            return all.filter(Files::isRegularFile).toList();
        }
    }

    private Map<Path, Object> times() throws IOException {
        Map<Path, Object> times = new TreeMap<>();
        for (Path file : files()) {
            times.put(file, Files.getLastModifiedTime(file));
        }
        return times;
    }
}
