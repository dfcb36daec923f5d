package choir.server.account;

import choir.server.ServiceSettings;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** People and their tokens. Passwords are kept as bcrypt, tokens as SHA-256; neither can be shown again. */
@Component
public class Accounts {
    private static final Logger LOG = LoggerFactory.getLogger(Accounts.class);
    private static final int FREE_FAILURES = 5;

    record Account(
            String name,
            Role role,
            String passwordHash,
            boolean oneTime,
            int failures,
            @org.jspecify.annotations.Nullable String lockedUntil,
            long version) {}

    public record Token(
            long id,
            String account,
            String label,
            String createdAt,
            @org.jspecify.annotations.Nullable String lastUsedAt) {}

    private final Database database;
    private final Journal journal;
    private final Clock clock;
    /** When tokens were used since that was last written, by their hash. */
    private final Map<String, Instant> used = new ConcurrentHashMap<>();

    private final ServiceSettings settings;
    private final PasswordEncoder encoder = new BCryptPasswordEncoder(11);
    private final SecureRandom random = new SecureRandom();

    Accounts(Database database, Journal journal, Clock clock, ServiceSettings settings) {
        this.database = database;
        this.journal = journal;
        this.clock = clock;
        this.settings = settings;
    }

    @PostConstruct
    void makeTheFirstAdministrator() {
        int known = database.query("SELECT count(*) FROM account")
                .query(Integer.class)
                .single();
        if (known > 0) {
            return;
        }
        var setup = settings.setup();
        if (setup != null) {
            add(setup.user(), Role.ADMINISTRATOR, setup.password(), false, "choir");
            return;
        }
        var password = add("admin", Role.ADMINISTRATOR, "choir");
        LOG.warn("first start: sign in as \"admin\" with the one-time password {} and choose your own", password);
    }

    /** @return a one-time password */
    String add(String name, Role role, String who) {
        var password = secret(12);
        add(name, role, password, true, who);
        return password;
    }

    /** Another one-time password, with which everything that was let in before is out; within a transaction. */
    String renew(String name) {
        var password = secret(12);
        replace(name, password, true);
        return password;
    }

    private void replace(String name, String password, boolean oneTime) {
        database.change("""
                        UPDATE account SET password_hash = :hash, one_time = :oneTime, version = version + 1,
                          failures = 0, locked_until = NULL
                        WHERE name = :name
                        """)
                .param("hash", encoder.encode(password))
                .param("oneTime", oneTime ? 1 : 0)
                .param("name", name)
                .update();
        database.change("DELETE FROM token WHERE account = :name")
                .param("name", name)
                .update();
    }

    private void add(String name, Role role, String password, boolean oneTime, String who) {
        database.write(() -> {
            database.change("""
                            INSERT INTO account (name, role, password_hash, one_time, created_at)
                            VALUES (:name, :role, :hash, :oneTime, :at)
                            """)
                    .param("name", name)
                    .param("role", role.name())
                    .param("hash", encoder.encode(password))
                    .param("oneTime", oneTime ? 1 : 0)
                    .param("at", clock.instant().toString())
                    .update();
            journal.add(who, "added a person", name, role.word());
        });
    }

    Optional<Account> find(String name) {
        return database.query(
                        "SELECT name, role, password_hash, one_time, failures, locked_until, version FROM account WHERE name = :name")
                .param("name", name)
                .query((row, n) -> new Account(
                        row.getString("name"),
                        Role.valueOf(row.getString("role")),
                        row.getString("password_hash"),
                        row.getBoolean("one_time"),
                        row.getInt("failures"),
                        row.getString("locked_until"),
                        row.getLong("version")))
                .optional();
    }

    /** @throws Problem when there is nobody of that name */
    Account require(String name) {
        return find(name).orElseThrow(() -> Problem.notFound("person", name, names()));
    }

    /** @throws Problem when there is nobody of that name */
    public void mustKnow(String name) {
        require(name);
    }

    private List<String> names() {
        return database.query("SELECT name FROM account ORDER BY name")
                .query(String.class)
                .list();
    }

    /**
     * The account when the password is right. After five failures each further one doubles the time for which nothing is
     * tried, so that guessing is slow and a person who mistypes is not shut out.
     */
    Account check(String name, String password) {
        var account = find(name);
        if (account.isEmpty()) {
            // Takes as long as for a name that exists.
            encoder.matches(password, "$2a$11$7EqJtq98hPqEX7fNZaFWoOhi5BWX4Z1Z3CEiFh1FcvUUpcOBw8zVa");
            throw wrong();
        }
        // Counted as a failure before it is tried, in one statement with the check, so that guesses at the same time
        // count
        // one by one; a right password takes it back.
        attempt(name);
        if (!encoder.matches(password, account.get().passwordHash())) {
            journal.addAlone(name, "failed to sign in", name, "");
            throw wrong();
        }
        database.write(() -> database.change("UPDATE account SET failures = 0, locked_until = NULL WHERE name = :name")
                .param("name", name)
                .update());
        return account.get();
    }

    private void attempt(String name) {
        var now = clock.instant();
        int allowed = database.write(() -> {
            int failures = database.query("SELECT failures FROM account WHERE name = :name")
                            .param("name", name)
                            .query(Integer.class)
                            .single()
                    + 1;
            var until = failures < FREE_FAILURES
                    ? null
                    : now.plus(Duration.ofSeconds(1L << Math.min(12, failures - FREE_FAILURES + 1)))
                            .toString();
            return database.change("""
                            UPDATE account SET failures = failures + 1, locked_until = :until
                            WHERE name = :name AND (locked_until IS NULL OR locked_until <= :now)
                            """)
                    .param("until", until)
                    .param("name", name)
                    .param("now", now.toString())
                    .update();
        });
        if (allowed == 0) {
            throw new Problem(Problem.Kind.TOO_MANY, "too many failed attempts; try again later");
        }
    }

    /** Somebody came in by the console, or went. */
    void note(String name, String act) {
        journal.addAlone(name, act, name, "");
    }

    private static Problem wrong() {
        return new Problem(Problem.Kind.SIGNED_OUT, "user name and password do not belong together");
    }

    void choosePassword(String name, String old, String fresh) {
        check(name, old);
        PasswordRule.require(name, fresh);
        if (fresh.equals(old)) {
            throw new Problem(Problem.Kind.INVALID, "a new password is not the old one");
        }
        database.write(() -> {
            replace(name, fresh, false);
            journal.add(name, "chose a new password", name, "");
        });
    }

    /** Makes a token and returns its text, which is shown this once. */
    String makeToken(String account, String label) {
        var text = "choir_" + secret(32);
        database.write(() -> {
            database.change(
                            "INSERT INTO token (account, label, hash, created_at) VALUES (:account, :label, :hash, :at)")
                    .param("account", account)
                    .param("label", label)
                    .param("hash", hash(text))
                    .param("at", clock.instant().toString())
                    .update();
            journal.add(account, "made a token", label, "");
        });
        return text;
    }

    Optional<Account> byToken(String text) {
        var hash = hash(text);
        var account = database.query("SELECT account FROM token WHERE hash = :hash")
                .param("hash", hash)
                .query(String.class)
                .optional()
                .flatMap(this::find);
        account.ifPresent(a -> used.put(hash, clock.instant()));
        return account;
    }

    /** Nobody who asks something waits for this to be written. */
    @Scheduled(fixedDelay = 30, timeUnit = TimeUnit.SECONDS)
    @PreDestroy
    void keepWhenTokensWereUsed() {
        var taken = Map.copyOf(used);
        if (taken.isEmpty()) {
            return;
        }
        database.write(() ->
                taken.forEach((hash, at) -> database.change("UPDATE token SET last_used_at = :at WHERE hash = :hash")
                        .param("at", at.truncatedTo(ChronoUnit.SECONDS).toString())
                        .param("hash", hash)
                        .update()));
        taken.forEach(used::remove);
    }

    List<Token> tokens(String account) {
        return database.query(
                        "SELECT id, account, label, created_at, last_used_at FROM token WHERE account = :account ORDER BY id")
                .param("account", account)
                .query(Token.class)
                .list();
    }

    void revoke(String account, long id) {
        int gone = database.write(() -> {
            journal.add(account, "revoked a token", Long.toString(id), "");
            return database.change("DELETE FROM token WHERE id = :id AND account = :account")
                    .param("id", id)
                    .param("account", account)
                    .update();
        });
        if (gone == 0) {
            throw new Problem(Problem.Kind.NOT_FOUND, "you have no token " + id);
        }
    }

    private String secret(int bytes) {
        var secret = new byte[bytes];
        random.nextBytes(secret);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    }

    private static String hash(String text) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
