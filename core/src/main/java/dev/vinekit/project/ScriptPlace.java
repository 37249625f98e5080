package dev.vinekit.project;

import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Decisions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Where the next change script goes.
 *
 * @param folder relative to the project, with forward slashes
 * @param number the first one after all that are there
 * @param prefix what its name begins with; may be empty
 * @param digits how many digits the number has at least, from 1
 * @param separator between the number and what the script is about
 */
public record ScriptPlace(String folder, int number, String prefix, int digits, String separator) {
    private static final String FOLDER = "src/main/resources/db/changes";
    private static final int DIGITS = 4;

    static ScriptPlace in(Path directory, Optional<Decisions.ChangeScripts> naming) {
        String prefix = naming.flatMap(Decisions.ChangeScripts::prefix).orElse("");
        int digits = naming.flatMap(Decisions.ChangeScripts::digits).orElse(DIGITS);
        String separator = naming.flatMap(Decisions.ChangeScripts::separator).orElse("-");
        String place = SourceFolders.of(directory).place(
                naming.flatMap(Decisions.ChangeScripts::folder).orElse(FOLDER));
        Path folder = ProjectPaths.of(directory).resolve(place);
        return new ScriptPlace(place, Files.isDirectory(folder) ? next(folder, prefix) : 1, prefix, digits, separator);
    }

    private static int next(Path folder, String prefix) {
        Pattern numbered = Pattern.compile(Pattern.quote(prefix) + "0*([1-9][0-9]{0,7})(?![0-9]).*");
        try (Stream<Path> scripts = Files.list(folder)) {
            return 1 + scripts.map(script -> numbered.matcher(script.getFileName().toString()))
                    .filter(Matcher::matches).mapToInt(number -> Integer.parseInt(number.group(1))).max().orElse(0);
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
        return folder + "/" + prefix + String.format(Locale.ROOT, "%0" + digits + "d", number) + separator + about + ".sql";
    }
}
