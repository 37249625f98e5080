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
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Makes the tokens that tests send. */
public final class TestTokens {
    /** What the tokens are signed with, and the service under test verifies them by. */
    public static final String SECRET = "a secret for tests only, of 32 bytes or more";

<#if s.owned || s.signed>
    /** Claims without which no rows can be made. */
    static final Map<String, String> CLAIMS = Map.of(<#list s.claims?filter(c -> c.needed) as c>${c.name}, ${c.value}<#sep>, </#list>);

<#if s.signed>
<#assign subject = s.claims?filter(c -> "${c.name}" == '"sub"')?first.value>
    /** The subject of another token. */
    static final String ANOTHER = "${(subject?length gt 30)?then("00000000-0000-0002-0000-000000000002", "2")}";

</#if>
    /** Claims of somebody who has no rows, or some. */
    static final Map<String, String> SOMEBODY = Map.of(<#list s.claims as c>${c.name}, ${c.value}<#sep>, </#list>);

</#if>
    private TestTokens() {
    }

    /** A valid token with these roles. */
    public static String of(Collection<String> roles) {
        return signed(SECRET, roles, Instant.now().plus(Duration.ofHours(1)));
    }
<#if s.owned || s.signed>

    /** A valid token with these roles and claims. */
    static String of(Collection<String> roles, Map<String, String> claims) {
        return signed(SECRET, roles, Instant.now().plus(Duration.ofHours(1)), claims);
    }
</#if>

<#if s.owned || s.signed>
    /** A valid token with these roles and claims, and this one in the place of what they say of it. */
    static String of(Collection<String> roles, Map<String, String> others, String claim, String value) {
        Map<String, String> claims = new HashMap<>(others);
        claims.put(claim, value);
        return of(roles, claims);
    }

</#if>
    /** A token that expires at a time. */
    public static String signed(String secret, Collection<String> roles, Instant expiry) {
<#if s.owned || s.signed>
        return signed(secret, roles, expiry, Map.of());
    }

    private static String signed(String secret, Collection<String> roles, Instant expiry, Map<String, String> claims) {
        JWTClaimsSet.Builder holder = new JWTClaimsSet.Builder()
                .subject("a test").claim("roles", List.copyOf(roles)).expirationTime(Date.from(expiry));
        claims.forEach(holder::claim);
        try {
            SignedJWT token = new SignedJWT(new JWSHeader(JWSAlgorithm.HS256), holder.build());
<#else>
        try {
            SignedJWT token = new SignedJWT(new JWSHeader(JWSAlgorithm.HS256), new JWTClaimsSet.Builder()
                    .subject("a test").claim("roles", List.copyOf(roles)).expirationTime(Date.from(expiry)).build());
</#if>
            token.sign(new MACSigner(secret));
            return token.serialize();
        } catch (JOSEException e) {
            throw new IllegalStateException("the token cannot be signed", e);
        }
    }
}
</#if>
