package dev.vinekit.change;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * Two states of a small schema as an engine's programmer would write them, and rows for the first one. All of it follows
 * from a number.
 */
final class RandomChange {
    private static final int ROWS = 6;

    private final Random random;
    private final String engine;
    private final List<Model> before = new ArrayList<>();
    private final List<Model> after;
    private final boolean view;
    private int extra;
    private final List<String> rows;

    /** A column; its type is an index into {@link #types}. */
    record Col(String name, int type, boolean required, String fallback, boolean unique, String check) {
        Col with(int newType) {
            return new Col(name, newType, required, fallback, unique, check);
        }

        Col named(String other) {
            return new Col(other, type, required, fallback, unique, check);
        }
    }

    /** A table whose key is {@code id}; it may refer to another one's key. */
    record Model(String name, List<Col> columns, String refersTo, String action, List<String> indexed) {
    }

    RandomChange(String engine, long seed) {
        this.engine = engine;
        this.random = new Random(seed);
        before.add(table("vessel", ""));
        before.add(table("racking", "vessel"));
        before.add(table("note", random.nextBoolean() ? "racking" : ""));
        view = random.nextInt(3) == 0;
        rows = madeUpRows();
        after = new ArrayList<>(before);
        int changes = 1 + random.nextInt(4);
        for (int i = 0; i < changes; i++) {
            change();
        }
    }

    private Model table(String name, String refersTo) {
        List<Col> columns = new ArrayList<>();
        for (int i = 0, count = 2 + random.nextInt(3); i < count; i++) {
            columns.add(column(name.charAt(0) + "_" + "abcdef".charAt(i)));
        }
        return new Model(name, columns, refersTo, List.of("CASCADE", "SET NULL", "NO ACTION").get(random.nextInt(3)),
                random.nextBoolean() && isKeyable(columns.get(0).type()) ? List.of(columns.get(0).name()) : List.of());
    }

    private Col column(String name) {
        int type = random.nextInt(types().size());
        return new Col(name, type, random.nextInt(3) == 0, random.nextInt(4) == 0 ? fallback(type) : "",
                isKeyable(type) && random.nextInt(6) == 0, random.nextInt(5) == 0 ? check(name, type) : "");
    }

    private List<String> types() {
        return switch (engine) {
            case "sqlite" -> List.of("INTEGER", "TEXT", "VARCHAR(5)", "REAL", "NUMERIC", "DATE", "DATETIME", "BLOB");
            case "mariadb", "mysql" -> List.of("int", "bigint", "varchar(5)", "varchar(40)", "text", "decimal(6,2)",
                    "decimal(9,4)", "date", "datetime(3)", "double", "tinyint unsigned", "enum('red','white')");
            case "h2" -> List.of("INT", "BIGINT", "VARCHAR(5)", "VARCHAR(40)", "CLOB", "NUMERIC(6, 2)", "NUMERIC(9, 4)",
                    "DATE", "TIMESTAMP(3)", "DOUBLE PRECISION", "BOOLEAN");
            default -> List.of("integer", "bigint", "varchar(5)", "varchar(40)", "text", "numeric(6,2)", "numeric(9,4)",
                    "date", "timestamp(3)", "double precision", "boolean", "timestamptz", "uuid");
        };
    }

    private boolean isKeyable(int type) {
        return !types().get(type).matches("(?i)text|clob|blob|boolean|enum.*");
    }

    private String fallback(int type) {
        String name = types().get(type).toLowerCase(Locale.ROOT);
        return name.matches("int.*|bigint|numeric.*|decimal.*|double.*|real|tinyint.*") ? "7"
                : name.startsWith("varchar") ? "'std'" : "";
    }

    private String check(String name, int type) {
        String words = types().get(type).toLowerCase(Locale.ROOT);
        return words.matches("int.*|bigint|numeric.*|decimal.*|double.*|real") ? name + " < 3000000000"
                : words.startsWith("varchar") ? name + " <> 'bad'" : "";
    }

    private void change() {
        int which = random.nextInt(after.size());
        Model table = after.get(which);
        List<Col> columns = new ArrayList<>(table.columns());
        int at = random.nextInt(columns.size());
        Col column = columns.get(at);
        String refersTo = table.refersTo();
        List<String> indexed = table.indexed();
        switch (random.nextInt(11)) {
            case 0 -> columns.add(new Col("added_" + ++extra, random.nextInt(types().size()), false, "", false, ""));
            case 1 -> columns.add(new Col("needed_" + ++extra, random.nextInt(types().size()), true, "", false, ""));
            case 2 -> columns.set(at, column.with(random.nextInt(types().size())));
            case 3 -> columns.set(at, new Col(column.name(), column.type(), !column.required(), column.fallback(),
                    column.unique(), column.check()));
            case 4 -> columns.set(at, new Col(column.name(), column.type(), column.required(), column.fallback(),
                    !column.unique() && isKeyable(column.type()), column.check()));
            case 5 -> columns.set(at, new Col(column.name(), column.type(), column.required(), column.fallback(),
                    column.unique(), column.check().isEmpty() ? check(column.name(), column.type()) : ""));
            case 6 -> {
                if (columns.size() > 1) {
                    columns.remove(at);
                }
            }
            case 7 -> columns.set(at, column.named(column.name() + "_new"));
            case 8 -> refersTo = refersTo.isEmpty() && !table.name().equals("vessel") ? "vessel" : "";
            case 9 -> indexed = indexed.isEmpty() && isKeyable(column.type()) ? List.of(column.name()) : List.of();
            default -> after.add(new Model("cask_" + after.size(), List.of(column("k_a"), column("k_b")), table.name(),
                    "NO ACTION", List.of()));
        }
        for (int i = 0; i < columns.size(); i++) {
            Col one = columns.get(i);
            boolean fits = one.fallback().isEmpty() || !fallback(one.type()).isEmpty();
            boolean checks = one.check().isEmpty() || !check(one.name(), one.type()).isEmpty();
            columns.set(i, new Col(one.name(), one.type(), one.required(), fits ? fallbackFor(one) : "",
                    one.unique() && isKeyable(one.type()), checks && !one.check().isEmpty() ? check(one.name(), one.type()) : ""));
        }
        List<String> names = columns.stream().filter(one -> isKeyable(one.type())).map(Col::name).toList();
        after.set(which, new Model(table.name(), columns, refersTo, table.action(),
                indexed.stream().filter(names::contains).toList()));
    }

    private String fallbackFor(Col column) {
        return column.fallback().isEmpty() ? "" : fallback(column.type());
    }

    String scriptBefore() {
        return script(before);
    }

    String scriptAfter() {
        return script(after);
    }

    private String script(List<Model> tables) {
        StringBuilder script = new StringBuilder();
        for (Model table : tables) {
            List<String> parts = new ArrayList<>();
            parts.add(engine.equals("sqlite") ? "id INTEGER PRIMARY KEY" : "id INT PRIMARY KEY");
            for (Col column : table.columns()) {
                parts.add(column.name() + " " + types().get(column.type())
                        + (column.fallback().isEmpty() ? "" : " DEFAULT " + column.fallback())
                        + (column.required() ? " NOT NULL" : ""));
            }
            boolean refers = tables.stream().anyMatch(other -> other.name().equals(table.refersTo()));
            if (refers) {
                parts.add("parent_id INT");
                parts.add("CONSTRAINT " + table.name() + "_parent FOREIGN KEY (parent_id) REFERENCES " + table.refersTo()
                        + " (id) ON DELETE " + table.action());
            }
            table.columns().stream().filter(Col::unique).forEach(column -> parts.add(
                    "CONSTRAINT " + table.name() + "_" + column.name() + "_key UNIQUE (" + column.name() + ")"));
            table.columns().stream().filter(column -> !column.check().isEmpty()).forEach(column -> parts.add(
                    "CONSTRAINT " + table.name() + "_" + column.name() + "_check CHECK (" + column.check() + ")"));
            script.append("CREATE TABLE ").append(table.name()).append(" (\n    ").append(String.join(",\n    ", parts))
                    .append("\n);\n");
            table.indexed().forEach(column -> script.append("CREATE INDEX ").append(table.name()).append('_').append(column)
                    .append("_ix ON ").append(table.name()).append(" (").append(column).append(");\n"));
        }
        if (view) {
            Model first = tables.get(0);
            script.append("CREATE VIEW vessel_view AS SELECT id, ").append(first.columns().stream().map(Col::name)
                    .filter(name -> before.get(0).columns().stream().anyMatch(c -> c.name().equals(name))).findFirst()
                    .orElse("id AS x")).append(" FROM vessel;\n");
        }
        return script.toString();
    }

    /** Statements that insert rows into the first state: values at the limits, NULL, and the same value twice. */
    List<String> rows() {
        return rows;
    }

    private List<String> madeUpRows() {
        List<String> inserts = new ArrayList<>();
        for (Model table : before) {
            for (int row = 1; row <= ROWS; row++) {
                List<String> names = new ArrayList<>(List.of("id"));
                List<String> values = new ArrayList<>(List.of(String.valueOf(row)));
                for (Col column : table.columns()) {
                    boolean none = !column.required() && random.nextInt(4) == 0;
                    names.add(column.name());
                    values.add(none ? "NULL" : value(column, row));
                }
                if (!table.refersTo().isEmpty()) {
                    names.add("parent_id");
                    values.add(random.nextInt(4) == 0 ? "NULL" : String.valueOf(1 + random.nextInt(ROWS)));
                }
                inserts.add("INSERT INTO " + table.name() + " (" + String.join(", ", names) + ") VALUES ("
                        + String.join(", ", values) + ")");
            }
        }
        return inserts;
    }

    private String value(Col column, int row) {
        int choice = column.unique() ? row : random.nextInt(4);
        String type = types().get(column.type()).toLowerCase(Locale.ROOT);
        if (type.equals("tinyint unsigned")) {
            return String.valueOf(250 + choice % 6);
        } else if (type.equals("boolean")) {
            return row % 2 == 0 ? "TRUE" : "FALSE";
        } else if (type.startsWith("enum")) {
            return choice % 2 == 0 ? "'red'" : "'white'";
        } else if (type.equals("uuid")) {
            return "'00000000-0000-0000-0000-00000000000" + choice + "'";
        } else if (type.equals("timestamptz")) {
            return "'2024-0" + (1 + choice % 9) + "-11 10:11:12.125+00'";
        } else if (type.equals("date")) {
            return "'2024-0" + (1 + choice % 9) + "-11'";
        } else if (type.startsWith("datetime") || type.startsWith("timestamp")) {
            return choice == 0 ? "'2024-01-11 00:00:00'" : "'2024-0" + (1 + choice % 9) + "-11 10:11:12.125'";
        } else if (type.equals("varchar(5)")) {
            return List.of("'12345'", "'a'", "'7'", "'é''x'", "'bb'", "'ccc'", "'007'").get(choice);
        } else if (type.startsWith("varchar") || type.equals("text") || type.equals("clob")) {
            return choice % 3 == 2 ? "'" + "long".repeat(9) + choice + "'" : List.of("'12'", "'a'", "", "'b b'", "'2024'", "", "'z'").get(choice)
                    .replaceFirst("^$", "'x" + choice + "'");
        } else if (type.equals("blob")) {
            return "x'00ff0" + choice + "'";
        } else if (type.matches("numeric.*|decimal.*|real|double.*")) {
            return List.of("0", "-1.5", "12.25", "999.99", "3", "4.5", "-7").get(choice);
        }
        return List.of("0", "-1", "40000", "2000000000", "5", "6", "7").get(choice);
    }

    @Override
    public String toString() {
        return "-- before\n" + scriptBefore() + "-- after\n" + scriptAfter() + "-- rows\n"
                + String.join(";\n", rows);
    }
}
