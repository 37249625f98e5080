package dev.vinekit;

import dev.vinekit.data.SeedScript;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Decisions;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.ProjectPaths;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/**
 * Which rows an empty database is to get.
 *
 * @param own SQL of a person's own that inserts rows; may be empty. Only tables that it leaves empty get made-up ones
 * @param rows how many rows each of these is to have, from 1; fewer where its keys leave room for no more
 * @param number any number; another one makes other rows, the same one the same rows
 */
public record SeedRequest(String own, int rows, long number) {
    /** A few made-up rows in each table. */
    public static final SeedRequest NONE = new SeedRequest("", SeedScript.ROWS, SeedScript.NUMBER);

    public SeedRequest {
        if (rows < 1) {
            throw new IllegalArgumentException("a table cannot be given " + rows + " rows");
        }
    }

    /**
     * What a mapping file asks for.
     *
     * @param directory of the project; the script that the file names is in it
     * @throws Fault if that script is outside of the project, or cannot be read
     */
    public static SeedRequest of(MappingFile file, Path directory) {
        Optional<String> script = file.decisions().seed().file();
        return of(file.decisions().seed(), script.map(name -> read(ProjectPaths.of(directory).resolve(name))).orElse(""));
    }

    /**
     * What a mapping file asks for, with a script that takes the place of the one that it names.
     *
     * @param script may be anywhere
     * @throws Fault if it cannot be read
     */
    public static SeedRequest withScript(MappingFile file, Path script) {
        return of(file.decisions().seed(), read(script));
    }

    private static SeedRequest of(Decisions.Seed seed, String own) {
        return new SeedRequest(own, seed.rows().orElse(SeedScript.ROWS),
                seed.number().map(Long::valueOf).orElse(SeedScript.NUMBER));
    }

    private static String read(Path script) {
        try {
            return Files.readString(script);
        } catch (IOException e) {
            throw Fault.inCall("The seed script " + script + " cannot be read: " + e.getClass().getSimpleName() + ".",
                    "Correct the path; seed: file in the mapping file begins in the project's directory.");
        }
    }

    /** This request, for what a script of a person's own leaves empty. */
    public SeedRequest completing(String script) {
        return new SeedRequest(script, rows, number);
    }

    /** This request, for so many rows in each table. */
    public SeedRequest withRows(int count) {
        return new SeedRequest(own, count, number);
    }

    /** This request, for other rows. */
    public SeedRequest withNumber(long other) {
        return new SeedRequest(own, rows, other);
    }
}
