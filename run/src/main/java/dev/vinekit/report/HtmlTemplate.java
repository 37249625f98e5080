package dev.vinekit.report;

import dev.vinekit.fault.Visible;
import freemarker.core.HTMLOutputFormat;
import freemarker.template.Configuration;
import freemarker.template.TemplateException;
import freemarker.template.TemplateExceptionHandler;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Map;

/**
 * A page whose template writes every value as text: nothing that comes from a database becomes markup, or is hidden.
 */
public final class HtmlTemplate {
    private HtmlTemplate() {
    }

    /**
     * The page as HTML.
     *
     * @param beside the class that the template lies beside
     * @param name of the template's file
     */
    public static String html(Class<?> beside, String name, Map<String, Object> model) {
        Configuration configuration = new Configuration(Configuration.VERSION_2_3_34);
        configuration.setClassForTemplateLoading(beside, "");
        configuration.setDefaultEncoding("UTF-8");
        configuration.setLocale(Locale.ROOT);
        configuration.setOutputFormat(HTMLOutputFormat.INSTANCE);
        configuration.setTemplateExceptionHandler(TemplateExceptionHandler.RETHROW_HANDLER);
        configuration.setLogTemplateExceptions(false);
        StringWriter text = new StringWriter();
        try {
            configuration.getTemplate(name).process(model, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (TemplateException e) {
            throw new IllegalStateException("the template " + name, e);
        }
        return Visible.text(text.toString());
    }
}
