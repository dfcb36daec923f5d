package choir.server.account;

import choir.fleet.Node;
import choir.server.account.Accounts.Account;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import jakarta.annotation.PreDestroy;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** What lets programs in as somebody; kept as SHA-256, so that none can be shown again. */
@Component
public class Tokens {
    private static final int LONGEST_LABEL = 100;
    private static final Duration LONGEST_OF_MEMBERS = Duration.ofDays(90);
    private static final Duration LONGEST = Duration.ofDays(3_660);

    /**
     * @param role what it lets in to at most; missing when it is all that its person may do
     * @param place the group in which alone it lets in; missing when it is wherever its person may be
     * @param endsAt missing when it does not end by itself
     */
    public record Token(
            long id,
            String account,
            String label,
            String createdAt,
            @Nullable String lastUsedAt,
            @Nullable String endsAt,
            @Nullable String role,
            @Nullable String place) {}

    /**
     * What somebody wants a token for.
     *
     * @param role what it is to let in to at most; empty for all that its person may do
     * @param place where alone it is to let in; empty for wherever its person may be
     * @param lasts empty for as long as nobody takes it back
     */
    record Wish(String label, Optional<Role> role, Optional<Node.Group> place, Optional<Duration> lasts) {
        /** @throws Problem when it cannot be meant */
        Wish {
            if (label.isBlank() || label.length() > LONGEST_LABEL) {
                throw new Problem(
                        Problem.Kind.INVALID, "say what the token is for, in 1 to " + LONGEST_LABEL + " characters");
            }
            if (lasts.filter(l -> l.isNegative() || l.isZero() || l.compareTo(LONGEST) > 0)
                    .isPresent()) {
                throw new Problem(Problem.Kind.INVALID, "a token lasts 1 to " + LONGEST.toDays() + " days");
            }
        }
    }

    /** A token, with what it is let in to. */
    private record Held(String account, Optional<Role> role, Optional<Node.Group> place, Optional<Instant> ends) {
        /** What its person may do by it; empty when that is nothing any more. */
        Optional<Grants> of(Grants grants) {
            var capped = role.map(grants::atMost).orElse(grants);
            return place.isEmpty() ? Optional.of(capped) : capped.within(place.get());
        }
    }

    private final Accounts accounts;
    private final Database database;
    private final Journal journal;
    private final Clock clock;
    /** When tokens were used since that was last written, by their hash. */
    private final Map<String, Instant> used = new ConcurrentHashMap<>();

    Tokens(Accounts accounts, Database database, Journal journal, Clock clock) {
        this.accounts = accounts;
        this.database = database;
        this.journal = journal;
        this.clock = clock;
    }

    /** Makes a token and returns its text, which is shown this once. */
    String make(String account, Wish wish) {
        var person = accounts.require(account);
        if (person.subject().isPresent()
                && wish.lasts()
                        .filter(l -> l.compareTo(LONGEST_OF_MEMBERS) <= 0)
                        .isEmpty()) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "whether you still belong to the organisation is seen when you sign in, so a token of yours lasts "
                            + LONGEST_OF_MEMBERS.toDays() + " days at most");
        }
        wish.place().filter(p -> person.grants().within(p).isEmpty()).ifPresent(p -> {
            throw new Problem(Problem.Kind.INVALID, "you have no role in " + p + ", so no token lets in there");
        });
        var text = "choir_" + accounts.secret(32);
        var now = clock.instant().truncatedTo(ChronoUnit.SECONDS);
        var ends = wish.lasts().map(now::plus).map(Instant::toString);
        database.write(() -> {
            database.change("""
                            INSERT INTO token (account, label, hash, created_at, ends_at, role, place)
                            VALUES (:account, :label, :hash, :at, :ends, :role, :place)
                            """)
                    .param("account", account)
                    .param("label", wish.label())
                    .param("hash", hash(text))
                    .param("at", now.toString())
                    .param("ends", ends.orElse(null))
                    .param("role", wish.role().map(Role::name).orElse(null))
                    .param("place", wish.place().map(Node.Group::text).orElse(null))
                    .update();
            journal.add(
                    account,
                    "made a token",
                    wish.label(),
                    wish.role().map(r -> "as " + r.word()).orElse("")
                            + wish.place().map(p -> " in " + p).orElse("")
                            + ends.map(e -> " until " + e).orElse(""));
        });
        return text;
    }

    /** Whom it lets in, with what they may do by it. */
    Optional<Account> account(String text) {
        var hash = hash(text);
        var now = clock.instant();
        var account = held(hash)
                .filter(t -> t.ends().filter(now::isAfter).isEmpty())
                .flatMap(t ->
                        accounts.find(t.account()).flatMap(a -> t.of(a.grants()).map(a::with)));
        account.ifPresent(a -> used.put(hash, clock.instant()));
        return account;
    }

    private Optional<Held> held(String hash) {
        return database.query("SELECT account, role, place, ends_at FROM token WHERE hash = :hash")
                .param("hash", hash)
                .query((row, n) -> new Held(
                        row.getString("account"),
                        Optional.ofNullable(row.getString("role")).map(Role::valueOf),
                        Optional.ofNullable(row.getString("place")).map(Node.Group::of),
                        Optional.ofNullable(row.getString("ends_at")).map(Instant::parse)))
                .optional();
    }

    /**
     * What may be wished for by somebody who comes by a token: nothing that lets in to more than it does, elsewhere, or longer.
     *
     * @throws Problem when that is not what is wished
     */
    Wish noWider(String token, Wish wish) {
        var by = held(hash(token)).orElseThrow(() -> new Problem(Problem.Kind.SIGNED_OUT, "that token is gone"));
        by.ends()
                .filter(end -> wish.lasts()
                        .filter(l -> !clock.instant().plus(l).isAfter(end))
                        .isEmpty())
                .ifPresent(end -> {
                    throw new Problem(
                            Problem.Kind.INVALID,
                            "the token by which you ask ends " + end + ", and one that is made by it ends no later");
                });
        by.place()
                .filter(p -> wish.place().filter(w -> !p.contains(w)).isPresent())
                .ifPresent(p -> {
                    throw new Problem(
                            Problem.Kind.INVALID,
                            "the token by which you ask lets in to " + p
                                    + " alone, and so does one that is made by it");
                });
        var most = by.role();
        return new Wish(
                wish.label(),
                wish.role()
                        .filter(r -> most.isEmpty() || r.compareTo(most.get()) < 0)
                        .or(() -> most),
                wish.place().or(by::place),
                wish.lasts());
    }

    /** Nobody who asks something waits for this to be written. */
    @Scheduled(fixedDelay = 30, timeUnit = TimeUnit.SECONDS)
    @PreDestroy
    void keepWhenTheyWereUsed() {
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

    List<Token> of(String account) {
        return database.query("SELECT id, account, label, created_at, last_used_at, ends_at, role, place FROM token"
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

    /** Nobody is let in by a token any more; within a transaction. */
    public void endAll() {
        database.change("DELETE FROM token").update();
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
