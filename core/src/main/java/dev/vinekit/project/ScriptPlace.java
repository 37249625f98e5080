package dev.vinekit.project;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Where the next change script goes.
 *
 * @param folder relative to the project, with forward slashes
 * @param number the first one after all that are there
 */
public record ScriptPlace(String folder, int number) {
    private static final String FOLDER = "src/main/resources/db/changes";
    private static final Pattern NUMBERED = Pattern.compile("0*([1-9][0-9]{0,7})\\b.*");

    static ScriptPlace in(Path directory) {
        String place = SourceFolders.of(directory).place(FOLDER);
        Path folder = ProjectPaths.of(directory).resolve(place);
        if (!Files.isDirectory(folder)) {
            return new ScriptPlace(place, 1);
        }
        try (Stream<Path> scripts = Files.list(folder)) {
            return new ScriptPlace(place, 1 + scripts.map(script -> NUMBERED.matcher(script.getFileName().toString()))
                    .filter(Matcher::matches).mapToInt(number -> Integer.parseInt(number.group(1))).max().orElse(0));
        } catch (IOException e) {
            throw Fault.inWorld("Reading " + folder + " failed: " + FileFailure.reason(e) + ".",
                    "Check that the directory may be read.", e);
        }
    }

    /**
     * The script's path.
     *
     * @param about words that say what it is about, with hyphens
     */
    public String path(String about) {
        return String.format(Locale.ROOT, "%s/%04d-%s.sql", folder, number, about);
    }
}
