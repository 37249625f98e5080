package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.SeedRequest;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.file.MappingFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.tukaani.xz.LZMA2Options;
import org.tukaani.xz.XZOutputStream;

/** A project that someone else prepared, next to a folder with the user's own files, which must stay as they are. */
class HostileProjectTest {
    private static final String TABLE = "CREATE TABLE barrel (id INT PRIMARY KEY, code VARCHAR(9))";

    @TempDir
    private static Path prepared;

    @TempDir
    private Path parent;

    private Path victim;
    private GeneratedProject project;

    @BeforeAll
    static void generateOnce() throws Exception {
        new GeneratedProject(prepared.resolve("project")).generate(TABLE);
    }

    @BeforeEach
    void projectAndVictim() throws Exception {
        victim = Files.createDirectories(parent.resolve("victim"));
        Files.writeString(victim.resolve("diary.txt"), "mine");
        Files.createDirectories(victim.resolve("empty"));
        project = new GeneratedProject(parent.resolve("project"));
        copy(prepared.resolve("project"), project.directory());
    }

    private static void copy(Path from, Path to) throws IOException {
        try (Stream<Path> files = Files.walk(from)) {
            for (Path file : files.toList()) {
                Files.copy(file, to.resolve(from.relativize(file).toString()));
            }
        }
    }

    private Path in(String path) throws IOException {
        Path file = project.directory().resolve(path);
        Files.createDirectories(file.getParent());
        return file;
    }

    private void assertVictimIsUntouched() throws IOException {
        Map<String, String> files = new TreeMap<>();
        try (Stream<Path> all = Files.walk(victim)) {
            for (Path file : all.filter(Files::isRegularFile).toList()) {
                files.put(victim.relativize(file).toString(), Files.readString(file));
            }
        }
        assertThat(files).containsExactlyEntriesOf(Map.of("diary.txt", "mine"));
        assertThat(victim.resolve("empty")).exists();
    }

    @ParameterizedTest
    @ValueSource(strings = {"../victim/diary.txt", "ABSOLUTE", "../victim/empty/nothing.txt"})
    void unsignedDeletionIsIgnored(String path) throws Exception {
        String gone = path.replace("ABSOLUTE", victim.resolve("diary.txt").toString());
        Files.writeString(in(".vinekit/pending/removed"), gone + "\n");
        Files.writeString(in(".vinekit/pending/changes.json"), "{\"put\":{},\"removed\":[\"" + gone + "\"]}");
        Files.writeString(in(".vinekit/pending/ready"), "");

        assertThat(Project.foreignWrite(project.directory())).get().asString().contains("not made by you");
        assertThat(Project.finish(project.directory())).isFalse();
        assertThat(in(".vinekit/pending/ready")).exists();
        project.generate(TABLE + "; ALTER TABLE barrel ADD COLUMN toast VARCHAR(8)");

        assertVictimIsUntouched();
        assertThat(project.directory().resolve(".vinekit/pending")).doesNotExist();
    }

    @Test
    void signatureOfAnotherProjectDoesNotCount() throws Exception {
        Path other = parent.resolve("other");
        PendingWrite signed = PendingWrite.of(other);
        signed.put("planted.txt", "planted".getBytes(StandardCharsets.UTF_8));
        signed.seal();
        for (String file : new String[] {"changes.json", "ready", "files/planted.txt"}) {
            Files.copy(other.resolve(".vinekit/pending/" + file), in(".vinekit/pending/" + file));
        }

        assertThat(Project.finish(project.directory())).isFalse();

        assertThat(in("planted.txt")).doesNotExist();
    }

    @Test
    void pendingFilesAreNotWrittenThroughALink() throws Exception {
        Files.createSymbolicLink(in("home"), victim);
        Files.writeString(in(".vinekit/pending/files/home/planted.txt"), "planted");
        Files.writeString(in(".vinekit/pending/ready"), "");

        project.generate(TABLE + "; ALTER TABLE barrel ADD COLUMN toast VARCHAR(8)");

        assertVictimIsUntouched();
    }

    @ParameterizedTest
    @ValueSource(strings = {".vinekit", ".vinekit/pending", "src", "src/main/java/com/example/cellar/dto"})
    void folderThatIsALinkToOutsideIsRefused(String folder) throws Exception {
        Path link = in(folder);
        Path moved = parent.resolve("moved");
        if (Files.exists(link)) {
            Files.move(link, moved);
        }
        Files.createSymbolicLink(link, victim);

        assertThatThrownBy(() -> project.generate(TABLE + "; CREATE TABLE cask (id INT PRIMARY KEY)"))
                .isInstanceOf(Fault.class).hasMessageContaining("leads out of the project");

        assertVictimIsUntouched();
    }

    @Test
    void danglingLinkIsNotWrittenThrough() throws Exception {
        Path file = in("src/main/java/com/example/cellar/dto/CaskInput.java");
        Files.createSymbolicLink(file, victim.resolve("planted.txt"));

        assertThatThrownBy(() -> project.generate(TABLE + "; CREATE TABLE cask (id INT PRIMARY KEY)"))
                .isInstanceOf(Fault.class).hasMessageContaining("has no target");

        assertVictimIsUntouched();
    }

    @Test
    void linkInsideTheProjectIsFollowed() throws Exception {
        Path real = in("elsewhere/dto");
        Files.move(in("src/main/java/com/example/cellar/dto"), real);
        Files.createSymbolicLink(in("src/main/java/com/example/cellar/dto"), real);

        project.generate(TABLE + "; CREATE TABLE cask (id INT PRIMARY KEY)");

        assertThat(real.resolve("CaskInput.java")).exists();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "at   | ../victim/diary.txt",
        "at   | ABSOLUTE",
        "path | ../victim/diary.txt",
        "path | ABSOLUTE"})
    void recordThatNamesAFileOutsideIsRefused(String where, String path) throws Exception {
        String outside = path.replace("ABSOLUTE", victim.resolve("diary.txt").toString());
        LastRun last = LastRun.of(project.directory());
        String entity = GeneratedProject.path("entity/Barrel");
        Map<String, RunRecord.Entry> files = where.equals("at")
                ? Map.of(entity, new RunRecord.Entry(last.role(entity), outside, "mine"))
                : Map.of(outside, new RunRecord.Entry("gone", null, "mine"));
        RunRecord forged = new RunRecord(last.service().orElseThrow(), null, files);
        Files.write(in(".vinekit/generated.json.xz"), forged.bytes());

        assertThatThrownBy(() -> project.generate(TABLE)).isInstanceOf(Fault.class)
                .hasMessageContaining(outside).hasMessageContaining("leads out of the project");

        assertVictimIsUntouched();
    }

    @ParameterizedTest
    @ValueSource(strings = {"null", "{}", "{\"format\":1,\"files\":{\"a\":null}}", "[]"})
    void recordOfSomethingElseIsNamed(String json) throws Exception {
        Path record = in(".vinekit/generated.json.xz");
        try (var out = new XZOutputStream(
                Files.newOutputStream(record), new LZMA2Options(3))) {
            out.write(json.getBytes(StandardCharsets.UTF_8));
        }

        assertThatThrownBy(() -> project.generate(TABLE)).isInstanceOf(Fault.class)
                .hasMessageContaining("generated.json.xz").hasMessageContaining("cannot be understood");
    }

    @Test
    void mappingFileReadsNothingOutsideTheProject() {
        MappingFile file = MappingFile.parse("vinekit.yaml",
                "seed: {file: ../victim/diary.txt}\nproject: {templates: /etc}", Map.of(), false);

        assertThatThrownBy(() -> SeedRequest.of(file, project.directory()))
                .isInstanceOf(Fault.class).hasMessageContaining("leads out of the project");
        assertThatThrownBy(() -> Project.templates(project.directory(), file))
                .isInstanceOf(Fault.class).hasMessageContaining("it is absolute");
        assertThat(SeedRequest.withScript(file, victim.resolve("diary.txt")).own()).isEqualTo("mine");
    }

    @ParameterizedTest
    @ValueSource(strings = {"a\0b", "..", "a/../../b"})
    void strangePathIsRefused(String path) {
        assertThatThrownBy(() -> ProjectPaths.of(project.directory()).resolve(path))
                .isInstanceOf(Fault.class).hasMessageContaining("leads out of the project");
    }

    @Test
    void environmentReachesNoGeneratedFile() {
        MappingFile file = MappingFile.parse("vinekit.yaml", "source: {user: \"${NAME}\"}\nproject: {file-header: \"${SECRET}\"}",
                Map.of("SECRET", "hush", "NAME", "anna"), true);

        assertThat(file.decisions().source().user()).contains("anna");
        assertThat(file.decisions().project().fileHeader()).isEqualTo(Optional.of("${SECRET}"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "jdbc:h2:mem:a;INIT=RUNSCRIPT FROM 'http://x'                 | INIT",
        "jdbc:h2:mem:a;TRACE_LEVEL_FILE=3                             | TRACE_LEVEL_FILE",
        "jdbc:h2:zip:~/a.zip!/b                                       | jdbc:h2 URLs of this form",
        "jdbc:h2:nio:./a                                              | jdbc:h2 URLs of this form",
        "jdbc:postgresql://h/a?socketFactory=x.Y                      | socketFactory",
        "jdbc:postgresql://h/a?loggerFile=/tmp/x                      | loggerFile",
        "jdbc:mariadb://h/a?allowLocalInfile=true&user=b              | allowLocalInfile",
        "jdbc:mariadb://address=(host=h)(initSql=x)/a                 | jdbc:mariadb URLs of this form",
        "jdbc:mysql://(host=h,allowLoadLocalInfile=true)/a            | jdbc:mysql URLs of this form",
        "jdbc:mysql://h/a?propertiesTransform=x.Y                     | propertiesTransform",
        "jdbc:sqlite::resource:http://h/a.db                          | jdbc:sqlite URLs of this form",
        "jdbc:sqlite:file:/etc/x?vfs=a                                | jdbc:sqlite URLs of this form",
        "jdbc:sqlite:a.db?enable_load_extension=true                  | enable_load_extension"})
    void urlInAFileCannotDoMoreThanReachADatabase(String url, String part) {
        assertThatThrownBy(() -> Database.named("vinekit.yaml", url, "", "")).isInstanceOf(Fault.class)
                .hasMessageContaining("vinekit.yaml").hasMessageContaining(part);
    }

    @ParameterizedTest
    @ValueSource(strings = {"jdbc:h2:./data/cellar", "jdbc:h2:mem:a;MODE=MySQL;DATABASE_TO_LOWER=TRUE", "jdbc:h2:~/cellar",
        "jdbc:h2:tcp://db1:9092/~/cellar;SCHEMA=A", "jdbc:h2:file:/srv/cellar;IFEXISTS=TRUE", "jdbc:postgresql://localhost:5432/cellar",
        "jdbc:postgresql://a:5432,b:5433/cellar?targetServerType=primary&sslmode=require", "jdbc:postgresql:cellar",
        "jdbc:mariadb://db.example.com/cellar?sslMode=verify-full", "jdbc:mysql://127.0.0.1:3306/cellar?useSSL=false&serverTimezone=UTC",
        "jdbc:sqlite:data/cellar.db", "jdbc:sqlite:/srv/cellar.db?foreign_keys=true", "jdbc:postgresql://[::1]:5432/cellar"})
    void ordinaryUrlInAFileIsAccepted(String url) {
        assertThat(Database.named("vinekit.yaml", url, "", "").url()).isEqualTo(url);
    }

    @Test
    void generatedCodeWithoutItsRecordIsRecognised() throws Exception {
        Files.delete(in(".vinekit/generated.json.xz"));

        assertThatThrownBy(() -> PackageChoice.of(project.directory())).isInstanceOfSatisfying(Fault.class, fault -> {
            assertThat(fault).hasMessageContaining("com.example.cellar").hasMessageContaining("missing");
            assertThat(fault.fix()).contains("version control");
        });
    }

    @Test
    void fileThatChangedSinceThePlanIsNotOverwritten() throws Exception {
        Path entity = in(GeneratedProject.path("entity/Barrel"));
        ChangeSet changes = project.plan(TABLE + "; ALTER TABLE barrel ADD COLUMN toast VARCHAR(8)");
        Files.writeString(entity, "// edited\n" + Files.readString(entity));

        assertThatThrownBy(() -> VineKit.write(changes)).isInstanceOf(Fault.class)
                .hasMessageContaining("Barrel.java was changed").hasMessageContaining("Nothing was written");

        assertThat(entity).content().startsWith("// edited").doesNotContain("toast");
    }

    @Test
    void secondRunWaitsForTheFirst() throws Exception {
        CountDownLatch holding = new CountDownLatch(1);
        CountDownLatch end = new CountDownLatch(1);
        CompletableFuture<Boolean> first = CompletableFuture.supplyAsync(
                () -> ProjectLock.during(project.directory(), text -> { }, () -> {
                    holding.countDown();
                    return await(end);
                }));
        assertThat(await(holding)).isTrue();
        CompletableFuture<Boolean> second = CompletableFuture.supplyAsync(
                () -> ProjectLock.during(project.directory(), text -> { }, () -> end.getCount() == 0));

        assertThatThrownBy(() -> second.get(200, TimeUnit.MILLISECONDS))
                .isInstanceOf(TimeoutException.class);
        end.countDown();

        assertThat(first.join()).isTrue();
        assertThat(second.get(10, TimeUnit.SECONDS)).isTrue();
    }

    private static boolean await(CountDownLatch latch) {
        try {
            return latch.await(10, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
