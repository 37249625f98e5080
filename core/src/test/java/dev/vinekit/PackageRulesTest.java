package dev.vinekit;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
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
        "schema,",
        "sql, schema",
        "engine, fault schema sql",
        "mapping, fault schema sql",
        "data, fault schema sql mapping",
        "source, fault schema sql mapping data",
        "compare, schema mapping",
        "project, fault schema sql mapping data source",
        "run, fault schema sql mapping data source project engine",
        "report, fault project run",
        "cellar, fault schema sql engine",
    })
    void packageUsesOnlyThoseBelowIt(String name, String allowed) {
        List<String> packages = new ArrayList<>(List.of("java..", "javax..", own(name)));
        Stream.of(allowed == null ? new String[0] : allowed.split(" ")).map(PackageRulesTest::own).forEach(packages::add);
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

    @Test
    void enginesAreKnownByTheirInterfaceOnly() {
        ArchRuleDefinition.noClasses().that().resideOutsideOfPackage("dev.vinekit.engine.h2..")
                .should().dependOnClassesThat().resideInAPackage("dev.vinekit.engine.h2..").check(CORE);
    }

    @Test
    void everyPackageSaysWhatItIsFor() {
        List<String> silent = CORE.stream().map(JavaClass::getPackageName).distinct()
                .filter(name -> !Files.exists(Path.of("src/main/java", name.replace('.', '/'), "package-info.java")))
                .toList();
        assertThat(silent).isEmpty();
    }

    private static String own(String name) {
        return "dev.vinekit." + name + "..";
    }
}
