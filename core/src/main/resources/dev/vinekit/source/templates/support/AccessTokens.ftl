<#if s.secured>
import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JOSEObjectType;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.KeySourceException;
import com.nimbusds.jose.jwk.JWKSet;
import com.nimbusds.jose.jwk.source.ImmutableJWKSet;
import com.nimbusds.jose.jwk.source.JWKSource;
import com.nimbusds.jose.jwk.source.JWKSourceBuilder;
import com.nimbusds.jose.proc.BadJOSEException;
import com.nimbusds.jose.proc.DefaultJOSEObjectTypeVerifier;
import com.nimbusds.jose.proc.JWSKeySelector;
import com.nimbusds.jose.proc.JWSVerificationKeySelector;
import com.nimbusds.jose.proc.SingleKeyJWSKeySelector;
import com.nimbusds.jwt.JWTClaimsSet;
import com.nimbusds.jwt.proc.DefaultJWTClaimsVerifier;
import com.nimbusds.jwt.proc.DefaultJWTProcessor;
import com.nimbusds.jwt.proc.ExpiredJWTException;
import jakarta.ws.rs.core.SecurityContext;
import java.io.File;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.crypto.spec.SecretKeySpec;

/**
 * Verifies bearer tokens (RFC 6750): JSON Web Tokens with an expiry, signed with HS256 by a shared secret, or with RS256
 * or ES256 by a key of a JSON Web Key Set. No other algorithm is taken, and each only with its own kind of key.
 */
public final class AccessTokens {
    private static final Pattern BEARER = Pattern.compile("(?i)Bearer +([A-Za-z0-9._~+/-]+=*)");
    private static final int SHORTEST_SECRET = 32;

    private final DefaultJWTProcessor<com.nimbusds.jose.proc.SecurityContext> processor = new DefaultJWTProcessor<>();
    private final List<String> rolesClaim;

    /**
     * For these settings.
     *
     * @throws IllegalArgumentException naming the variable that is missing or cannot be used
     */
    public AccessTokens(Settings.Access settings) {
        if (settings.secret().isEmpty() && settings.keys().isEmpty()) {
            throw new IllegalArgumentException("Neither AUTH_SECRET nor AUTH_KEYS is set: "
                    + "the secret, or the file or URL of the keys, that tokens are verified by");
        }
        JWSKeySelector<com.nimbusds.jose.proc.SecurityContext> shared
                = settings.secret().isEmpty() ? null : shared(settings.secret());
        JWSKeySelector<com.nimbusds.jose.proc.SecurityContext> published
                = settings.keys().isEmpty() ? null : published(settings.keys());
        processor.setJWSKeySelector((header, context) -> {
            JWSKeySelector<com.nimbusds.jose.proc.SecurityContext> selector
                    = header.getAlgorithm().equals(JWSAlgorithm.HS256) ? shared : published;
            return selector == null ? List.of() : selector.selectJWSKeys(header, context);
        });
        processor.setJWSTypeVerifier(new DefaultJOSEObjectTypeVerifier<>(
                JOSEObjectType.JWT, new JOSEObjectType("at+jwt"), null));
        JWTClaimsSet.Builder exact = new JWTClaimsSet.Builder();
        if (!settings.issuer().isEmpty()) {
            exact.issuer(settings.issuer());
        }
        DefaultJWTClaimsVerifier<com.nimbusds.jose.proc.SecurityContext> claims = new DefaultJWTClaimsVerifier<>(
                settings.audience().isEmpty() ? null : settings.audience(), exact.build(), Set.of("exp"));
        claims.setMaxClockSkew((int) settings.clockSkew().toSeconds());
        processor.setJWTClaimsSetVerifier(claims);
        rolesClaim = List.of(settings.rolesClaim().split("\\."));
    }

    private static JWSKeySelector<com.nimbusds.jose.proc.SecurityContext> shared(String secret) {
        byte[] bytes = secret.getBytes(StandardCharsets.UTF_8);
        if (bytes.length < SHORTEST_SECRET) {
            throw new IllegalArgumentException("AUTH_SECRET has " + bytes.length + " bytes; HS256 takes at least "
                    + SHORTEST_SECRET);
        }
        return new SingleKeyJWSKeySelector<>(JWSAlgorithm.HS256, new SecretKeySpec(bytes, "HmacSHA256"));
    }

    private static JWSKeySelector<com.nimbusds.jose.proc.SecurityContext> published(String place) {
        try {
            JWKSource<com.nimbusds.jose.proc.SecurityContext> keys = place.matches("https?://.*")
                    ? JWKSourceBuilder.create(URI.create(place).toURL()).retrying(true).build()
                    : new ImmutableJWKSet<>(JWKSet.load(new File(place)));
            return new JWSVerificationKeySelector<>(Set.of(JWSAlgorithm.RS256, JWSAlgorithm.ES256), keys);
        } catch (IOException | java.text.ParseException | IllegalArgumentException e) {
            throw new IllegalArgumentException("AUTH_KEYS is not the file or URL of a JSON Web Key Set: " + place, e);
        }
    }

    /**
     * Who sends a request.
     *
     * @param authorization the header of that name; null if there is none
     * @throws ProblemException 401 if it has no token, or none that is valid; 503 if the keys cannot be had
     */
    SecurityContext caller(String authorization) {
        if (authorization == null) {
            throw ProblemException.unauthorized("The request needs a bearer token.", "Bearer", null);
        }
        Matcher bearer = BEARER.matcher(authorization);
        if (!bearer.matches()) {
            throw invalid("The header Authorization does not have a bearer token.", null);
        }
        try {
            JWTClaimsSet claims = processor.process(bearer.group(1), null);
            if (claims.getExpirationTime() == null) {
                throw invalid("The token does not say when it expires.", null);
            }
            return new Holder(claims, rolesClaim);
        } catch (KeySourceException e) {
            throw ProblemException.unavailable(e);
        } catch (java.text.ParseException | JOSEException | BadJOSEException e) {
            throw invalid(e instanceof ExpiredJWTException ? "The token has expired." : "The token is not valid here.", e);
        }
    }

    private static ProblemException invalid(String detail, Exception cause) {
        return ProblemException.unauthorized(detail, "Bearer error=\"invalid_token\"", cause);
    }

    private record Holder(JWTClaimsSet claims, List<String> rolesClaim) implements SecurityContext<#if s.owned || s.signed>, Caller.Claims</#if> {
        @Override
        public Principal getUserPrincipal() {
            return () -> String.valueOf(claims.getSubject());
        }

        /** The claim is a list of roles, or a text of them with blanks between. */
        @Override
        public boolean isUserInRole(String role) {
            Object roles = claims.getClaims();
            for (String part : rolesClaim) {
                roles = roles instanceof Map<?, ?> object ? object.get(part) : null;
            }
            return roles instanceof Collection<?> list ? list.contains(role)
                    : roles instanceof String text && List.of(text.split(" ")).contains(role);
        }

<#if s.owned || s.signed>
        @Override
        public Object get(String name) {
            Object value = claims.getClaim(name);
            if (value == null) {
                value = claims.getClaims();
                for (String part : name.split("\\.", -1)) {
                    value = value instanceof Map<?, ?> object ? object.get(part) : null;
                }
            }
            return value;
        }

</#if>
        @Override
        public boolean isSecure() {
            return false;
        }

        @Override
        public String getAuthenticationScheme() {
            return "Bearer";
        }
    }
}
</#if>
