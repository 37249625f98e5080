package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.JWSSigner;
import com.nimbusds.jose.crypto.ECDSASigner;
import com.nimbusds.jose.crypto.MACSigner;
import com.nimbusds.jose.crypto.RSASSASigner;
import com.nimbusds.jose.jwk.Curve;
import com.nimbusds.jose.jwk.ECKey;
import com.nimbusds.jose.jwk.JWKSet;
import com.nimbusds.jose.jwk.RSAKey;
import com.nimbusds.jose.jwk.gen.ECKeyGenerator;
import com.nimbusds.jose.jwk.gen.RSAKeyGenerator;
import com.nimbusds.jwt.JWTClaimsSet;
import com.nimbusds.jwt.PlainJWT;
import com.nimbusds.jwt.SignedJWT;
import com.sun.net.httpserver.HttpServer;
import dev.vinekit.fault.Fault;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Who may do what with a service that has an access section. */
class AccessTest {
    private static final String MAPPING = """
            http:
              other-tables: ["*"]
            entities:
              parcel:
                access: {read: [cellar-hand, winemaker], create: [winemaker], replace: [winemaker]}
              harvest:
                access: {list: ["*"], create: [cellar-hand]}
              grape_variety:
                access: {read: [winemaker]}
              wine_lot_harvest:
                access: {list: [auditor], read: [auditor]}
              wine_lot:
                access: {read: [winemaker], create: [winemaker]}
                finders:
                  - {by: [name], roles: [taster]}
                  - {by: [vintage, name], match: starts-with, roles: [taster, buyer]}
                  - {by: [vintage], match: between, roles: ["*"]}
            """;
    private static final String SECRET = "a secret of the tests that has 32 bytes or more";
    private static final String AUDIENCE = "cellar";

    private static ServedCellar cellar;
    private static RSAKey key;
    private static RSAKey strange;
    private static ECKey curve;
    private static ECKey strangeCurve;

    @BeforeAll
    static void start(@TempDir Path directory) throws Exception {
        key = new RSAKeyGenerator(2048).keyID("ours").generate();
        strange = new RSAKeyGenerator(2048).keyID("ours").generate();
        curve = new ECKeyGenerator(Curve.P_256).keyID("curve").generate();
        strangeCurve = new ECKeyGenerator(Curve.P_256).keyID("curve").generate();
        Path keys = Files.writeString(directory.resolve("keys.json"),
                new JWKSet(List.of(key.toPublicJWK(), curve.toPublicJWK())).toString());
        cellar = ServedCellar.alone(ServedCellar.project("h2", MAPPING), Map.of("AUTH_SECRET", SECRET,
                "AUTH_KEYS", keys.toString(), "AUTH_AUDIENCE", AUDIENCE, "AUTH_ISSUER", "the estate",
                "AUTH_ROLES_CLAIM", "work.roles", "AUTH_CLOCK_SKEW_SECONDS", "20"));
    }

    @AfterAll
    static void stop() {
        cellar.close();
    }

    /** A body that comes after the headers that have its request refused is not in the way of the next request. */
    @Test
    void refusedRequestsFollowEachOtherOnOneConnection() throws Exception {
        URI url = URI.create(cellar.url());
        byte[] headers = ("POST " + url.getPath() + "/parcels HTTP/1.1\r\nHost: " + url.getAuthority()
                + "\r\nContent-Type: application/json\r\nContent-Length: 3\r\n\r\n").getBytes(StandardCharsets.US_ASCII);
        try (Socket socket = new Socket(url.getHost(), url.getPort())) {
            socket.setSoTimeout(10_000);
            socket.setTcpNoDelay(true);
            BufferedReader answers = new BufferedReader(
                    new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
            for (int i = 0; i < 300; i++) {
                socket.getOutputStream().write(headers);
                socket.getOutputStream().write("[1]".getBytes(StandardCharsets.US_ASCII));

                assertThat(answers.readLine()).as("request %s", i).startsWith("HTTP/1.1 401 ");
                int length = 0;
                for (String line = answers.readLine(); !line.isEmpty(); line = answers.readLine()) {
                    length = line.startsWith("Content-Length: ") ? Integer.parseInt(line.substring(16)) : length;
                }
                assertThat(answers.skip(length)).isEqualTo(length);
            }
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "GET    | /parcels                        | cellar-hand | 200",
        "GET    | /parcels/1                     | winemaker   | 200",
        "GET    | /parcels/1                      | driver      | 403",
        "HEAD   | /parcels/1                     | driver      | 403",
        "POST   | /parcels                        | cellar-hand | 403",
        "POST   | /parcels                       | winemaker   | 400",
        "PATCH  | /parcels/1                      | winemaker   | 200",
        "PATCH  | /parcels/1                     | cellar-hand | 403",
        "DELETE | /parcels/1                      | winemaker   | 405",
        "GET    | /harvests                      | driver      | 200",
        "GET    | /parcels/1/harvests             | driver      | 403",
        "GET    | /parcels/1/harvests            | winemaker   | 200",
        "GET    | /parcels?include=variety        | cellar-hand | 403",
        "GET    | /parcels?include=variety       | winemaker   | 200",
        "GET    | /parcels/1?include=variety      | cellar-hand | 403",
        "GET    | /grape-varieties/ARV/parcels   | cellar-hand | 403",
        "GET    | /wine-lots/00000000-0000-0000-0000-000000000001/harvests | winemaker | 403",
        "GET    | /wine-lots/00000000-0000-0000-0000-000000000001/harvests | auditor   | 403",
        "GET    | /vessels                        | driver      | 200",
        "GET    | /vessels                       |             | 200"})
    void rolesDecide(String method, String path, String role, int status) throws Exception {
        Http http = bearing(token(JWSAlgorithm.HS256, new MACSigner(SECRET), role, claims -> { }));

        Http.Answer answer = http.send(method, path, "{}");

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        if (status == 403) {
            assertThat(answer.header("WWW-Authenticate")).contains("insufficient_scope");
        }
    }

    /** Who may not list everything lists what one of their finders finds. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
        "/wine-lots                                                    | winemaker | 200",
        "/wine-lots                                                    | taster    | 403",
        "/wine-lots?count=true&limit=1                                 | taster    | 403",
        "/wine-lots?name=Amber                                         | taster    | 200",
        "/wine-lots?name=Amber&sort=-vintage&vintage%5Bless%5D=2030    | taster    | 200",
        "/wine-lots?name%5Bis%5D=Amber                                 | taster    | 200",
        "/wine-lots?name%5Bcontains%5D=                                | taster    | 403",
        "/wine-lots?name%5Bnot%5D=Amber                                | taster    | 403",
        "/wine-lots?name=Amber                                         | buyer     | 403",
        "/wine-lots?name%5BstartsWith%5D=A                             | buyer     | 403",
        "/wine-lots?vintage=2021&name%5BstartsWith%5D=A                | buyer     | 200",
        "/wine-lots?vintage%5BatLeast%5D=2021                          | driver    | 403",
        "/wine-lots?vintage%5BatLeast%5D=2021&vintage%5BatMost%5D=2022 | driver    | 200",
        "/wine-lots/00000000-0000-0000-0000-000000000001               | taster    | 403",
        "/vessels/1/wine-lots?name=Amber                               | taster    | 403"})
    void findersHaveRolesOfTheirOwn(String path, String role, int status) throws Exception {
        Http http = bearing(token(JWSAlgorithm.HS256, new MACSigner(SECRET), role, claims -> { }));

        Http.Answer answer = http.get(path);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
    }

    @Test
    void whoMayListAPartIsToldWhich() throws Exception {
        Http http = bearing(token(JWSAlgorithm.HS256, new MACSigner(SECRET), "taster", claims -> { }));

        assertThat(http.get("/wine-lots").body().path("detail").textValue()).isEqualTo("The roles of the token allow to "
                + "list what is asked for by name[is], or by vintage[is] and name[startsWith], or by vintage[atLeast] and "
                + "vintage[atMost].");
        assertThat(cellar.http().get("/openapi.json").body().at("/paths/~1wine-lots/get/description").textValue())
                .contains("taster: what is asked for by name[is];");
    }

    /** Rights are told by OPTIONS, and by the description, where two roles can be needed. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "/parcels            | winemaker   | GET HEAD OPTIONS POST",
        "/parcels            | cellar-hand | GET HEAD OPTIONS",
        "/parcels/1          | winemaker   | GET HEAD OPTIONS PATCH PUT",
        "/parcels/1          | driver      | OPTIONS",
        "/parcels/1/harvests | driver      | OPTIONS",
        "/parcels/1/harvests | cellar-hand | GET HEAD OPTIONS",
        "/wine-lots          | taster      | GET HEAD OPTIONS",
        "/no/such            | winemaker   | ''"})
    void optionsTellWhatTheTokenAllows(String path, String role, String methods) throws Exception {
        Http http = bearing(token(JWSAlgorithm.HS256, new MACSigner(SECRET), role, claims -> { }));

        Http.Answer answer = http.send("OPTIONS", path, "");

        assertThat(answer.header("Allow").split("[, ]+")).containsExactlyInAnyOrder(methods.split(" "));
    }

    @Test
    void descriptionNamesTheRolesOfListsBelowARow() {
        assertThat(cellar.http().get("/openapi.json").body().at("/paths/~1grape-varieties~1{key}~1parcels/get/security")
                .toString()).isEqualTo("[{\"bearer\":[\"cellar-hand\",\"winemaker\"]},{\"bearer\":[\"winemaker\"]}]");
        assertThat(cellar.http().send("OPTIONS", "/parcels", "").header("Allow")).contains("POST");
        assertThat(bearing("x").send("OPTIONS", "/parcels", "").status()).isEqualTo(401);
    }

    @Test
    void keysOfTheSetSignToo() throws Exception {
        assertThat(status(token(JWSAlgorithm.RS256, new RSASSASigner(key), "winemaker", claims -> { }))).isEqualTo(200);
        assertThat(status(token(JWSAlgorithm.ES256, new ECDSASigner(curve), "winemaker", claims -> { }))).isEqualTo(200);
    }

    @Test
    void answersAreForNobodyElseAndTheDescriptionMayNeedATokenToo() throws Exception {
        Http http = bearing(token(JWSAlgorithm.HS256, new MACSigner(SECRET), "winemaker", claims -> { }));
        assertThat(http.get("/parcels/1").header("Cache-Control")).isEqualTo("no-store");
        assertThat(http.get("/parcels/1").header("X-Content-Type-Options")).isEqualTo("nosniff");
        assertThat(cellar.http().get("/openapi.json").status()).isEqualTo(200);

        try (RunningService closed = cellar.replica(Map.of("AUTH_SECRET", SECRET, "AUTH_EVERYWHERE", "true"))) {
            Http stranger = new Http(closed.url());
            assertThat(List.of(stranger.get("/openapi.json").status(), stranger.get("/").status(),
                    stranger.get("/health").status(),
                    stranger.get("/health/live").status())).containsExactly(401, 401, 200, 200);
            assertThat(stranger.with("Authorization", http.headers().get("Authorization")).get("/openapi.json")
                    .status()).isEqualTo(200);
        }
    }

    @Test
    void aBodyIsTakenOfNobodyWithoutAToken() {
        assertThat(cellar.http().post("/parcels", "[" + " ".repeat(900_000) + "]").status()).isEqualTo(401);
    }

    @Test
    void rolesMayBeAText() throws Exception {
        assertThat(status(token(JWSAlgorithm.HS256, new MACSigner(SECRET), "", claims ->
                claims.claim("work", Map.of("roles", "driver cellar-hand"))))).isEqualTo(200);
    }

    @Test
    void tokensThatAreNotValidHereAreRefused() throws Exception {
        MACSigner ours = new MACSigner(SECRET);
        String valid = token(JWSAlgorithm.HS256, ours, "winemaker", claims -> { });
        String[] parts = valid.split("\\.");
        byte[] publicKey = key.toRSAPublicKey().getEncoded();

        refused(token(JWSAlgorithm.HS256, new MACSigner("another secret that has 32 bytes or more"), "winemaker",
                claims -> { }));
        refused(token(JWSAlgorithm.RS256, new RSASSASigner(strange), "winemaker", claims -> { }));
        refused(token(JWSAlgorithm.ES256, new ECDSASigner(strangeCurve), "winemaker", claims -> { }));
        refused(token(JWSAlgorithm.HS256, new MACSigner(curve.toECPublicKey().getEncoded()), "winemaker", claims -> { }));
        refused(token(JWSAlgorithm.HS256, new MACSigner(publicKey), "winemaker", claims -> { }));
        refused(token(JWSAlgorithm.HS256, new MACSigner(pem(publicKey)), "winemaker", claims -> { }));
        refused(token(JWSAlgorithm.HS384, new MACSigner(SECRET + SECRET), "winemaker", claims -> { }));
        refused(token(JWSAlgorithm.HS512, new MACSigner(SECRET + SECRET), "winemaker", claims -> { }));
        refused(token(JWSAlgorithm.RS512, new RSASSASigner(key), "winemaker", claims -> { }));
        refused(token(JWSAlgorithm.PS256, new RSASSASigner(key), "winemaker", claims -> { }));
        refused(new PlainJWT(claims("winemaker").build()).serialize());
        refused(parts[0] + "." + parts[1] + ".");
        refused(parts[0] + "." + parts[1]);
        refused(parts[0] + "." + new PlainJWT(claims("winemaker").build()).serialize().split("\\.")[1] + "." + parts[2]
                + "x");
        refused(token(JWSAlgorithm.HS256, ours, "winemaker", claims -> claims.expirationTime(past(60))));
        assertThat(bearing(token(JWSAlgorithm.HS256, ours, "winemaker", claims -> claims.expirationTime(past(60))))
                .get("/parcels").body().path("detail").textValue()).isEqualTo("The token has expired.");
        refused(token(JWSAlgorithm.HS256, ours, "winemaker", claims -> claims.expirationTime(null)));
        refused(token(JWSAlgorithm.HS256, ours, "winemaker",
                claims -> claims.expirationTime(null).serializeNullClaims(true)));
        refused(token(JWSAlgorithm.HS256, ours, "winemaker", claims -> claims.notBeforeTime(past(-60))));
        refused(token(JWSAlgorithm.HS256, ours, "winemaker", claims -> claims.audience("another")));
        refused(token(JWSAlgorithm.HS256, ours, "winemaker", claims -> claims.audience((String) null)));
        refused(token(JWSAlgorithm.HS256, ours, "winemaker", claims -> claims.issuer("another")));
        refused("");
        refused("x");
        refused(valid + ", Bearer " + valid);
        assertThat(cellar.http().with("Authorization", "Basic eDp5").get("/parcels").status()).isEqualTo(401);
        assertThat(cellar.http().get("/parcels").header("WWW-Authenticate")).isEqualTo("Bearer");
    }

    private static String pem(byte[] publicKey) {
        return "-----BEGIN PUBLIC KEY-----\n"
                + java.util.Base64.getMimeEncoder(64, "\n".getBytes(StandardCharsets.US_ASCII))
                .encodeToString(publicKey) + "\n-----END PUBLIC KEY-----\n";
    }

    private static void refused(String token) {
        Http.Answer answer = bearing(token).get("/parcels");
        assertThat(answer.status()).as(token).isEqualTo(401);
        assertThat(answer.header("WWW-Authenticate")).startsWith("Bearer error=\"invalid_token\"");
        assertThat(answer.text()).doesNotContain(SECRET, "nimbus", "Exception");
    }

    @Test
    void clocksMayDifferALittle() throws Exception {
        assertThat(status(token(JWSAlgorithm.HS256, new MACSigner(SECRET), "winemaker",
                claims -> claims.expirationTime(past(10))))).isEqualTo(200);
    }

    @Test
    void wayInAndDescriptionAreOpen() {
        for (String path : List.of("/", "/health", "/openapi.json")) {
            assertThat(cellar.http().get(path).status()).as(path).isEqualTo(200);
        }
        assertThat(cellar.http().get("/openapi.json").body().at("/components/securitySchemes/bearer/scheme").asText())
                .isEqualTo("bearer");
    }

    @Test
    void keysCanBePublishedAtAUrlAndChangeThere() throws Exception {
        HttpServer published = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        RSAKey later = new RSAKeyGenerator(2048).keyID("later").generate();
        List<RSAKey> current = new java.util.concurrent.CopyOnWriteArrayList<>(List.of(key));
        published.createContext("/keys", exchange -> {
            byte[] keys = new JWKSet(current.stream().map(each -> (com.nimbusds.jose.jwk.JWK) each.toPublicJWK())
                    .toList())
                    .toString().getBytes(StandardCharsets.UTF_8);
            exchange.sendResponseHeaders(200, keys.length);
            exchange.getResponseBody().write(keys);
            exchange.close();
        });
        published.start();
        try (RunningService service = cellar.replica(Map.of("AUTH_AUDIENCE", AUDIENCE, "AUTH_ROLES_CLAIM", "work.roles",
                "AUTH_KEYS", "http://127.0.0.1:" + published.getAddress().getPort() + "/keys"))) {
            Http http = new Http(service.url());
            String first = token(JWSAlgorithm.RS256, new RSASSASigner(key), "winemaker", claims -> { });
            assertThat(http.with("Authorization", "Bearer " + first).get("/parcels").status()).isEqualTo(200);
            String shared = token(JWSAlgorithm.HS256, new MACSigner(SECRET), "winemaker", claims -> { });
            assertThat(http.with("Authorization", "Bearer " + shared).get("/parcels").status()).isEqualTo(401);
            current.set(0, later);
            SignedJWT next = new SignedJWT(new JWSHeader.Builder(JWSAlgorithm.RS256).keyID("later").build(),
                    claims("winemaker").build());
            next.sign(new RSASSASigner(later));
            assertThat(http.with("Authorization", "Bearer " + next.serialize()).get("/parcels").status())
                    .isEqualTo(200);
        } finally {
            published.stop(0);
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "short |                  | AUTH_SECRET", "| /no/such/keys.json    | AUTH_KEYS",
                "|                       | AUTH_SECRET nor AUTH_KEYS"})
    void serviceDoesNotStartWithoutAWayToVerifyTokens(String secret, String keys, String message) {
        Map<String, String> settings =
                Map.of("AUTH_SECRET", secret == null ? "" : secret, "AUTH_KEYS", keys == null ? "" : keys);

        assertThatThrownBy(() -> RunningService.start(cellar.project(), cellar.with(settings)).close())
                .isInstanceOf(Fault.class).hasMessageContaining(message);
    }

    @Test
    void tokenForDevelopmentIsOneThatTheServiceTakes() {
        Map<String, String> settings =
                Map.of("AUTH_SECRET", SECRET, "AUTH_AUDIENCE", AUDIENCE, "AUTH_ISSUER", "the estate",
                "AUTH_ROLES_CLAIM", "work.roles");
        String token = Runner.token(cellar.project(), settings, "me", List.of("winemaker"), Map.of(), Duration.ofMinutes(5));

        assertThat(status(token)).isEqualTo(200);
        assertThatThrownBy(() -> Runner.token(cellar.project(), settings, "me", List.of("wine-maker"), Map.of(),
                Duration.ofMinutes(5)))
                .hasMessageContaining("wine-maker");
    }

    /** Where a table has roles, one without is closed: nobody sees its rows in those of others either. */
    @Test
    void rowsOfClosedTablesAreNotInThoseThatReferToThem() {
        String mapping = "entities: {harvest: {access: {read: ['*']}}, parcel: {access: {read: ['*']}}}\n";
        try (ServedCellar part = ServedCellar.alone(ServedCellar.project("h2", mapping),
                Map.of("AUTH_SECRET", Tokens.SECRET))) {
            Http http = part.http().bearing(Tokens.of("taster", List.of("taster"), Map.of()));

            assertThat(http.get("/parcels/1").status()).isEqualTo(200);
            assertThat(http.get("/grape-varieties/1").status()).isEqualTo(404);
            assertThat(http.get("/parcels/1?include=grapeVariety").status()).isEqualTo(400);
            assertThat(http.get("/harvests?include=parcel").status()).isEqualTo(200);
            assertThat(http.get("/openapi.json").body().at("/components/parameters/Harvest.include/schema/items/enum"))
                    .extracting(JsonNode::textValue).containsExactly("parcel");
            assertThat(http.get("/openapi.json").body().at("/components/parameters").has("Parcel.include")).isFalse();
        }
    }

    private static Http bearing(String token) {
        return cellar.http().with("Authorization", "Bearer " + token);
    }

    private static int status(String token) {
        return bearing(token).get("/parcels").status();
    }

    private static Date past(int seconds) {
        return Date.from(Instant.now().minusSeconds(seconds));
    }

    private static JWTClaimsSet.Builder claims(String role) {
        return new JWTClaimsSet.Builder().subject("a test").audience(AUDIENCE).issuer("the estate")
                .expirationTime(past(-600))
                .claim("work", Map.of("roles", role == null ? List.of() : List.of(role)));
    }

    private static String token(JWSAlgorithm algorithm, JWSSigner signer, String role,
            Consumer<JWTClaimsSet.Builder> change)
            throws JOSEException {
        JWTClaimsSet.Builder claims = claims(role);
        change.accept(claims);
        SignedJWT token = new SignedJWT(new JWSHeader(algorithm), claims.build());
        token.sign(signer);
        return token.serialize();
    }
}
