package choir.server.account;

import choir.server.ServiceSettings;
import choir.server.account.Guesses.Place;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import jakarta.annotation.PostConstruct;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** People, with what lets them in. Passwords are kept as bcrypt, and cannot be shown again. */
@Component
public class Accounts {
    private static final Logger LOG = LoggerFactory.getLogger(Accounts.class);

    /** An invitation that nobody followed by then is over. */
    static final Duration INVITED_FOR = Duration.ofDays(7);

    /**
     * @param oneTimeUntil when a one-time password ends; empty when it does not
     * @param subject who somebody is who comes by the organisation's accounts; empty for those who have a password here
     */
    record Account(
            String name,
            Grants grants,
            String passwordHash,
            boolean oneTime,
            Optional<Instant> oneTimeUntil,
            Optional<String> subject,
            long version) {
        Account with(Grants other) {
            return new Account(name, other, passwordHash, oneTime, oneTimeUntil, subject, version);
        }
    }

    private final Database database;
    private final Journal journal;
    private final Clock clock;
    private final Guesses guesses;
    private final SecondFactor factor;
    private final ServiceSettings settings;
    private final PasswordEncoder encoder = new BCryptPasswordEncoder(11);
    private final SecureRandom random = new SecureRandom();

    Accounts(
            Database database,
            Journal journal,
            Clock clock,
            Guesses guesses,
            SecondFactor factor,
            ServiceSettings settings) {
        this.factor = factor;
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
            add(setup.user(), Grants.of(Role.ADMINISTRATOR), setup.password(), false, "choir");
            return;
        }
        var password = add("admin", Grants.of(Role.ADMINISTRATOR), "choir");
        LOG.warn("first start: sign in as \"admin\" with the one-time password {} and choose your own", password);
    }

    /** @return a one-time password */
    String add(String name, Grants grants, String who) {
        var password = secret(12);
        add(name, grants, password, true, who);
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
            endSessionsOf(name);
            endTokensOf(name);
            journal.add(who, "ended all sessions and tokens", name, "");
        });
    }

    /** What began before another version of somebody is over. */
    private void endSessionsOf(String name) {
        database.change("UPDATE account SET version = version + 1 WHERE name = :name")
                .param("name", name)
                .update();
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

    private void add(String name, Grants grants, String password, boolean oneTime, String who) {
        database.write(() -> {
            insert(name, encoder.encode(password), oneTime, Optional.empty());
            give(name, grants);
            journal.add(who, "added a person", name, grants.toString());
        });
    }

    private void insert(String name, String hash, boolean oneTime, Optional<String> subject) {
        database.change("""
                        INSERT INTO account (name, password_hash, one_time, created_at, subject)
                        VALUES (:name, :hash, :oneTime, :at, :subject)
                        """)
                .param("name", name)
                .param("hash", hash)
                .param("oneTime", oneTime ? 1 : 0)
                .param("at", clock.instant().toString())
                .param("subject", subject.orElse(null))
                .update();
    }

    /** What they may do from now on; their sessions end. Within a transaction. */
    void give(String name, Grants grants) {
        database.change("DELETE FROM account_grant WHERE account = :name")
                .param("name", name)
                .update();
        for (var grant : grants.given()) {
            int added = database.change("""
                            INSERT INTO account_grant (account, role, place)
                            SELECT :name, :role, path FROM camera_group WHERE path = :place
                            """)
                    .param("name", name)
                    .param("role", grant.role().name())
                    .param("place", grant.place().text())
                    .update();
            if (added == 0) {
                throw new Problem(Problem.Kind.NOT_FOUND, "there is no group " + grant.place());
            }
        }
        database.change(
                        "UPDATE account SET footage = :footage, decides = :decides, version = version + 1 WHERE name = :name")
                .param("footage", Grants.column(grants.footage()))
                .param("decides", Grants.column(grants.decides()))
                .param("name", name)
                .update();
    }

    Optional<Account> find(String name) {
        return find("name", name);
    }

    private Optional<Account> find(String column, String value) {
        return database.query("""
                        SELECT name, password_hash, one_time, one_time_until, subject, version,
                        """ + Grants.COLUMNS + """
                        FROM account WHERE
                        """ + column + " = :value")
                .param("value", value)
                .query((row, n) -> new Account(
                        row.getString("name"),
                        Grants.of(row),
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

    /**
     * The account when the password is right, and the code where one is asked for; names that nobody has are slowed down in the
     * same way.
     */
    Account check(String name, String password, Optional<String> code, Place place) {
        return check(name, password, code, true, place);
    }

    /** @param letsIn whether somebody is let in by it; a code that lets nobody in yet does so a moment later */
    private Account check(String name, String password, Optional<String> code, boolean letsIn, Place place) {
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
        if (factor.isOn(name)
                && code.filter(c ->
                                factor.admits(name, c, letsIn && !account.get().oneTime()))
                        .isEmpty()) {
            if (code.isEmpty()) {
                throw new Problem(
                        Problem.Kind.CODE_NEEDED,
                        "a code of your authenticator is needed as well: choir login --code CODE");
            }
            journal.add(name, "failed to sign in", name, "by the code");
            throw new Problem(Problem.Kind.SIGNED_OUT, "that code is none now, or was used already");
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
                insert(member.name(), "", false, Optional.of(member.subject()));
                give(member.name(), member.grants());
                journal.add(
                        member.name(),
                        "came by the organisation's accounts",
                        member.name(),
                        member.grants().toString());
            } else if (!known.get().grants().given().equals(member.grants().given())) {
                var name = known.get().name();
                give(name, member.grants());
                journal.add(
                        name,
                        "has another role by their groups",
                        name,
                        known.get().grants() + " -> " + member.grants());
            }
            return find("subject", member.subject());
        });
    }

    /** Somebody signed out there; whoever is not known here is passed over. Their tokens end by themselves. */
    void signedOutByTheOrganisation(String subject) {
        database.write(() -> find("subject", subject).ifPresent(account -> {
            endSessionsOf(account.name());
            journal.add(account.name(), "signed out at the organisation's accounts", account.name(), "");
        }));
    }

    /** Somebody came in by the console, or went. */
    void note(String name, String act) {
        journal.add(name, act, name, "");
    }

    private static Problem wrong() {
        return new Problem(Problem.Kind.SIGNED_OUT, "user name and password do not belong together");
    }

    void choosePassword(String name, String old, String fresh, Optional<String> code, Place place) {
        check(name, old, code, false, place);
        PasswordRule.require(name, fresh);
        if (fresh.equals(old)) {
            throw new Problem(Problem.Kind.INVALID, "a new password is not the old one");
        }
        database.write(() -> {
            replace(name, fresh, false);
            journal.add(name, "chose a new password", name, "");
        });
    }

    String secret(int bytes) {
        var secret = new byte[bytes];
        random.nextBytes(secret);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    }
}
