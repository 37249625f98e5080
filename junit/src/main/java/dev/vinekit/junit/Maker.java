package dev.vinekit.junit;

import dev.vinekit.SeedRequest;
import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScriptError;
import dev.vinekit.fault.Fault;
import dev.vinekit.schema.Schema;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Optional;

/** Makes the databases of a recipe. What they have in common is found out once, for the first of them. */
final class Maker {
    private final Recipe recipe;
    private Optional<String> rows = Optional.empty();
    private Optional<Schema> live = Optional.empty();

    Maker(Recipe recipe) {
        this.recipe = recipe;
    }

    /**
     * A new database, with its rows.
     *
     * @throws Fault if the scripts or the engine do not allow it
     */
    MadeDatabase make() {
        ScratchDatabase scratch = recipe.script().map(script -> VineKit.load(recipe.engine(), script).scratch())
                .orElseGet(this::likeLive);
        try {
            Database database = new Database(scratch.engine(), scratch.url(), scratch.user(), scratch.password());
            if (recipe.seed().isPresent()) {
                seed(scratch, recipe.seed().get());
            }
            scratch.execute(rows(database));
            return new MadeDatabase(scratch, scratch.engine().restorer(scratch));
        } catch (SQLException e) {
            scratch.close();
            throw Fault.inWorld("The rows for the tests are refused: " + firstLine(e) + ".",
                    "Give tables with rules that are not in the schema rows of your own, by seed.", e);
        } catch (RuntimeException e) {
            scratch.close();
            throw e;
        }
    }

    private ScratchDatabase likeLive() {
        Schema schema = live();
        ScratchDatabase scratch = ScratchDatabase.of(Engines.named(schema.engine()));
        try {
            scratch.execute(VineKit.definition(schema));
            return scratch;
        } catch (SQLException e) {
            scratch.close();
            throw ScratchDatabase.refused("does not take the tables of the one at the url", e);
        }
    }

    private synchronized Schema live() {
        if (live.isEmpty()) {
            live = Optional.of(VineKit.read(Database.at(recipe.url(), recipe.user(), recipe.password()), Scope.all()));
        }
        return live.get();
    }

    private synchronized String rows(Database database) {
        if (rows.isEmpty()) {
            rows = Optional.of(recipe.rows() == 0 ? "" : VineKit.fill(database,
                    VineKit.map(VineKit.read(database, Scope.all()), "tested"),
                    SeedRequest.NONE.withRows(recipe.rows()).withNumber(recipe.number())));
        }
        return rows.get();
    }

    private static void seed(ScratchDatabase scratch, Path seed) {
        try {
            scratch.load(Files.readString(seed));
        } catch (ScriptError e) {
            throw Fault.inCall(seed + ", line " + e.line() + ": refused: " + firstLine(e), "Correct it.");
        } catch (IOException e) {
            throw Fault.inCall("The seed script " + seed + " cannot be read: " + e.getClass().getSimpleName() + ".",
                    "Correct seed; the path begins in the directory in which the tests run.");
        }
    }

    private static String firstLine(SQLException e) {
        return String.valueOf(e.getMessage()).lines().findFirst().orElse("");
    }
}
