package dev.vinekit.mapping;

import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Expression;
import dev.vinekit.sql.Expression.Operator;
import dev.vinekit.sql.LikePattern;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;
import java.util.stream.Collectors;

/** What the types and checks of a table mean for its fields. */
final class TableRules {
    private static final List<String> TEXT_TYPES = List.of("text", "character", "varchar", "bpchar");
    private static final List<String> NUMBER_TYPES =
            List.of("numeric", "decimal", "double", "real", "bigint", "integer", "smallint", "tinyint");

    /** Functions that count characters of a text, and those that count bytes of a binary value. */
    private static final Set<String> TEXT_LENGTHS = Set.of("char_length", "character_length", "length");
    private static final Set<String> LENGTHS = Set.of("char_length", "character_length", "length", "octet_length");

    private final Table table;
    private final Dialect dialect;
    private final Map<String, List<FieldRule>> fieldRules = new HashMap<>();
    private final Map<String, List<String>> labels = new HashMap<>();
    private final List<Part> forRows = new ArrayList<>();
    private final Map<Check, Meaning> meanings = new LinkedHashMap<>();

    private TableRules(Table table, Dialect dialect) {
        this.table = table;
        this.dialect = dialect;
    }

    static TableRules of(Table table, List<Check> checks, Dialect dialect) {
        TableRules rules = new TableRules(table, dialect);
        table.columns().forEach(rules::addType);
        for (Check check : checks) {
            rules.meanings.put(check, new Meaning(new HashMap<>(), new LinkedHashSet<>(), new ArrayList<>(),
                    new ArrayList<>()));
            dialect.parseCheck(check.expression()).conjuncts()
                    .flatMap(part -> withoutNullGuard(rules.withoutCasts(part)).conjuncts())
                    .forEach(part -> rules.addCheck(check, rules.withoutCasts(part)));
        }
        return rules;
    }

    /** The texts that a check allows in a column, in order; empty if no check lists them. */
    List<String> labels(String column) {
        return isExact(column) ? labels.getOrDefault(column, List.of()) : List.of();
    }

    /** Two texts for a column that takes only some, and has no enumeration; empty for others. */
    List<String> examples(Column column) {
        List<String> listed = labels.getOrDefault(column.name(), List.of());
        return listed.isEmpty() ? dialect.sampleTexts(column.type())
                : List.of(listed.get(0), listed.get(listed.size() - 1));
    }

    List<FieldRule> fieldRules(String column) {
        List<FieldRule> rules = new ArrayList<>(fieldRules.getOrDefault(column, List.of()));
        if (labels.containsKey(column)) {
            rules.add(new FieldRule.Pattern(inAnyCase(isExact(column), labels.get(column).stream()
                    .map(LikePattern::literal).collect(Collectors.joining("|")))));
        }
        return rules;
    }

    /** Whether type and checks say that values of a column are of exactly so many bytes. */
    boolean demandsBytes(String column, int count) {
        List<FieldRule> rules = fieldRules.getOrDefault(column, List.of());
        return rules.stream().anyMatch(rule -> rule instanceof FieldRule.Bytes bytes && bytes.most() == count)
                && rules.stream().anyMatch(rule -> rule instanceof FieldRule.Bytes bytes && bytes.least() == count);
    }

    /** What a check comes to; that of rows is known after {@link #rowRules}. */
    Meaning meaning(Check check) {
        return meanings.get(check);
    }

    /** Checks of which a part at least is not understood; known after {@link #rowRules}. */
    Set<Check> leftToDatabase() {
        return meanings.keySet().stream().filter(check -> !meanings.get(check).unknown().isEmpty())
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    List<RowRule> rowRules(List<Field> fields) {
        Map<String, Field> inputs = fields.stream().filter(Field::updatable)
                .collect(Collectors.toMap(field -> field.column().name(), field -> field));
        fields.stream().filter(Field::inKey).forEach(field -> inputs.put(field.column().name(), field));
        List<RowRule> rules = new ArrayList<>();
        for (Part part : forRows) {
            Optional<RowRule> rule = rowRule(part, inputs);
            Meaning meaning = meanings.get(part.check());
            rule.ifPresentOrElse(meaning.rowRules()::add, () -> meaning.unknown().add(part.expression()));
            rule.ifPresent(rules::add);
        }
        return rules;
    }

    /** Enumerations are told by a type of their own. */
    private void addType(Column column) {
        if (column.type().kind() != SqlType.Kind.ENUM) {
            TypeRules.of(column.type()).forEach(rule -> add(column.name(), rule));
        }
    }

    private void add(String column, FieldRule rule) {
        fieldRules.computeIfAbsent(column, key -> new ArrayList<>()).add(rule);
    }

    private void addCheck(Check check, Expression part) {
        Meaning meaning = meanings.get(check);
        if (part instanceof Expression.In in && addLabels(in)) {
            meaning.listed().addAll(in.columns());
            return;
        }
        Map<String, Integer> before = new HashMap<>();
        part.columns().forEach(column -> before.put(column, fieldRules.getOrDefault(column, List.of()).size()));
        if (part instanceof Expression.Comparison comparison && addBound(comparison)
                || part instanceof Expression.Like like && addPattern(like)
                || part instanceof Expression.Matches matches && addPattern(matches)) {
            before.forEach((column, size) -> {
                List<FieldRule> now = fieldRules.getOrDefault(column, List.of());
                meaning.fieldRules().computeIfAbsent(column, key -> new ArrayList<>())
                        .addAll(now.subList(size, now.size()));
            });
            return;
        }
        forRows.add(new Part(check, part));
    }

    /**
     * The rest of {@code x IS NULL OR rest}, where the rest is not known for a NULL anyway: a check keeps what is not
     * known.
     */
    private static Expression withoutNullGuard(Expression expression) {
        if (!(expression instanceof Expression.Or or) || or.parts().size() != 2) {
            return expression;
        }
        for (int i = 0; i < 2; i++) {
            Expression rest = or.parts().get(1 - i);
            if (or.parts().get(i) instanceof Expression.IsNull guard
                    && guard.value() instanceof Expression.ColumnRef ref
                    && rest.conjuncts().allMatch(part -> isUnknownFor(part, ref))) {
                return rest;
            }
        }
        return expression;
    }

    /** Whether a condition is neither true nor false where a column is NULL. */
    private static boolean isUnknownFor(Expression part, Expression.ColumnRef ref) {
        return part instanceof Expression.Comparison comparison ? isOf(comparison.left(), ref)
                || isOf(comparison.right(), ref)
                : part instanceof Expression.Like like ? isOf(like.value(), ref)
                : part instanceof Expression.Matches matches ? isOf(matches.value(), ref)
                : part instanceof Expression.In in && isOf(in.value(), ref);
    }

    /** Whether a value is that of the column, or its length. */
    private static boolean isOf(Expression value, Expression.ColumnRef ref) {
        return value.equals(ref) || value instanceof Expression.Call call && call.arguments().equals(List.of(ref))
                && LENGTHS.contains(call.name());
    }

    /** Casts of a column to a wider type of its own kind, and of constants, change nothing: engines add them. */
    private Expression withoutCasts(Expression expression) {
        if (expression instanceof Expression.Comparison c) {
            return new Expression.Comparison(c.operator(), withoutCasts(c.left()), withoutCasts(c.right()));
        } else if (expression instanceof Expression.In in) {
            return new Expression.In(withoutCasts(in.value()), in.options().stream().map(this::withoutCasts).toList());
        } else if (expression instanceof Expression.Like like) {
            return new Expression.Like(withoutCasts(like.value()), like.pattern(), like.escape());
        } else if (expression instanceof Expression.Matches matches) {
            return new Expression.Matches(withoutCasts(matches.value()), matches.pattern());
        } else if (expression instanceof Expression.Call call) {
            return new Expression.Call(call.name(), call.arguments().stream().map(this::withoutCasts).toList());
        } else if (expression instanceof Expression.Cast cast) {
            return withoutCast(cast);
        }
        return expression;
    }

    private Expression withoutCast(Expression.Cast cast) {
        String type = cast.type().toLowerCase(Locale.ROOT);
        boolean toText = TEXT_TYPES.stream().anyMatch(type::startsWith);
        boolean toNumber = NUMBER_TYPES.stream().anyMatch(type::startsWith);
        Expression value = withoutCasts(cast.value());
        if (value instanceof Expression.ColumnRef ref) {
            boolean widened = toText && isText(ref.name())
                    || type.startsWith("numeric") && !type.contains("(") && isNumber(ref.name());
            return widened ? value : cast;
        }
        if (toNumber && value instanceof Expression.Text text && text.value().matches("[+-]?\\d+(\\.\\d+)?")) {
            return new Expression.Number(new BigDecimal(text.value()));
        }
        boolean sameKind = toText && value instanceof Expression.Text || toNumber && value instanceof Expression.Number;
        return sameKind ? value : cast;
    }

    private boolean addBound(Expression.Comparison comparison) {
        if (comparison.right() instanceof Expression.ColumnRef && literal(comparison.left()).isPresent()) {
            return addBound(new Expression.Comparison(
                    comparison.operator().mirrored(), comparison.right(), comparison.left()));
        }
        Optional<BigDecimal> bound = literal(comparison.right());
        if (bound.isEmpty()) {
            return false;
        }
        if (comparison.left() instanceof Expression.ColumnRef ref && isNumber(ref.name())) {
            return addNumberBound(ref.name(), comparison.operator(), bound.get());
        }
        return comparison.left() instanceof Expression.Call call && call.arguments().size() == 1
                && call.arguments().get(0) instanceof Expression.ColumnRef ref
                && (isText(ref.name()) && TEXT_LENGTHS.contains(call.name()) || isBinary(ref.name())
                        && LENGTHS.contains(call.name()))
                && addLength(ref.name(), comparison.operator(), bound.get());
    }

    private boolean addNumberBound(String column, Operator operator, BigDecimal bound) {
        switch (operator) {
            case AT_LEAST, GREATER -> add(column, new FieldRule.Least(bound, operator == Operator.AT_LEAST));
            case AT_MOST, LESS -> add(column, new FieldRule.Most(bound, operator == Operator.AT_MOST));
            case EQUAL -> {
                add(column, new FieldRule.Least(bound, true));
                add(column, new FieldRule.Most(bound, true));
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    private boolean addLength(String column, Operator operator, BigDecimal bound) {
        if (bound.stripTrailingZeros().scale() > 0 || bound.abs().compareTo(BigDecimal.valueOf(1_000_000_000)) > 0) {
            return false;
        }
        int n = bound.intValueExact();
        switch (operator) {
            case AT_LEAST -> addLength(column, n, Integer.MAX_VALUE);
            case GREATER -> addLength(column, n + 1, Integer.MAX_VALUE);
            case AT_MOST -> addLength(column, 0, n);
            case LESS -> addLength(column, 0, n - 1);
            case EQUAL -> addLength(column, n, n);
            default -> {
                return false;
            }
        }
        return true;
    }

    private void addLength(String column, int least, int most) {
        add(column, isBinary(column) ? new FieldRule.Bytes(least, most) : new FieldRule.Length(least, most));
    }

    private boolean addLabels(Expression.In in) {
        boolean texts = in.options().stream().allMatch(Expression.Text.class::isInstance);
        if (!texts || !(in.value() instanceof Expression.ColumnRef ref) || !isText(ref.name())
                || labels.containsKey(ref.name())) {
            return false;
        }
        labels.put(ref.name(), in.options().stream()
                .map(option -> ((Expression.Text) option).value()).distinct().toList());
        return true;
    }

    private boolean addPattern(Expression.Like like) {
        if (!(like.value() instanceof Expression.ColumnRef ref) || !isText(ref.name()) || like.escape().length() > 1) {
            return false;
        }
        char escape = like.escape().isEmpty() ? '\\' : like.escape().charAt(0);
        add(ref.name(), new FieldRule.Pattern(inAnyCase(find(ref.name()).filter(column ->
                dialect.likeTellsCase(table, column)).isPresent(), LikePattern.regex(like.pattern(), escape))));
        return true;
    }

    private boolean addPattern(Expression.Matches matches) {
        if (!(matches.value() instanceof Expression.ColumnRef ref) || !isText(ref.name())) {
            return false;
        }
        Optional<String> regex = dialect.javaRegex(matches.pattern());
        if (regex.isEmpty() || !compiles(regex.get())) {
            return false;
        }
        add(ref.name(), new FieldRule.Pattern(WholeMatch.of(regex.get(), dialect.regexIsWhole())));
        return true;
    }

    /** The expression as an engine that does not tell capitals from small letters means it. */
    private static String inAnyCase(boolean tellsCase, String regex) {
        return tellsCase ? regex : "(?iu:" + regex + ")";
    }

    private boolean isExact(String column) {
        return find(column).map(found -> dialect.comparesExactly(table, found)).orElse(true);
    }

    /** Whether a service can hold texts to an expression, in time that grows with their length only. */
    private static boolean compiles(String regex) {
        try {
            Pattern.compile(regex);
            com.google.re2j.Pattern.compile(regex);
            return true;
        } catch (PatternSyntaxException | com.google.re2j.PatternSyntaxException e) {
            return false;
        }
    }

    private static Optional<RowRule> rowRule(Part part, Map<String, Field> inputs) {
        if (part.expression() instanceof Expression.Comparison comparison
                && comparison.left() instanceof Expression.ColumnRef left
                && comparison.right() instanceof Expression.ColumnRef right) {
            Field a = inputs.get(left.name());
            Field b = inputs.get(right.name());
            boolean equality = comparison.operator() == Operator.EQUAL || comparison.operator() == Operator.NOT_EQUAL;
            boolean comparable = a != null && b != null && a.type() == b.type()
                    && (a.type().isComparable() || equality && a.type() == JavaType.UUID);
            return comparable
                    ? Optional.of(new RowRule.Compare(part.check().name(), a, comparison.operator(), b))
                    : Optional.empty();
        }
        if (part.expression() instanceof Expression.In in && in.value() instanceof Expression.ColumnRef ref
                && inputs.containsKey(ref.name()) && inputs.get(ref.name()).type().isNumber()) {
            List<BigDecimal> options = in.options().stream().flatMap(option -> literal(option).stream()).toList();
            if (options.size() == in.options().size()) {
                return Optional.of(new RowRule.OneOf(part.check().name(), inputs.get(ref.name()), options));
            }
        }
        return Optional.empty();
    }

    /** A number, also where the engine put a cast around it. */
    private static Optional<BigDecimal> literal(Expression expression) {
        if (expression instanceof Expression.Cast cast) {
            return literal(cast.value());
        }
        return expression instanceof Expression.Number number ? Optional.of(number.value()) : Optional.empty();
    }

    private boolean isNumber(String column) {
        return find(column).map(found -> JavaType.of(found.type()).isNumber()).orElse(false);
    }

    private boolean isText(String column) {
        return find(column).map(found -> found.type().isText()).orElse(false);
    }

    private boolean isBinary(String column) {
        return find(column).map(found -> found.type().kind() == SqlType.Kind.BINARY).orElse(false);
    }

    private Optional<Column> find(String name) {
        return table.columns().stream().filter(column -> column.name().equals(name)).findFirst();
    }

    private record Part(Check check, Expression expression) {
    }

    /**
     * What a check comes to.
     *
     * @param fieldRules rules for single columns, by their names
     * @param listed columns whose values it lists
     * @param rowRules rules for rows
     * @param unknown parts that the service does not check
     */
    record Meaning(
            Map<String, List<FieldRule>> fieldRules, Set<String> listed, List<RowRule> rowRules,
            List<Expression> unknown) {
    }
}
