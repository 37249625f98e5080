package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.Table;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Finds the columns that say when and by whom a row was made and changed: a table's own, or those of every table. */
final class StampChoice {
    private static final String KEY = "stamps";

    private static final Set<JavaType> MOMENTS = EnumSet.of(
            JavaType.DATE, JavaType.DATE_TIME, JavaType.OFFSET_DATE_TIME);
    private static final Set<JavaType> SUBJECTS = EnumSet.of(
            JavaType.STRING, JavaType.INTEGER, JavaType.LONG, JavaType.UUID);

    /** Usual names; which of them a house has is told, not guessed. */
    private static final Map<Filling, Set<String>> USUAL = Map.of(
            Filling.CREATED_AT, Set.of("created_at", "created_on", "created", "date_created", "creation_date"),
            Filling.CREATED_BY, Set.of("created_by", "creator"),
            Filling.CHANGED_AT, Set.of("changed_at", "changed_on", "updated_at", "updated_on", "modified_at", "modified_on",
                    "last_modified"),
            Filling.DELETED_AT, Set.of("deleted_at", "deleted_on", "removed_at"),
            Filling.CHANGED_BY, Set.of("changed_by", "updated_by", "modified_by"));

    private final Decisions.OfStamps everywhere;
    private final DecisionLookup lookup;

    StampChoice(Decisions decisions, DecisionLookup lookup) {
        this.everywhere = decisions.stamps();
        this.lookup = lookup;
    }

    /** Whether anybody wants it to be known by whom rows are made or changed. */
    private static boolean isSigned(Decisions.OfStamps stamps) {
        return stamps.createdBy().or(stamps::changedBy).isPresent();
    }

    /** What is said of all tables that nobody can be asked for. */
    void verifyEverywhere(boolean restricted) {
        if (isSigned(everywhere) && !restricted) {
            lookup.mistakes().add(new Mistake(List.of(KEY),
                    "Who makes a row is known by tokens: say by access who may do what."));
        }
    }

    /** The columns of a table that the service stamps. */
    Map<String, Filling> of(Table table, List<String> keyColumns, boolean restricted) {
        DecisionLookup.OfTable decided = lookup.of(table);
        Decisions.OfStamps own = decided.decided().stamps().orElse(Decisions.OfStamps.NONE);
        if (isSigned(own) && !restricted) {
            decided.mistake("Who makes a row is known by tokens: say by access who may do what.", KEY);
        }
        Map<String, Filling> stamps = new LinkedHashMap<>();
        everywhere.byFilling().forEach((filling, name) -> table.columns().stream()
                .filter(column -> column.name().equalsIgnoreCase(name) && !own.byFilling().containsKey(filling))
                .filter(column -> !table.isView()).findFirst().ifPresent(column -> {
                    if (fits(table, column, filling, keyColumns)) {
                        stamps.put(column.name(), filling);
                    } else {
                        lookup.mistakes().add(new Mistake(List.of(KEY, key(filling)), table.name().name() + ": "
                                + misfit(column, filling) + " Leave it out there with entities: {" + table.name().name()
                                + ": {stamps: {" + key(filling) + ": \"\"}}}."));
                    }
                }));
        own.byFilling().forEach((filling, name) -> Optional.of(name).filter(given -> !given.isEmpty())
                .flatMap(given -> decided.column(given, KEY, key(filling))).ifPresent(column -> {
                    if (fits(table, column, filling, keyColumns)) {
                        stamps.put(column.name(), filling);
                    } else {
                        decided.mistake(misfit(column, filling), KEY, key(filling));
                    }
                }));
        return stamps;
    }

    private static String misfit(Column column, Filling filling) {
        return "The service cannot fill the column " + column.name() + ": it needs a column of "
                + (filling.isMoment() ? "dates or timestamps" : "texts, whole numbers or UUIDs")
                + " in a table, in no key and no reference"
                + (filling == Filling.DELETED_AT ? ", that may be NULL and has no default." : ".");
    }

    /** What a person may want to choose: columns that have usual names and fit. */
    Optional<Remark> offer(Table table, List<String> keyColumns) {
        Decisions.OfStamps own = lookup.of(table).decided().stamps().orElse(Decisions.OfStamps.NONE);
        Map<Filling, String> usual = usual(table, keyColumns);
        usual.keySet().removeAll(own.byFilling().keySet());
        usual.keySet().removeAll(everywhere.byFilling().keySet());
        List<String> times = new ArrayList<>(usual.values());
        String deleted = usual.get(Filling.DELETED_AT);
        times.remove(deleted);
        if (usual.isEmpty()) {
            return Optional.empty();
        }
        String made = times.isEmpty() ? "" : String.join(", ", times) + " may say when or by whom a row was made and changed: "
                + "then stamps in the mapping file has the service fill " + (times.size() == 1 ? "it" : "them") + ". ";
        return Optional.of(new Remark(table.name(), Remark.Topic.OFFER, (made + (deleted == null ? "" : deleted
                + " may say when a row was deleted: then stamps has deleted rows stay.")).strip()));
    }

    /** The columns with usual names that fit, by what they would be filled with. */
    static Map<Filling, String> usual(Table table, List<String> keyColumns) {
        Map<Filling, String> usual = new EnumMap<>(Filling.class);
        USUAL.forEach((filling, names) -> table.columns().stream()
                .filter(column -> names.contains(column.name().toLowerCase(Locale.ROOT)))
                .filter(column -> fits(table, column, filling, keyColumns)).findFirst()
                .ifPresent(column -> usual.put(filling, column.name())));
        return usual;
    }

    /** The word for it in the mapping file. */
    static String key(Filling filling) {
        return filling.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static boolean fits(Table table, Column column, Filling filling, List<String> keyColumns) {
        JavaType type = JavaType.of(column.type());
        return !table.isView() && !column.isComputed() && !column.isIdentity() && !keyColumns.contains(column.name())
                && (filling.isMoment() ? MOMENTS : SUBJECTS).contains(type)
                && (filling != Filling.DELETED_AT || column.nullable() && column.defaultValue().isEmpty())
                && table.foreignKeys().stream().noneMatch(key -> key.columns().contains(column.name()));
    }
}
