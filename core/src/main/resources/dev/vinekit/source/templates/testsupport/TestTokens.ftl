<#if s.secured>
import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.crypto.MACSigner;
import com.nimbusds.jwt.JWTClaimsSet;
import com.nimbusds.jwt.SignedJWT;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Date;
import java.util.List;

/** Makes the tokens that tests send. */
public final class TestTokens {
    /** What the tokens are signed with, and the service under test verifies them by. */
    public static final String SECRET = "a secret for tests only, of 32 bytes or more";

    private TestTokens() {
    }

    /** A valid token with these roles. */
    public static String of(Collection<String> roles) {
        return signed(SECRET, roles, Instant.now().plus(Duration.ofHours(1)));
    }

    /** A token that expires at a time. */
    public static String signed(String secret, Collection<String> roles, Instant expiry) {
        try {
            SignedJWT token = new SignedJWT(new JWSHeader(JWSAlgorithm.HS256), new JWTClaimsSet.Builder()
                    .subject("a test").claim("roles", List.copyOf(roles)).expirationTime(Date.from(expiry)).build());
            token.sign(new MACSigner(secret));
            return token.serialize();
        } catch (JOSEException e) {
            throw new IllegalStateException("the token cannot be signed", e);
        }
    }
}
</#if>
