package dev.vinekit.mapping;

import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.SqlText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Decides what every table becomes: by rule, and where a person has decided, as that person says. */
public final class Mapper {
    /** Where the service's page has its files. */
    private static final String PAGE = "/page/";

    private static final String UNTOLD =
            " is not told, and whoever may ask for rows by its values could find them out. If it is "
            + "no secret, say visibility: shown.";

    private final Schema schema;
    private final Dialect dialect;
    private final Decisions decisions;
    private final Conventions conventions;
    private final DecisionLookup lookup;
    private final List<Mistake> mistakes = new ArrayList<>();
    private final Names names;
    private final Map<TableName, JavaName> classes = new HashMap<>();
    private final Map<TableName, String> paths = new HashMap<>();
    private final List<Remark> remarks = new ArrayList<>();
    private final Set<TableName> brokenTables = new HashSet<>();
    private final Set<TableName> brokenTargets = new HashSet<>();
    private final KeyTypes keyTypes;
    private final RowChoice rows;
    private final StampChoice stamps;
    private final AccessChoice access;

    /**
     * A mapping, and what of the decisions could not be followed.
     *
     * @param mistakes if there are any, the mapping is not to be used
     */
    public record Result(Mapping mapping, List<Mistake> mistakes) {
        public Result {
            mistakes = List.copyOf(mistakes);
        }
    }

    private Mapper(Schema schema, Dialect dialect, Decisions decisions, List<String> classNames) {
        this.names = new Names(classNames);
        this.dialect = dialect;
        this.decisions = decisions;
        this.conventions = Conventions.of(decisions);
        Set<TableName> known = schema.tables().stream().map(Table::name).collect(Collectors.toSet());
        schema.tables().stream().filter(table -> table.foreignKeys().stream().anyMatch(ForeignKey::isBroken))
                .forEach(table -> brokenTables.add(table.name()));
        schema.tables().stream().flatMap(table -> table.foreignKeys().stream()).filter(ForeignKey::isBroken)
                .forEach(key -> brokenTargets.add(key.target()));
        Schema reached = schema.withTables(schema.tables().stream().map(table -> withinReach(table, known)).toList());
        this.schema = OneDigitTypes.decided(reached, decisions);
        this.lookup = new DecisionLookup(decisions, this.schema);
        this.rows = new RowChoice(decisions, this.schema, lookup, dialect);
        this.stamps = new StampChoice(decisions, lookup);
        this.access = new AccessChoice(decisions, this.schema, lookup, rows);
        this.keyTypes = new KeyTypes(this.schema, (table, column) -> lookup.of(table).field(column).type()
                .flatMap(wanted -> JavaType.fitting(column.type()).stream()
                        .filter(type -> type.simpleName().equals(wanted)).findFirst())
                .or(() -> FieldMapper.ofDefault(dialect, column)));
    }

    /**
     * Maps a schema.
     *
     * @param decisions with the package that the generated packages will lie in
     * @param classNames the names of the classes that a table gets, with {@code *} where that of its entity stands
     * @param settled tables that have been mapped before: of two that want one name, they keep it
     */
    public static Result map(Schema schema, Dialect dialect, Decisions decisions, List<String> classNames,
            Set<String> settled) {
        return new Mapper(schema, dialect, decisions, classNames).map(settled);
    }

    private Result map(Set<String> settled) {
        JavaName basePackage = basePackage();
        verifyPage();
        verifyFeatures();
        stamps.verifyEverywhere(access.isRestricted());
        rows.verifyEverywhere(access.isRestricted());
        List<Table> byClaim = schema.tables().stream().sorted(Comparator.comparing(table -> claim(table, settled)))
                .toList();
        byClaim.forEach(table -> classes.put(table.name(), className(table)));
        byClaim.forEach(table -> paths.put(table.name(), path(table)));
        List<Entity> entities = schema.tables().stream().map(this::entity).toList();
        mistakes.addAll(lookup.mistakes());
        String last = basePackage.value().substring(basePackage.value().lastIndexOf('.') + 1);
        String artifact = last.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + "-service";
        remarks.sort(Comparator.comparing(remark -> remark.table().toString()));
        return new Result(new Mapping(schema, basePackage, artifact, conventions, dialect.definition(schema), entities,
                Children.of(entities), remarks, rows.handover(), decisions), mistakes);
    }

    private JavaName basePackage() {
        String wanted = decisions.project().basePackage().orElseThrow();
        try {
            return JavaName.of(wanted);
        } catch (IllegalArgumentException e) {
            mistakes.add(new Mistake(List.of("project", "package"), "\"" + wanted + "\" is not a Java package name. "
                    + "Use letters, digits and dots, and no Java keyword, for example com.example.cellar."));
            return JavaName.of("com.example.service");
        }
    }

    private void verifyPage() {
        if (conventions.has(Feature.PAGE) && (conventions.basePath() + "/").startsWith(PAGE)) {
            mistakes.add(new Mistake(List.of("http", "base-path"),
                    "The files of the service's page are at /page; choose "
                    + "another base path, or leave the page out with page: false in features."));
        }
    }

    private void verifyFeatures() {
        for (Feature feature : Feature.values()) {
            if (!conventions.server() && feature.isOfServer()
                    && decisions.features().getOrDefault(feature.key(), false)) {
                mistakes.add(new Mistake(List.of("features", feature.key()), "Only a service with a server of its own "
                        + "has this. Leave it out, or leave out server: false in http."));
            }
        }
    }

    /** Names that a person gave come before those of earlier runs, and these before those of new tables. */
    private int claim(Table table, Set<String> settled) {
        Decisions.OfEntity decided = lookup.of(table).decided();
        return decided.name().isPresent() || decided.path().isPresent() ? 0 : settled.contains(table.name().name()) ? 1
                : 2;
    }

    private Table withinReach(Table table, Set<TableName> known) {
        List<ForeignKey> kept = new ArrayList<>();
        for (ForeignKey key : table.foreignKeys()) {
            if (key.isBroken()) {
                remark(table, Remark.Topic.REFERENCE, "The reference of " + String.join(", ", key.columns()) + " goes to "
                        + key.target() + " (" + String.join(", ", key.targetColumns())
                        + "), which is not a key of an existing table. The database refuses new rows and changes of rows "
                        + "here: they can be read and deleted.");
            } else if (known.contains(key.target())) {
                kept.add(key);
            } else {
                remark(table, Remark.Topic.REFERENCE, "The reference " + key.name() + " goes to " + key.target()
                        + ", which was not read; it is left out.");
            }
        }
        return table.withForeignKeys(kept);
    }

    /** The words that name what a row is. */
    private Words words(Table table) {
        return withoutPrefix(Words.of(table.name().name()));
    }

    private Words withoutPrefix(Words words) {
        return decisions.tables().dropPrefix().map(Words::of).map(words::withoutFirst).orElse(words);
    }

    private JavaName className(Table table) {
        DecisionLookup.OfTable decided = lookup.of(table);
        if (decided.decided().name().isPresent()) {
            String wanted = decided.decided().name().get();
            String clash = wanted.indexOf('.') >= 0 || !JavaName.isValid(wanted) ? "it is not a Java name"
                    : names.clash(wanted);
            if (clash.isEmpty()) {
                return names.entity(wanted, (name, reason) -> { });
            }
            decided.mistake("The class cannot be named \"" + wanted + "\": " + clash + ".", "name");
        }
        List<String> renamed = new ArrayList<>();
        JavaName name = names.entity(words(table),
                (wanted, reason) -> renamed.add("The class is not named " + wanted + ": " + reason + "."));
        renamed.forEach(text -> remarks.add(new Remark(table.name(), Remark.Topic.NAME, text, List.of("name"),
                name.value())));
        return name;
    }

    private Entity entity(Table read) {
        DecisionLookup.OfTable decided = lookup.of(read);
        List<String> decidedKey = read.primaryKey().isPresent() ? List.of()
                : decided.columns(decided.decided().key(), "key").stream().map(Column::name).toList();
        Table table = decidedKey.isEmpty() ? read : read.withNotNull(decidedKey);
        JavaName name = classes.get(table.name());
        Words words = words(table);
        List<String> keyColumns = keyColumns(table, decidedKey, decided);
        List<Check> checks = checks(table);
        TableRules rules = TableRules.of(table, checks, dialect);
        Versions versions = new Versions(decided);
        Optional<String> version = versions.of(table, keyColumns);
        versions.offer(table, keyColumns).ifPresent(remarks::add);
        version.ifPresent(column -> remark(table, Remark.Topic.VERSION, "The column " + column
                + " numbers the states of a row: the service counts it "
                + "up with each change, gives it as ETag, and does not take it from clients."));
        RowRemarks rowRemarks = new RowRemarks(table, schema, decided, remarks);
        rowRemarks.onPeople();
        Optional<OwnRows> ownRows = rows.of(read);
        Map<String, Filling> stamped = stamps.of(read, keyColumns, access.isRestricted());
        stamps.offer(read, keyColumns).ifPresent(remarks::add);
        FieldMapper fieldMapper = new FieldMapper(
                table, name, keyColumns, version, ownRows, stamped, rules, decided, dialect, names, keyTypes,
                conventions, remarks);
        List<Field> fields = fieldMapper.fields();
        ownRows.ifPresent(own -> rowRemarks.onOwner(own, fields, access.isRestricted()));
        fields.stream().filter(field -> field.filling() == Filling.DELETED_AT).forEach(rowRemarks::onDeletion);
        List<RowRule> rowRules = rules.rowRules(fields);
        rules.leftToDatabase().forEach(check ->
                remark(table, Remark.Topic.CHECK, "The check " + check.name() + (check.name().isEmpty() ? "" : " ")
                + "is left to the database; the service does not know its meaning: " + check.expression()));
        String variable = name.value().substring(0, 1).toLowerCase(Locale.ROOT) + name.value().substring(1);
        return new Entity(
                table,
                name,
                Names.component(Words.of(variable), new HashSet<>(), (wanted, reason) -> { }),
                words.isEmpty() ? "row" : words.singular().joined(" "),
                paths.get(table.name()),
                dialect.table(table.name(), schema.defaultSchema()),
                fields,
                keyColumns,
                keyColumns.size() > 1 ? Optional.of(name.with("Key")) : Optional.empty(),
                filters(table, fields, decided),
                finders(table, fields, decided),
                relations(table, fields, decided),
                rowRules,
                checkedFields(checks, fields, rules),
                new OperationChoice(table, schema.tables().stream()
                        .filter(other -> other.parents().contains(table.name()))
                        .map(other -> other.name().name()).toList(), refused(table), dialect, decided, access.of(read),
                        remarks)
                        .of(fields, keyColumns),
                version,
                access.of(read),
                ownRows,
                decided.decided().requireIfMatch().orElse(false),
                decided.decided().cacheSeconds().orElse(0),
                dialect.isTransactional(table));
    }

    /** What the database refuses for the sake of a reference without a target. */
    private Set<Operation> refused(Table table) {
        Set<Operation> refused = EnumSet.noneOf(Operation.class);
        if (brokenTables.contains(table.name())) {
            refused.addAll(Set.of(Operation.CREATE, Operation.REPLACE, Operation.PATCH, Operation.RESTORE));
        }
        if (brokenTargets.contains(table.name())) {
            refused.add(Operation.DELETE);
            remark(table, Remark.Topic.REFERENCE, "Another table refers to columns of this one that are not a key. The "
                    + "database refuses to delete rows here.");
        }
        return refused;
    }

    /** The checks of a table, and those of domains as they bear on its columns. */
    private List<Check> checks(Table table) {
        List<Check> checks = new ArrayList<>(table.checks());
        for (Column column : table.columns()) {
            schema.domain(column).ifPresent(domain -> domain.checks().forEach(check -> checks.add(new Check(
                    dialect.reportsDomainChecks() ? check.name() : "",
                    SqlText.replace(check.expression(), "VALUE", dialect.identifier(column.name()))))));
        }
        return checks;
    }

    private List<Entity.CheckedFields> checkedFields(List<Check> checks, List<Field> fields, TableRules rules) {
        return checks.stream().map(check -> {
            TableRules.Meaning meaning = rules.meaning(check);
            Set<String> columns = new HashSet<>(dialect.parseCheck(check.expression()).columns());
            if (!meaning.unknown().isEmpty()) {
                columns.addAll(SqlText.identifiers(check.expression(), word -> word));
            }
            Map<Field, List<FieldRule>> fieldRules = new LinkedHashMap<>();
            meaning.fieldRules().forEach((column, found) ->
                    fieldRules.put(fieldsOf(List.of(column), fields).get(0), found));
            return new Entity.CheckedFields(dialect.reported(check), check,
                    fields.stream().filter(field -> columns.contains(field.column().name())).toList(),
                    fieldRules,
                    fieldsOf(List.copyOf(meaning.listed()), fields),
                    meaning.rowRules(),
                    meaning.unknown().isEmpty());
        }).toList();
    }

    private List<String> keyColumns(Table table, List<String> decidedKey, DecisionLookup.OfTable decided) {
        if (!decidedKey.isEmpty()) {
            if (isUsableAsKey(table, decidedKey)) {
                return decidedKey;
            }
            decided.mistake("Not all of these columns have values that can name a row.", "key");
        }
        return Stream.concat(table.primaryKey().stream(), table.uniqueKeys().stream())
                .map(UniqueKey::columns).filter(columns -> isUsableAsKey(table, columns)).findFirst().orElse(List.of());
    }

    private boolean isUsableAsKey(Table table, List<String> columns) {
        return columns.stream().map(table::column).allMatch(column -> !column.nullable() && column.type().isScalar());
    }

    private String path(Table table) {
        DecisionLookup.OfTable decided = lookup.of(table);
        Words words = words(table);
        String wanted = decided.decided().path().orElse(words.isEmpty() ? "rows" : words.plural().joined("-"));
        if (decided.decided().path().isPresent() && paths.containsValue(wanted)) {
            decided.mistake("Another table has the path \"" + wanted + "\".", "path");
        }
        String path = wanted;
        for (int i = 2; paths.containsValue(path); i++) {
            path = wanted + "-" + i;
        }
        if (!path.equals(wanted)) {
            remarks.add(new Remark(table.name(), Remark.Topic.NAME, "The path is not /" + wanted
                    + ": another table has it.",
                    List.of("path"), path));
        }
        return path;
    }

    private List<Relation> relations(Table table, List<Field> fields, DecisionLookup.OfTable decided) {
        Set<String> taken = new HashSet<>(Set.of("connection", "n"));
        fields.forEach(field -> taken.add(field.name().value()));
        Set<String> properties = fields.stream().map(Field::jsonName).collect(Collectors.toCollection(HashSet::new));
        List<Relation> relations = new ArrayList<>();
        for (ForeignKey key : table.foreignKeys()) {
            List<Field> referring = fieldsOf(key.columns(), fields);
            Optional<String> given = decided.field(referring.get(0).column()).reference();
            Words words = given.map(Words::of).orElseGet(() -> key.columns().size() == 1
                    ? Words.of(key.columns().get(0)).without("id").without("code")
                    : Words.of(key.target().name()).singular());
            if (given.isPresent() && (!JavaName.isValid(given.get()) || taken.contains(words.camel()))) {
                decided.mistakeInField(referring.get(0).column(), "reference",
                        "\"" + given.get() + "\" is not a Java name, or something else has it.");
            }
            boolean onlyOne = table.foreignKeys().stream().filter(other -> other.target().equals(key.target()))
                    .count() == 1;
            Words target = Words.of(classes.get(key.target()).value());
            Words chosen = !taken.contains(words.camel()) ? words : onlyOne ? target : words.and(target);
            JavaName name = Names.component(chosen, taken, (wanted, reason) -> { });
            String property = Stream.of(chosen.camel(), name.value(), name.value() + "Row")
                    .filter(wanted -> !wanted.isEmpty() && properties.add(wanted)).findFirst().orElse(name.value());
            relations.add(new Relation(key, name, referring, keyTypes.areFollowed(key, referring),
                    conventions.jsonNames() == Conventions.JsonNames.CAMEL_CASE
                            ? property : Words.of(name.value()).joined("_")));
        }
        table.columns().stream().filter(column -> decided.field(column).reference().isPresent())
                .filter(column -> table.foreignKeys().stream()
                        .noneMatch(key -> key.columns().get(0).equals(column.name())))
                .forEach(column -> decided.mistakeInField(column, "reference",
                        "The column does not refer to another table."));
        return relations;
    }

    private static List<Field> fieldsOf(List<String> columns, List<Field> fields) {
        return columns.stream()
                .map(column -> fields.stream().filter(f -> f.column().name().equals(column)).findFirst().orElseThrow())
                .toList();
    }

    private List<Field> filters(Table table, List<Field> fields, DecisionLookup.OfTable decided) {
        if (decided.decided().filters().isPresent()) {
            List<Column> columns = decided.columns(decided.decided().filters().get(), "filters");
            List<Field> chosen = fieldsOf(columns.stream().map(Column::name).toList(), fields);
            chosen.stream().filter(field -> !isFilter(table, field)).forEach(field -> decided.mistake("The column "
                    + field.column().name() + " has the type " + field.column().type().text()
                    + ", whose values are not compared.", "filters"));
            chosen.stream().filter(field -> !field.told()).forEach(field -> decided.mistake("The column "
                    + field.column().name() + UNTOLD, "filters"));
            return chosen;
        }
        Set<String> columns = new LinkedHashSet<>();
        Stream.concat(table.primaryKey().stream(), table.uniqueKeys().stream())
                .forEach(key -> columns.addAll(key.columns()));
        table.foreignKeys().forEach(key -> columns.addAll(key.columns()));
        table.indexes().stream().map(Index::columns).forEach(columns::addAll);
        return fields.stream().filter(field -> columns.contains(field.column().name()) && field.isFilterable())
                .filter(Field::told).toList();
    }

    /** Whether the engine compares values of a column: it does where a key or an index is over them. */
    private boolean isFilter(Table table, Field field) {
        String column = field.column().name();
        boolean indexed = Stream.of(table.primaryKey().stream(), table.uniqueKeys().stream()).flatMap(keys -> keys)
                .anyMatch(key -> key.columns().contains(column))
                || table.indexes().stream().anyMatch(index -> index.columns().contains(column));
        return field.isFilterable() && (indexed || dialect.isComparable(field.column().type()));
    }

    private List<Finder> finders(Table table, List<Field> fields, DecisionLookup.OfTable decided) {
        List<Finder> finders = new ArrayList<>();
        Set<String> taken = new HashSet<>(Set.of("findById"));
        for (int i = 0; i < decided.decided().finders().size(); i++) {
            Decisions.OfFinder wanted = decided.decided().finders().get(i);
            String place = Integer.toString(i);
            List<Column> columns = decided.columns(wanted.by(), "finders", place, "by");
            List<Field> compared = fieldsOf(columns.stream().map(Column::name).toList(), fields);
            Finder.Match match = wanted.match().orElse(Finder.Match.EQUAL);
            if (compared.size() < wanted.by().size()) {
                continue;
            }
            Optional<String> problem = problem(table, compared, match);
            if (problem.isPresent()) {
                decided.mistake(problem.get(), "finders", place, "by");
                continue;
            }
            String name = wanted.name().orElseGet(() -> "listWhere" + compared.stream()
                    .map(field -> Names.capitalised(field.name().value())).collect(Collectors.joining("IsAnd"))
                    + match.suffix());
            if (!JavaName.isValid(name) || name.indexOf('.') >= 0 || !taken.add(name)) {
                decided.mistake("The method cannot be named \"" + name
                        + "\": it is not a Java name, or another finder has it.",
                        "finders", place);
            } else {
                if (!wanted.roles().isEmpty() && Entity.roles(access.of(table), Operation.LIST).isEmpty()) {
                    decided.mistake("Nobody may list the rows, of which these roles are to see some. Name a role for read "
                            + "or list under access.", "finders", place, "roles");
                }
                finders.add(new Finder(JavaName.of(name), compared, match, wanted.roles()));
            }
        }
        return finders;
    }

    private Optional<String> problem(Table table, List<Field> compared, Finder.Match match) {
        if (compared.isEmpty()) {
            return Optional.of("A finder needs at least one column.");
        }
        for (Field field : compared) {
            if (!field.told()) {
                return Optional.of("The column " + field.column().name() + UNTOLD);
            }
            if (!isFilter(table, field)) {
                return Optional.of("The column " + field.column().name() + " has the type "
                        + field.column().type().text() + ", whose values are not compared.");
            }
        }
        Field last = compared.get(compared.size() - 1);
        boolean fits = switch (match) {
            case EQUAL, IN -> true;
            case CONTAINS, STARTS_WITH -> last.type() == JavaType.STRING && last.column().type().isText();
            case BETWEEN, LESS, GREATER -> last.type().isOrdered();
        };
        return fits ? Optional.empty() : Optional.of("The column " + last.column().name() + " has the type "
                + last.column().type().text() + ", which " + match.name().toLowerCase(Locale.ROOT).replace('_', '-')
                + " does not fit.");
    }

    private void remark(Table table, Remark.Topic topic, String text) {
        remarks.add(new Remark(table.name(), topic, text));
    }
}
