package dev.vinekit;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.engine.Engines;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import dev.vinekit.sql.Dialect;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** A valid schema that a number makes up: 1 to 30 tables with types, constraints, references and names of all sorts. */
final class RandomSchema {
    private static final List<String> WORDS =
            List.of("parcel", "vessel", "harvest", "blend", "bottling", "grower", "press", "yeast",
            "label", "tasting", "shelf", "crate", "sensor", "weather", "supplier", "invoice", "must", "vintage",
            "slope", "row_no", "weight", "name", "code", "title", "note", "amount", "price", "rate", "level", "state",
            "kind", "day", "begun", "ended", "city", "email");
    private static final List<String> ODD_NAMES =
            List.of("order", "group", "select", "from", "user", "table", "Order", "ORDER", "class", "int",
            "new", "String", "Object", "hashCode", "get_class", "toString", "id_", "ID", "a b", "Group By", "2fast",
            "it's", "quo\"te", "back`tick", "größe", "Straße", "x-y", "a.b", "a,b", "foo_bar", "fooBar", "FOO BAR",
            "count", "limit", "after", "sort", "fields", "include", "page", "response", "request", "input",
            "connection", "value", "key", "list", "List", "Optional", "row", "rows", "n", "null", "true", "record",
            "var", "yield", "_", "__", "$", "a$b", "*/", "\\u0022", "${x}", "<#if>", "data", "series", "people", "news",
            "status");

    private final String engine;
    private final Dialect dialect;
    private final Random random;
    private final long seed;
    private final List<Made> tables = new ArrayList<>();
    private final List<String> later = new ArrayList<>();
    private int constraints;

    private RandomSchema(String engine, long seed) {
        this.engine = engine;
        this.seed = seed;
        this.random = new Random(seed);
        this.dialect = Engines.named(engine).dialect(new Schema(engine, "", List.of()));
    }

    /** The statements that make the schema of a number on an engine. */
    static String script(String engine, long seed) {
        return new RandomSchema(engine, seed).script();
    }

    /**
     * Generates, compiles and tests a service for the schema of a number. What the last service for the engine was
     * compiled to is taken over, so that files that are the same in both are compiled once.
     */
    static TestReport tested(String engine, long seed) throws SQLException, IOException {
        Path directory = Files.createTempDirectory("random-schema");
        Path compiled = Path.of("target", "random-schemas", engine + "-" + ProcessHandle.current().pid());
        Files.createDirectories(compiled.getParent());
        try (TestDatabases database = TestDatabases.on(engine, script(engine, seed))) {
            Project project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(
                    VineKit.read(database.database(), Scope.all()),
                    MappingFile.parse("options", new RandomSchema(engine, seed).options(), Map.of(), false), Set.of()),
                    ""), directory));
            move(compiled, directory.resolve("target"));
            QuickCompiler.compile(project);
            TestReport report = Runner.test(project);
            move(directory.resolve("target"), compiled);
            return report;
        } finally {
            delete(directory);
        }
    }

    /**
     * Asserts that schemas which nobody has seen before go all the way, as many as there is time for. Their numbers are
     * printed: the number of one that does not go belongs in {@code random-schemas.csv}.
     */
    static void assertGreen(String engine, Duration time) throws SQLException, IOException {
        long first = new SecureRandom().nextLong();
        long end = System.nanoTime() + time.toNanos();
        int done = 0;
        while (done == 0 || System.nanoTime() < end) {
            assertGreen(engine, first + done);
            done++;
        }
        System.out.println(done + " random schemas of " + engine + " from number " + first + " on are green.");
    }

    /** Asserts that the schema of a number goes all the way to a green matrix. */
    static void assertGreen(String engine, long seed) throws SQLException, IOException {
        TestReport report;
        try {
            report = tested(engine, seed);
        } catch (Fault e) {
            throw new AssertionError(engine + " " + seed + ": " + e.getMessage(), e);
        }

        assertThat(report.failures()).as("%s %d", engine, seed)
                .extracting(TestOutcome::testClass, TestOutcome::name, TestOutcome::failure).isEmpty();
        assertThat(report.isGreen()).as("%s %d", engine, seed).isTrue();
    }

    private static void move(Path from, Path to) throws IOException {
        if (Files.isDirectory(from)) {
            try (Stream<Path> files = Files.walk(from)) {
                for (Path file : files.toList()) {
                    Path copy = to.resolve(from.relativize(file).toString());
                    if (Files.isDirectory(file)) {
                        Files.createDirectories(copy);
                    } else {
                        Files.copy(file, copy);
                    }
                }
            }
            delete(from);
        }
    }

    private static void delete(Path directory) throws IOException {
        try (Stream<Path> files = Files.walk(directory)) {
            files.sorted(Comparator.reverseOrder()).forEach(file -> file.toFile().delete());
        }
    }

    /**
     * Tests many, more than there is time for each day, and prints a line for each that is not green.
     *
     * @param arguments the engine, how many, and a number that the numbers of the schemas come from
     */
    public static void main(String[] arguments) throws SQLException, IOException {
        String engine = arguments[0];
        Random seeds = new Random(Long.parseLong(arguments[2]));
        int count = Integer.parseInt(arguments[1]);
        int green = 0;
        long tests = 0;
        for (int i = 0; i < count; i++) {
            long seed = seeds.nextLong();
            try {
                TestReport report = tested(engine, seed);
                green += report.isGreen() ? 1 : 0;
                tests += report.outcomes().size();
                if (!report.isGreen()) {
                    System.out.println(engine + "," + seed + " " + report.changedTables() + " " + report.failures());
                }
            } catch (RuntimeException | SQLException e) {
                System.out.println(engine + "," + seed + " " + e);
            }
            if ((i + 1) % 50 == 0 || i + 1 == count) {
                System.out.println(engine + ": " + green + " of " + (i + 1) + " green, " + tests + " tests");
            }
        }
    }

    /** A mapping file: half of the time the default, and otherwise any of the options that change much of the code. */
    private String options() {
        Random more = new Random(seed * 31 + 7);
        if (more.nextBoolean()) {
            return "{project: {package: com.example.made}}";
        }
        String project = "project: {package: com.example.made, interfaces: " + more.nextBoolean() + ", layout: "
                + (more.nextBoolean() ? "by-table" : "by-layer") + "}";
        boolean restricted = isKept() && more.nextBoolean();
        boolean signed = restricted && more.nextBoolean();
        String stamps = !isKept() || more.nextInt(4) == 0 && !signed ? "" : ", stamps: {created-at: created_at"
                + (signed ? ", created-by: owner" : "")
                + (more.nextBoolean() ? ", deleted-at: deleted_at" : "") + "}";
        String access = !restricted ? "" : ", http: {other-tables: [keeper]}, entities: {"
                + "shape_kept: {access: {read: [\"*\"], create: [keeper, guest], patch: [guest], delete: [keeper]}"
                + (signed ? "" : ", own-rows: {column: owner, claim: sub, all-for: [keeper]}") + "}}";
        return "{" + project + stamps + access + "}";
    }

    private boolean isKept() {
        return new Random(seed * 31 + 11).nextInt(100) < 40;
    }

    /** A table whose rows have an owner and stay when they are deleted, and others that refer to it. */
    private void kept(StringBuilder script) {
        Random more = new Random(seed * 31 + 13);
        String moment = switch (engine) {
            case "postgresql" -> "TIMESTAMPTZ";
            case "h2" -> "TIMESTAMP WITH TIME ZONE";
            case "mariadb", "mysql" -> "DATETIME(6)";
            default -> "TIMESTAMP";
        };
        script.append("CREATE TABLE shape_kept (id INTEGER NOT NULL PRIMARY KEY, owner VARCHAR(40) NOT NULL, note VARCHAR(20), ")
                .append("created_at ").append(moment).append(" NOT NULL, deleted_at ").append(moment).append(more.nextBoolean()
                        ? "" : " NULL").append(");\n");
        for (String action : List.of("", " ON DELETE CASCADE", " ON DELETE SET NULL")) {
            if (more.nextBoolean()) {
                script.append("CREATE TABLE shape_kept_").append(action.isEmpty() ? "plain" : action.substring(11)
                        .toLowerCase(Locale.ROOT).replace(' ', '_')).append(" (id INTEGER NOT NULL PRIMARY KEY, kept_id INTEGER")
                        .append(action.contains("NULL") ? "" : " NOT NULL").append(", note VARCHAR(9), ")
                        .append("FOREIGN KEY (kept_id) REFERENCES shape_kept (id)").append(action).append(");\n");
            }
        }
    }

    private String script() {
        int count = chance(4) ? 10 + random.nextInt(21) : 1 + random.nextInt(4);
        Set<String> taken = new HashSet<>();
        StringBuilder script = new StringBuilder("-- " + engine + " " + seed + "\n");
        List<String> names = IntStream.range(0, count).mapToObj(i -> freshName(taken)).toList();
        List<Made> made = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            made.add(table(names.get(i)));
        }
        for (int i = 0; i < count; i++) {
            if (count > 1 && chance(25)) {
                ahead(made.get(random.nextInt(count)), made.get(i));
            }
        }
        made.forEach(table -> script.append(table.definition()));
        later.forEach(statement -> script.append(statement).append(";\n"));
        shapes(script);
        if (chance(30)) {
            Made read = made.get(random.nextInt(count));
            script.append("CREATE VIEW ").append(dialect.identifier(freshName(taken))).append(" AS SELECT * FROM ")
                    .append(read.sqlName()).append(";\n");
        }
        return script.toString();
    }

    /**
     * Keys of every type that the engine lets stand in one, lists, functions and triggers; by a chance of their own, so
     * that older numbers keep their tables.
     */
    private void shapes(StringBuilder script) {
        Random more = new Random(~seed);
        List<String> types = switch (engine) {
            case "postgresql" -> List.of("TEXT", "BYTEA", "INET", "CIDR", "MACADDR", "INTERVAL", "BIT(5)",
                    "BIT VARYING(9)", "DOUBLE PRECISION", "REAL", "NUMERIC", "CHAR(4)", "TIME", "TIMETZ", "TIMESTAMPTZ",
                    "NAME", "OID", "MONEY", "UUID");
            case "mariadb" -> List.of("VARBINARY(20)", "BINARY(16)", "CHAR(4)", "BIT(7)", "FLOAT", "DOUBLE",
                    "DECIMAL(8, 3)", "INET6", "UUID", "TIME(2)", "DATETIME(3)", "VARCHAR(20) COLLATE utf8mb4_bin",
                    "BIGINT UNSIGNED");
            case "mysql" -> List.of("VARBINARY(20)", "BINARY(16)", "CHAR(4)", "BIT(7)", "FLOAT", "DOUBLE",
                    "DECIMAL(8, 3)", "TIME(2)", "DATETIME(3)", "VARCHAR(20) COLLATE utf8mb4_bin",
                    "CHAR(9) COLLATE utf8mb4_0900_as_cs", "BIGINT UNSIGNED", "YEAR");
            case "sqlite" -> List.of("TEXT", "BLOB", "REAL", "TEXT COLLATE NOCASE", "NUMERIC", "DATE", "DATETIME");
            default -> List.of("VARCHAR", "VARBINARY(20)", "BINARY(8)", "DOUBLE PRECISION", "REAL", "NUMERIC(8, 3)",
                    "CHAR(4)", "INTERVAL DAY", "INTERVAL YEAR TO MONTH", "TIME", "TIMESTAMP WITH TIME ZONE",
                    "VARCHAR_IGNORECASE(20)", "UUID");
        };
        String type = types.get(more.nextInt(types.size()));
        if (more.nextInt(100) < 50) {
            script.append("CREATE TABLE shape_key (k ").append(type)
                    .append(" NOT NULL PRIMARY KEY, note VARCHAR(20) DEFAULT NULL, n INTEGER);\n");
            if (more.nextBoolean()) {
                script.append("CREATE TABLE shape_child (id INTEGER NOT NULL PRIMARY KEY, k ").append(type)
                        .append(" NOT NULL, FOREIGN KEY (k) REFERENCES shape_key (k)")
                        .append(more.nextBoolean() ? " ON DELETE CASCADE" : "").append(");\n");
            }
        }
        List<String> lists = switch (engine) {
            case "postgresql" -> List.of("TEXT[] NOT NULL", "INTEGER[]", "NUMERIC(6, 2)[]", "DATE[]", "TIMESTAMPTZ[]",
                    "UUID[]", "BOOLEAN[]", "VARCHAR(5)[]", "BYTEA[]");
            case "h2" -> List.of("VARCHAR(9) ARRAY NOT NULL", "INTEGER ARRAY", "NUMERIC(6, 2) ARRAY[4]", "DATE ARRAY",
                    "BOOLEAN ARRAY");
            case "mariadb", "mysql" -> List.of("SET('a', 'b c', 'd') NOT NULL", "SET('x')");
            default -> List.of();
        };
        if (!lists.isEmpty() && more.nextInt(100) < 30) {
            script.append("CREATE TABLE shape_list (id INTEGER NOT NULL PRIMARY KEY, items ")
                    .append(lists.get(more.nextInt(lists.size()))).append(", n INTEGER DEFAULT NULL);\n");
        }
        if (more.nextInt(100) < 25) {
            script.append(switch (engine) {
                case "postgresql" -> """
                        CREATE FUNCTION shape_touched() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NEW.n := 7; RETURN NEW; END $$;
                        CREATE FUNCTION shape_code() RETURNS TEXT LANGUAGE sql AS 'SELECT ''c'' || md5(random()::text)';
                        CREATE TABLE shape_trigger (id INTEGER PRIMARY KEY, code TEXT DEFAULT shape_code() NOT NULL, n INTEGER, m INTEGER);
                        CREATE TRIGGER shape_set BEFORE INSERT OR UPDATE ON shape_trigger FOR EACH ROW EXECUTE FUNCTION shape_touched();
                        """;
                case "mariadb", "mysql" -> """
                        CREATE TABLE shape_trigger (id INTEGER AUTO_INCREMENT, code VARCHAR(9) NOT NULL PRIMARY KEY, n INTEGER, m TEXT, KEY (id), KEY (m(9)));
                        CREATE TRIGGER shape_set BEFORE UPDATE ON shape_trigger FOR EACH ROW SET NEW.n = 7;
                        """;
                case "sqlite" -> """
                        CREATE TABLE shape_trigger (id INTEGER PRIMARY KEY, code TEXT NOT NULL, n INTEGER, m INTEGER);
                        CREATE TRIGGER shape_set AFTER INSERT ON shape_trigger BEGIN UPDATE shape_trigger SET n = 7 WHERE id = NEW.id; END;
                        """;
                default ->
                        "CREATE TABLE shape_trigger (id INTEGER PRIMARY KEY, at TIMESTAMP DEFAULT CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP, n INTEGER);\n";
            });
        }
        keys(script, more);
        if (isKept()) {
            kept(script);
        }
        if (more.nextInt(100) < 15) {
            script.append("CREATE TABLE shape_blobs (a ").append(engine.equals("postgresql") ? "BYTEA" : "BLOB")
                    .append(", b ")
                    .append(engine.equals("h2") ? "CLOB" : "TEXT").append(");\n");
        }
    }

    private boolean chance(int percent) {
        return random.nextInt(100) < percent;
    }

    @SafeVarargs
    private <T> T one(T... options) {
        return options[random.nextInt(options.length)];
    }

    private <T> T one(List<T> options) {
        return options.get(random.nextInt(options.size()));
    }

    /**
     * Keys of several parts with little room each, binary values of a length, checks that let NULL pass, and digits.
     */
    private void keys(StringBuilder script, Random more) {
        String bytes = engine.equals("postgresql") ? "BYTEA" : engine.equals("sqlite") ? "BLOB" : "VARBINARY(40)";
        String length = engine.equals("sqlite") ? "length" : "octet_length";
        List<String> parts = List.of("a SMALLINT NOT NULL CHECK (a BETWEEN 1 AND 12)",
                "b INTEGER NOT NULL CHECK (b >= 0 AND b < 31)", "c VARCHAR(9) NOT NULL CHECK (c IN ('red', 'white'))",
                "d BIGINT NOT NULL", "e CHAR(1) NOT NULL",
                "f " + bytes + " NOT NULL CHECK (" + length + "(f) = " + (1 + more.nextInt(30)) + ")",
                "g DATE NOT NULL");
        if (more.nextInt(100) < 50) {
            List<String> shuffled = new ArrayList<>(parts);
            Collections.shuffle(shuffled, more);
            List<String> chosen = shuffled.subList(0, 2 + more.nextInt(2));
            script.append("CREATE TABLE shape_parts (").append(String.join(", ", chosen))
                    .append(", note VARCHAR(9), PRIMARY KEY (")
                    .append(chosen.stream().map(part -> part.substring(0, 1)).collect(Collectors.joining(", ")))
                    .append("));\n");
        }
        if (more.nextInt(100) < 40) {
            script.append(
                    "CREATE TABLE shape_guarded (id INTEGER NOT NULL PRIMARY KEY, n INTEGER CHECK (n IS NULL OR n >= 5), ")
                    .append("hash ").append(bytes).append(" CHECK (hash IS NULL OR ").append(length)
                    .append("(hash) BETWEEN 3 AND 20), ")
                    .append("version INTEGER DEFAULT 1 NOT NULL, text_or VARCHAR(9) CHECK (text_or IS NULL OR text_or LIKE 'A%'));\n");
        }
        if (more.nextInt(100) < 40 && engine.startsWith("m")) {
            script.append(
                    "CREATE TABLE shape_digit (kind TINYINT(1) NOT NULL PRIMARY KEY, grade TINYINT(1) NOT NULL DEFAULT 2, ok TINYINT(1), "
                    + "stars TINYINT(1) CHECK (stars BETWEEN 0 AND 5));\n");
        }
    }

    private String freshName(Set<String> taken) {
        while (true) {
            String name = chance(25) ? one(ODD_NAMES) : one(WORDS) + (chance(40) ? "_" + one(WORDS) : "");
            if (engine.startsWith("m") && name.endsWith(" ")) {
                continue;
            }
            if (taken.add(name.toLowerCase(Locale.ROOT))) {
                return name;
            }
        }
    }

    /** What a column may hold; of those of a group, the same constraints make sense. */
    private record Type(Group group, String sql, int length) {
    }

    private enum Group { WHOLE, DECIMAL, TEXT, DATE, MOMENT, TRUTH, UUID, OTHER }

    private Type type() {
        int length = one(1, 2, 3, 5, 8, 12, 20, 40, 200);
        return switch (random.nextInt(14)) {
            case 0, 1, 2 -> new Type(Group.WHOLE, one("INTEGER", "BIGINT", "SMALLINT"), 0);
            case 3 -> one(new Type(Group.DECIMAL, "DECIMAL(8, 2)", 0), new Type(Group.DECIMAL, "DECIMAL(12, 3)", 0),
                    new Type(Group.WHOLE, "DECIMAL(6)", 0), new Type(Group.DECIMAL, "NUMERIC(4, 1)", 0));
            case 4, 5, 6, 7 -> new Type(Group.TEXT, "VARCHAR(" + length + ")", length);
            case 8 -> new Type(Group.TEXT, "CHAR(" + Math.min(length, 20) + ")", Math.min(length, 20));
            case 9 -> new Type(Group.DATE, "DATE", 0);
            case 10 -> new Type(Group.MOMENT, engine.startsWith("m") ? "DATETIME" : "TIMESTAMP", 0);
            case 11 -> new Type(Group.TRUTH, "BOOLEAN", 0);
            case 12 -> engine.equals("mysql") ? new Type(Group.TEXT, "CHAR(36)", 36) : new Type(Group.UUID, "UUID", 0);
            default -> new Type(Group.OTHER, switch (engine) {
                case "h2" -> one("REAL", "DOUBLE PRECISION", "DECFLOAT(10)", "TIME", "TIME WITH TIME ZONE",
                        "TIMESTAMP WITH TIME ZONE", "JSON", "VARBINARY(20)", "BINARY(4)", "BLOB", "CLOB", "TINYINT",
                        "ENUM('oak', 'steel', 'x y')", "INTEGER ARRAY", "INTERVAL DAY TO SECOND",
                        "VARCHAR_IGNORECASE(12)", "GEOMETRY");
                case "postgresql" -> one("REAL", "DOUBLE PRECISION", "NUMERIC", "TIME", "TIMETZ", "TIMESTAMPTZ",
                        "JSON", "JSONB", "BYTEA", "TEXT", "INTEGER[]", "INTERVAL", "INET", "INT4RANGE", "POINT",
                        "TSVECTOR", "BIT(3)", "XML", "MONEY");
                case "mariadb" -> one("FLOAT", "DOUBLE", "TIME", "TIMESTAMP NULL", "JSON", "VARBINARY(20)",
                        "BINARY(4)", "BLOB", "TEXT", "TINYINT", "TINYINT UNSIGNED", "MEDIUMINT", "INT UNSIGNED",
                        "BIGINT UNSIGNED", "YEAR", "BIT(3)", "ENUM('oak', 'steel', 'x y')", "SET('a', 'b')", "INET6",
                        "LONGTEXT");
                case "mysql" -> one("FLOAT", "DOUBLE", "TIME", "TIMESTAMP NULL", "JSON", "VARBINARY(20)",
                        "BINARY(4)", "BLOB", "TEXT", "TINYINT", "TINYINT UNSIGNED", "MEDIUMINT", "INT UNSIGNED",
                        "BIGINT UNSIGNED", "YEAR", "BIT(3)", "ENUM('oak', 'steel', 'x y')", "SET('a', 'b')", "POINT SRID 4326",
                        "VECTOR(3)", "LONGTEXT");
                default -> one("REAL", "DOUBLE", "NUMERIC", "TIME", "DATETIME", "BLOB", "TEXT", "TINYINT", "CLOB");
            }, 0);
        };
    }

    private static final class Made {
        private final String sqlName;
        private final Set<String> taken = new HashSet<>();
        private final List<String> parts = new ArrayList<>();
        private final List<String> after = new ArrayList<>();
        private final List<Col> columns = new ArrayList<>();
        private List<Col> key = List.of();

        Made(String sqlName) {
            this.sqlName = sqlName;
        }

        String sqlName() {
            return sqlName;
        }

        String definition() {
            return "CREATE TABLE " + sqlName + " (\n    "
                    + columns.stream().map(Col::definition).collect(Collectors.joining(",\n    "))
                    + parts.stream().map(part -> ",\n    " + part).collect(Collectors.joining()) + "\n);\n"
                    + after.stream().map(statement -> statement + ";\n").collect(Collectors.joining());
        }
    }

    /** A column; {@code rest} is what follows its type. */
    private record Col(String sql, Type type, String rest, boolean notNull, boolean plain) {
        String definition() {
            return sql + " " + type.sql() + rest;
        }
    }

    private Made table(String name) {
        Made table = new Made(dialect.identifier(name));
        key(table);
        int width = chance(5) ? 30 : random.nextInt(8);
        for (int i = 0; i < width; i++) {
            column(table);
        }
        if (!tables.isEmpty()) {
            for (int i = random.nextInt(3); i > 0; i--) {
                reference(table, one(tables));
            }
        }
        if (table.key.size() == 1 && chance(10)) {
            String parent = dialect.identifier(freshName(table.taken));
            table.columns.add(new Col(parent, table.key.get(0).type(), "", false, false));
            table.parts.add("FOREIGN KEY (" + parent + ") REFERENCES " + table.sqlName + " (" + table.key.get(0).sql()
                    + ")"
                    + one("", " ON DELETE SET NULL", " ON DELETE CASCADE"));
        }
        rowConstraints(table);
        tables.add(table);
        return table;
    }

    private void key(Made table) {
        int kind = random.nextInt(100);
        if (kind < 8) {
            column(table);
            column(table);
            return;
        }
        if (kind < 50) {
            Type type = new Type(Group.WHOLE, engine.equals("sqlite") ? "INTEGER" : one("INTEGER", "BIGINT"), 0);
            String rest = switch (engine) {
                case "mariadb", "mysql" -> " AUTO_INCREMENT PRIMARY KEY";
                case "sqlite" -> one(" PRIMARY KEY", " PRIMARY KEY AUTOINCREMENT");
                default -> one(" GENERATED ALWAYS AS IDENTITY PRIMARY KEY",
                        " GENERATED BY DEFAULT AS IDENTITY PRIMARY KEY");
            };
            keyColumns(table, List.of(new Col(dialect.identifier(one(chance(80) ? "id" : "number", "id")), type, rest,
                    true, false)));
            return;
        }
        Type single = one(new Type(Group.WHOLE, "INTEGER", 0), new Type(Group.WHOLE, "BIGINT", 0),
                new Type(Group.TEXT, "VARCHAR(12)", 12),
                new Type(Group.TEXT, "CHAR(3)", 3),
                engine.equals("mysql") ? new Type(Group.TEXT, "CHAR(36)", 36) : new Type(Group.UUID, "UUID", 0), new Type(Group.DATE, "DATE", 0),
                new Type(Group.DECIMAL, "DECIMAL(9, 2)", 0));
        if (kind < 85 || tables.isEmpty()) {
            boolean several = kind >= 75;
            List<Col> columns = new ArrayList<>();
            columns.add(new Col(dialect.identifier(freshName(table.taken)), single, " NOT NULL", true, false));
            if (several) {
                columns.add(new Col(dialect.identifier(freshName(table.taken)), new Type(Group.WHOLE, "INTEGER", 0),
                        " NOT NULL", true, false));
            }
            keyColumns(table, columns);
            table.parts.add("PRIMARY KEY (" + columns.stream().map(Col::sql).collect(Collectors.joining(", ")) + ")");
            return;
        }
        List<Made> parents = tables.stream().filter(other -> other.key.size() == 1).toList();
        List<Col> columns = new ArrayList<>();
        for (int i = parents.isEmpty() ? 0 : 1 + random.nextInt(2); i > 0; i--) {
            Made parent = one(parents);
            Col column = new Col(dialect.identifier(freshName(table.taken)), parent.key.get(0).type(), " NOT NULL",
                    true, false);
            columns.add(column);
            table.parts.add("FOREIGN KEY (" + column.sql() + ") REFERENCES " + parent.sqlName + " ("
                    + parent.key.get(0).sql() + ")"
                    + one("", " ON DELETE CASCADE"));
        }
        if (columns.isEmpty() || chance(30)) {
            columns.add(new Col(dialect.identifier(freshName(table.taken)), new Type(Group.WHOLE, "SMALLINT", 0),
                    " NOT NULL", true, false));
        }
        keyColumns(table, columns);
        table.parts.add("PRIMARY KEY (" + columns.stream().map(Col::sql).collect(Collectors.joining(", ")) + ")");
    }

    private void keyColumns(Made table, List<Col> columns) {
        columns.forEach(column -> table.taken.add(column.sql().toLowerCase(Locale.ROOT).replaceAll("[\"`]", "")));
        table.columns.addAll(columns);
        table.key = columns;
    }

    private void column(Made table) {
        Type type = type();
        String sql = dialect.identifier(freshName(table.taken));
        boolean notNull = chance(40);
        if (type.group() == Group.WHOLE && chance(6) && !table.columns.isEmpty()) {
            List<Col> numbers = table.columns.stream().filter(Col::plain)
                    .filter(column -> column.type().group() == Group.WHOLE).toList();
            if (!numbers.isEmpty()) {
                String expression = one(numbers).sql() + " + 1";
                table.columns.add(new Col(sql, new Type(Group.OTHER, "BIGINT", 0), switch (engine) {
                    case "postgresql" -> " GENERATED ALWAYS AS (" + expression + ") STORED";
                    case "mariadb", "mysql" -> " AS (" + expression + ") " + one("STORED", "VIRTUAL");
                    case "sqlite" -> " GENERATED ALWAYS AS (" + expression + ") " + one("STORED", "VIRTUAL");
                    default -> " GENERATED ALWAYS AS (" + expression + ")";
                }, false, false));
                return;
            }
        }
        List<String> checks = chance(35) ? checks(sql, type) : List.of();
        String rest = (checks.isEmpty() && chance(15) ? defaulted(type) : "") + (notNull ? " NOT NULL" : "");
        boolean unique = checks.isEmpty() && chance(15) && type.group() != Group.OTHER && type.group() != Group.TRUTH
                && (type.group() != Group.TEXT || type.length() > 1);
        table.columns.add(new Col(sql, type, type.sql().endsWith(" NULL") ? rest.replace(" NOT NULL", "") : rest,
                notNull,
                checks.isEmpty() && !unique && !rest.contains("DEFAULT") && !type.sql().startsWith("VECTOR")));
        if (!checks.isEmpty()) {
            table.parts.add(constraint() + "CHECK (" + one(checks) + ")");
        }
        if (unique) {
            table.parts.add(constraint() + "UNIQUE (" + sql + ")");
        } else if (chance(10) && type.group() != Group.OTHER) {
            table.after.add("CREATE INDEX " + dialect.identifier("by_" + ++constraints) + " ON " + table.sqlName + " ("
                    + sql + ")");
        }
    }

    private String constraint() {
        return chance(70) ? "CONSTRAINT " + dialect.identifier("rule_" + ++constraints) + " " : "";
    }

    private String defaulted(Type type) {
        return switch (type.group()) {
            case WHOLE, DECIMAL -> " DEFAULT " + one("0", "1", "42");
            case TEXT -> " DEFAULT " + one("'x'", "''", "'y'");
            case MOMENT -> " DEFAULT CURRENT_TIMESTAMP";
            case TRUTH -> " DEFAULT " + one("TRUE", "FALSE");
            default -> "";
        };
    }

    /** Checks of one column that some value of its type keeps. */
    private List<String> checks(String c, Type type) {
        return switch (type.group()) {
            case WHOLE -> List.of(c + " >= 0", c + " BETWEEN 1 AND 100", c + " > 5 AND " + c + " < 5000", c + " <> 7",
                    c + " IN (1, 2, 3)",
                    c + " % 2 = 0", c + " * " + c + " < 10000", c + " = 12 OR " + c + " > 90", "abs(" + c + ") < 50", c
                    + " <= 9");
            case DECIMAL -> List.of(c + " > 0", c + " BETWEEN 0 AND 99.5", c + " >= 0.5 AND " + c + " <= 2.5", "round("
                    + c + ", 0) = " + c);
            case TEXT -> type.sql().startsWith("CHAR") ? List.of(c + " <> ''", c + " = upper(" + c + ")")
                    : texts(c, type.length());
            case DATE -> List.of(c + " >= '2000-01-01'", c + " < '2031-01-01'", c
                    + " BETWEEN '2019-05-01' AND '2020-05-01'");
            default -> List.of();
        };
    }

    private List<String> texts(String c, int length) {
        String lengthOf = (engine.equals("sqlite") ? "length(" : "char_length(") + c + ")";
        List<String> checks = new ArrayList<>(List.of(c + " <> ''", c + " = upper(" + c + ")", c + " IN ('a', 'b')",
                lengthOf + " >= 1"));
        if (length >= 5) {
            checks.addAll(List.of(c + " IN ('oak', 'ash', 'acacia')".replace("acacia", length >= 8 ? "acacia" : "elm"),
                    lengthOf + " BETWEEN 2 AND 4",
                    c + " LIKE 'A%'", c + " LIKE '%_@_%'", c + " <> 'none'", "lower(" + c + ") = " + c));
        }
        if (length >= 8) {
            checks.add(switch (engine) {
                case "postgresql" -> c + one(" ~ '^[A-Z]{2}-[0-9]{3}$'", " ~ '^[a-z]+[0-9]$'",
                        " ~* '^(red|white)-[0-9]+$'");
                case "sqlite" -> c + one(" GLOB '[A-Z][A-Z]-[0-9]*'", " NOT GLOB '*[^a-z]*'");
                default -> c + one(" REGEXP '^[A-Z]{2}-[0-9]{3}$'", " REGEXP '^[a-z]+[0-9]$'",
                        " REGEXP '^(red|white)-[0-9]+$'");
            });
        }
        return checks;
    }

    private void reference(Made table, Made target) {
        if (target.key.isEmpty()) {
            return;
        }
        boolean notNull = chance(50);
        List<Col> columns = target.key.stream()
                .map(part -> new Col(dialect.identifier(freshName(table.taken)), part.type(),
                notNull ? " NOT NULL" : "", notNull, false)).toList();
        table.columns.addAll(columns);
        String names = columns.stream().map(Col::sql).collect(Collectors.joining(", "));
        table.parts.add(constraint() + "FOREIGN KEY (" + names + ") REFERENCES " + target.sqlName + " ("
                + target.key.stream().map(Col::sql).collect(Collectors.joining(", ")) + ")"
                + (notNull ? one("", "", " ON DELETE CASCADE") : one("", " ON DELETE SET NULL", " ON DELETE CASCADE")));
        if (chance(15)) {
            table.parts.add(constraint() + "UNIQUE (" + names + ")");
        }
    }

    /** A reference that may be empty, also to a table that comes later: cycles come of these. */
    private void ahead(Made table, Made target) {
        if (target.key.size() != 1) {
            return;
        }
        String column = dialect.identifier(freshName(table.taken));
        table.columns.add(new Col(column, target.key.get(0).type(), "", false, false));
        String reference = "FOREIGN KEY (" + column + ") REFERENCES " + target.sqlName + " (" + target.key.get(0).sql()
                + ")";
        if (engine.equals("sqlite")) {
            table.parts.add(reference);
        } else {
            later.add("ALTER TABLE " + table.sqlName + " ADD " + reference);
        }
    }

    /** Constraints that several columns keep together. */
    private void rowConstraints(Made table) {
        List<Col> plain = new ArrayList<>(table.columns.stream().filter(Col::plain).toList());
        Set<Col> used = new HashSet<>();
        for (Col a : plain) {
            List<Col> alike = plain.stream()
                    .filter(b -> b != a && b.type().group() == a.type().group() && !used.contains(b)).toList();
            if (used.contains(a) || alike.isEmpty() || !chance(40)) {
                continue;
            }
            Col b = one(alike);
            used.add(a);
            used.add(b);
            together(table, a, b);
        }
        List<Col> free = table.columns.stream().filter(column -> column.plain() && !used.contains(column))
                .filter(column ->
                Set.of(Group.WHOLE, Group.DATE, Group.TRUTH, Group.UUID).contains(column.type().group())
                        || column.type().group() == Group.TEXT && column.type().length() >= 3).toList();
        if (free.size() >= 2 && chance(30)
                && free.stream().limit(2).anyMatch(column -> column.type().group() != Group.TRUTH)) {
            table.parts.add(constraint() + "UNIQUE (" + free.get(0).sql() + ", " + free.get(1).sql() + ")");
        }
        if (!free.isEmpty() && chance(10) && (engine.equals("postgresql") || engine.equals("sqlite"))) {
            Col column = free.get(0);
            if (column.type().group() == Group.TEXT) {
                table.after.add("CREATE UNIQUE INDEX " + dialect.identifier("by_" + ++constraints) + " ON "
                        + table.sqlName
                        + " (lower(" + column.sql() + "))");
            }
        }
    }

    private void together(Made table, Col a, Col b) {
        List<String> checks = new ArrayList<>(List.of(a.sql() + " IS NOT NULL OR " + b.sql() + " IS NOT NULL",
                "(" + a.sql() + " IS NULL) = (" + b.sql() + " IS NULL)"));
        boolean sameType = a.type().sql().equals(b.type().sql());
        switch (a.type().group()) {
            case WHOLE -> checks.addAll(List.of(a.sql() + " < " + b.sql(), a.sql() + " + " + b.sql() + " <= 1000",
                    "NOT (" + a.sql() + " > 5 AND " + b.sql() + " > 5)", a.sql() + " <> " + b.sql(),
                    (engine.equals("mysql") ? "1 = " : "") + "CASE WHEN " + a.sql() + " > 10 THEN " + b.sql()
                    + " > 10 ELSE " + b.sql() + " >= 0 END", a.sql() + " = 2 * " + b.sql()));
            case DECIMAL, DATE, MOMENT -> checks.addAll(
                    List.of(a.sql() + " <= " + b.sql(), a.sql() + " < " + b.sql(), b.sql() + " >= " + a.sql()));
            case TEXT -> checks.addAll(sameType ? List.of(a.sql() + " <> " + b.sql()) : List.of());
            default -> { }
        }
        table.parts.add(constraint() + "CHECK (" + one(checks) + ")");
    }
}
