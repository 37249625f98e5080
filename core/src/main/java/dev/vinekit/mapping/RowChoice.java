package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Whose the rows of a table are: what is said of it, or else of all tables that have a column. */
final class RowChoice {
    static final String KEY = "own-rows";
    static final String UNRESTRICTED =
            "Rows belong to whoever a token is of: say by access who may do what with them.";

    private final Dialect dialect;
    private final Schema schema;
    private final DecisionLookup lookup;
    private final Decisions.OfRows everywhere;
    private final Map<TableName, Optional<OwnRows>> found = new HashMap<>();

    RowChoice(Decisions decisions, Schema schema, DecisionLookup lookup, Dialect dialect) {
        this.dialect = dialect;
        this.schema = schema;
        this.lookup = lookup;
        this.everywhere = decisions.ownRows();
    }

    /** Notes what is wrong with what is said of all tables. */
    void verifyEverywhere(boolean restricted) {
        if (everywhere.equals(Decisions.OfRows.NONE)) {
            return;
        }
        if (!restricted) {
            mistake(UNRESTRICTED);
        }
        if (everywhere.setting().isPresent() && dialect.setting(everywhere.setting().get()).isEmpty()) {
            mistake("The database has no settings of one's own that end with a transaction.", "setting");
        }
        if (everywhere.through().isPresent()) {
            mistake("A reference is one table's: say it under entities.", "through");
        } else if (everywhere.column().isEmpty() || everywhere.claim().isEmpty()) {
            mistake("This takes a column, and the claim of the token that it is compared with.");
        } else if (everywhere.allFor().isEmpty()) {
            mistake("Name the roles to which all rows are shown: support needs one, and so do the tests. "
                    + "Nobody need have it.");
        } else if (schema.tables().stream().noneMatch(table -> column(table, everywhere.column().get()).isPresent())) {
            mistake("No table has the column \"" + everywhere.column().get() + "\".", "column");
        }
    }

    private void mistake(String text, String... where) {
        List<String> path = new ArrayList<>(List.of(KEY));
        path.addAll(List.of(where));
        lookup.mistakes().add(new Mistake(path, text));
    }

    /** How the database is told the claim while a transaction lasts; empty if it is not. */
    Optional<Handover> handover() {
        return everywhere.setting().flatMap(dialect::setting).filter(sql -> everywhere.claim().isPresent())
                .map(sql -> new Handover(sql, everywhere.claim().get()));
    }

    /** Whose the rows are; empty if they are anybody's. */
    Optional<OwnRows> of(Table table) {
        return of(table, Set.of());
    }

    private Optional<OwnRows> of(Table table, Set<TableName> asked) {
        if (!found.containsKey(table.name())) {
            found.put(table.name(), find(table, asked));
        }
        return found.get(table.name());
    }

    private Optional<OwnRows> find(Table table, Set<TableName> asked) {
        DecisionLookup.OfTable decided = lookup.of(table);
        Optional<Decisions.OfRows> own = decided.decided().ownRows();
        if (own.isEmpty()) {
            return everywhere.column().flatMap(name -> column(table, name))
                    .filter(column -> everywhere.claim().isPresent())
                    .map(column -> direct(everywhere, column));
        }
        Decisions.OfRows wanted = own.get();
        if (wanted.setting().isPresent()) {
            decided.mistake("The setting has the claim for all tables: say it at the top of the file.", KEY, "setting");
        }
        if (wanted.through().isPresent()) {
            if (wanted.column().isPresent() || wanted.claim().isPresent()) {
                decided.mistake("Through a reference, column and claim are those of the table that it leads to.", KEY);
            }
            return through(table, wanted, decided, asked);
        }
        if (wanted.column().isEmpty()) {
            decided.mistake("This takes a column and a claim, or the reference through which rows belong to somebody.", KEY);
            return Optional.empty();
        }
        if (wanted.column().get().isEmpty()) {
            return Optional.empty();
        }
        Decisions.OfRows whole = wanted.or(everywhere);
        if (whole.claim().isEmpty()) {
            decided.mistake("Name the claim of the token that the column is compared with, for example sub.", KEY);
        } else if (whole.allFor().isEmpty()) {
            decided.mistake("Name the roles to which all rows are shown (all-for): support needs one, and so do the "
                    + "tests. Nobody need have it.", KEY);
        }
        return decided.column(wanted.column().get(), KEY, "column").filter(column -> whole.claim().isPresent())
                .map(column -> direct(whole, column));
    }

    private static OwnRows direct(Decisions.OfRows rows, Column column) {
        return new OwnRows(rows.claim().orElseThrow(), rows.allFor(), List.of(), column.name());
    }

    private Optional<OwnRows> through(
            Table table, Decisions.OfRows wanted, DecisionLookup.OfTable decided, Set<TableName> asked) {
        Optional<Column> column = decided.column(wanted.through().orElseThrow(), KEY, "through");
        Optional<ForeignKey> reference = column.flatMap(known -> table.foreignKeys().stream()
                .filter(key -> key.columns().get(0).equals(known.name())).findFirst());
        if (reference.isEmpty()) {
            column.ifPresent(known -> decided.mistake("The column does not refer to another table.", KEY, "through"));
            return Optional.empty();
        }
        Set<TableName> longer = new HashSet<>(asked);
        longer.add(table.name());
        if (longer.contains(reference.get().target())) {
            decided.mistake("The references lead in a circle, and to nobody's rows.", KEY, "through");
            return Optional.empty();
        }
        Optional<OwnRows> target = schema.table(reference.get().target()).flatMap(parent -> of(parent, longer));
        if (target.isEmpty()) {
            decided.mistake("The rows of " + reference.get().target() + " belong to nobody either; say whose they are.",
                    KEY, "through");
        }
        return target.map(rows -> rows.through(reference.get(), wanted.allFor()));
    }

    private static Optional<Column> column(Table table, String name) {
        return table.columns().stream().filter(column -> column.name().equals(name)).findFirst()
                .or(() -> table.columns().stream().filter(column -> column.name().equalsIgnoreCase(name)).findFirst());
    }
}
