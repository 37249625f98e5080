package dev.vinekit.run;

import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.crypto.MACSigner;
import com.nimbusds.jwt.JWTClaimsSet;
import com.nimbusds.jwt.SignedJWT;
import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collection;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Pattern;

/**
 * Bearer tokens for trying a service out. They are signed with what {@code AUTH_SECRET} says, or else with a secret
 * that is made once for a project and lies where it compiles to, for its owner's eyes only.
 */
final class DevelopmentTokens {
    private static final String VARIABLE = "AUTH_SECRET";
    private static final int SECRET_BYTES = 32;
    private static final Pattern WHOLE = Pattern.compile("0|-?[1-9][0-9]{0,17}");

    /** Claims that a token has anyway (RFC 7519, section 4.1). */
    private static final Set<String> REGISTERED = Set.of("iss", "sub", "aud", "exp", "nbf", "iat", "jti");

    private final Project project;
    private final Map<String, String> environment;

    /**
     * For a project.
     *
     * @param environment the settings that its service runs with
     */
    public DevelopmentTokens(Project project, Map<String, String> environment) {
        this.project = project;
        this.environment = environment;
    }

    /** The secret that the service is to verify tokens by. */
    public String secret() {
        String given = environment.getOrDefault(VARIABLE, "");
        return given.isEmpty() ? kept() : given;
    }

    private String kept() {
        Path file = project.path("target/development-secret");
        try {
            if (Files.exists(file)) {
                return Files.readString(file).strip();
            }
            byte[] bytes = new byte[SECRET_BYTES];
            new SecureRandom().nextBytes(bytes);
            String secret = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
            Files.createDirectories(file.getParent());
            Files.createFile(file);
            if (Files.getFileAttributeView(file, PosixFileAttributeView.class) != null) {
                Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
            }
            Files.writeString(file, secret + "\n");
            return secret;
        } catch (IOException e) {
            throw Fault.inWorld("The secret for development cannot be kept in " + file + ": " + e + ".",
                    "Set " + VARIABLE + " to a text of " + SECRET_BYTES + " bytes or more, for this and for serve.", e);
        }
    }

    /**
     * A token as the service wants it, with the audience, issuer and claim of roles that the environment names.
     *
     * @param more claims; whole numbers are told as numbers
     * @throws Fault if the service has no roles, or not these, a claim is one that every token has, or the secret is
     *     too short
     */
    public String token(String subject, Collection<String> roles, Map<String, String> more, Duration validity) {
        if (!project.service().secured()) {
            throw Fault.inCall("The service of " + project.directory() + " has no access control.",
                    "Name roles under access in vinekit.yaml, and run generate.");
        }
        List<String> unknown = new ArrayList<>(roles);
        unknown.removeAll(project.service().roles());
        if (!unknown.isEmpty()) {
            throw Fault.inCall("The service does not know the role " + String.join(", ", unknown) + ".",
                    "Choose from " + String.join(", ", project.service().roles()) + ".");
        }
        List<String> place = List.of(environment.getOrDefault("AUTH_ROLES_CLAIM", "roles").split("\\."));
        for (String name : more.keySet()) {
            if (REGISTERED.contains(name) || name.equals(place.get(0))) {
                throw Fault.inCall("Every token says " + name + " already.",
                        "Subject, roles and time are given by themselves, the rest by settings of the service.");
            }
        }
        JWTClaimsSet.Builder claims = new JWTClaimsSet.Builder().subject(subject)
                .issueTime(Date.from(Instant.now())).expirationTime(Date.from(Instant.now().plus(validity)));
        given("AUTH_AUDIENCE", claims::audience);
        given("AUTH_ISSUER", claims::issuer);
        more.forEach((name, value) -> claims.claim(name, WHOLE.matcher(value).matches() ? Long.valueOf(value) : value));
        Object inside = List.copyOf(roles);
        for (int i = place.size() - 1; i > 0; i--) {
            inside = Map.of(place.get(i), inside);
        }
        claims.claim(place.get(0), inside);
        try {
            SignedJWT token = new SignedJWT(new JWSHeader(JWSAlgorithm.HS256), claims.build());
            token.sign(new MACSigner(secret()));
            return token.serialize();
        } catch (JOSEException e) {
            throw Fault.inCall("No token can be signed: " + e.getMessage() + ".",
                    "Set " + VARIABLE + " to a text of " + SECRET_BYTES + " bytes or more.");
        }
    }

    private void given(String variable, Consumer<String> use) {
        String value = environment.getOrDefault(variable, "");
        if (!value.isEmpty()) {
            use.accept(value);
        }
    }
}
