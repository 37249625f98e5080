import jakarta.ws.rs.HttpMethod;
import jakarta.ws.rs.Path;
import java.lang.annotation.Annotation;
import java.lang.reflect.Method;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** Lists the paths of controllers and the methods that each takes, as their annotations say. */
public final class Endpoints {
    private static final List<String> ORDER = List.of("GET", "POST", "PUT", "PATCH", "DELETE");

    private Endpoints() {
    }

    /** One line for each path, such as {@code /api/barrels/{key}  GET PUT PATCH DELETE}. */
    public static List<String> of(String basePath, List<Object> controllers) {
        Map<String, Set<String>> methods = new LinkedHashMap<>();
        for (Object controller : controllers) {
            String root = controller.getClass().getAnnotation(Path.class).value();
            for (Method method : controller.getClass().getDeclaredMethods()) {
                Path path = method.getAnnotation(Path.class);
                String suffix = path == null ? "" : "/" + path.value();
                for (Annotation annotation : method.getAnnotations()) {
                    HttpMethod verb = annotation.annotationType().getAnnotation(HttpMethod.class);
                    if (verb != null) {
                        methods.computeIfAbsent(basePath + "/" + root.replaceFirst("^/", "") + suffix,
                                key -> new TreeSet<>(Comparator.comparing(ORDER::indexOf))).add(verb.value());
                    }
                }
            }
        }
        int width = methods.keySet().stream().mapToInt(String::length).max().orElse(0);
        return methods.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(entry -> entry.getKey() + " ".repeat(width - entry.getKey().length() + 2)
                        + String.join(" ", entry.getValue()))
                .toList();
    }
}
