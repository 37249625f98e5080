package dev.vinekit;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.ScratchFolder;
import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.judge.DumpComparison;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.project.Project;
import dev.vinekit.project.ServiceDescription;
import dev.vinekit.run.RuleOutcome;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import dev.vinekit.source.SourceTree;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Takes every script of a folder the whole way: {@code FOLDER/ENGINE/NAME.sql}. Prints a row for each, and the first
 * cause of a red one.
 */
public final class Corpus {
    private static final String HEAD = "%-24s %6s %6s %7s %6s %8s %7s %7s %8s  %-18s %6s  %s%n";
    private static final Set<Operation> EACH =
            Set.of(Operation.CREATE, Operation.READ, Operation.REPLACE, Operation.PATCH, Operation.DELETE);

    /** Why rules were not proved, without the names of constraints, and how often. */
    private static final Map<String, Integer> REASONS = new HashMap<>();

    private Corpus() {
    }

    /** A folder, and perhaps {@code --live}, and names of engines or of scripts as {@code engine/name}. */
    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        boolean live = Arrays.asList(arguments).contains("--live");
        List<String> wanted = Arrays.stream(arguments).skip(1).filter(argument -> !argument.startsWith("--")).toList();
        List<Path> scripts;
        try (Stream<Path> files = Files.walk(folder, 2)) {
            scripts = files.filter(file -> file.getNameCount() == folder.getNameCount() + 2
                    && file.toString().endsWith(".sql"))
                    .filter(file -> wanted.isEmpty() || wanted.contains(engine(file))
                            || wanted.contains(engine(file) + "/" + name(file))).sorted().toList();
        }
        System.out.printf(HEAD, "schema", "tables", "whole", "passed", "failed", "untested", "proved", "not pr.",
                "not test",
                "dump", "time", "first cause");
        boolean green = !scripts.isEmpty();
        for (Path script : scripts) {
            green &= row(script, live);
        }
        System.out.println("Why rules were not proved:");
        REASONS.entrySet().stream().sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
                .forEach(reason -> System.out.printf("%6d  %s%n", reason.getValue(), reason.getKey()));
        System.exit(green ? 0 : 1);
    }

    private static boolean row(Path script, boolean live) throws IOException {
        long start = System.nanoTime();
        String title = engine(script) + "/" + name(script);
        Path directory = ScratchFolder.ofFiles("vinekit-corpus-").path().resolve("service");
        try (ScriptDatabase loaded = VineKit.load(engine(script), script)) {
            Database database = loaded.database();
            Schema schema = VineKit.asRowsTell(database, VineKit.read(database, Scope.all()));
            Mapping mapping = VineKit.map(schema, "com.example.made");
            SourceTree sources = VineKit.generate(mapping);
            Project project = VineKit.write(VineKit.plan(sources, directory));
            QuickCompiler.compile(project);
            boolean stable = VineKit.plan(VineKit.generate(
                    VineKit.map(VineKit.asRowsTell(database, VineKit.read(database, Scope.all())),
                            "com.example.made")), directory).isEmpty();
            TestReport report = live ? Runner.test(project,
                    VineKit.asRowsTell(database, VineKit.read(database, Scope.all())), Scope.all())
                    : Runner.test(project);
            String dump = DumpComparison.isPossible(engine(script)) ? differences(DumpComparison.of(database, schema))
                    : "no program";
            String cause = !stable ? "a second generate would write something" : report.isGreen() ? ""
                    : report.failures().stream().findFirst()
                    .map(failure -> failure.testClass() + "." + failure.name() + ": "
                            + failure.failure().orElse("").lines().findFirst().orElse(""))
                    .orElse("rows are not as before in " + report.changedTables());
            report.service().tables().stream().flatMap(table -> report.rules(table).stream())
                    .filter(RuleOutcome::isUnproved)
                    .forEach(rule -> REASONS.merge(rule.rule().kind() + ": "
                            + rule.reason().replaceAll("\\b[a-z]+_\\w+|\\(.*\\)", "...").lines().findFirst().orElse(""),
                            1, Integer::sum));
            System.out.printf(HEAD, title, mapping.entities().size(),
                    mapping.entities().stream().filter(Corpus::isWhole).count(),
                    report.outcomes().stream().filter(TestOutcome::passed).count(), report.failures().size(),
                    untested(report),
                    rules(report, RuleOutcome.State.PROVED), rules(report, RuleOutcome.State.NOT_PROVABLE),
                    rules(report, RuleOutcome.State.NOT_TESTED),
                    dump, seconds(start), cause.length() > 160 ? cause.substring(0, 160) : cause);
            return cause.isEmpty() && report.isGreen();
        } catch (Exception e) {
            System.out.printf(HEAD, title, "", "", "", "", "", "", "", "", "", seconds(start),
                    String.valueOf(e.getMessage()).lines().findFirst().orElse(e.toString()));
            return false;
        }
    }

    private static String engine(Path script) {
        return script.getName(script.getNameCount() - 2).toString();
    }

    private static String name(Path script) {
        return script.getFileName().toString().replaceFirst("[.]sql$", "");
    }

    private static String seconds(long start) {
        return String.format(Locale.ROOT, "%.0f s", (System.nanoTime() - start) / 1e9);
    }

    /**
     * Whether a table has every operation that it allows: all, but for views and for tables that have nothing beside
     * their key.
     */
    private static boolean isWhole(Entity entity) {
        boolean onlyKey = entity.fields().stream().noneMatch(field -> field.updatable());
        return entity.table().isView() || entity.operations().containsAll(EACH)
                || onlyKey && entity.operations().containsAll(
                        Set.of(Operation.CREATE, Operation.READ, Operation.DELETE));
    }

    private static long untested(TestReport report) {
        return report.service().tables().stream().mapToLong(table ->
                report.aspects().stream().filter(aspect -> report.isUntested(table, aspect)).count()).sum();
    }

    private static long rules(TestReport report, RuleOutcome.State state) {
        List<ServiceDescription.TableDescription> tables = report.service().tables();
        return tables.stream().flatMap(table -> report.rules(table).stream()).filter(rule -> rule.state() == state)
                .count();
    }

    private static String differences(DumpComparison dump) {
        String explained = dump.explained().values().stream().mapToInt(Integer::intValue).sum() + " explained";
        if (dump.unexplained().isEmpty()) {
            return dump.explained().isEmpty() ? "same" : explained;
        }
        System.out.println(dump.unexplained().stream().limit(Integer.getInteger("corpus.lines", 6))
                .map(line -> "    " + line.replaceAll("\\s+", " "))
                .map(line -> line.substring(0, Math.min(line.length(), 220)))
                .collect(Collectors.joining("\n")));
        return dump.unexplained().size() + " differ";
    }
}
