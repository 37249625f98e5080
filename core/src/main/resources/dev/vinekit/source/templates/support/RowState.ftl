import com.fasterxml.jackson.core.JsonProcessingException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.Base64;

/**
 * A row as clients see it.
 *
 * @param tag the entity tag that names this state of the row, in its quotes
 */
public record RowState(byte[] json, String tag) {
    static RowState of(Object row) {
        try {
            byte[] json = Json.MAPPER.writeValueAsBytes(row);
<#if s.versioned>
            return new RowState(json, row instanceof Versioned versioned
                    ? "\"" + versioned.rowVersion() + "\"" : hash(json));
<#else>
            return new RowState(json, hash(json));
</#if>
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("cannot write a " + row.getClass().getSimpleName(), e);
        }
    }

    private static String hash(byte[] json) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(json);
            return "\"" + Base64.getUrlEncoder().withoutPadding().encodeToString(Arrays.copyOf(digest, 15)) + "\"";
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
