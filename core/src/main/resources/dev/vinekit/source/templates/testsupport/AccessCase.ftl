<#if s.secured>
import java.util.List;

/**
 * A request that would come to nothing, and the roles that may make it.
 *
 * @param roles {@code *} for everybody with a token
 */
public record AccessCase(String operation, String method, String path, String contentType, List<String> roles) {
    boolean isForEverybody() {
        return roles.contains("*");
    }

    /** Whether the path has nothing else that can be done by this method. */
    boolean isWhole() {
        return path.indexOf('?') < 0;
    }

    /** The path without parameters. */
    String bare() {
        return isWhole() ? path : path.substring(0, path.indexOf('?'));
    }

    ApiResponse send(Api api) {
        return api.send(method, path, contentType, method.startsWith("P") ? "[1]" : null);
    }

    @Override
    public String toString() {
        return operation;
    }
}
</#if>
