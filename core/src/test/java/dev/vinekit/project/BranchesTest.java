package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Two branches of a project, each of which generated something else. */
class BranchesTest {
    private static final String BARREL = "CREATE TABLE barrel (id INT PRIMARY KEY, code VARCHAR(10) NOT NULL);";
    private static final String CORK = "CREATE TABLE cork (id INT PRIMARY KEY, length INT NOT NULL);";
    private static final String CROWN = "CREATE TABLE crown (id INT PRIMARY KEY, colour VARCHAR(10));";

    @TempDir
    private Path directory;

    private GeneratedProject project;

    @BeforeEach
    void begin() throws Exception {
        project = new GeneratedProject(directory);
        git("init", "-q", "-b", "main");
        git("config", "user.name", "A cellar hand");
        git("config", "user.email", "hand@cellar.example");
        project.generate(BARREL);
        commit("barrels");
    }

    @Test
    void tablesThatTwoBranchesAddComeTogetherInOneGeneration() throws Exception {
        git("checkout", "-q", "-b", "crowns");
        project.generate(BARREL + CROWN);
        project.edit("service/CrownService", "public final class", "// their edit\npublic final class");
        project.edit("service/BarrelService", "public final class", "// their other edit\npublic final class");
        commit("crowns");
        git("checkout", "-q", "main");
        project.generate(BARREL + CORK);
        project.edit("service/CorkService", "public final class", "// our edit\npublic final class");
        commit("corks");

        git("merge", "-q", "crowns");

        assertThat(git("diff", "--name-only", "--diff-filter=U")).isSubsetOf(".vinekit/generated.json.xz",
                ".vinekit/schema.json", "src/main/resources/db/schema.sql", "src/main/resources/db/seed.sql",
                "src/main/resources/openapi.json");
        ChangeSet changes = project.generate(BARREL + CORK + CROWN);
        assertThat(changes.ofKind(FileChange.Kind.CONFLICT)).isEmpty();
        assertThat(changes.ofKind(FileChange.Kind.LEFT_ALONE)).isEmpty();
        commit("both");
        assertThat(project.text("service/CrownService")).contains("// their edit");
        assertThat(project.text("service/BarrelService")).contains("// their other edit");
        assertThat(project.text("service/CorkService")).contains("// our edit");

        GeneratedProject fresh = new GeneratedProject(directory.resolveSibling(directory.getFileName() + "-fresh"));
        fresh.generate(BARREL + CORK + CROWN);
        assertThat(LastRun.of(directory).texts()).isEqualTo(LastRun.of(fresh.directory()).texts());
        for (String name : List.of("support/Application", "registration/CrownRegistration", "entity/Cork")) {
            assertThat(project.text(name)).isEqualTo(fresh.text(name));
        }
        assertThat(project.generate(BARREL + CORK + CROWN).isEmpty()).isTrue();
    }

    /** What their side generated is the base of their edits, also where our side has never heard of the table. */
    @Test
    void editOfTheOtherBranchIsMergedWithWhatTheMergedSchemaAsksFor() throws Exception {
        git("checkout", "-q", "-b", "crowns");
        project.generate(BARREL + CROWN);
        project.edit("entity/Crown", "public record Crown(", "// their edit\npublic record Crown(");
        commit("crowns");
        git("checkout", "-q", "main");
        project.generate(BARREL + CORK);
        commit("corks");
        git("merge", "-q", "crowns");

        ChangeSet changes = project.generate(BARREL + CORK + CROWN.replace("colour", "width INT, colour"));

        assertThat(changes.ofKind(FileChange.Kind.MERGED)).extracting(FileChange::path)
                .contains(GeneratedProject.path("entity/Crown"));
        assertThat(project.text("entity/Crown")).contains("// their edit", "Integer width");
    }

    private void commit(String message) throws Exception {
        git("add", "-A");
        git("commit", "-q", "-m", message);
    }

    /** The lines that it answers; a merge that leaves conflicts is no failure here. */
    private List<String> git(String... arguments) throws Exception {
        List<String> command = new ArrayList<>(List.of("git"));
        command.addAll(List.of(arguments));
        Process git = new ProcessBuilder(command).directory(directory.toFile()).redirectErrorStream(true).start();
        List<String> lines = new String(git.getInputStream().readAllBytes(), StandardCharsets.UTF_8).lines().toList();
        assertThat(git.waitFor()).as("%s: %s", command, lines).isLessThan(arguments[0].equals("merge") ? 2 : 1);
        assertThat(Files.isDirectory(directory.resolve(".git"))).isTrue();
        return lines;
    }
}
