package choir.server.account;

import choir.server.ServiceSettings;
import choir.server.account.Guesses.Place;
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

    record Account(String name, Role role, String passwordHash, boolean oneTime, long version) {}

    public record Token(
            long id,
            String account,
            String label,
            String createdAt,
            @org.jspecify.annotations.Nullable String lastUsedAt) {}

    private final Database database;
    private final Journal journal;
    private final Clock clock;
    private final Guesses guesses;
    /** When tokens were used since that was last written, by their hash. */
    private final Map<String, Instant> used = new ConcurrentHashMap<>();

    private final ServiceSettings settings;
    private final PasswordEncoder encoder = new BCryptPasswordEncoder(11);
    private final SecureRandom random = new SecureRandom();

    Accounts(Database database, Journal journal, Clock clock, Guesses guesses, ServiceSettings settings) {
        this.guesses = guesses;
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

    /** Nobody is let in by a token any more; within a transaction. */
    public void endAllTokens() {
        database.change("DELETE FROM token").update();
    }

    private void replace(String name, String password, boolean oneTime) {
        database.change("""
                        UPDATE account SET password_hash = :hash, one_time = :oneTime, version = version + 1
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
        return database.query("SELECT name, role, password_hash, one_time, version FROM account WHERE name = :name")
                .param("name", name)
                .query((row, n) -> new Account(
                        row.getString("name"),
                        Role.valueOf(row.getString("role")),
                        row.getString("password_hash"),
                        row.getBoolean("one_time"),
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

    /** The account when the password is right; names that nobody has are slowed down in the same way. */
    Account check(String name, String password, Place place) {
        guesses.attempt(name, place);
        var account = find(name);
        if (account.isEmpty()) {
            // Takes as long as for a name that exists.
            encoder.matches(password, "$2a$11$7EqJtq98hPqEX7fNZaFWoOhi5BWX4Z1Z3CEiFh1FcvUUpcOBw8zVa");
            throw wrong();
        }
        if (!encoder.matches(password, account.get().passwordHash())) {
            journal.addAlone(name, "failed to sign in", name, "");
            throw wrong();
        }
        guesses.right(name, place);
        return account.get();
    }

    /** Somebody came in by the console, or went. */
    void note(String name, String act) {
        journal.addAlone(name, act, name, "");
    }

    private static Problem wrong() {
        return new Problem(Problem.Kind.SIGNED_OUT, "user name and password do not belong together");
    }

    void choosePassword(String name, String old, String fresh, Place place) {
        check(name, old, place);
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
