package dev.vinekit;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PackageRulesTest {
    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("dev.vinekit");

    @ParameterizedTest
    @CsvSource({
        "fault,",
        "json,",
        "schema, json",
        "sql, schema",
        "engine, fault schema sql",
        "mapping, fault schema sql",
        "data, fault schema sql mapping",
        "scratch, fault schema sql mapping data engine",
        "source, fault json schema sql mapping data",
        "compare, schema mapping",
        "project, fault schema sql mapping data source engine",
        "run, fault schema sql mapping data source project engine",
        "report, fault project run",
        "cellar, fault schema sql engine",
    })
    void packageUsesOnlyThoseBelowIt(String name, String allowed) {
        List<String> packages = new ArrayList<>(List.of("java..", "javax..", own(name)));
        if (name.equals("run")) {
            packages.add("dev.vinekit");
        }
        Stream.of(allowed == null ? new String[0] : allowed.split(" ")).map(PackageRulesTest::own)
                .forEach(packages::add);
        Stream.of("com..", "io..", "org..", "freemarker..", "net.datafaker..").forEach(packages::add);
        ArchRuleDefinition.classes().that().resideInAPackage(own(name))
                .should().onlyDependOnClassesThat().resideInAnyPackage(packages.toArray(new String[0]))
                .check(CORE);
    }

    @Test
    void packagesFormNoCycle() {
        slices().matching("dev.vinekit.(*)..").should().beFreeOfCycles().check(CORE);
    }

    @Test
    void coreNeitherPrintsNorParsesArguments() {
        ArchRuleDefinition.noClasses().should().dependOnClassesThat().resideInAnyPackage("picocli..").check(CORE);
        ArchRuleDefinition.noClasses().should().accessField(System.class, "out")
                .orShould().accessField(System.class, "err")
                .orShould().dependOnClassesThat().belongToAnyOf(PrintStream.class).check(CORE);
    }

    /** Whatever else opens a file receives a path that was checked, or works in a temporary folder of its own. */
    @Test
    void onlyTheProjectPackageFindsFilesInAProject() {
        ArchRuleDefinition.noClasses().that().resideOutsideOfPackages(
                        "dev.vinekit.project", "dev.vinekit.engine..", "dev.vinekit.run..", "dev.vinekit.report..")
                .and().doNotHaveFullyQualifiedName("dev.vinekit.SeedRequest")
                .and().doNotHaveFullyQualifiedName("dev.vinekit.mapping.file.MappingFile")
                .and().doNotHaveFullyQualifiedName("dev.vinekit.source.Templates")
                .and().doNotHaveFullyQualifiedName("dev.vinekit.source.ResourceFolder")
                .should().dependOnClassesThat().belongToAnyOf(Files.class).check(CORE);
    }

    /** In both directions: nobody names an engine, and an engine knows nothing but what every engine may know. */
    @ParameterizedTest
    @CsvSource({"generic,", "h2,", "mariadb, mysqlfamily", "mysql, mysqlfamily", "postgresql,", "sqlite,"})
    void enginesAreKnownByTheirInterfaceOnly(String engine, String kin) {
        String own = "dev.vinekit.engine." + engine + "..";
        ArchRuleDefinition.noClasses().that().resideOutsideOfPackage(own)
                .should().dependOnClassesThat().resideInAPackage(own).check(CORE);
        ArchRuleDefinition.classes().that().resideInAPackage(own).should().onlyDependOnClassesThat().resideInAnyPackage(
                own, kin == null ? own : "dev.vinekit.engine." + kin, "dev.vinekit.engine", "dev.vinekit.fault", "dev.vinekit.schema", "dev.vinekit.sql", "java..",
                "javax..", "com..", "io..", "org..")
                .check(CORE);
    }

    @Test
    void everyEngineIsHeldToTheRuleAboveIt() {
        List<String> engines = CORE.stream().map(JavaClass::getPackageName)
                .filter(name -> name.startsWith("dev.vinekit.engine."))
                .distinct().sorted().toList();
        assertThat(engines).containsExactly("dev.vinekit.engine.generic", "dev.vinekit.engine.h2",
                "dev.vinekit.engine.mariadb", "dev.vinekit.engine.mysql", "dev.vinekit.engine.mysqlfamily",
                "dev.vinekit.engine.postgresql", "dev.vinekit.engine.sqlite");
    }

    @Test
    void everyPackageSaysWhatItIsFor() {
        List<String> silent = CORE.stream().map(JavaClass::getPackageName).distinct()
                .filter(name -> Stream.of("../core", ".").noneMatch(module -> Files.exists(
                        Path.of(module, "src/main/java", name.replace('.', '/'), "package-info.java"))))
                .toList();
        assertThat(silent).isEmpty();
    }

    @Test
    void theArchitectureTellsOfEveryPackage() throws IOException {
        String text = Files.readString(Path.of("../docs/architecture.md"));
        CORE.stream().map(JavaClass::getPackageName).filter(name -> name.startsWith("dev.vinekit."))
                .map(name -> name.split("\\.")[2]).distinct()
                .forEach(name -> assertThat(text).contains("| `" + name + "` |"));
    }

    @Test
    void whatContributorsAreSentToIsThere() throws IOException {
        List<String> paths = Pattern.compile("`([\\w.-]+(?:/[\\w.-]+)+)`")
                .matcher(Files.readString(Path.of("../CONTRIBUTING.md")))
                .results().map(found -> found.group(1)).distinct().toList();

        assertThat(paths).hasSizeGreaterThan(7).allMatch(path -> Files.exists(Path.of("..", path)));
    }

    private static String own(String name) {
        return "dev.vinekit." + name + "..";
    }
}
