<#if s.metrics>
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** Finds out which method of a table something is done for, by who has called. */
final class Origin {
    private static final StackWalker STACK = StackWalker.getInstance();
    private static final String OURS = Origin.class.getPackageName() + ".";
    private static final String LAMBDA = "lambda$";
    private static final int FARTHEST = 20;

    /** Clients choose filters and orders, and thereby how many texts there are. */
    private static final int MOST_TEXTS = 1000;
    private static final Map<String, String> BY_TEXT = new ConcurrentHashMap<>();

    private Origin() {
    }

    /**
     * The method that runs a statement, as {@link #method}. It is looked for once, for that takes longer than some statements
     * do: a text that several methods run is told as that of the first.
     */
    static String method(String sql) {
        String known = BY_TEXT.get(sql);
        if (known != null) {
            return known;
        }
        if (BY_TEXT.size() >= MOST_TEXTS) {
            BY_TEXT.clear();
        }
        String found = method();
        BY_TEXT.put(sql, found);
        return found;
    }

    /** The method of a repository or service that is nearest; of the service, where the repository's is that of all tables. */
    static String method() {
        return STACK.walk(frames -> frames.limit(FARTHEST).filter(frame -> isOfTable(frame.getClassName())).findFirst()
                .map(frame -> simple(frame.getClassName()) + "." + plain(frame.getMethodName())).orElse("other"));
    }

    private static boolean isOfTable(String name) {
        return !name.startsWith(OURS) && (name.endsWith("Repository") || name.endsWith("Service"));
    }

    private static String simple(String name) {
        return name.substring(name.lastIndexOf('.') + 1);
    }

    /** The method that a lambda stands in: {@code list} for {@code lambda$list$0}. */
    private static String plain(String method) {
        return method.startsWith(LAMBDA) ? method.substring(LAMBDA.length(), method.lastIndexOf('$')) : method;
    }
}
</#if>
