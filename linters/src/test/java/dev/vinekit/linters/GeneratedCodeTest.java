package dev.vinekit.linters;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.engine.Database;
import dev.vinekit.run.Runner;
import dev.vinekit.source.SourceTree;
import edu.umd.cs.findbugs.BugCollectionBugReporter;
import edu.umd.cs.findbugs.BugInstance;
import edu.umd.cs.findbugs.ClassScreener;
import edu.umd.cs.findbugs.DetectorFactoryCollection;
import edu.umd.cs.findbugs.FindBugs2;
import edu.umd.cs.findbugs.Priorities;
import edu.umd.cs.findbugs.Project;
import edu.umd.cs.findbugs.config.UserPreferences;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import net.sourceforge.pmd.PMDConfiguration;
import net.sourceforge.pmd.PmdAnalysis;
import net.sourceforge.pmd.lang.LanguageRegistry;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * What those say who have never seen us: nothing, but for rules that are left out here, each with its reason. Of the
 * second engine on they read the classes that are not the same as those of the first.
 */
@Tag("thorough")
class GeneratedCodeTest {
    private static final String CLASS_PATH = System.getProperty("java.class.path");

    private static final Map<String, String> NOT_FOR_ERROR_PRONE = Map.of(
            "OperatorPrecedence", "every reader knows that && goes before ||",
            "ArrayRecordComponent", "the records are private, and never compared",
            "ObjectEqualsForPrimitives", "one form for columns with and without empty values",
            "ImmutableEnumChecker", "the lists of the enumeration are made by List.of");

    private static final Map<String, String> NOT_FOR_SPOTBUGS = Map.of(
            "EI_EXPOSE_REP", "what values hold is made for them, and nobody changes it",
            "EI_EXPOSE_REP2", "a service works with the very repository that it is given",
            "SQL_PREPARED_STATEMENT_GENERATED_FROM_NONCONSTANT_STRING",
            "statements are put together from names that are constants; every value is bound");

    private static final Map<String, String> NOT_FOR_PMD = Map.of(
            "AssignmentInOperand", "the usual loop over what a stream still has",
            "AvoidInstanceofChecksInCatchClause", "what went wrong is told by its cause, for which there is no catch",
            "CloseResource", "closed by who gets it: the server, the exchange, the query",
            "GuardLogStatement", "arguments are values that are there, and are put into the text only if it is logged",
            "LiteralsFirstInComparisons", "what is compared is never null",
            "LooseCoupling", "the server's headers are of a class of its own",
            "PreserveStackTrace", "the problem says all that there is to say of a malformed request");

    @TempDir
    private Path directory;

    /** Class paths of compiled projects, and those of their sources that nobody has read yet. */
    private final List<String> classes = new ArrayList<>();
    private final List<Path> unread = new ArrayList<>();

    @Test
    void lintersHaveNothingToSay() throws Exception {
        Set<String> read = new HashSet<>();
        Map<String, SourceTree> projects = new LinkedHashMap<>();
        for (String engine : List.of("h2", "postgresql", "mariadb", "mysql", "sqlite")) {
            projects.put(engine, cellar(engine));
        }
        projects.put("hands", hands());
        for (Map.Entry<String, SourceTree> generated : projects.entrySet()) {
            Path project = directory.resolve(generated.getKey());
            assertThat(Runner.compile(VineKit.write(VineKit.plan(generated.getValue(), project))).warnings()).isEmpty();
            Stream.of("target/classes", "target/test-classes").map(project::resolve).map(Path::toString)
                    .forEach(classes::add);
            generated.getValue().files().stream().filter(file -> file.path().endsWith(".java"))
                    .filter(file -> read.add(file.text().replace(basePackage(generated.getKey()), "com.example.cellar")))
                    .forEach(file -> unread.add(project.resolve(file.path())));
        }
        List<Path> main = unread.stream().filter(file -> file.toString().contains("/src/main/")).toList();

        assertThat(main).hasSizeGreaterThan(200);
        assertThat(errorProne()).isEmpty();
        assertThat(spotBugs(main)).isEmpty();
        assertThat(pmd(main)).isEmpty();
    }

    private static SourceTree cellar(String engine) {
        try (Cellar cellar = Cellar.open(engine)) {
            return VineKit.generate(VineKit.map(VineKit.read(cellar.database(), Scope.all()), basePackage(engine)),
                    Cellar.seed(engine));
        }
    }

    /** The example with rows that belong to somebody, fields that are not told, stamps and deleted rows that stay. */
    private static SourceTree hands() throws Exception {
        Path example = Path.of("../examples/cellar-hands");
        Database database = Database.at("jdbc:h2:mem:hands;DB_CLOSE_DELAY=-1", "sa", "");
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            statement.execute(Files.readString(example.resolve("schema.sql")));
            return VineKit.generate(VineKit.map(VineKit.read(database, Scope.all()),
                    MappingFile.read(example.resolve("vinekit.yaml"), Map.of(), false), Set.of()), "");
        }
    }

    private static String basePackage(String engine) {
        return "com.example." + engine;
    }

    /** The warnings of the compiler with the plugin in it, which finds compiled already what the files use. */
    private List<String> errorProne() throws Exception {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "javac").toString()));
        Stream.of("api", "file", "main", "model", "parser", "processing", "tree", "util").forEach(part ->
                command.add("-J--add-exports=jdk.compiler/com.sun.tools.javac." + part + "=ALL-UNNAMED"));
        Stream.of("code", "comp").forEach(part ->
                command.add("-J--add-opens=jdk.compiler/com.sun.tools.javac." + part + "=ALL-UNNAMED"));
        StringBuilder plugin = new StringBuilder("-Xplugin:ErrorProne");
        NOT_FOR_ERROR_PRONE.keySet().forEach(rule -> plugin.append(" -Xep:").append(rule).append(":OFF"));
        command.addAll(List.of("-XDcompilePolicy=simple", "--should-stop=ifError=FLOW", "-Xlint:all,-path", "-proc:none",
                "--release", "17", plugin.toString(), "-processorpath", CLASS_PATH, "-cp",
                String.join(File.pathSeparator, classes) + File.pathSeparator + CLASS_PATH,
                "-d", Files.createDirectories(directory.resolve("read")).toString()));
        unread.forEach(file -> command.add(file.toString()));
        Process compiler = new ProcessBuilder(command).redirectErrorStream(true).start();
        List<String> said = new String(compiler.getInputStream().readAllBytes(), StandardCharsets.UTF_8).lines()
                .toList();
        assertThat(compiler.waitFor()).as(String.join("\n", said)).isZero();
        return said;
    }

    private List<String> spotBugs(List<Path> main) throws IOException, InterruptedException {
        try (Project project = new Project(); FindBugs2 engine = new FindBugs2()) {
            classes.forEach(project::addFile);
            Stream.of(CLASS_PATH.split(File.pathSeparator)).forEach(project::addAuxClasspathEntry);
            BugCollectionBugReporter reporter = new BugCollectionBugReporter(project);
            reporter.setPriorityThreshold(Priorities.NORMAL_PRIORITY);
            engine.setBugReporter(reporter);
            engine.setProject(project);
            engine.setClassScreener(madeFrom(main));
            engine.setDetectorFactoryCollection(DetectorFactoryCollection.instance());
            engine.setUserPreferences(UserPreferences.createDefaultUserPreferences());
            engine.execute();
            return reporter.getBugCollection().getCollection().stream()
                    .filter(bug -> !NOT_FOR_SPOTBUGS.containsKey(bug.getType()))
                    .map(BugInstance::getMessage).toList();
        }
    }

    /** Lets those classes through that were made from these files, with the classes inside them. */
    private static ClassScreener madeFrom(List<Path> sources) throws IOException {
        ClassScreener screener = new ClassScreener();
        for (Path source : sources) {
            String name = source.toString().replace("/src/main/java/", "/target/classes/").replace(".java", "");
            try (Stream<Path> files = Files.list(Path.of(name).getParent())) {
                files.map(Path::toString).filter(file -> file.equals(name + ".class") || file.startsWith(name + "$"))
                        .map(file -> file.replaceFirst(".*/target/classes/", "").replace(".class", "").replace('/', '.'))
                        .forEach(screener::addAllowedClass);
            }
        }
        return screener;
    }

    private List<String> pmd(List<Path> sources) {
        PMDConfiguration configuration = new PMDConfiguration();
        configuration.setDefaultLanguageVersion(LanguageRegistry.PMD.getLanguageVersionById("java", "17"));
        configuration.prependAuxClasspath(String.join(File.pathSeparator, classes) + File.pathSeparator + CLASS_PATH);
        configuration.setIgnoreIncrementalAnalysis(true);
        configuration.addRuleSet("rulesets/java/quickstart.xml");
        sources.forEach(configuration::addInputPath);
        try (PmdAnalysis analysis = PmdAnalysis.create(configuration)) {
            return analysis.performAnalysisAndCollectReport().getViolations().stream()
                    .filter(found -> !NOT_FOR_PMD.containsKey(found.getRule().getName()))
                    .map(found -> found.getRule().getName() + " " + found.getFileId().getAbsolutePath() + ":"
                            + found.getBeginLine() + " " + found.getDescription())
                    .toList();
        }
    }
}
