package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A project that is generated for one schema after another, and edited in between. */
record GeneratedProject(Path directory) {
    /** Generates for the tables that a script makes. */
    ChangeSet generate(String script) throws Exception {
        ChangeSet changes = plan(script);
        VineKit.write(changes);
        return changes;
    }

    /** Plans for the tables that a script makes, and writes nothing. */
    ChangeSet plan(String script) throws Exception {
        try (TestDatabases database = TestDatabases.h2(script)) {
            return VineKit.plan(VineKit.generate(
                    VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.cellar")), directory);
        }
    }

    /** Where a class lies, which is given by its layer and name. */
    static String path(String name) {
        return "src/main/java/com/example/cellar/" + name + ".java";
    }

    String text(String name) throws IOException {
        return Files.readString(directory.resolve(path(name)));
    }

    void edit(String name, String from, String to) throws IOException {
        assertThat(text(name)).contains(from);
        Files.writeString(directory.resolve(path(name)), text(name).replace(from, to));
    }
}
