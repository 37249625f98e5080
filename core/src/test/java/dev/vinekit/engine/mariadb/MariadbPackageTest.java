package dev.vinekit.engine.mariadb;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.engine.mysqlfamily.FamilyServer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** The server that is fetched where none is installed. */
@Tag("thorough")
class MariadbPackageTest {
    @Test
    void fetchedServerIsUnpackedOnceAndRuns() throws Exception {
        Assumptions.assumeTrue(MariadbPackage.isForThisMachine(), "There is none to be fetched for this machine.");
        Path folder = MariadbPackage.folder();
        FileTime unpacked = Files.getLastModifiedTime(folder.resolve("bin/mariadbd"));
        FamilyServer server = FamilyServer.own(new MariadbProgram(Optional.of(folder)));

        try (Connection root = DriverManager.getConnection(server.url(), "root", server.server().administratorPassword());
                Statement statement = root.createStatement();
                ResultSet row = statement.executeQuery("SELECT VERSION(), @@basedir")) {
            row.next();
            assertThat(row.getString(1)).startsWith("11.4.");
            assertThat(Path.of(row.getString(2))).isEqualTo(folder);
        }
        MariadbPackage.folder();
        assertThat(Files.getLastModifiedTime(folder.resolve("bin/mariadbd"))).isEqualTo(unpacked);
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).noneMatch(file -> file.toString().endsWith(".jar"));
        }
    }
}
