<#if s.owned || s.signed>
import jakarta.ws.rs.core.SecurityContext;
import java.util.function.Predicate;
import java.util.function.Supplier;

/**
 * Whom the work on a thread is done for: the holder of the token that came with a request, or the service itself, to
 * which every row is shown. Without either there are no rows to be had.
 */
public final class Caller {
    private static final ThreadLocal<Caller> CURRENT = new ThreadLocal<>();

    private final Predicate<String> roles;
    private final Claims claims;
    private final boolean service;

    /** What a token says of its holder. */
    @FunctionalInterface
    interface Claims {
        /** The value of a claim, with dots in its name where it lies deeper; null if there is none. */
        Object get(String name);
    }

    private Caller(Predicate<String> roles, Claims claims, boolean service) {
        this.roles = roles;
        this.claims = claims;
        this.service = service;
    }

    /** From here on the work on this thread is done for the holder of a token. */
    static void begin(SecurityContext holder) {
        CURRENT.set(new Caller(holder::isUserInRole, (Claims) holder, false));
    }

    /** From here on the work on this thread is done for the service itself, which has these claims. */
    static void beginService(Claims claims) {
        CURRENT.set(new Caller(role -> true, claims, true));
    }

    static void end() {
        CURRENT.remove();
    }

    /** Does work that no request asks for: every row is shown to it. */
    public static <T> T asService(Supplier<T> work) {
        Caller before = CURRENT.get();
        beginService(name -> null);
        try {
            return work.get();
        } finally {
            CURRENT.set(before);
        }
    }

    /**
     * Whom the work on this thread is done for.
     *
     * @throws IllegalStateException if nobody has said so
     */
    public static Caller current() {
        Caller caller = CURRENT.get();
        if (caller == null) {
            throw new IllegalStateException("Whose rows? Nobody has said whom this is done for: see Caller.asService.");
        }
        return caller;
    }

    public boolean isService() {
        return service;
    }

    /** The value of a claim of the token; null if it has none. */
    public Object claim(String name) {
        return claims.get(name);
    }

<#if s.signed>
    /**
     * The subject of the token, stored with the rows that its holder writes; null for work of the service itself.
     *
     * @param longest the greatest length of a text that the column holds; 0 for no limit
     * @throws ProblemException 403 if the token has no subject, or one that the column cannot hold
     */
    public <T> T signature(Class<T> type, int longest) {
        Object subject = claims.get("sub");
        if (subject == null && service) {
            return null;
        } else if (subject == null) {
            throw ProblemException.foreign("The token does not identify the caller: it has no subject (sub).");
        }
        String text = subject.toString();
        if (longest > 0 && text.codePointCount(0, text.length()) > longest) {
            throw ProblemException.foreign("The token does not identify the caller: its subject is longer than "
                    + longest + " characters.");
        }
        try {
            return PathKeys.part(text, type);
        } catch (IllegalArgumentException e) {
            throw ProblemException.foreign("The token does not identify the caller: its subject "
                    + InputReader.expected(type) + ".");
        }
    }

</#if>
    public boolean hasRole(String role) {
        return roles.test(role);
    }
}
</#if>
