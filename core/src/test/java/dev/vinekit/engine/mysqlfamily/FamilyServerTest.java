package dev.vinekit.engine.mysqlfamily;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.engine.ServerTemplate;
import dev.vinekit.engine.UserCache;
import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FamilyServerTest {
    @TempDir
    private Path directory;

    private String version;

    private ServerProgram script(String installing, String starting) throws IOException {
        Path file = directory.resolve("script");
        Files.writeString(file, "#!/bin/sh\ncase \"$*\" in *--install*) " + installing + ";; *) " + starting
                + ";; esac\n");
        assertThat(file.toFile().setExecutable(true)).isTrue();
        Script script = new Script(file.toString());
        version = script.version() + script.installation();
        return script;
    }

    /** A program in place of a server. */
    private record Script(String program) implements ServerProgram {
        @Override
        public String name() {
            return "script";
        }

        @Override
        public String title() {
            return "Scripted";
        }

        @Override
        public List<String> installation() {
            return List.of(program, "--install");
        }

        @Override
        public List<String> start(Path place) {
            return List.of(program);
        }

        @Override
        public String withoutUsers() {
            return "";
        }

        @Override
        public String collation() {
            return "utf8mb4_bin";
        }

        @Override
        public String url(int port) {
            return "jdbc:mariadb://127.0.0.1:" + port + "/";
        }
    }

    @AfterEach
    void removeTemplate() throws IOException {
        Files.deleteIfExists(UserCache.folder("templates").resolve("script.lock"));
        new ServerTemplate("script", version).discard();
    }

    @Test
    void serverThatDoesNotStartIsToldWithTheLastLinesOfItsLog() throws IOException {
        ServerProgram program = script("true",
                "for i in 1 2 3 4 5 6 7 8 9 10; do echo line $i; done; echo; exit 7");

        assertThatThrownBy(() -> FamilyServer.own(program)).isInstanceOfSatisfying(Fault.class, fault -> {
            assertThat(fault)
                    .hasMessageContaining("The Scripted server for scratch databases did not start")
                    .hasMessageContaining("It ended with exit code 7").hasMessageContaining("line 3\n")
                    .hasMessageContaining("line 10").hasMessageNotContaining("line 2\n");
        });
    }

    @Test
    void directoryThatCannotBeMadeIsTold() throws IOException {
        ServerProgram program = script("exit 3", "true");

        assertThatThrownBy(() -> FamilyServer.own(program)).isInstanceOf(Fault.class)
                .hasMessageContaining("It ended with exit code 3").hasMessageContaining("It wrote nothing to its log");
    }
}
