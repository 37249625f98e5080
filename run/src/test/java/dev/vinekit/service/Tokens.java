package dev.vinekit.service;

import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.crypto.MACSigner;
import com.nimbusds.jwt.JWTClaimsSet;
import com.nimbusds.jwt.SignedJWT;
import java.time.Duration;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import java.util.Map;

/** Makes tokens. */
final class Tokens {
    static final String SECRET = "a secret of the tests that has 32 bytes or more";

    private Tokens() {
    }

    /** A valid token for somebody with these roles and claims. */
    static String of(String subject, List<String> roles, Map<String, Object> claims) {
        JWTClaimsSet.Builder holder = new JWTClaimsSet.Builder().subject(subject).claim("roles", roles)
                .expirationTime(Date.from(Instant.now().plus(Duration.ofHours(1))));
        claims.forEach(holder::claim);
        SignedJWT token = new SignedJWT(new JWSHeader(JWSAlgorithm.HS256), holder.build());
        try {
            token.sign(new MACSigner(SECRET));
        } catch (JOSEException e) {
            throw new IllegalStateException(e);
        }
        return token.serialize();
    }
}
