package dev.vinekit.cli;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.OwnRows;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Shows who may do what with which rows, and what of a row nobody is told or may send. */
final class AccessView {
    private static final int SHOWN_TABLES = 16;
    private static final int MOST_OTHERS = 2;
    private static final String EVERYBODY = "*";

    private final Mapping mapping;
    private final Style style;
    private final PrintStream out;
    private final boolean all;

    /** @param all whether to show each table, however many there are */
    AccessView(Mapping mapping, Style style, PrintStream out, boolean all) {
        this.mapping = mapping;
        this.style = style;
        this.out = out;
        this.all = all;
    }

    void print() {
        if (!mapping.hasAccess()) {
            out.println(style.warning("No access control: everyone who reaches the service may read and write."));
            return;
        }
        List<Entity> closed = tables(entity -> entity.operations().isEmpty());
        List<Entity> open = tables(entity -> !entity.operations().isEmpty() && entity.ownRows().isEmpty()
                && entity.operations().stream().allMatch(operation -> entity.roles(operation).contains(EVERYBODY)));
        List<Entity> decided = tables(entity -> !closed.contains(entity) && !open.contains(entity));
        out.println("Access by bearer tokens, with roles for " + decided.size() + " of " + mapping.entities().size()
                + " tables and views.");
        if (all || decided.size() <= SHOWN_TABLES) {
            matrix(decided);
        }
        name("Open to everybody with a valid token: ", open);
        name("Closed to everybody, for nothing is said of them: ", closed);
    }

    private List<Entity> tables(Predicate<Entity> wanted) {
        return mapping.entities().stream().filter(wanted).toList();
    }

    private void name(String head, List<Entity> tables) {
        if (!tables.isEmpty()) {
            List<String> names = tables.stream().map(entity -> entity.table().name().name()).toList();
            out.println(style.warning(head + style.some(names, head.length() + 1) + "."));
        }
    }

    private void matrix(List<Entity> decided) {
        if (decided.isEmpty()) {
            return;
        }
        List<String> roles = new ArrayList<>(mapping.roles());
        if (decided.stream().anyMatch(entity -> entity.listers().contains(EVERYBODY)
                || entity.operations().stream().map(entity::roles).anyMatch(names -> names.contains(EVERYBODY)))) {
            roles.add(EVERYBODY);
        }
        TextTable lines = new TextTable(style, Stream.of(Stream.of("table"), roles.stream(), Stream.of("rows", "fields"))
                .flatMap(titles -> titles).toArray(String[]::new));
        for (Entity entity : decided) {
            List<String> cells = new ArrayList<>(List.of(style.table(entity.table().name().name(), 60)));
            roles.forEach(role -> cells.add(may(entity, role)));
            cells.add(entity.ownRows().map(this::rows).orElse("all"));
            cells.add(fields(entity));
            lines.add(cells.toArray(String[]::new));
        }
        lines.print(out);
    }

    private String may(Entity entity, String role) {
        Set<Operation> may = EnumSet.noneOf(Operation.class);
        entity.operations().stream().filter(operation -> entity.roles(operation).contains(role)
                || entity.roles(operation).contains(EVERYBODY)).forEach(may::add);
        Set<Operation> others = EnumSet.noneOf(Operation.class);
        others.addAll(entity.operations());
        others.removeAll(may);
        String part = may.contains(Operation.LIST) ? "" : entity.findersByRole().stream()
                .filter(finder -> finder.roles().contains(role) || finder.roles().contains(EVERYBODY))
                .map(finder -> "list by " + finder.fields().stream().map(Field::jsonName).collect(Collectors.joining(" and ")))
                .distinct().collect(Collectors.joining(", "));
        return may.isEmpty() ? part.isEmpty() ? style.none() : part : others.isEmpty() ? "everything"
                : others.size() <= MOST_OTHERS && others.size() < may.size() && part.isEmpty() ? "all but " + words(others)
                : Stream.of(words(may), part).filter(words -> !words.isEmpty()).collect(Collectors.joining(" "));
    }

    private static String words(Set<Operation> operations) {
        return operations.stream().map(Operation::word).collect(Collectors.joining(" "));
    }

    private String rows(OwnRows own) {
        String column = style.table(own.column(), 60);
        if (!own.isDirect()) {
            column = style.table(own.path().get(own.path().size() - 1).target().name(), 60) + "." + column;
        }
        return "own (" + column + "); all: " + String.join(", ", own.everything());
    }

    private static String fields(Entity entity) {
        List<String> said = new ArrayList<>();
        name(said, entity, "not told", field -> !field.told());
        name(said, entity, "not taken", field -> field.told() && field.input() == Field.Input.READ_ONLY
                && !entity.table().isView());
        return said.isEmpty() ? "all" : String.join("; ", said);
    }

    private static void name(List<String> said, Entity entity, String words, Predicate<Field> wanted) {
        List<String> names = entity.fields().stream().filter(wanted).map(Field::jsonName).toList();
        if (!names.isEmpty()) {
            said.add(words + ": " + String.join(", ", names));
        }
    }
}
