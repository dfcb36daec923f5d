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
import org.jspecify.annotations.Nullable;
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

    /** An invitation that nobody followed by then is over. */
    static final Duration INVITED_FOR = Duration.ofDays(7);

    private static final int LONGEST_LABEL = 100;
    private static final Duration LONGEST_OF_MEMBERS = Duration.ofDays(90);
    private static final Duration LONGEST_TOKEN = Duration.ofDays(3_660);

    /**
     * @param oneTimeUntil when a one-time password ends; empty when it does not
     * @param subject who somebody is who comes by the organisation's accounts; empty for those who have a password here
     */
    record Account(
            String name,
            Role role,
            String passwordHash,
            boolean oneTime,
            Optional<Instant> oneTimeUntil,
            Optional<String> subject,
            long version) {
        Account with(Role other) {
            return new Account(name, other, passwordHash, oneTime, oneTimeUntil, subject, version);
        }
    }

    /**
     * @param role what it lets in to at most; missing when it is all that its person may do
     * @param endsAt missing when it does not end by itself
     */
    public record Token(
            long id,
            String account,
            String label,
            String createdAt,
            @Nullable String lastUsedAt,
            @Nullable String endsAt,
            @Nullable String role) {}

    /**
     * What somebody wants a token for.
     *
     * @param role what it is to let in to at most; empty for all that its person may do
     * @param lasts empty for as long as nobody takes it back
     */
    record TokenWish(String label, Optional<Role> role, Optional<Duration> lasts) {
        /** @throws Problem when it cannot be meant */
        TokenWish {
            if (label.isBlank() || label.length() > LONGEST_LABEL) {
                throw new Problem(
                        Problem.Kind.INVALID, "say what the token is for, in 1 to " + LONGEST_LABEL + " characters");
            }
            if (lasts.filter(l -> l.isNegative() || l.isZero() || l.compareTo(LONGEST_TOKEN) > 0)
                    .isPresent()) {
                throw new Problem(Problem.Kind.INVALID, "a token lasts 1 to " + LONGEST_TOKEN.toDays() + " days");
            }
        }
    }

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

    /** From now on a one-time password of theirs is good for so long; within a transaction. */
    void invitedUntil(String name, Instant until) {
        database.change("UPDATE account SET one_time_until = :until WHERE name = :name AND one_time = 1")
                .param("until", until.toString())
                .param("name", name)
                .update();
    }

    /** Everything that lets them in without their password does so no more. */
    void endSessions(String name, String who) {
        database.write(() -> {
            require(name);
            database.change("UPDATE account SET version = version + 1 WHERE name = :name")
                    .param("name", name)
                    .update();
            endTokensOf(name);
            journal.add(who, "ended all sessions and tokens", name, "");
        });
    }

    private void endTokensOf(String name) {
        database.change("DELETE FROM token WHERE account = :name")
                .param("name", name)
                .update();
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
                        UPDATE account
                        SET password_hash = :hash, one_time = :oneTime, one_time_until = NULL, version = version + 1
                        WHERE name = :name
                        """)
                .param("hash", encoder.encode(password))
                .param("oneTime", oneTime ? 1 : 0)
                .param("name", name)
                .update();
        endTokensOf(name);
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
        return find("name", name);
    }

    private Optional<Account> find(String column, String value) {
        return database.query("""
                        SELECT name, role, password_hash, one_time, one_time_until, subject, version FROM account WHERE
                        """ + column + " = :value")
                .param("value", value)
                .query((row, n) -> new Account(
                        row.getString("name"),
                        Role.valueOf(row.getString("role")),
                        row.getString("password_hash"),
                        row.getBoolean("one_time"),
                        Optional.ofNullable(row.getString("one_time_until")).map(Instant::parse),
                        Optional.ofNullable(row.getString("subject")),
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
        if (account.isEmpty() || account.get().subject().isPresent()) {
            // Takes as long as for a name that exists.
            encoder.matches(password, "$2a$11$7EqJtq98hPqEX7fNZaFWoOhi5BWX4Z1Z3CEiFh1FcvUUpcOBw8zVa");
            throw wrong();
        }
        if (!encoder.matches(password, account.get().passwordHash())) {
            journal.add(name, "failed to sign in", name, "");
            throw wrong();
        }
        guesses.right(name, place);
        if (account.get().oneTimeUntil().filter(clock.instant()::isAfter).isPresent()) {
            throw new Problem(
                    Problem.Kind.SIGNED_OUT,
                    "that one-time password is over since "
                            + account.get().oneTimeUntil().get() + "; ask an administrator for another");
        }
        return account.get();
    }

    /**
     * Somebody whom the organisation's accounts let in, as their groups say it now.
     *
     * @return empty when somebody else has that name
     */
    Optional<Account> ofTheOrganisation(Organisation.Member member) {
        return database.write(() -> {
            var known = find("subject", member.subject());
            if (known.isEmpty()) {
                if (find(member.name()).isPresent()) {
                    return Optional.empty();
                }
                database.change("""
                                INSERT INTO account (name, role, password_hash, one_time, created_at, subject)
                                VALUES (:name, :role, '', 0, :at, :subject)
                                """)
                        .param("name", member.name())
                        .param("role", member.role().name())
                        .param("at", clock.instant().toString())
                        .param("subject", member.subject())
                        .update();
                journal.add(
                        member.name(),
                        "came by the organisation's accounts",
                        member.name(),
                        member.role().word());
            } else if (known.get().role() != member.role()) {
                database.change("UPDATE account SET role = :role, version = version + 1 WHERE subject = :subject")
                        .param("role", member.role().name())
                        .param("subject", member.subject())
                        .update();
                journal.add(
                        known.get().name(),
                        "has another role by their groups",
                        known.get().name(),
                        known.get().role().word() + " -> " + member.role().word());
            }
            return find("subject", member.subject());
        });
    }

    /** Somebody came in by the console, or went. */
    void note(String name, String act) {
        journal.add(name, act, name, "");
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
    String makeToken(String account, TokenWish wish) {
        if (require(account).subject().isPresent()
                && wish.lasts()
                        .filter(l -> l.compareTo(LONGEST_OF_MEMBERS) <= 0)
                        .isEmpty()) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "whether you still belong to the organisation is seen when you sign in, so a token of yours lasts "
                            + LONGEST_OF_MEMBERS.toDays() + " days at most");
        }
        var text = "choir_" + secret(32);
        var now = clock.instant().truncatedTo(ChronoUnit.SECONDS);
        var ends = wish.lasts().map(now::plus).map(Instant::toString);
        database.write(() -> {
            database.change("""
                            INSERT INTO token (account, label, hash, created_at, ends_at, role)
                            VALUES (:account, :label, :hash, :at, :ends, :role)
                            """)
                    .param("account", account)
                    .param("label", wish.label())
                    .param("hash", hash(text))
                    .param("at", now.toString())
                    .param("ends", ends.orElse(null))
                    .param("role", wish.role().map(Role::name).orElse(null))
                    .update();
            journal.add(
                    account,
                    "made a token",
                    wish.label(),
                    wish.role().map(r -> "as " + r.word()).orElse("")
                            + ends.map(e -> " until " + e).orElse(""));
        });
        return text;
    }

    /** A token, with what it is let in to. */
    private record Held(String account, Optional<Role> role, Optional<Instant> ends) {}

    Optional<Account> byToken(String text) {
        var hash = hash(text);
        var now = clock.instant();
        var account = database.query("SELECT account, role, ends_at FROM token WHERE hash = :hash")
                .param("hash", hash)
                .query((row, n) -> new Held(
                        row.getString("account"),
                        Optional.ofNullable(row.getString("role")).map(Role::valueOf),
                        Optional.ofNullable(row.getString("ends_at")).map(Instant::parse)))
                .optional()
                .filter(t -> t.ends().filter(now::isAfter).isEmpty())
                .flatMap(t -> find(t.account())
                        .map(a -> t.role()
                                .filter(r -> r.compareTo(a.role()) < 0)
                                .map(a::with)
                                .orElse(a)));
        account.ifPresent(a -> used.put(hash, clock.instant()));
        return account;
    }

    /** @throws Problem when a token that is made by that one would outlive it */
    void mustEndBefore(String token, TokenWish wish) {
        var ends = database.query("SELECT ends_at FROM token WHERE hash = :hash AND ends_at IS NOT NULL")
                .param("hash", hash(token))
                .query(String.class)
                .optional()
                .map(Instant::parse);
        if (ends.isPresent()
                && wish.lasts()
                        .filter(l -> !clock.instant().plus(l).isAfter(ends.get()))
                        .isEmpty()) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "the token by which you ask ends " + ends.get() + ", and one that is made by it ends no later");
        }
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
        return database.query("SELECT id, account, label, created_at, last_used_at, ends_at, role FROM token"
                        + " WHERE account = :account ORDER BY id")
                .param("account", account)
                .query(Token.class)
                .list();
    }

    /** @param account whose it is */
    void revoke(String account, long id, String who) {
        database.write(() -> {
            int gone = database.change("DELETE FROM token WHERE id = :id AND account = :account")
                    .param("id", id)
                    .param("account", account)
                    .update();
            if (gone == 0) {
                throw new Problem(
                        Problem.Kind.NOT_FOUND,
                        (who.equals(account) ? "you have" : account + " has") + " no token " + id);
            }
            journal.add(who, "revoked a token", Long.toString(id), who.equals(account) ? "" : "of " + account);
        });
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
