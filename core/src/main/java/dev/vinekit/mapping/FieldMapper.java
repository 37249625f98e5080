package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.sql.Dialect;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Decides what the columns of one table become. */
final class FieldMapper {
    private static final Pattern SIXTEEN_BYTES =
            Pattern.compile("BINARY\\s*\\(\\s*16\\s*\\)", Pattern.CASE_INSENSITIVE);
    private static final Pattern UUID_NAMES = Pattern.compile("[ug]uid", Pattern.CASE_INSENSITIVE);

    private final Table table;
    private final JavaName entity;
    private final List<String> keyColumns;
    private final Optional<String> version;
    private final Optional<OwnRows> ownRows;
    private final Map<String, Filling> stamps;
    private final TableRules rules;
    private final DecisionLookup.OfTable decided;
    private final Dialect dialect;
    private final Names names;
    private final KeyTypes keyTypes;
    private final Conventions conventions;
    private final List<Remark> remarks;

    FieldMapper(
            Table table, JavaName entity, List<String> keyColumns, Optional<String> version, Optional<OwnRows> ownRows,
            Map<String, Filling> stamps, TableRules rules, DecisionLookup.OfTable decided,
            Dialect dialect, Names names, KeyTypes keyTypes, Conventions conventions, List<Remark> remarks) {
        this.table = table;
        this.entity = entity;
        this.keyColumns = keyColumns;
        this.version = version;
        this.ownRows = ownRows;
        this.stamps = stamps;
        this.rules = rules;
        this.decided = decided;
        this.dialect = dialect;
        this.names = names;
        this.keyTypes = keyTypes;
        this.conventions = conventions;
        this.remarks = remarks;
    }

    List<Field> fields() {
        Map<Column, JavaName> components = components();
        Map<Column, String> properties = properties(components);
        return table.columns().stream()
                .map(column -> field(column, components.get(column), properties.get(column))).toList();
    }

    /** The names in JSON: what Java does not take, or reads as something else, is no matter there. */
    private Map<Column, String> properties(Map<Column, JavaName> components) {
        if (conventions.jsonNames() != Conventions.JsonNames.CAMEL_CASE) {
            return table.columns().stream().collect(Collectors.toMap(column -> column, column -> {
                String sqlName = dialect.identifier(column.name());
                return sqlName.equalsIgnoreCase(column.name()) ? sqlName : column.name();
            }));
        }
        Map<Column, String> properties = new HashMap<>();
        Set<String> ruled = new HashSet<>(keyColumns.size() > 1 ? Set.of("primaryKey") : Set.of());
        Map<Column, JavaName> undecided = new HashMap<>();
        table.columns().forEach(column -> undecided.put(column,
                Names.component(Words.of(column.name()), ruled, (wanted, reason) -> { })));
        components.forEach((column, name) -> {
            boolean byPerson = !name.equals(undecided.get(column));
            if (byPerson || name.value().equals(Words.of(column.name()).camel())) {
                properties.put(column, name.value());
            }
        });
        Set<String> taken = new HashSet<>(properties.values());
        for (Column column : table.columns()) {
            String wanted = Words.of(column.name()).camel();
            properties.computeIfAbsent(column, key -> !wanted.isEmpty() && taken.add(wanted)
                    ? wanted : components.get(key).value());
        }
        return properties;
    }

    /** The names: those that a person gave first, so that the others give way. */
    private Map<Column, JavaName> components() {
        Set<String> taken = new HashSet<>();
        if (keyColumns.size() > 1) {
            taken.add("primaryKey");
        }
        Map<Column, JavaName> components = new HashMap<>();
        for (Column column : table.columns()) {
            decided.field(column).name().ifPresent(wanted -> {
                if (Names.isComponent(wanted) && taken.add(wanted)) {
                    components.put(column, JavaName.of(wanted));
                } else {
                    decided.mistakeInField(column, "name", "The field cannot be named \"" + wanted
                            + "\": that is no name for a record component, or another field has it.");
                }
            });
        }
        for (Column column : table.columns()) {
            components.computeIfAbsent(column, key -> ruled(column, taken));
        }
        return components;
    }

    private JavaName ruled(Column column, Set<String> taken) {
        List<String> renamed = new ArrayList<>();
        JavaName name = Names.component(Words.of(column.name()), taken, (wanted, reason) -> renamed.add(
                "The field of column " + column.name() + " is not named " + wanted + ": " + reason + "."));
        renamed.forEach(text -> remarks.add(
                new Remark(table.name(), Remark.Topic.NAME, text, List.of("fields", column.name(), "name"),
                        name.value())));
        return name;
    }

    private Field field(Column column, JavaName name, String property) {
        boolean inKey = keyColumns.contains(column.name());
        Optional<Converter> converter = converter(column, inKey);
        Optional<JavaType> otherType = converter.isPresent() ? Optional.empty() : otherType(column);
        Optional<Enumeration> enumeration = otherType.isPresent() || converter.isPresent()
                ? Optional.empty() : enumeration(column, inKey);
        JavaType ruled = enumeration.isPresent() ? JavaType.ENUM
                : column.type().kind() == SqlType.Kind.ENUM ? JavaType.STRING
                : dialect.hasLists() && JavaType.ofMember(column.type()).isPresent() ? JavaType.LIST
                : JavaType.of(column.type());
        Visibility visibility = visibility(column, inKey);
        boolean stamped = stamps.containsKey(column.name());
        Field.Input input = visibility.isTaken() && !stamped ? input(column, inKey) : Field.Input.READ_ONLY;
        if (visibility == Visibility.SHOWN && !stamped && input == Field.Input.READ_ONLY && !isVersion(column) && !column.isComputed() && !column.isIdentity()
                && !table.isView()) {
            remark(Remark.Topic.TYPE, "The column " + column.name() + " has the type " + column.type().text()
                    + ", which can be read as text only; clients cannot write it.");
        }
        if (input != Field.Input.READ_ONLY && (column.type().kind() == SqlType.Kind.ANY
                || dialect.makesNumbersOfTexts(column.type()))) {
            remark(Remark.Topic.TYPE, ofAnyKind(column));
        }
        if (input != Field.Input.READ_ONLY && isForeign(column.type()) && ruled == JavaType.STRING) {
            remark(Remark.Topic.TYPE, "The column " + column.name() + " has the type " + column.type().text()
                    + ", whose values are told and taken as the database writes them.");
        }
        if (column.defaultValue().filter(DefaultValue::isNoDate).isPresent()
                && ruled.nature() == JavaType.Nature.MOMENT) {
            remark(Remark.Topic.DEFAULT, "The default of the column " + column.name() + ", "
                    + column.defaultValue().get().text()
                    + ", is no date: a row that has it cannot be told as it is. Change the default, or let clients always send a value.");
        }
        converter.ifPresent(given -> remark(Remark.Topic.CONVERTER, "The column " + column.name() + " is converted by "
                + given.by()
                + ", a class that you write: it implements support.ColumnConverter and has a constructor without parameters."));
        offerUuid(column, inKey);
        JavaType type = otherType.orElse(ruled);
        String sqlName = dialect.identifier(column.name());
        boolean uuidInBytes = type == JavaType.UUID && column.type().kind() == SqlType.Kind.BINARY;
        boolean asText = type == JavaType.STRING && ruled != JavaType.STRING
                && !AsText.examples(column.type()).isEmpty();
        String parameter = uuidInBytes ? dialect.parameterOfUuidInBytes().orElseThrow()
                : asText ? dialect.parameterOfText(column.type()) : dialect.parameter(column);
        return new Field(
                column,
                name,
                type,
                inKey,
                input,
                enumeration,
                table.isView() || enumeration.isPresent() || converter.isPresent() || asText ? List.of()
                        : rules(column, type),
                sqlName,
                uuidInBytes ? dialect.selectedUuidInBytes(sqlName) : dialect.selected(column.type(), sqlName),
                parameter,
                dialect.isSame(column.type(), sqlName, parameter),
                enumeration.isPresent() ? List.of() : asText ? AsText.examples(column.type())
                        : !column.type().labels().isEmpty() ? firstAndLast(column.type().labels())
                        : rules.examples(column),
                asText ? AsText.numbered(column.type()) : dialect.numberedText(column.type()),
                property,
                converter,
                otherType.isPresent() && otherType.get() != ruled,
                visibility.isTold(),
                filling(column, type, inKey));
    }

    private String ofAnyKind(Column column) {
        String values = "The column " + column.name() + (column.type().text().isEmpty() ? " has no type"
                : " has the type " + column.type().text())
                + (column.type().kind() == SqlType.Kind.ANY ? ": a value is a number or a text." : ".");
        return !dialect.makesNumbersOfTexts(column.type()) ? values : values
                + " The database stores a text that reads as a number, such as 007, as that number.";
    }

    /** Whether values have a form that only the database knows. */
    private static boolean isForeign(SqlType type) {
        return switch (type.kind()) {
            case ARRAY, RANGE, GEOMETRY, OTHER -> true;
            default -> false;
        };
    }

    /** A key that is a UUID which neither the database nor another table gives is made by the service. */
    private Filling filling(Column column, JavaType type, boolean inKey) {
        boolean owner = ownRows.filter(OwnRows::isDirect)
                .filter(rows -> rows.column().equals(column.name())).isPresent();
        return stamps.containsKey(column.name()) ? stamps.get(column.name())
                : owner && !table.isView() ? Filling.OWNER
                : type == JavaType.UUID && isMade(column, inKey) ? Filling.RANDOM : Filling.NONE;
    }

    private boolean isMade(Column column, boolean inKey) {
        return inKey && keyColumns.size() == 1 && !table.isView()
                && !column.isFilledByDatabase() && !keyTypes.refers(table, column);
    }

    private List<FieldRule> rules(Column column, JavaType type) {
        if (type == JavaType.UUID && column.type().kind() == SqlType.Kind.BINARY) {
            return List.of();
        }
        List<FieldRule> found = new ArrayList<>(rules.fieldRules(column.name()));
        if (keyColumns.equals(List.of(column.name()))) {
            isSomething(type).ifPresent(found::add);
        }
        if (column.type().kind() == SqlType.Kind.INTEGER && !column.type().unsigned() && type != JavaType.INTEGER) {
            found.add(new FieldRule.Least(BigDecimal.valueOf(Integer.MIN_VALUE), true));
            found.add(new FieldRule.Most(BigDecimal.valueOf(Integer.MAX_VALUE), true));
        }
        if (column.type().kind() == SqlType.Kind.ENUM && type == JavaType.STRING) {
            found.addAll(TypeRules.of(column.type()));
        }
        return found;
    }

    /** A key of nothing would give its row the path of all rows. */
    private static Optional<FieldRule> isSomething(JavaType type) {
        return type == JavaType.STRING ? Optional.of(new FieldRule.Length(1, Integer.MAX_VALUE))
                : type == JavaType.BINARY ? Optional.of(new FieldRule.Bytes(1, Integer.MAX_VALUE)) : Optional.empty();
    }

    private static List<String> firstAndLast(List<String> labels) {
        return List.of(labels.get(0), labels.get(labels.size() - 1));
    }

    private Optional<Enumeration> enumeration(Column column, boolean inKey) {
        boolean enumerated = column.type().kind() == SqlType.Kind.ENUM;
        List<String> labels = enumerated ? column.type().labels()
                : keyTypes.isInReference(table, column) || inKey ? List.of()
                : rules.labels(column.name());
        return labels.isEmpty() || table.isView() && !enumerated
                ? Optional.empty()
                : Optional.of(new Enumeration(
                        names.type(entity.value() + Words.of(column.name()).pascal()), Names.constants(labels)));
    }

    /** A Java type other than the rule's: one that a person chose, or that of the key that the column refers to. */
    private Optional<JavaType> otherType(Column column) {
        Optional<String> wanted = decided.field(column).type();
        if (wanted.isEmpty()) {
            return keyTypes.ofKey(table, column)
                    .or(() -> keyTypes.refers(table, column) ? Optional.empty() : ofDefault(dialect, column));
        }
        List<JavaType> fitting = fitting(column);
        Optional<JavaType> chosen = fitting.stream().filter(type -> type.simpleName().equals(wanted.get())).findFirst();
        boolean tooWide = chosen.filter(JavaType.UUID::equals).isPresent()
                && column.type().kind() == SqlType.Kind.BINARY && !mayBeUuid(column);
        if (chosen.isEmpty() || tooWide || keyTypes.refers(table, column)) {
            decided.mistakeInField(column, "type", keyTypes.refers(table, column)
                    ? "The column is part of a reference; its type is that of the key."
                    : tooWide
                    ? "A UUID is 16 bytes, and the column is not known to have just as many: that takes a type such as "
                            + "BINARY(16), or a check of its length."
                    : "\"" + wanted.get() + "\" does not fit the type " + column.type().text() + "; fitting are "
                            + fitting.stream().map(JavaType::simpleName).collect(Collectors.joining(", "))
                            + ", and any class of your own together with converter.");
            return Optional.empty();
        }
        return chosen;
    }

    /** The type of a column of 16 bytes whose default makes UUIDs of them. */
    static Optional<JavaType> ofDefault(Dialect dialect, Column column) {
        boolean made = column.type().kind() == SqlType.Kind.BINARY && dialect.parameterOfUuidInBytes().isPresent()
                && SIXTEEN_BYTES.matcher(column.type().text()).matches()
                && column.defaultValue().filter(value -> value.meaning() == DefaultValue.Meaning.NEW_UUID).isPresent();
        return made ? Optional.of(JavaType.UUID) : Optional.empty();
    }

    private List<JavaType> fitting(Column column) {
        boolean loose = !dialect.keepsTypes(table, column);
        boolean steady = column.type().kind() != SqlType.Kind.BOOLEAN && column.type().kind() != SqlType.Kind.JSON;
        boolean mayBeText = !keyColumns.contains(column.name()) && !keyTypes.isInReference(table, column)
                && !AsText.examples(column.type()).isEmpty() && (steady || loose);
        List<JavaType> own = dialect.hasLists() && JavaType.ofMember(column.type()).isPresent()
                ? List.of(JavaType.LIST) : JavaType.fitting(column.type());
        return mayBeText && !own.contains(JavaType.STRING)
                ? Stream.concat(own.stream(), Stream.of(JavaType.STRING)).toList() : own;
    }

    /** Whether a column keeps 16 bytes, and the engine can make a UUID of them. */
    private boolean mayBeUuid(Column column) {
        return column.type().kind() == SqlType.Kind.BINARY && dialect.parameterOfUuidInBytes().isPresent()
                && (SIXTEEN_BYTES.matcher(column.type().text()).matches()
                        || rules.demandsBytes(column.name(), Field.UUID_BYTES));
    }

    /** Says where bytes look like a UUID. */
    private void offerUuid(Column column, boolean inKey) {
        boolean named = UUID_NAMES.matcher(column.name()).find();
        if (mayBeUuid(column) && ofDefault(dialect, column).isEmpty() && (named || inKey)
                && !keyTypes.refers(table, column) && decided.field(column).type().isEmpty()) {
            remarks.add(new Remark(table.name(), Remark.Topic.OFFER, "The column " + column.name()
                    + " keeps 16 bytes, and " + (named ? "has the name of a UUID"
                    : "is the key")
                    + ": if they are one, say so, and it is told and taken as one, also where other tables refer to it.",
                    List.of("fields", column.name(), "type"), JavaType.UUID.simpleName(), true));
        }
    }

    private Optional<Converter> converter(Column column, boolean inKey) {
        Decisions.OfField field = decided.field(column);
        if (field.converter().isEmpty()) {
            return Optional.empty();
        }
        String type = field.type().orElse("");
        boolean named = JavaName.isValid(type) && type.indexOf('.') > 0 && JavaName.isValid(field.converter().get())
                && field.converter().get().indexOf('.') > 0;
        String problem = !named ? "A converter needs a type, and both are classes with their package, for example "
                        + "com.example.house.Litres and com.example.house.LitresConverter."
                : inKey || keyTypes.isInReference(table, column)
                ? "The column is part of a key or a reference, whose values are not converted."
                : !dialect.isWritable(column.type()) ? "The column can be read as text only." : "";
        if (!problem.isEmpty()) {
            decided.mistakeInField(column, "converter", problem);
            return Optional.empty();
        }
        return Optional.of(new Converter(JavaName.of(type), JavaName.of(field.converter().get())));
    }

    /** What a person decided, or what the name of a column says. */
    private Visibility visibility(Column column, boolean inKey) {
        boolean needed = inKey || isVersion(column) || keyTypes.isInReference(table, column);
        boolean sent = !table.isView() && input(column, inKey) != Field.Input.READ_ONLY;
        Visibility wanted = decided.field(column).visibility().orElse(null);
        if (wanted == null) {
            boolean secret = !needed && Secrets.isOne(column)
                    && table.columns().stream().anyMatch(other -> !Secrets.isOne(other));
            return secret ? secret(column, sent) : Visibility.SHOWN;
        }
        boolean kept = needed && (inKey || isVersion(column) || !wanted.isTold());
        String problem = wanted == Visibility.SHOWN ? "" : kept
                ? "The column tells rows apart or refers to others: clients need it."
                : wanted == Visibility.WRITE_ONLY && !sent ? "Clients cannot write the column; it can be hidden."
                : table.columns().stream().noneMatch(other ->
                        decided.field(other).visibility().map(Visibility::isTold).orElse(!Secrets.isOne(other)))
                ? "Nothing would be told of a row." : "";
        if (!problem.isEmpty()) {
            decided.mistakeInField(column, "visibility", problem);
        }
        return problem.isEmpty() ? wanted : Visibility.SHOWN;
    }

    private Visibility secret(Column column, boolean sent) {
        Visibility ruled = sent ? Visibility.WRITE_ONLY : Visibility.HIDDEN;
        remarks.add(new Remark(table.name(), Remark.Topic.SECRET, "The column " + column.name()
                + " has the name of a secret: " + (sent ? "clients send it and are not told it; a replaced row keeps it "
                + "where it is left out." : "clients are not told it."),
                List.of("fields", column.name(), "visibility"), sent ? "write-only" : "hidden"));
        return ruled;
    }

    private Field.Input input(Column column, boolean inKey) {
        boolean carried = dialect.isWritable(column.type());
        boolean refers = table.foreignKeys().stream().anyMatch(key -> key.columns().contains(column.name()));
        if (table.isView() || column.isComputed() || !carried || column.isIdentity() && !inKey && !refers
                || isVersion(column)) {
            return Field.Input.READ_ONLY;
        }
        return column.isIdentity() && !refers ? Field.Input.ASSIGNED : Field.Input.WRITABLE;
    }

    private boolean isVersion(Column column) {
        return version.isPresent() && version.get().equals(column.name());
    }

    private void remark(Remark.Topic topic, String text) {
        remarks.add(new Remark(table.name(), topic, text));
    }
}
