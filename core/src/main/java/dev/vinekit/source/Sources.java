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
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.lang.model.SourceVersion;

/** Writes every file of a service. */
public final class Sources {
    /** Where the templates of each table lie, and among which sources what they make belongs. */
    private static final Map<String, String> TABLE_FOLDERS = new TreeMap<>(Map.of("table", "main", "test", "test"));

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
    @SuppressWarnings("exports")
    public static SourceTree of(
            Mapping mapping, EngineTraits engine, Dialect dialect, SampleRows samples, String seed,
            Optional<Path> ownTemplates) {
        Templates templates = new Templates(engine.templates(), ownTemplates);
        Set<String> locals = templates.locals(TABLE_FOLDERS.keySet());
        Sources sources = new Sources(mapping, ServiceViews.of(mapping, engine, dialect, samples, locals), templates);
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
        return new SourceTree(mapping, sources.files, ServiceViews.rules(mapping, dialect, samples, locals), unfilled,
                libraries, sources.templates.own());
    }

    /**
     * The names of the classes that a table gets, with {@code *} where that of its entity stands; those of its
     * enumerations aside.
     */
    public static List<String> classNames() {
        Templates templates = new Templates(Sources.class, Optional.empty());
        return TABLE_FOLDERS.keySet().stream().flatMap(folder -> templates.names(folder).stream())
                .map(templates::head).flatMap(head -> Stream.concat(head.name().stream(),
                        head.implementation().stream())).toList();
    }

    /** The names of the classes that tables share, in every project or in some. */
    public static List<String> supportNames() {
        return new Templates(Sources.class, Optional.empty()).names("support").stream()
                .map(name -> name.substring(name.lastIndexOf('/') + 1)).toList();
    }

    /** What the files of tables are, in the plural, by the templates that make them. */
    public static Map<String, String> sorts() {
        Templates templates = new Templates(Sources.class, Optional.empty());
        return TABLE_FOLDERS.keySet().stream().flatMap(folder -> templates.names(folder).stream())
                .collect(Collectors.toUnmodifiableMap(name -> name, name -> templates.head(name).files()));
    }

    /** One file for each template that has something to write about the table. */
    private List<JavaFile> table(Entity entity, EntityView e) {
        TableFiles table = new TableFiles(entity, e);
        TABLE_FOLDERS.forEach((folder, side) -> templates.names(folder).forEach(name -> table.add(side, name)));
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
        if (service.server()) {
            support("main", "server");
        }
        support("test", "testsupport");
    }

    private void support(String side, String folder) {
        Map<String, Object> model = Map.of("s", service, "v", Versions.all());
        for (String name : templates.names(folder)) {
            String text = templates.render(name, model);
            if (!text.isBlank()) {
                java.add(new JavaFile(side, name, Optional.empty(), "support",
                        name.substring(folder.length() + 1), text));
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
        file(".gitattributes", templates.render("project/gitattributes", model), "project/gitattributes");
        file(".editorconfig", templates.render("project/editorconfig", model), "project/editorconfig");
        file("verify.sh", templates.render("project/verify.sh", model), "project/verify.sh");
        file("src/main/resources/logback.xml", templates.render("project/logback.xml", model), "project/logback.xml");
        file("src/main/resources/logback/text.xml", templates.render("project/logText", model), "project/logText");
        file("src/main/resources/logback/json.xml", templates.render("project/logJson", model), "project/logJson");
        if (service.container()) {
            file("Containerfile", templates.render("project/Containerfile", model), "project/Containerfile");
        }
        if (service.systemd()) {
            file(mapping.artifact() + ".service", templates.render("project/unit", model), "project/unit");
        }
        if (service.interfaces()) {
            file("src/test/resources/mockito-extensions/org.mockito.plugins.MockMaker",
                    templates.render("project/mocks", model), "project/mocks");
        }
        file("src/main/resources/db/schema.sql", Visible.script(mapping.definition()), "schema.sql");
        file("src/main/resources/db/seed.sql", Visible.script(seed), "seed.sql");
        (service.withPage() ? PageFiles.all() : Map.<String, String>of())
                .forEach((name, text) -> file("src/main/resources/page/" + name, text, "page/" + name));
        String registrations = java.stream().filter(file -> file.role.equals("table/registration"))
                .map(file -> nameOf(file) + "\n").sorted().collect(Collectors.joining());
        file("src/main/resources/META-INF/services/" + mapping.basePackage() + ".support.Registration", registrations,
                "registrations");
        file("src/main/resources/" + ServiceViews.resources(mapping) + "openapi.json", OpenApi.of(mapping, samples, seed), "openapi.json");
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

    /** The full name of its class. */
    private String nameOf(JavaFile file) {
        return mapping.basePackage() + "." + file.folder + "." + file.name;
    }

    private void writeJava() {
        Map<String, String> known = new HashMap<>();
        Map<String, String> domain = new HashMap<>();
        java.forEach(file -> (file.table.isPresent() ? domain : known)
                .put(file.name, nameOf(file)));
        Imports imports = new Imports(known, domain);
        JavaLayout layout = new JavaLayout(mapping.conventions().fileHeader(), mapping.conventions().indentation());
        files.addAll(java.parallelStream().map(file -> {
            String ownPackage = mapping.basePackage() + "." + file.folder;
            Imports.Resolved resolved = imports.of(file.body, ownPackage);
            return new SourceFile(
                    "src/" + file.side + "/java/" + ownPackage.replace('.', '/') + "/" + file.name + ".java",
                    layout.of(ownPackage, resolved.statements(), resolved.body()), file.role, file.table);
        }).toList());
    }

    /** Writes the files of one table. */
    private final class TableFiles {
        private final TableName table;
        private final String entityName;
        private final String ownFolder;
        private final EntityView e;
        private final List<JavaFile> files = new ArrayList<>();

        TableFiles(Entity entity, EntityView e) {
            this.table = entity.table().name();
            this.entityName = entity.name().value();
            this.ownFolder = packageOf(entity);
            this.e = e;
        }

        /** A class, or where the house wants that an interface and its implementation. */
        void add(String side, String template) {
            Templates.Head head = templates.head(template);
            boolean split = head.implementation().isPresent() && mapping.conventions().interfaces();
            head.name().ifPresent(name -> add(side, template, template, head, named(name),
                    Map.of("part", split ? "interface" : "class")));
            head.implementation().filter(name -> split).ifPresent(name -> add(side, template,
                    template + " implementation", head, named(name), Map.of("part", "implementation")));
            if (head.eachEnumeration()) {
                Set<FieldView> all = new LinkedHashSet<>(e.fields());
                all.addAll(e.inputs());
                for (FieldView f : all) {
                    f.enumeration().ifPresent(enumeration -> add(side, template, template + " " + f.column(),
                            head, enumeration.name().value(), Map.of("f", f)));
                }
            }
        }

        private String named(String pattern) {
            return pattern.replace("*", entityName);
        }

        private void add(
                String side, String template, String role, Templates.Head head, String name, Map<String, ?> more) {
            Map<String, Object> model = new HashMap<>(more);
            model.put("e", e);
            model.put("s", service);
            String text = templates.render(template, model);
            if (!text.isBlank()) {
                boolean byTable = mapping.conventions().layout() == Conventions.Layout.BY_TABLE;
                String folder = byTable ? ownFolder : head.layer();
                files.add(new JavaFile(side, role, Optional.of(table), folder, name, text));
            }
        }
    }

    private record JavaFile(
            String side, String role, Optional<TableName> table, String folder, String name, String body) {
    }
}
