package com.example.cellar.support;

import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;

/** The columns that a list can be narrowed by, and what query parameters say about them. */
public final class Filters {
    private static final int MOST_OPTIONS = 100;

    private final Map<String, Column> columns = new LinkedHashMap<>();

    /**
     * A column to narrow by.
     *
     * @param name of its JSON property
     * @param sql the column as statements spell it
     * @param marker its parameter marker
     */
    public record Column(String name, String sql, String marker, Class<?> type) {
    }

    private Filters(List<Column> columns) {
        columns.forEach(column -> this.columns.put(column.name(), column));
    }

    public static Filters of(Column... columns) {
        return new Filters(List.of(columns));
    }

    public static Column on(String name, String sql, Class<?> type) {
        return new Column(name, sql, "?", type);
    }

    /** A column whose parameter marker is more than a question mark. */
    public static Column on(String name, String sql, String marker, Class<?> type) {
        return new Column(name, sql, marker, type);
    }

    /** The names to filter by. */
    public Set<String> names() {
        return columns.keySet();
    }

    /** Whether a parameter, such as {@code code} or {@code code.startsWith}, is about one of the columns. */
    boolean take(String parameter) {
        return columns.containsKey(parameter) || columns.containsKey(name(parameter));
    }

    /**
     * A condition, and what a parameter says.
     *
     * @throws ProblemException 400 if the operator or the value does not fit the column
     */
    Condition narrow(Condition condition, String parameter, String value) {
        boolean plain = columns.containsKey(parameter);
        Column column = columns.get(plain ? parameter : name(parameter));
        String operator = plain ? "" : parameter.substring(column.name().length() + 1);
        if (!operators(column.type()).contains(operator)) {
            throw ProblemException.malformed("There is no parameter " + parameter + "; " + column.name()
                    + " takes " + operators(column.type()).stream().filter(known -> !known.isEmpty())
                            .map(known -> column.name() + "." + known)
                                    .collect(Collectors.joining(", ", column.name() + ", ", ".")));
        }
        String sql = column.sql();
        return switch (operator) {
            case "not" -> condition.and(sql + " <> " + column.marker(), parse(column, parameter, value));
            case "in" -> condition.in(sql, column.marker(), options(column, parameter, value));
            case "atLeast" -> condition.and(sql + " >= " + column.marker(), parse(column, parameter, value));
            case "atMost" -> condition.and(sql + " <= " + column.marker(), parse(column, parameter, value));
            case "greater" -> condition.and(sql + " > " + column.marker(), parse(column, parameter, value));
            case "less" -> condition.and(sql + " < " + column.marker(), parse(column, parameter, value));
            case "contains" -> condition.contains(sql, value);
            case "startsWith" -> condition.startsWith(sql, value);
            case "isNull" -> condition.and(sql + (truth(parameter, value) ? " IS NULL" : " IS NOT NULL"));
            default -> condition.and(sql + " = " + column.marker(), parse(column, parameter, value));
        };
    }

    private static String name(String parameter) {
        return parameter.substring(0, Math.max(0, parameter.lastIndexOf('.')));
    }

    private static List<String> operators(Class<?> type) {
        List<String> operators = new ArrayList<>(List.of("", "not", "in", "isNull"));
        if (Number.class.isAssignableFrom(type) || Temporal.class.isAssignableFrom(type) || type == String.class) {
            operators.addAll(List.of("atLeast", "atMost", "greater", "less"));
        }
        if (type == String.class) {
            operators.addAll(List.of("contains", "startsWith"));
        }
        return operators;
    }

    private static List<Object> options(Column column, String parameter, String value) {
        String[] options = value.split(",", -1);
        if (options.length > MOST_OPTIONS) {
            throw ProblemException.malformed("The parameter " + parameter + " takes at most " + MOST_OPTIONS
                    + " values.");
        }
        return Arrays.stream(options).map(option -> parse(column, parameter, decoded(parameter, option))).toList();
    }

    /** An option, in which a comma of its own is percent-encoded once more. */
    private static String decoded(String parameter, String option) {
        try {
            return PathKeys.decoded(option);
        } catch (IllegalArgumentException e) {
            throw ProblemException.malformed("The value of the parameter " + parameter
                    + " has a broken percent-encoding.");
        }
    }

    private static Object parse(Column column, String parameter, String value) {
        try {
            return Objects.requireNonNull(PathKeys.parse(value, column.type()));
        } catch (IllegalArgumentException | NullPointerException e) {
            throw ProblemException.malformed(
                    "The value of the parameter " + parameter + " " + InputReader.expected(column.type()) + ".");
        }
    }

    private static boolean truth(String parameter, String value) {
        if (!value.equals("true") && !value.equals("false")) {
            throw ProblemException.malformed("The parameter " + parameter + " takes true or false.");
        }
        return value.equals("true");
    }
}
