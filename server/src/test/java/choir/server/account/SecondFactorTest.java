package choir.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.TestService;
import choir.server.TestService.Answer;
import java.nio.ByteBuffer;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Signing in with an authenticator, which is worked out here anew from RFC 6238 and RFC 4226. */
class SecondFactorTest {
    private static final String PASSWORD = "a long enough password";
    private static final String FACTOR = "/api/v1/session/second-factor";
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    /** The code of a step away from now. */
    private static String code(String base32, int steps) {
        try {
            var mac = Mac.getInstance("HmacSHA1");
            mac.init(new SecretKeySpec(decoded(base32), "HmacSHA1"));
            long step = Instant.now().getEpochSecond() / 30 + steps;
            var hash = mac.doFinal(ByteBuffer.allocate(8).putLong(step).array());
            int at = hash[hash.length - 1] & 0xF;
            int number = (ByteBuffer.wrap(hash, at, 4).getInt() & 0x7FFFFFFF) % 1_000_000;
            return "%06d".formatted(number);
        } catch (java.security.GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] decoded(String base32) {
        var bits = new StringBuilder();
        base32.chars()
                .map("ABCDEFGHIJKLMNOPQRSTUVWXYZ234567"::indexOf)
                .forEach(v ->
                        bits.append("%5s".formatted(Integer.toBinaryString(v)).replace(' ', '0')));
        var bytes = new byte[bits.length() / 8];
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = (byte) Integer.parseInt(bits.substring(8 * i, 8 * i + 8), 2);
        }
        return bytes;
    }

    private Answer signIn(String code) {
        Map<String, Object> body = new LinkedHashMap<>(Map.of("user", "ada", "password", PASSWORD, "label", "t"));
        if (!code.isEmpty()) {
            body.put("code", code);
        }
        return service.post("/api/v1/session/token", body);
    }

    private String begun() {
        var begun = service.post(FACTOR, Map.of("password", PASSWORD)).body();
        var secret = begun.path("secret").asString();
        assertThat(begun.path("uri").asString())
                .isEqualTo("otpauth://totp/Choir%3Aada?secret=" + secret + "&issuer=Choir");
        return secret;
    }

    @Test
    void aCodeIsAskedForOnceItWasConfirmedAndCountsOnce() {
        var secret = begun();
        assertThat(signIn("").status()).as("not confirmed yet").isEqualTo(200);
        assertThat(service.post(FACTOR + "/confirmation", Map.of("code", "000000x"))
                        .status())
                .isEqualTo(400);
        var recovery = service.post(FACTOR + "/confirmation", Map.of("code", code(secret, -1)))
                .body()
                .path("codes");
        assertThat(recovery.size()).isEqualTo(8);
        var without = signIn("");
        assertThat(without.status()).isEqualTo(401);
        assertThat(without.body().path("code").asString()).isEqualTo("code_needed");
        var now = code(secret, 0);
        assertThat(signIn(now.substring(0, 3) + " " + now.substring(3)).status())
                .isEqualTo(200);
        assertThat(signIn(now).detail()).contains("was used already");
        assertThat(signIn(recovery.get(0).asString()).status()).isEqualTo(200);
        assertThat(signIn(recovery.get(0).asString()).status()).isEqualTo(401);
        assertThat(service.get(FACTOR).body().path("recoveryCodes").asInt()).isEqualTo(7);
        assertThat(service.get("/api/v1/journal").body().toString())
                .contains("began to use a second factor", "used a recovery code")
                .doesNotContain(secret);
    }

    /** Each step of a sign-in with a one-time password asks for a code, and one is enough for all of them. */
    @Test
    void aCodeIsGoodForChoosingAPasswordAndSigningInWithIt() {
        var secret = new AtomicReference<String>();
        service.as("eve", "viewer", () -> {
            var begun = service.post(FACTOR, Map.of("password", "the own password of eve"));
            secret.set(begun.body().path("secret").asString());
            service.post(FACTOR + "/confirmation", Map.of("code", code(secret.get(), -1)));
        });
        var once = service.post("/api/v1/people/eve/one-time-password", Map.of())
                .body()
                .path("oneTimePassword")
                .asString();
        var now = code(secret.get(), 0);
        var session = Map.of("user", "eve", "password", once, "code", now);
        assertThat(service.post("/api/v1/session", session)
                        .body()
                        .path("mustChoosePassword")
                        .asBoolean())
                .isTrue();
        var fresh = "three quiet harbour words";
        var chosen = Map.of("user", "eve", "old", once, "fresh", fresh, "code", now);
        assertThat(service.post("/api/v1/session/password", chosen).status()).isEqualTo(204);
        var signIn = Map.of("user", "eve", "password", fresh, "label", "t", "code", now);
        assertThat(service.post("/api/v1/session/token", signIn).status()).isEqualTo(200);
        assertThat(service.post("/api/v1/session/token", signIn).status()).isEqualTo(401);
    }

    @Test
    void guessesOfCodesAreSlowedDownLikeThoseOfPasswords() {
        var secret = begun();
        service.post(FACTOR + "/confirmation", Map.of("code", code(secret, 0)));
        service.by("", () -> {
            for (int i = 0; i < 5; i++) {
                assertThat(signIn("00000" + i).status()).isEqualTo(401);
            }
            assertThat(signIn("000009").status()).isEqualTo(429);
            return 0;
        });
    }

    @Test
    void aPageLeftOpenIsNotEnoughAndWhoLostItIsHelped() {
        assertThat(service.post(FACTOR, Map.of("password", "somebody else's")).status())
                .isEqualTo(403);
        var secret = begun();
        service.post(FACTOR + "/confirmation", Map.of("code", code(secret, 0)));
        assertThat(service.post(FACTOR, Map.of("password", PASSWORD)).status()).isEqualTo(403);
        assertThat(service.post(FACTOR + "/end", Map.of("password", PASSWORD)).status())
                .isEqualTo(403);
        var fresh = Map.of("user", "ada", "old", PASSWORD, "fresh", "three quiet harbour words");
        assertThat(service.post("/api/v1/session/password", fresh).status()).isEqualTo(401);
        assertThat(service.get("/api/v1/people").body().toString()).contains("\"secondFactor\":true");
        assertThat(service.send("DELETE", "/api/v1/people/ada/second-factor", null)
                        .status())
                .isEqualTo(204);
        assertThat(signIn("").status()).isEqualTo(200);
        assertThat(service.send("DELETE", "/api/v1/people/ada/second-factor", null)
                        .status())
                .isEqualTo(409);
    }
}
