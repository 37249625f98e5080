package dev.vinekit.source;

import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Nearest;
import freemarker.cache.FileTemplateLoader;
import freemarker.cache.MultiTemplateLoader;
import freemarker.cache.StrongCacheStorage;
import freemarker.cache.TemplateLoader;
import freemarker.cache.URLTemplateLoader;
import freemarker.core.ParseException;
import freemarker.core.TemplateClassResolver;
import freemarker.ext.beans.ClassMemberAccessPolicy;
import freemarker.ext.beans.MemberAccessPolicy;
import freemarker.template.Configuration;
import freemarker.template.DefaultObjectWrapper;
import freemarker.template.DefaultObjectWrapperBuilder;
import freemarker.template.Template;
import freemarker.template.TemplateException;
import freemarker.template.TemplateExceptionHandler;
import freemarker.template.TemplateModel;
import freemarker.template.TemplateModelException;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.lang.reflect.Constructor;
import java.lang.reflect.Field;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.net.URL;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The templates: those in the jar, and those of the house. They read their model and nothing else. */
final class Templates {
    private static final String SUFFIX = ".ftl";

    /** Begins the name of a template that others include, and that makes nothing by itself. */
    private static final String PART = "_";

    /** Templates of the jar never change: those of each engine are read once. */
    private static final Map<Class<?>, Configuration> SHIPPED = new ConcurrentHashMap<>();

    private final Configuration configuration;
    private final Class<?> engine;
    private final Optional<Path> folder;
    private final Set<String> own = new ConcurrentSkipListSet<>();
    private final Set<String> rendered = new ConcurrentSkipListSet<>();

    /**
     * With those of an engine, which come before ours of the same name, and those of the house, which come first.
     *
     * @param engine a class in the engine's package
     * @param folder need not be there
     */
    Templates(Class<?> engine, Optional<Path> folder) {
        this.engine = engine;
        this.folder = folder.filter(Files::isDirectory);
        this.configuration = this.folder.map(path -> configuration(engine, Stream.of(ownTemplates(path))))
                .orElseGet(() -> SHIPPED.computeIfAbsent(engine, key -> configuration(key, Stream.of())));
    }

    private static Configuration configuration(Class<?> engine, Stream<TemplateLoader> first) {
        Configuration configuration = new Configuration(Configuration.VERSION_2_3_34);
        configuration.setTemplateLoader(new MultiTemplateLoader(
                Stream.concat(first, places(engine).map(Templates::shippedWith)).toArray(TemplateLoader[]::new)));
        configuration.setDefaultEncoding("UTF-8");
        configuration.setLocale(Locale.ROOT);
        configuration.setNumberFormat("computer");
        configuration.setLocalizedLookup(false);
        configuration.setTemplateUpdateDelayMilliseconds(Long.MAX_VALUE);
        configuration.setCacheStorage(new StrongCacheStorage());
        configuration.setLogTemplateExceptions(false);
        configuration.setTemplateExceptionHandler(TemplateExceptionHandler.RETHROW_HANDLER);
        configuration.setNewBuiltinClassResolver(TemplateClassResolver.ALLOWS_NOTHING_RESOLVER);
        configuration.setAPIBuiltinEnabled(false);
        configuration.setObjectWrapper(new OptionalsAsValues());
        return configuration;
    }

    /** The classes that templates lie beside: the engine's, what it extends, and ours at last. */
    private static Stream<Class<?>> places(Class<?> engine) {
        return Stream.concat(
                Stream.<Class<?>>iterate(engine, each -> each != Object.class, Class::getSuperclass),
                Stream.of(Templates.class));
    }

    /** Templates beside a class. They are asked for here, for the library is shown nothing of what lies in a module. */
    private static TemplateLoader shippedWith(Class<?> owner) {
        return new URLTemplateLoader() {
            @Override
            protected URL getURL(String name) {
                return owner.getResource("templates/" + name);
            }
        };
    }

    /** Files in the folder; the loader goes neither up from it nor along links out of it. */
    private TemplateLoader ownTemplates(Path path) {
        try {
            return new FileTemplateLoader(path.toFile()) {
                @Override
                public Object findTemplateSource(String name) throws IOException {
                    Object found = super.findTemplateSource(name);
                    if (found != null) {
                        own.add(name);
                    }
                    return found;
                }
            };
        } catch (IOException e) {
            throw Fault.inWorld("The folder of templates " + path + " cannot be read.", "Check that it may be read.",
                    e);
        }
    }

    /**
     * Fills a template in.
     *
     * @throws Fault if a template of the house has a mistake
     */
    String render(String name, Map<String, Object> model) {
        rendered.add(name + SUFFIX);
        StringWriter text = new StringWriter();
        try {
            template(configuration, name).process(model, text);
        } catch (TemplateException e) {
            throw mistake(e.getTemplateSourceName(), e.getLineNumber(), e.getColumnNumber(),
                    e.getMessageWithoutStackTop(), e);
        } catch (IOException e) {
            throw new UncheckedIOException("template " + name, e);
        }
        return text.toString();
    }

    /**
     * The templates of a folder that make classes, with the folder; parts of others have it in their name that they are
     * (see {@link #PART}).
     */
    List<String> names(String folder) {
        Set<String> names = new TreeSet<>();
        places(engine).flatMap(place -> ResourceFolder.names(place, "templates/" + folder).stream())
                .filter(name -> name.endsWith(SUFFIX) && !name.startsWith(PART))
                .forEach(name -> names.add(folder + "/" + name.substring(0, name.length() - SUFFIX.length())));
        return List.copyOf(names);
    }

    /**
     * What a template for each table says of the classes that it makes.
     *
     * @param layer the package that they lie in, in a layout by layer
     * @param name with {@code *} where the entity's name stands; empty if each is of an enumeration
     * @param implementation the class behind it, where the house wants interfaces
     * @param files what they are, in the plural
     * @param locals the names that its methods use beside those of fields
     */
    record Head(
            String layer, Optional<String> name, Optional<String> implementation, String files, Set<String> locals) {
        boolean eachEnumeration() {
            return name.isEmpty();
        }
    }

    /** The head of a template; one of the house that has none has that of ours. */
    Head head(String name) {
        Template template = template(configuration, name);
        Template headed = template.getCustomAttribute("layer") == null
                ? template(SHIPPED.computeIfAbsent(engine, key -> configuration(key, Stream.of())), name) : template;
        return new Head(String.valueOf(headed.getCustomAttribute("layer")),
                Optional.ofNullable((String) headed.getCustomAttribute("class")),
                Optional.ofNullable((String) headed.getCustomAttribute("implementation")),
                String.valueOf(headed.getCustomAttribute("files")),
                headed.getCustomAttribute("locals") == null ? Set.of()
                        : Set.of(String.valueOf(headed.getCustomAttribute("locals")).split(" ")));
    }

    /** The names that methods use beside those of fields, in any class of a table. */
    Set<String> locals(Collection<String> folders) {
        return folders.stream().flatMap(folder -> names(folder).stream()).map(this::head)
                .flatMap(head -> head.locals().stream()).collect(Collectors.toUnmodifiableSet());
    }

    private Template template(Configuration from, String name) {
        try {
            return from.getTemplate(name + SUFFIX);
        } catch (ParseException e) {
            throw mistake(e.getTemplateName(), e.getLineNumber(), e.getColumnNumber(), e.getEditorMessage(), e);
        } catch (IOException e) {
            throw new UncheckedIOException("template " + name, e);
        }
    }

    private RuntimeException mistake(String template, Integer line, Integer column, String message, Exception cause) {
        if (template == null || !own.contains(template)) {
            return new IllegalStateException("template " + template + ": " + message, cause);
        }
        String first = message.lines().map(String::strip).filter(part -> !part.isEmpty() && !part.startsWith("---")
                && !part.startsWith("Tip:")).limit(2).collect(Collectors.joining(" "));
        return Fault.inCall(folder.orElseThrow().resolve(template)
                + (line == null ? "" : ", line " + line + ", column " + column)
                + ": " + first, "Correct the template, or take it away to have ours again.");
    }

    /** The templates of the house that were used. */
    Set<String> own() {
        return own;
    }

    /**
     * Makes sure that every template of the house takes the place of one of ours.
     *
     * @throws Fault naming one that does not
     */
    void refuseUnknown() {
        if (folder.isEmpty()) {
            return;
        }
        try (Stream<Path> found = Files.walk(folder.get())) {
            List<String> names = found.filter(Files::isRegularFile)
                    .map(file -> folder.get().relativize(file).toString().replace('\\', '/'))
                    .filter(name -> name.endsWith(SUFFIX)).sorted().toList();
            for (String name : names) {
                if (places(engine).allMatch(place -> place.getResource("templates/" + name) == null)) {
                    throw Fault.inCall("There is no template " + name + " for " + folder.get().resolve(name)
                            + " to replace.",
                            "The nearest name is " + Nearest.of(name, rendered).orElse("") + ".");
                }
            }
        } catch (IOException e) {
            throw Fault.inWorld("The folder of templates " + folder.get() + " cannot be read.",
                    "Check that it may be read.", e);
        }
    }

    /** An empty optional is a missing value, and a full one its content; of objects only view models are open. */
    private static final class OptionalsAsValues extends DefaultObjectWrapper {
        OptionalsAsValues() {
            super(withPolicy(), true);
        }

        private static DefaultObjectWrapperBuilder withPolicy() {
            DefaultObjectWrapperBuilder builder = new DefaultObjectWrapperBuilder(Configuration.VERSION_2_3_34);
            builder.setMemberAccessPolicy(new ViewsOnly());
            return builder;
        }

        @Override
        public TemplateModel wrap(Object value) throws TemplateModelException {
            return super.wrap(value instanceof Optional<?> optional ? optional.orElse(null) : value);
        }
    }

    /** Lets templates call the methods of view models, and nothing else. */
    private static final class ViewsOnly implements MemberAccessPolicy, ClassMemberAccessPolicy {
        @Override
        public ClassMemberAccessPolicy forClass(Class<?> type) {
            return this;
        }

        @Override
        public boolean isToStringAlwaysExposed() {
            return true;
        }

        @Override
        public boolean isMethodExposed(Method method) {
            return method.getDeclaringClass().getPackageName().equals("dev.vinekit.source.view")
                    && !Modifier.isStatic(method.getModifiers());
        }

        @Override
        public boolean isConstructorExposed(Constructor<?> constructor) {
            return false;
        }

        @Override
        public boolean isFieldExposed(Field field) {
            return false;
        }
    }
}
