package dev.vinekit.source;

import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.ReservedTypes;
import dev.vinekit.source.view.EntityView;
import dev.vinekit.source.view.FieldView;
import dev.vinekit.source.view.ServiceView;
import dev.vinekit.source.view.ServiceViews;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Writes every file of a service. */
public final class Sources {
    static final List<String> SUPPORT = List.of(
            "Application", "Coded", "Constraint", "Endpoints", "EntryPoint", "Health", "InputReader", "Insert", "Json",
            "JsonProvider", "Main", "MergePatch", "OnCreate", "OnReplace", "PageRequest", "PathKeys", "Problem",
            "ProblemException", "ProblemMapper", "Rules", "Server", "Settings", "Sql", "SqlError", "SqlErrors", "Transactions",
            "Violation", "Binary", "KeyParameters");

    static final List<String> TEST_SUPPORT = List.of(
            "Api", "ApiAnswer", "ContractTest", "EmptyDatabase", "Numbers", "ServiceUnderTest", "Tables", "TestDatabase",
            "TestRow", "TestTransaction", "TestValues");

    private final Mapping mapping;
    private final ServiceView service;
    private final List<String> engineSupport;
    private final Templates templates;
    private final List<SourceFile> files = new ArrayList<>();
    private final List<JavaFile> java = new ArrayList<>();

    private Sources(Mapping mapping, ServiceView service, List<String> engineSupport, Templates templates) {
        this.mapping = mapping;
        this.service = service;
        this.engineSupport = engineSupport;
        this.templates = templates;
    }

    /**
     * Writes the service for a mapping.
     *
     * @param seed the content of {@code db/seed.sql}
     */
    public static SourceTree of(Mapping mapping, EngineTraits engine, Dialect dialect, String seed) {
        Sources sources = new Sources(mapping, ServiceViews.of(mapping, engine, dialect), engine.support(),
                new Templates(engine.templates()));
        sources.service.entities().forEach(sources::table);
        sources.support();
        sources.project(seed);
        sources.writeJava();
        return new SourceTree(mapping, sources.files);
    }

    private void table(EntityView e) {
        Map<String, Object> model = Map.of("e", e);
        String name = e.name().value();
        main("table/entity", "entity", name, model);
        e.keyName().ifPresent(key -> main("table/key", "entity", key.value(), model));
        for (FieldView f : e.fields()) {
            f.enumeration().ifPresent(enumeration ->
                    main("table/enum", "entity", enumeration.name().value(), Map.of("e", e, "f", f)));
        }
        if (e.writable()) {
            main("table/input", "dto", name + "Input", model);
        }
        main("table/repository", "repository", name + "Repository", model);
        main("table/service", "service", name + "Service", model);
        main("table/controller", "controller", name + "Controller", model);
        if (e.can().create()) {
            test("test/samples", "samples", name + "Samples", model);
        }
        test("test/repositoryTest", "repository", name + "RepositoryTest", model);
        test("test/controllerTest", "controller", name + "ControllerTest", model);
    }

    private void support() {
        Map<String, Object> model = Map.of("s", service);
        for (String name : SUPPORT) {
            boolean needed = switch (name) {
                case "Binary" -> service.binary();
                case "KeyParameters" -> service.temporalKeys();
                default -> true;
            };
            if (needed) {
                main("support/" + name, "support", name, model);
            }
        }
        engineSupport.forEach(name -> main("support/" + name, "support", name, model));
        TEST_SUPPORT.forEach(name -> test("testsupport/" + name, "support", name, model));
    }

    private void project(String seed) {
        Map<String, Object> model = Map.of("s", service, "v", Versions.all());
        file("pom.xml", templates.render("project/pom.xml", model));
        file("README.md", templates.render("project/README.md", model));
        file(".gitignore", templates.render("project/gitignore", model));
        file("src/main/resources/logback.xml", templates.render("project/logback.xml", model));
        file("src/main/resources/db/schema.sql", mapping.definition());
        file("src/main/resources/db/seed.sql", seed);
    }

    private void file(String path, String text) {
        files.add(new SourceFile(path, text));
    }

    private void main(String template, String layer, String name, Map<String, Object> model) {
        java.add(new JavaFile("main", layer, name, templates.render(template, model)));
    }

    private void test(String template, String layer, String name, Map<String, Object> model) {
        java.add(new JavaFile("test", layer, name, templates.render(template, model)));
    }

    private void writeJava() {
        String base = mapping.basePackage().value();
        Map<String, String> known = new HashMap<>(ReservedTypes.libraryTypes());
        java.forEach(file -> known.put(file.name, base + "." + file.layer + "." + file.name));
        Map<String, String> knownInDto = new LinkedHashMap<>(known);
        knownInDto.put("Pattern", "jakarta.validation.constraints.Pattern");
        Imports imports = new Imports(known);
        Imports importsInDto = new Imports(knownInDto);
        for (JavaFile file : java) {
            String ownPackage = base + "." + file.layer;
            String needed = (file.layer.equals("dto") ? importsInDto : imports).of(file.body, ownPackage);
            String text = "package " + ownPackage + ";\n\n" + needed + (needed.isEmpty() ? "" : "\n")
                    + LineBreaker.apply(file.body);
            file("src/" + file.side + "/java/" + ownPackage.replace('.', '/') + "/" + file.name + ".java", text);
        }
    }

    private record JavaFile(String side, String layer, String name, String body) {
    }
}
