package dev.vinekit.source;

import freemarker.cache.ClassTemplateLoader;
import freemarker.cache.MultiTemplateLoader;
import freemarker.cache.TemplateLoader;
import freemarker.core.TemplateClassResolver;
import freemarker.template.Configuration;
import freemarker.template.DefaultObjectWrapper;
import freemarker.template.TemplateException;
import freemarker.template.TemplateExceptionHandler;
import freemarker.template.TemplateModel;
import freemarker.template.TemplateModelException;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** The templates in the jar. They read their model and nothing else. */
final class Templates {
    private final Configuration configuration = new Configuration(Configuration.VERSION_2_3_34);

    /**
     * With an engine's own, which come before ours of the same name.
     *
     * @param engine a class in the engine's package
     */
    Templates(Class<?> engine) {
        configuration.setTemplateLoader(new MultiTemplateLoader(new TemplateLoader[] {
            new ClassTemplateLoader(engine, "templates"), new ClassTemplateLoader(Templates.class, "templates")}));
        configuration.setDefaultEncoding("UTF-8");
        configuration.setLocale(Locale.ROOT);
        configuration.setNumberFormat("computer");
        configuration.setLocalizedLookup(false);
        configuration.setLogTemplateExceptions(false);
        configuration.setTemplateExceptionHandler(TemplateExceptionHandler.RETHROW_HANDLER);
        configuration.setNewBuiltinClassResolver(TemplateClassResolver.ALLOWS_NOTHING_RESOLVER);
        configuration.setAPIBuiltinEnabled(false);
        configuration.setObjectWrapper(new OptionalsAsValues());
    }

    String render(String name, Map<String, Object> model) {
        StringWriter text = new StringWriter();
        try {
            configuration.getTemplate(name + ".ftl").process(model, text);
        } catch (TemplateException e) {
            throw new IllegalStateException("template " + name + ": " + e.getMessageWithoutStackTop(), e);
        } catch (IOException e) {
            throw new UncheckedIOException("template " + name, e);
        }
        return text.toString();
    }

    /** An empty optional is a missing value, and a full one its content. */
    private static final class OptionalsAsValues extends DefaultObjectWrapper {
        OptionalsAsValues() {
            super(Configuration.VERSION_2_3_34);
        }

        @Override
        public TemplateModel wrap(Object value) throws TemplateModelException {
            return super.wrap(value instanceof Optional<?> optional ? optional.orElse(null) : value);
        }
    }
}
