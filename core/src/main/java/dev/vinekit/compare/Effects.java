package dev.vinekit.compare;

import dev.vinekit.mapping.Child;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Finder;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.OwnRows;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Works out what a change means, by what tables are mapped to. */
final class Effects {
    private static final String EVERYBODY = "*";

    private final Mapping before;
    private final Mapping after;
    private final SchemaDifference difference;
    private final List<Effect> effects = new ArrayList<>();

    private Effects(Mapping before, Mapping after, SchemaDifference difference) {
        this.before = before;
        this.after = after;
        this.difference = difference;
    }

    static List<Effect> of(Mapping before, Mapping after, SchemaDifference difference) {
        Effects effects = new Effects(before, after, difference);
        Map<TableName, TableName> renamed = difference.renamedTables();
        Set<TableName> matched = new LinkedHashSet<>();
        for (Entity now : after.entities()) {
            TableName last = renamed.getOrDefault(now.table().name(), now.table().name());
            Optional<Entity> was = before.entities().stream()
                    .filter(entity -> entity.table().name().equals(last)).findFirst();
            was.ifPresentOrElse(entity -> effects.compare(entity, now), () -> effects.added(now));
            matched.add(last);
        }
        before.entities().stream().filter(entity -> !matched.contains(entity.table().name())).forEach(effects::removed);
        return effects.effects.stream().sorted(Comparator.comparing(Effect::table)).toList();
    }

    private void added(Entity now) {
        code(now, now.name() + " and its layers are new");
        opens(now, "/" + now.path() + " is new", !now.operations().isEmpty());
    }

    private void removed(Entity was) {
        code(was, was.name() + " and its layers are no longer generated");
        api(was, "/" + was.path() + " is gone", true);
    }

    private void compare(Entity was, Entity now) {
        if (!was.name().equals(now.name())) {
            code(now, was.name() + " is now " + now.name());
        }
        if (!was.path().equals(now.path())) {
            api(now, "/" + was.path() + " is now /" + now.path(), true);
        }
        operations(was, now);
        rows(was, now);
        if (was.key().isEmpty() && !now.key().isEmpty()) {
            api(now, "rows are named by " + words(jsonNames(now.key())), false);
        } else if (!jsonNames(was.key()).equals(jsonNames(now.key()))) {
            api(now, "rows are named by " + words(jsonNames(now.key())) + ", no longer by "
                    + words(jsonNames(was.key())), true);
        }
        fields(was, now);
        constraints(now);
        children(was, now);
    }

    private static List<String> jsonNames(List<Field> fields) {
        return fields.stream().map(Field::jsonName).toList();
    }

    private static String words(List<String> names) {
        return names.isEmpty() ? "nothing" : String.join(" and ", names);
    }

    private void operations(Entity was, Entity now) {
        if (before.hasAccess() && !after.hasAccess()) {
            effects.add(new Effect(now.table().name(), Effect.On.API, "no token is needed any more", false, true));
        } else if (!before.hasAccess() && after.hasAccess()) {
            api(now, "a token is needed now", true);
        }
        for (Operation operation : Operation.values()) {
            if (was.can(operation) != now.can(operation)) {
                if (now.can(operation)) {
                    opens(now, operation.word() + " is possible now", true);
                } else {
                    api(now, operation.word() + " is no longer possible", true);
                }
            } else if (now.can(operation)) {
                lost(now, operation.word(), was.roles(operation), now.roles(operation));
                won(now, operation.word(), was.roles(operation), now.roles(operation));
            }
        }
        was.findersByRole().forEach(finder -> lost(now, word(finder), finder.roles(), now.listers(finder)));
        now.findersByRole().forEach(finder -> won(now, word(finder), was.listers(finder), finder.roles()));
    }

    private static String word(Finder finder) {
        return "list by " + String.join(" and ", finder.parameters());
    }

    private void won(Entity now, String what, List<String> was, List<String> are) {
        if (after.hasAccess() && !was.contains(EVERYBODY)) {
            are.stream().filter(role -> !was.contains(role))
                    .forEach(role -> opens(now, what + " is possible for " + named(role), true));
        }
    }

    private void lost(Entity now, String what, List<String> was, List<String> are) {
        if (before.hasAccess() && !are.contains(EVERYBODY)) {
            was.stream().filter(role -> !are.contains(role))
                    .forEach(role -> api(now, what + " is no longer possible for " + named(role), true));
        }
    }

    private static String named(String role) {
        return role.equals(EVERYBODY) ? "everybody with a token" : role;
    }

    /** Which rows are there for whom. */
    private void rows(Entity was, Entity now) {
        if (was.ownRows().isPresent() && now.ownRows().isEmpty()) {
            opens(now, "rows no longer belong to anybody: whoever may read is shown all of them", true);
        } else if (was.ownRows().isEmpty() && now.ownRows().isPresent()) {
            api(now, "rows belong to somebody now: others are not shown them", true);
        } else if (now.ownRows().isPresent()) {
            OwnRows old = was.ownRows().get();
            OwnRows own = now.ownRows().get();
            if (!old.claim().equals(own.claim()) || !old.column().equals(own.column())
                    || !targets(old).equals(targets(own))) {
                opens(now, "rows belong to whoever has the claim " + own.claim() + " that " + own.column()
                        + " has, no longer by " + old.claim() + " and " + old.column(), true);
            }
            lost(now, "seeing all rows", old.everything(), own.everything());
            won(now, "seeing all rows", old.everything(), own.everything());
        }
        if (was.deletion().isPresent() && now.deletion().isEmpty()) {
            opens(now, "rows that were deleted and stayed are there again", true);
        } else if (was.deletion().isEmpty() && now.deletion().isPresent()) {
            api(now, "deleted rows stay, and are not there; nor is any with a time in "
                    + now.deletion().get().column().name(), true);
        }
        if (!was.guarded() && now.guarded()) {
            api(now, "If-Match is needed to change or delete a row (428)", true);
        }
        if (was.cacheSeconds() != now.cacheSeconds()) {
            api(now, now.cacheSeconds() == 0 ? "clients ask anew for every answer with rows"
                    : "clients may use an answer with rows again for " + now.cacheSeconds() + " seconds, as it was then",
                    false);
        }
    }

    private static List<TableName> targets(OwnRows own) {
        return own.path().stream().map(ForeignKey::target).toList();
    }

    private void fields(Entity was, Entity now) {
        Map<String, String> renamed = difference.changes().stream()
                .filter(change -> change instanceof SchemaChange.ColumnRenamed
                        && change.table().equals(now.table().name()))
                .map(SchemaChange.ColumnRenamed.class::cast)
                .collect(Collectors.toMap(change -> change.now().name(), change -> change.was().name()));
        Set<String> matched = new LinkedHashSet<>();
        for (Field field : now.fields()) {
            String last = renamed.getOrDefault(field.column().name(), field.column().name());
            Optional<Field> old = was.fields().stream().filter(other -> other.column().name().equals(last)).findFirst();
            matched.add(last);
            old.ifPresentOrElse(other -> compare(now, other, field), () -> added(now, field));
        }
        was.fields().stream().filter(field -> !matched.contains(field.column().name())).forEach(field -> {
            code(now, now.name() + "." + field.name() + " is gone");
            api(now, field.jsonName() + " is gone from answers" + (field.input() == Field.Input.READ_ONLY ? ""
                    : ", and refused when it is sent"), true);
        });
    }

    private void added(Entity now, Field field) {
        code(now, now.name() + "." + field.name() + " is new: " + type(field));
        boolean needed = field.requiredOnCreate() && now.can(Operation.CREATE);
        boolean neededToReplace = field.told() && (field.requiredOnCreate() || field.requiredOnReplaceOnly())
                && now.can(Operation.REPLACE);
        String sent = needed ? ", and must be sent to create a row" : neededToReplace ? ", and must be sent to replace a row" : "";
        effects.add(new Effect(now.table().name(), Effect.On.API,
                field.jsonName() + (field.told() ? " is new in answers" : " is new, and not told") + sent,
                needed || neededToReplace, field.told() && after.hasAccess()));
    }

    private void compare(Entity now, Field was, Field field) {
        String name = now.name() + "." + field.name();
        if (!was.name().equals(field.name())) {
            code(now, now.name() + "." + was.name() + " is now " + field.name());
        }
        if (!was.jsonName().equals(field.jsonName())) {
            api(now, was.jsonName() + " is now " + field.jsonName(), true);
        }
        if (!type(was).equals(type(field))) {
            code(now, name + " was " + type(was) + " and is " + type(field));
        }
        if (was.type() != field.type()) {
            boolean wider = was.type() == JavaType.INTEGER && field.type() == JavaType.LONG
                    || was.type() == JavaType.ENUM && field.type() == JavaType.STRING;
            api(now, field.jsonName() + " was " + was.type().words() + " and is " + field.type().words(), !wider);
        }
        if (!was.column().nullable() && field.column().nullable()) {
            api(now, field.jsonName() + " may be null in answers", true);
        }
        if (!was.requiredOnCreate() && field.requiredOnCreate()) {
            api(now, field.jsonName() + " must be sent to create a row", true);
        } else if (was.requiredOnCreate() && !field.requiredOnCreate()) {
            api(now, field.jsonName() + " need not be sent to create a row", false);
        }
        if (was.told() != field.told()) {
            if (field.told()) {
                opens(now, field.jsonName() + " is told in answers", true);
            } else {
                api(now, field.jsonName() + " is no longer told", true);
            }
        }
        if (was.input() == Field.Input.READ_ONLY && field.input() != Field.Input.READ_ONLY) {
            opens(now, field.jsonName() + " can be sent", true);
        }
        if (was.input() != Field.Input.READ_ONLY && field.input() == Field.Input.READ_ONLY) {
            api(now, field.jsonName() + " can no longer be sent", true);
        }
        labels(now, was, field);
        rules(now, was, field);
    }

    private void labels(Entity now, Field was, Field field) {
        List<String> old = was.enumeration().map(enumeration -> List.copyOf(enumeration.constants().values()))
                .orElse(List.of());
        List<String> present = field.enumeration().map(enumeration -> List.copyOf(enumeration.constants().values()))
                .orElse(List.of());
        if (old.isEmpty() || present.isEmpty()) {
            return;
        }
        List<String> gone = old.stream().filter(label -> !present.contains(label)).toList();
        List<String> added = present.stream().filter(label -> !old.contains(label)).toList();
        if (!gone.isEmpty()) {
            api(now, field.jsonName() + " no longer takes " + String.join(", ", gone), true);
        }
        if (!added.isEmpty()) {
            api(now, field.jsonName() + " takes, and answers may have, " + String.join(", ", added), false);
        }
    }

    private void rules(Entity now, Field was, Field field) {
        if (was.maxLength() != field.maxLength()) {
            boolean stricter = field.maxLength() > 0 && (was.maxLength() == 0 || field.maxLength() < was.maxLength());
            api(now, field.jsonName() + " takes " + length(field.maxLength()) + "; it took " + length(was.maxLength()),
                    stricter);
        } else if (!was.rules().equals(field.rules()) && was.type() == field.type()) {
            boolean looser = was.rules().containsAll(field.rules());
            api(now, field.jsonName() + (looser ? " has fewer rules" : " has other rules"), !looser);
        }
    }

    private static String length(int most) {
        return most == 0 ? "text of any length" : "at most " + most + " characters";
    }

    /** Keys, references and checks that are new refuse what was accepted before. */
    private void constraints(Entity now) {
        for (SchemaChange change : difference.changes()) {
            boolean ours = change.table().equals(now.table().name()) && now.isWritable();
            if (ours && change instanceof SchemaChange.PartChanged part && part.now().isPresent()) {
                if (part.now().get() instanceof UniqueKey key && !isNumbered(now, key)
                        && (part.was().isEmpty() || !key.columns().equals(((UniqueKey) part.was().get()).columns()))) {
                    api(now, "two rows with the same " + fieldNames(now, key.columns()) + " are refused (409)", true);
                } else if (part.now().get() instanceof ForeignKey key && part.was().isEmpty()) {
                    api(now, fieldNames(now, key.columns()) + " must refer to a row that is there (422)", true);
                }
            }
        }
        Set<String> before = this.before.entities().stream()
                .filter(entity -> entity.table().name().equals(now.table().name()))
                .flatMap(entity -> entity.checks().stream()).filter(check -> !check.understood())
                .map(Entity.CheckedFields::constraint).collect(Collectors.toSet());
        now.checks().stream().filter(check -> !check.understood() && !before.contains(check.constraint()))
                .forEach(check -> api(now, "the database may refuse rows by the check " + check.constraint(), true));
    }

    /** Whether the database gives the values, of which no two are the same. */
    private static boolean isNumbered(Entity entity, UniqueKey key) {
        return key.columns().stream().anyMatch(column -> entity.field(column).column().isIdentity());
    }

    private static String fieldNames(Entity entity, List<String> columns) {
        return words(columns.stream().map(column -> entity.field(column).jsonName()).toList());
    }

    private void children(Entity was, Entity now) {
        List<String> old = paths(before, was);
        List<String> present = paths(after, now);
        old.stream().filter(path -> !present.contains(path))
                .forEach(path -> api(now, "/" + now.path() + "/{key}/" + path + " is gone", true));
        present.stream().filter(path -> !old.contains(path))
                .forEach(path -> api(now, "/" + now.path() + "/{key}/" + path + " is new", false));
    }

    private static List<String> paths(Mapping mapping, Entity parent) {
        return mapping.children().stream().filter(child -> child.parent().table().name().equals(parent.table().name()))
                .map(Child::path).toList();
    }

    private static String type(Field field) {
        return field.enumeration().map(enumeration -> enumeration.name().value()).orElseGet(() ->
                field.column().nullable() ? field.type().boxedName() : field.type().simpleName());
    }

    private void code(Entity entity, String text) {
        effects.add(new Effect(entity.table().name(), Effect.On.CODE, text, false, false));
    }

    private void api(Entity entity, String text, boolean breaking) {
        effects.add(new Effect(entity.table().name(), Effect.On.API, text, breaking, false));
    }

    /** Where everybody could do everything, and still can, nothing is opened. */
    private void opens(Entity entity, String text, boolean opens) {
        effects.add(new Effect(entity.table().name(), Effect.On.API, text, false,
                opens && (before.hasAccess() || after.hasAccess())));
    }
}
