package choir.server.account;

import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.LongStream;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.apache.commons.codec.digest.DigestUtils;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Codes of an authenticator (RFC 6238: SHA-1, six digits, 30 seconds) beside the password of those who want it. A code counts once;
 * those of the step before and after are taken, for clocks that are a little off. Recovery codes stand in for a lost authenticator.
 */
@Component
class SecondFactor {
    private static final int BYTES = 20;
    private static final int RECOVERY_CODES = 8;
    private static final int RECOVERY_LENGTH = 12;
    /** None that is taken for another. */
    private static final String LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";

    /** @param secret in base32, as authenticators take it */
    record Begun(String secret, String uri) {}

    /** @param since missing while there is none */
    record State(@Nullable String since, int recoveryCodes) {}

    private record Held(SecretKeySpec secret, Optional<Instant> since, long lastStep) {}

    private final Database database;
    private final Secrets secrets;
    private final Journal journal;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final TimeBasedOneTimePasswordGenerator generator = new TimeBasedOneTimePasswordGenerator();

    SecondFactor(Database database, Secrets secrets, Journal journal, Clock clock) {
        this.database = database;
        this.secrets = secrets;
        this.journal = journal;
        this.clock = clock;
    }

    State of(String name) {
        int left = database.query("SELECT count(*) FROM recovery_code WHERE account = :name")
                .param("name", name)
                .query(Integer.class)
                .single();
        return new State(held(name).flatMap(Held::since).map(Instant::toString).orElse(null), left);
    }

    boolean isOn(String name) {
        return held(name).flatMap(Held::since).isPresent();
    }

    /** What the authenticator is told; it does not count before {@link #confirm}. */
    Begun begin(String name) {
        if (isOn(name)) {
            throw new Problem(
                    Problem.Kind.CONFLICT, "a second factor is in use; end it before another takes its place");
        }
        var fresh = new byte[BYTES];
        random.nextBytes(fresh);
        database.write(() -> database.change("""
                        INSERT INTO second_factor (account, secret) VALUES (:name, :secret)
                        ON CONFLICT (account) DO UPDATE SET secret = excluded.secret, last_step = 0
                        """)
                .param("name", name)
                .param("secret", secrets.encrypt(Base64.getEncoder().encodeToString(fresh)))
                .update());
        var text = new Base32().encodeToString(fresh);
        var label = URLEncoder.encode("Choir:" + name, StandardCharsets.UTF_8).replace("+", "%20");
        return new Begun(text, "otpauth://totp/" + label + "?secret=" + text + "&issuer=Choir");
    }

    /** @return recovery codes, which are shown this once */
    List<String> confirm(String name, String code) {
        return database.write(() -> {
            var held = held(name)
                    .filter(h -> h.since().isEmpty())
                    .orElseThrow(() -> new Problem(Problem.Kind.CONFLICT, "begin with a new second factor first"));
            var step = step(held, digits(code))
                    .orElseThrow(() -> new Problem(
                            Problem.Kind.INVALID,
                            "that is no code of it now; is the time of the authenticator's device right?"));
            database.change("UPDATE second_factor SET since = :since, last_step = :step WHERE account = :name")
                    .param(
                            "since",
                            clock.instant().truncatedTo(ChronoUnit.SECONDS).toString())
                    .param("step", step)
                    .param("name", name)
                    .update();
            database.change("DELETE FROM recovery_code WHERE account = :name")
                    .param("name", name)
                    .update();
            List<String> codes = new ArrayList<>();
            for (int i = 0; i < RECOVERY_CODES; i++) {
                var fresh = recoveryCode();
                database.change("INSERT INTO recovery_code (account, hash) VALUES (:name, :hash)")
                        .param("name", name)
                        .param("hash", hash(fresh))
                        .update();
                codes.add(fresh);
            }
            journal.add(name, "began to use a second factor", name, "");
            return codes;
        });
    }

    /**
     * Whether that code lets this person in, who has a second factor; no code does so twice.
     *
     * @param code of the authenticator, or one for recovery
     * @param uses whether it is used by that, and not only looked at
     */
    boolean admits(String name, String code, boolean uses) {
        var recovery = hash(code.strip().toLowerCase(Locale.ROOT));
        return database.write(() -> {
            var step = held(name).flatMap(held -> step(held, digits(code)));
            if (!uses) {
                return step.isPresent() || isForRecovery(name, recovery);
            }
            if (step.isPresent()) {
                database.change("UPDATE second_factor SET last_step = :step WHERE account = :name")
                        .param("step", step.get())
                        .param("name", name)
                        .update();
                return true;
            }
            boolean recovered = database.change("DELETE FROM recovery_code WHERE account = :name AND hash = :hash")
                            .param("name", name)
                            .param("hash", recovery)
                            .update()
                    > 0;
            if (recovered) {
                journal.add(name, "used a recovery code", name, "");
            }
            return recovered;
        });
    }

    private boolean isForRecovery(String name, String hash) {
        return database.query("SELECT 1 FROM recovery_code WHERE account = :name AND hash = :hash")
                .param("name", name)
                .param("hash", hash)
                .query(Integer.class)
                .optional()
                .isPresent();
    }

    /** From now on their password is enough. */
    void end(String name, String who) {
        database.write(() -> {
            int gone = database.change("DELETE FROM second_factor WHERE account = :name")
                    .param("name", name)
                    .update();
            database.change("DELETE FROM recovery_code WHERE account = :name")
                    .param("name", name)
                    .update();
            if (gone == 0) {
                throw new Problem(Problem.Kind.CONFLICT, name + " has no second factor");
            }
            journal.add(who, "ended a second factor", name, "");
        });
    }

    /** The step of which that is the code, later than all that were used. */
    private Optional<Long> step(Held held, String code) {
        long seconds = generator.getTimeStep().toSeconds();
        long now = clock.instant().getEpochSecond() / seconds;
        return LongStream.rangeClosed(now - 1, now + 1)
                .filter(step -> step > held.lastStep())
                .filter(step -> code(held.secret(), Instant.ofEpochSecond(step * seconds))
                        .equals(code))
                .boxed()
                .findFirst();
    }

    private String code(SecretKeySpec key, Instant at) {
        try {
            return generator.generateOneTimePasswordString(key, at);
        } catch (InvalidKeyException e) {
            throw new IllegalStateException("a key that was made here is none", e);
        }
    }

    private static String digits(String code) {
        return code.replaceAll("\\s", "");
    }

    private Optional<Held> held(String name) {
        return database.query("SELECT secret, since, last_step FROM second_factor WHERE account = :name")
                .param("name", name)
                .query((row, n) -> new Held(
                        new SecretKeySpec(
                                Base64.getDecoder().decode(secrets.decrypt(row.getBytes("secret"))),
                                generator.getAlgorithm()),
                        Optional.ofNullable(row.getString("since")).map(Instant::parse),
                        row.getLong("last_step")))
                .optional();
    }

    private String recoveryCode() {
        var code = new StringBuilder();
        for (int i = 0; i < RECOVERY_LENGTH; i++) {
            code.append(i > 0 && i % 4 == 0 ? "-" : "").append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        }
        return code.toString();
    }

    private static String hash(String code) {
        return DigestUtils.sha256Hex(code);
    }
}
