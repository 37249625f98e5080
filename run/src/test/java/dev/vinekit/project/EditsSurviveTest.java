package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.QuickCompiler;
import dev.vinekit.VineKit;
import dev.vinekit.schema.Access;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** People edit, the schema changes, the generator runs: 520 rounds, and no line that somebody wrote is lost. */
@Tag("thorough")
class EditsSurviveTest {
    private static final int ROUNDS = 26;
    private static final int ROUNDS_TO_A_COMPILATION = 13;

    @TempDir
    private Path directory;

    private Random random;
    private final Map<String, String> written = new HashMap<>();
    private final Map<String, List<Column>> tables = new HashMap<>();
    private int number;

    static Stream<Integer> seeds() {
        return Stream.iterate(1, seed -> seed + 1).limit(Integer.getInteger("edits.seeds", 3));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void noHandWrittenLineIsLostAndMergedCodeCompiles(int seed) throws IOException {
        random = new Random(seed);
        addTable();
        addTable();
        Project project = generate();
        for (int round = 1; round <= ROUNDS; round++) {
            for (int edit = random.nextInt(4); edit >= 0; edit--) {
                edit();
            }
            changeSchema();
            generate();
            assertNothingIsLost(round);
            settle();
            if (round % ROUNDS_TO_A_COMPILATION == 0) {
                QuickCompiler.compileService(project);
            }
        }
    }

    private Project generate() {
        return VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(schema(), "com.example.made")), directory));
    }

    private Schema schema() {
        List<Table> all = tables.entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(table -> new Table(new TableName("PUBLIC", table.getKey()), Table.Kind.TABLE, table.getValue(),
                        Optional.of(new UniqueKey(table.getKey() + "_KEY", List.of("ID"))), List.of(), List.of(),
                        List.of(),
                        List.of(), Optional.empty(), "", "", Access.UNLIMITED))
                .toList();
        return new Schema("h2", "PUBLIC", all);
    }

    private void changeSchema() {
        List<Column> columns = tables.get(anyTable());
        int place = 1 + random.nextInt(Math.max(1, columns.size() - 1));
        switch (random.nextInt(12)) {
            case 0 -> addTable();
            case 1 -> dropTable();
            case 2, 3, 4 -> columns.add(Math.min(place, columns.size()), anyColumn("C" + ++number));
            case 5, 6 -> {
                if (columns.size() > 2) {
                    columns.remove(place);
                }
            }
            case 7, 8 -> columns.set(place, anyColumn(columns.get(place).name()));
            case 9, 10 -> columns.set(place, named(columns.get(place), "RENAMED_" + ++number));
            default -> { }
        }
    }

    private void addTable() {
        List<Column> columns = new ArrayList<>(List.of(
                column("ID", SqlType.of(SqlType.Kind.INTEGER, "INTEGER"), false), anyColumn("NAME")));
        for (int i = random.nextInt(4); i >= 0; i--) {
            columns.add(anyColumn("C" + ++number));
        }
        tables.put("VAT_" + ++number, columns);
    }

    private void dropTable() {
        if (tables.size() > 1) {
            tables.remove(anyTable());
        }
    }

    private String anyTable() {
        return tables.keySet().stream().sorted().toList().get(random.nextInt(tables.size()));
    }

    private Column anyColumn(String name) {
        SqlType type = switch (random.nextInt(6)) {
            case 0 -> SqlType.of(SqlType.Kind.INTEGER, "INTEGER");
            case 1 -> SqlType.of(SqlType.Kind.DATE, "DATE");
            case 2 -> SqlType.of(SqlType.Kind.DECIMAL, "NUMERIC(9, 2)").withDigits(9, 2);
            case 3 -> SqlType.of(SqlType.Kind.TIMESTAMP, "TIMESTAMP");
            case 4 -> SqlType.of(SqlType.Kind.BOOLEAN, "BOOLEAN");
            default -> SqlType.of(SqlType.Kind.VARCHAR, "VARCHAR(" + (number + 5) + ")").withLength(number + 5);
        };
        return column(name, type, random.nextBoolean());
    }

    private static Column column(String name, SqlType type, boolean nullable) {
        return new Column(name, type, nullable, Optional.empty(), Column.Identity.NONE, Optional.empty(),
                Optional.empty(), "");
    }

    private static Column named(Column column, String name) {
        return column(name, column.type(), column.nullable());
    }

    /** Does something to a file of a table that a person might do, and that compiles. */
    private void edit() throws IOException {
        List<String> files = javaFiles();
        String path = files.get(random.nextInt(files.size()));
        List<String> lines = new ArrayList<>(Files.readAllLines(directory.resolve(path)));
        String mark = "hand " + ++number;
        int place = 2 + random.nextInt(lines.size() - 2);
        int end = lines.size() - 1;
        while (!lines.get(end).startsWith("}")) {
            end--;
        }
        switch (random.nextInt(7)) {
            case 0, 1 -> lines.add(place, "// " + mark);
            case 2 -> {
                if (lines.get(place).endsWith("\"\"\"") || lines.get(place).contains("// hand")) {
                    return;
                }
                lines.set(place, lines.get(place) + " // " + mark);
            }
            case 3 -> {
                String line = lines.get(place).strip();
                if (line.isEmpty() || line.startsWith("* ") && !line.contains("hand")) {
                    lines.remove(place);
                }
                mark = null;
            }
            case 4 -> lines.add(end, "    static String hand" + number + "() {\n        return \"" + mark
                    + "\";\n    }\n");
            case 5 -> {
                lines.add(end, "    static Object hand" + number + "() {\n        return new ArrayDeque<>(List.of(\""
                        + mark
                        + "\"));\n    }\n");
                List.of("java.util.ArrayDeque", "java.util.List").stream().map(type -> "import " + type + ";")
                        .filter(line -> !lines.contains(line)).forEach(line -> lines.add(2, line));
            }
            default -> {
                boolean imported = lines.contains("import java.time.LocalDate;");
                lines.add(end, "    static Object hand" + number + "() {\n        return "
                        + (imported ? "" : "java.time.")
                        + "LocalDate.EPOCH + \"" + mark + "\";\n    }\n");
            }
        }
        Files.writeString(directory.resolve(path), String.join("\n", lines) + "\n");
        if (mark != null) {
            written.put(mark, path);
        }
        if (random.nextInt(8) == 0) {
            String own = "src/main/java/com/example/made/entity/Own" + ++number + ".java";
            Files.writeString(directory.resolve(own),
                    "package com.example.made.entity;\n\n// hand " + number + "\nclass Own" + number + " {\n}\n");
            written.put("hand " + number, own);
        }
    }

    private List<String> javaFiles() throws IOException {
        try (Stream<Path> files = Files.walk(directory.resolve("src/main/java"))) {
            return files.filter(Files::isRegularFile).map(file -> directory.relativize(file).toString())
                    .filter(file -> file.contains("Vat")).sorted().toList();
        }
    }

    private void assertNothingIsLost(int round) throws IOException {
        for (Map.Entry<String, String> line : written.entrySet()) {
            Path file = directory.resolve(line.getValue());
            assertThat(file).as("round %d, %s", round, line.getKey()).exists();
            assertThat(Files.readString(file)).as("round %d, %s", round, file)
                    .containsPattern(line.getKey() + "\\b");
        }
    }

    /**
     * Does what a person has to do before going on: takes the generated side of conflicts, deletes what is of no use.
     */
    private void settle() throws IOException {
        LastRun last = LastRun.of(directory);
        for (String path : javaFiles()) {
            boolean conflict = Files.readString(directory.resolve(path)).contains("<<<<<<< ");
            boolean ofADroppedTable = !last.texts().containsKey(path) && !path.contains("/Own");
            if (conflict) {
                Files.writeString(directory.resolve(path), last.texts().get(path));
            } else if (ofADroppedTable) {
                Files.delete(directory.resolve(path));
            }
            if (conflict || ofADroppedTable) {
                written.values().removeIf(path::equals);
            }
        }
    }
}
