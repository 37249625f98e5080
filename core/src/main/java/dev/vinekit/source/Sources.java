package dev.vinekit.source;

import dev.vinekit.data.SampleRows;
import dev.vinekit.fault.Visible;
import dev.vinekit.mapping.Conventions;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.schema.TableName;
import dev.vinekit.source.openapi.OpenApi;
import dev.vinekit.source.view.EntityView;
import dev.vinekit.source.view.FieldView;
import dev.vinekit.source.view.ServiceView;
import dev.vinekit.source.view.ServiceViews;
import dev.vinekit.sql.Dialect;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import javax.lang.model.SourceVersion;

/** Writes every file of a service. */
public final class Sources {
    /** Coordinates of libraries in a {@code pom.xml}, once the parts that name others are taken out. */
    private static final Pattern COORDINATES =
            Pattern.compile("<dependency>\\s*<groupId>([^<]+)</groupId>\\s*<artifactId>([^<]+)</artifactId>");
    private static final Pattern NOT_NEEDED =
            Pattern.compile("(?s)<(dependencyManagement|exclusions|plugins)>.*?</\\1>");

    private final Mapping mapping;
    private final ServiceView service;
    private final Templates templates;
    private final List<SourceFile> files = new ArrayList<>();
    private final List<JavaFile> java = new ArrayList<>();

    private Sources(Mapping mapping, ServiceView service, Templates templates) {
        this.mapping = mapping;
        this.service = service;
        this.templates = templates;
    }

    /**
     * Writes the service for a mapping.
     *
     * @param samples the rows that tests and descriptions show
     * @param seed the content of {@code db/seed.sql}
     * @param ownTemplates a folder of templates that replace ours of the same name; need not be there
     */
    public static SourceTree of(
            Mapping mapping, EngineTraits engine, Dialect dialect, SampleRows samples, String seed,
            Optional<Path> ownTemplates) {
        Sources sources = new Sources(mapping, ServiceViews.of(mapping, engine, dialect, samples),
                new Templates(engine.templates(), ownTemplates));
        sources.java.addAll(IntStream.range(0, mapping.entities().size()).parallel()
                .mapToObj(i -> sources.table(mapping.entities().get(i), sources.service.entities().get(i)))
                .flatMap(List::stream).toList());
        sources.support();
        List<String> libraries = sources.project(samples, seed);
        sources.writeJava();
        sources.templates.refuseUnknown();
        Map<TableName, String> unfilled = new HashMap<>();
        mapping.entities().stream().filter(entity -> !entity.table().isView()).forEach(entity ->
                samples.obstacle(entity).ifPresent(reason -> unfilled.put(entity.table().name(), reason)));
        return new SourceTree(mapping, sources.files, ServiceViews.rules(mapping, dialect, samples), unfilled,
                libraries, sources.templates.own());
    }

    private List<JavaFile> table(Entity entity, EntityView e) {
        TableFiles table = new TableFiles(entity.table().name(), packageOf(entity), Map.of("e", e, "part", "class"));
        String name = e.name().value();
        table.main("entity", "entity", name);
        e.keyName().ifPresent(key -> table.main("key", "entity", key.value()));
        for (FieldView f : e.fields()) {
            f.enumeration().ifPresent(enumeration ->
                    table.add("main", "table/enum", "table/enum " + f.column(), "entity",
                    enumeration.name().value(), Map.of("e", e, "f", f)));
        }
        if (e.writable()) {
            table.main("input", "dto", name + "Input");
        }
        table.layer("repository", name + "Repository", e.repositoryClass(), e);
        table.layer("service", name + "Service", e.serviceClass(), e);
        table.main("controller", "controller", name + "Controller");
        if (e.test().filled()) {
            table.test("samples", "samples", name + "Samples");
        }
        table.test("repositoryTest", "repository", name + "RepositoryTest");
        if (mapping.conventions().interfaces()) {
            table.test("serviceTest", "service", name + "ServiceTest");
        }
        table.test("controllerTest", "controller", name + "ControllerTest");
        return table.files;
    }

    /** A package for a table alone, in a layout by table. */
    private String packageOf(Entity entity) {
        String name = entity.name().value().toLowerCase(Locale.ROOT);
        return SourceVersion.isName(name, SourceVersion.RELEASE_17) && !name.equals("support") ? name : name + "row";
    }

    /** The classes that are the same for all tables: one for each template that has something to write. */
    private void support() {
        support("main", "support");
        support("test", "testsupport");
    }

    private void support(String side, String folder) {
        Map<String, Object> model = Map.of("s", service, "v", Versions.all());
        for (String name : templates.classes(folder)) {
            String text = templates.render(folder + "/" + name, model);
            if (!text.isBlank()) {
                java.add(new JavaFile(side, folder + "/" + name, Optional.empty(), "support", "support", name, text));
            }
        }
    }

    /** Writes the files beside the sources, and returns the libraries that the project names. */
    private List<String> project(SampleRows samples, String seed) {
        Map<String, Object> model = Map.of("s", service, "v", Versions.all());
        String pom = templates.render("project/pom.xml", model);
        file("pom.xml", pom, "project/pom.xml");
        file("README.md", templates.render("project/README.md", model), "project/README.md");
        file(".gitignore", templates.render("project/gitignore", model), "project/gitignore");
        file("src/main/resources/logback.xml", templates.render("project/logback.xml", model), "project/logback.xml");
        if (service.interfaces()) {
            file("src/test/resources/mockito-extensions/org.mockito.plugins.MockMaker",
                    templates.render("project/mocks", model), "project/mocks");
        }
        file("src/main/resources/db/schema.sql", Visible.script(mapping.definition()), "schema.sql");
        file("src/main/resources/db/seed.sql", Visible.script(seed), "seed.sql");
        (service.withPage() ? PageFiles.all() : Map.<String, String>of())
                .forEach((name, text) -> file("src/main/resources/page/" + name, text, "page/" + name));
        file("src/main/resources/openapi.json", OpenApi.of(mapping, samples, seed), "openapi.json");
        List<String> libraries = new ArrayList<>();
        Matcher library = COORDINATES.matcher(NOT_NEEDED.matcher(pom).replaceAll(""));
        while (library.find()) {
            libraries.add(library.group(1) + ":" + library.group(2));
        }
        return libraries;
    }

    private void file(String path, String text, String role) {
        files.add(new SourceFile(path, text.replace(String.valueOf(JavaName.MARK), ""), role, Optional.empty()));
    }

    private void writeJava() {
        String base = mapping.basePackage().value();
        Map<String, String> known = new HashMap<>();
        Map<String, String> domain = new HashMap<>();
        java.forEach(file -> (file.table.isPresent() ? domain : known)
                .put(file.name, base + "." + file.folder + "." + file.name));
        Imports imports = new Imports(known, domain);
        JavaLayout layout = new JavaLayout(mapping.conventions().fileHeader(), mapping.conventions().indentation());
        files.addAll(java.parallelStream().map(file -> {
            String ownPackage = base + "." + file.folder;
            Imports.Resolved resolved = imports.of(file.body, ownPackage);
            return new SourceFile(
                    "src/" + file.side + "/java/" + ownPackage.replace('.', '/') + "/" + file.name + ".java",
                    layout.of(ownPackage, resolved.statements(), resolved.body()), file.role, file.table);
        }).toList());
    }

    /** Writes the files of one table. */
    private final class TableFiles {
        private final TableName table;
        private final String ownFolder;
        private final Map<String, Object> model;
        private final List<JavaFile> files = new ArrayList<>();

        TableFiles(TableName table, String ownFolder, Map<String, Object> model) {
            this.table = table;
            this.ownFolder = ownFolder;
            this.model = model;
        }

        void main(String template, String layer, String name) {
            add("main", "table/" + template, "table/" + template, layer, name, model);
        }

        void test(String template, String layer, String name) {
            add("test", "test/" + template, "test/" + template, layer, name, model);
        }

        /** A class, or where the house wants that an interface and its implementation. */
        void layer(String layer, String name, JavaName implementation, EntityView e) {
            if (!mapping.conventions().interfaces()) {
                main(layer, layer, name);
                return;
            }
            add("main", "table/" + layer, "table/" + layer, layer, name, Map.of("e", e, "part", "interface"));
            add("main", "table/" + layer, "table/" + layer + " implementation", layer, implementation.value(),
                    Map.of("e", e, "part", "implementation"));
        }

        void add(String side, String template, String role, String layer, String name, Map<String, Object> with) {
            String folder = mapping.conventions().layout() == Conventions.Layout.BY_TABLE ? ownFolder : layer;
            files.add(new JavaFile(side, role, Optional.of(table), layer, folder, name,
                    templates.render(template, with)));
        }
    }

    private record JavaFile(
            String side, String role, Optional<TableName> table, String layer, String folder, String name,
            String body) {
    }
}
