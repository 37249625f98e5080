package dev.vinekit.linters;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.source.SourceFile;
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
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import net.sourceforge.pmd.PMDConfiguration;
import net.sourceforge.pmd.PmdAnalysis;
import net.sourceforge.pmd.lang.LanguageRegistry;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * What those say who have never seen us: nothing, but for rules that are left out here, each with its reason. Of the
 * second engine on they read the main classes that are not the same as those of the first.
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

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "sqlite"})
    void lintersHaveNothingToSay(String engine) throws Exception {
        Set<String> read = engine.equals("h2") ? Set.of() : texts(cellar("h2"));
        SourceTree sources = cellar(engine);
        VineKit.write(VineKit.plan(sources, directory));
        List<Path> unread = sources.files().stream()
                .filter(file -> file.path().startsWith("src/main/java") && !read.contains(file.text()))
                .map(file -> directory.resolve(file.path())).toList();
        Path classes = directory.resolve("target/classes");

        assertThat(errorProne(classes)).isEmpty();
        assertThat(unread).isNotEmpty();
        assertThat(spotBugs(classes, madeFrom(unread, classes))).isEmpty();
        assertThat(pmd(unread, classes)).isEmpty();
    }

    private static SourceTree cellar(String engine) {
        try (Cellar cellar = Cellar.open(engine)) {
            return VineKit.generate(VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar"),
                    Cellar.seed(engine));
        }
    }

    private static Set<String> texts(SourceTree sources) {
        return sources.files().stream().map(SourceFile::text).collect(Collectors.toSet());
    }

    /** The warnings of the compiler with the plugin in it. */
    private List<String> errorProne(Path classes) throws Exception {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "javac").toString()));
        Stream.of("api", "file", "main", "model", "parser", "processing", "tree", "util").forEach(part ->
                command.add("-J--add-exports=jdk.compiler/com.sun.tools.javac." + part + "=ALL-UNNAMED"));
        Stream.of("code", "comp").forEach(part ->
                command.add("-J--add-opens=jdk.compiler/com.sun.tools.javac." + part + "=ALL-UNNAMED"));
        StringBuilder plugin = new StringBuilder("-Xplugin:ErrorProne");
        NOT_FOR_ERROR_PRONE.keySet().forEach(rule -> plugin.append(" -Xep:").append(rule).append(":OFF"));
        command.addAll(List.of("-XDcompilePolicy=simple", "--should-stop=ifError=FLOW", "-Xlint:all,-path", "-proc:none",
                "--release", "17", plugin.toString(), "-processorpath", CLASS_PATH, "-cp", CLASS_PATH,
                "-d", classes.toString()));
        try (Stream<Path> files = Files.walk(directory.resolve("src"))) {
            files.map(Path::toString).filter(file -> file.endsWith(".java")).forEach(command::add);
        }
        Process compiler = new ProcessBuilder(command).redirectErrorStream(true).start();
        List<String> said = new String(compiler.getInputStream().readAllBytes(), StandardCharsets.UTF_8).lines()
                .toList();
        assertThat(compiler.waitFor()).as(String.join("\n", said)).isZero();
        return said;
    }

    /** One at a time: it keeps what it knows in places that are the same for all. */
    private static synchronized List<String> spotBugs(Path classes, ClassScreener read)
            throws IOException, InterruptedException {
        try (Project project = new Project(); FindBugs2 engine = new FindBugs2()) {
            project.addFile(classes.toString());
            Stream.of(CLASS_PATH.split(File.pathSeparator)).forEach(project::addAuxClasspathEntry);
            BugCollectionBugReporter reporter = new BugCollectionBugReporter(project);
            reporter.setPriorityThreshold(Priorities.NORMAL_PRIORITY);
            engine.setBugReporter(reporter);
            engine.setProject(project);
            engine.setClassScreener(read);
            engine.setDetectorFactoryCollection(DetectorFactoryCollection.instance());
            engine.setUserPreferences(UserPreferences.createDefaultUserPreferences());
            engine.execute();
            return reporter.getBugCollection().getCollection().stream()
                    .filter(bug -> !NOT_FOR_SPOTBUGS.containsKey(bug.getType()))
                    .map(BugInstance::getMessage).toList();
        }
    }

    /** Lets those classes through that were made from these files, with the classes inside them. */
    private ClassScreener madeFrom(List<Path> sources, Path classes) throws IOException {
        Set<String> names = sources.stream().map(file -> directory.resolve("src/main/java").relativize(file).toString())
                .map(name -> name.replace(".java", "")).collect(Collectors.toSet());
        ClassScreener screener = new ClassScreener();
        try (Stream<Path> files = Files.walk(classes)) {
            files.map(file -> classes.relativize(file).toString()).filter(name -> name.endsWith(".class"))
                    .map(name -> name.replace(".class", "")).filter(name -> names.contains(name.split("[$]")[0]))
                    .forEach(name -> screener.addAllowedClass(name.replace(File.separatorChar, '.')));
        }
        return screener;
    }

    private static List<String> pmd(List<Path> sources, Path classes) {
        PMDConfiguration configuration = new PMDConfiguration();
        configuration.setDefaultLanguageVersion(LanguageRegistry.PMD.getLanguageVersionById("java", "17"));
        configuration.prependAuxClasspath(classes + File.pathSeparator + CLASS_PATH);
        configuration.setIgnoreIncrementalAnalysis(true);
        configuration.addRuleSet("rulesets/java/quickstart.xml");
        sources.forEach(configuration::addInputPath);
        try (PmdAnalysis analysis = PmdAnalysis.create(configuration)) {
            return analysis.performAnalysisAndCollectReport().getViolations().stream()
                    .filter(found -> !NOT_FOR_PMD.containsKey(found.getRule().getName()))
                    .map(found -> found.getRule().getName() + " " + found.getFileId().getFileName() + ":"
                            + found.getBeginLine() + " " + found.getDescription())
                    .toList();
        }
    }
}
