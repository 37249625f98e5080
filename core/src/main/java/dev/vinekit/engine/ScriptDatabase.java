package dev.vinekit.engine;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.sql.ScriptSyntax;
import dev.vinekit.sql.ScriptText;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A scratch database that somebody's scripts have made, a dump for instance; it goes away when it is closed. */
public final class ScriptDatabase implements AutoCloseable {
    private static final int LARGEST = 256 << 20;

    private final Database database;
    private final ScratchDatabase scratch;
    private final List<ScratchDatabase.Skipped> skipped;

    private ScriptDatabase(Database database, ScratchDatabase scratch, List<ScratchDatabase.Skipped> skipped) {
        this.database = database;
        this.scratch = scratch;
        this.skipped = List.copyOf(skipped);
    }

    /**
     * Loads a script, or those of a folder in the order of their names, in which numbers count by their values.
     *
     * @param engineName the engine that they are written for, in lower case
     * @throws Fault if a script cannot be read, or naming the first statement that the database refuses
     */
    public static ScriptDatabase of(String engineName, Path path) {
        Engine engine = Engines.named(engineName);
        Map<Path, String> texts = new LinkedHashMap<>();
        ScriptFiles.at(path).forEach(script -> texts.put(script, text(script, engine.scriptSyntax())));
        ScratchDatabase scratch = ScratchDatabase.of(engine);
        List<ScratchDatabase.Skipped> skipped = new ArrayList<>();
        texts.forEach((script, text) -> skipped.addAll(load(scratch, script, text, engine)));
        Database database = new Database(engine, scratch.url(), scratch.user(), scratch.password());
        return new ScriptDatabase(database, scratch, skipped);
    }

    private static List<ScratchDatabase.Skipped> load(
            ScratchDatabase scratch, Path script, String text, Engine engine) {
        try {
            return scratch.load(text);
        } catch (ScriptError e) {
            scratch.close();
            throw Fault.inCall(script + ", line " + e.line() + ": " + engine.title() + " refuses \"" + e.statement()
                            + "\": " + String.valueOf(e.getMessage()).lines().findFirst().orElse("no reason given"),
                    Remedy.of(Remedy.Kind.CORRECT_SCRIPT));
        }
    }

    private static String text(Path script, ScriptSyntax syntax) {
        try {
            return ScriptText.of(read(script), syntax);
        } catch (NoSuchFileException e) {
            throw Fault.inCall("There is no file " + script + ".", "Check the path.");
        } catch (CharacterCodingException e) {
            throw Fault.inCall(script + " is not a text in UTF-8.",
                    "Convert it, or dump again as plain SQL: archives and compressed files cannot be read.");
        } catch (IOException e) {
            throw Fault.inWorld("Reading " + script + " failed: " + e + ".",
                    "Check that it is a file that may be read.", e);
        }
    }

    /** Everything in a file, which may be a pipe. Devices never end, and a script that large is none. */
    private static byte[] read(Path script) throws IOException {
        try (InputStream file = Files.newInputStream(script)) {
            byte[] bytes = file.readNBytes(LARGEST + 1);
            if (bytes.length > LARGEST) {
                throw Fault.inCall(script + " has more than " + (LARGEST >> 20) + " MiB.",
                        "Name a file with the definitions of the tables, without their rows.");
            }
            return bytes;
        }
    }

    public Database database() {
        return database;
    }

    /** The database itself, for more to be done in it. */
    public ScratchDatabase scratch() {
        return scratch;
    }

    /** The parts of the script that were not run. */
    public List<ScratchDatabase.Skipped> skipped() {
        return skipped;
    }

    @Override
    public void close() {
        scratch.close();
    }
}
