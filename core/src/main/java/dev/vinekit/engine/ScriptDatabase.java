package dev.vinekit.engine;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import dev.vinekit.sql.ScriptSyntax;
import dev.vinekit.sql.ScriptText;
import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;

/** A scratch database that somebody's script has made, a dump for instance; it goes away when it is closed. */
public final class ScriptDatabase implements AutoCloseable {
    private final Database database;
    private final ScratchDatabase scratch;
    private final List<ScratchDatabase.Skipped> skipped;

    private ScriptDatabase(Database database, ScratchDatabase scratch, List<ScratchDatabase.Skipped> skipped) {
        this.database = database;
        this.scratch = scratch;
        this.skipped = List.copyOf(skipped);
    }

    /**
     * Loads a script.
     *
     * @param engineName the engine that the script is written for, in lower case
     * @throws Fault if the script cannot be read, or naming the first statement that the database refuses
     */
    public static ScriptDatabase of(String engineName, Path script) {
        Engine engine = Engines.named(engineName);
        String text = text(script, engine.scriptSyntax());
        ScratchDatabase scratch = ScratchDatabase.of(engine);
        try {
            List<ScratchDatabase.Skipped> skipped = scratch.load(text);
            return new ScriptDatabase(
                    new Database(engine, scratch.url(), scratch.user(), scratch.password()), scratch, skipped);
        } catch (ScriptError e) {
            scratch.close();
            throw Fault.inCall(script + ", line " + e.line() + ": " + engine.title() + " refuses \"" + e.statement()
                            + "\": " + String.valueOf(e.getMessage()).lines().findFirst().orElse("no reason given"),
                    Remedy.of(Remedy.Kind.CORRECT_SCRIPT));
        }
    }

    private static String text(Path script, ScriptSyntax syntax) {
        try {
            return ScriptText.of(Files.readAllBytes(script), syntax);
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

    public Database database() {
        return database;
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
