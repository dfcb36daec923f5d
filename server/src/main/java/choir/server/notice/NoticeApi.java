package choir.server.notice;

import choir.drift.Severity;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import java.security.Principal;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalTime;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Who is told when something slips, and what was told. */
@RestController
class NoticeApi {
    private static final int MOST_RULES = 100;
    private static final int MOST_ENTRIES = 500;

    /**
     * @param way {@code mail} or {@code webhook}
     * @param severity at least {@code low}, {@code medium} or {@code high}
     * @param quietFrom with {@code quietTo}: hours in which nothing goes out, such as 22:00 to 06:00
     */
    record NoticeRequest(
            String way,
            String target,
            @Nullable String severity,
            @Nullable String quietFrom,
            @Nullable String quietTo) {}

    /** @param secret by which a webhook's events are signed; shown once, when it is made */
    record NoticeView(
            long id,
            String way,
            String target,
            String severity,
            @Nullable String quietFrom,
            @Nullable String quietTo,
            String who,
            @Nullable String secret) {}

    /**
     * @param notice by which rule it goes out; missing for mail that belongs to none
     * @param mail to whom such mail goes
     * @param state {@code waiting}, {@code sent} or {@code given-up}
     */
    record EntryView(
            long id,
            @Nullable Long notice,
            @Nullable String mail,
            String createdAt,
            String kind,
            String subject,
            String state,
            @Nullable String nextAt,
            int attempts,
            @Nullable String trouble,
            @Nullable String settledAt) {}

    private final RuleStore rules;
    private final OutboxStore outbox;
    private final MailSettings mail;
    private final Journal journal;
    private final Database database;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    NoticeApi(RuleStore rules, OutboxStore outbox, MailSettings mail, Journal journal, Database database, Clock clock) {
        this.rules = rules;
        this.outbox = outbox;
        this.mail = mail;
        this.journal = journal;
        this.database = database;
        this.clock = clock;
    }

    @GetMapping("/api/v1/notices")
    List<NoticeView> notices() {
        return rules.all().stream().map(r -> view(r, null)).toList();
    }

    @PostMapping("/api/v1/notices")
    @ResponseStatus(HttpStatus.CREATED)
    NoticeView add(@RequestBody NoticeRequest given, Principal who) {
        var target = Target.of(given.way(), given.target());
        if (target instanceof Target.Mail && mail.server().isEmpty()) {
            throw new Problem(
                    Problem.Kind.INVALID, "no mail server is set; start the service with --choir.mail.host=HOST first");
        }
        var severity = Severity.named(given.severity() == null ? "medium" : given.severity());
        var quiet = quiet(given);
        Optional<String> secret = target instanceof Target.Webhook ? Optional.of(secret()) : Optional.empty();
        return database.write(() -> {
            if (rules.all().size() >= MOST_RULES) {
                throw new Problem(Problem.Kind.CONFLICT, "there are " + MOST_RULES + " notices already");
            }
            long id = rules.add(target, severity, quiet, secret, who.getName());
            journal.add(who.getName(), "added a notice", "notice " + id, target.way() + " to " + target.text());
            return view(rules.get(id), secret.orElse(null));
        });
    }

    @DeleteMapping("/api/v1/notices/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long id, Principal who) {
        database.write(() -> {
            var rule = rules.get(id);
            rules.remove(id);
            journal.add(
                    who.getName(),
                    "took a notice away",
                    "notice " + id,
                    rule.target().way() + " to " + rule.target().text());
        });
    }

    /** Sends something that nobody need act on, at once and in quiet hours too. */
    @PostMapping("/api/v1/notices/{id}/test")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void test(@PathVariable long id, Principal who) {
        database.write(() -> outbox.add(
                rules.get(id).id(),
                new Notice(
                        "test",
                        Severity.LOW,
                        "Test of notice " + id,
                        who.getName() + " asked for this test. If it arrives, so will the others.\n",
                        Map.of("notice", id, "who", who.getName())),
                clock.instant()));
    }

    /** What was told or waits to be, the newest first. */
    @GetMapping("/api/v1/notices/outbox")
    List<EntryView> outbox(@RequestParam(defaultValue = "50") int limit) {
        if (limit < 1 || limit > MOST_ENTRIES) {
            throw new Problem(Problem.Kind.INVALID, "limit is 1 to " + MOST_ENTRIES + ", not " + limit);
        }
        return outbox.newest(limit).stream().map(NoticeApi::view).toList();
    }

    private static EntryView view(OutboxStore.Entry e) {
        return new EntryView(
                e.id(),
                e.rule().orElse(null),
                e.mail().orElse(null),
                e.createdAt().toString(),
                e.kind(),
                e.subject(),
                e.state().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                e.state() == OutboxStore.State.WAITING ? e.nextAt().toString() : null,
                e.attempts(),
                e.trouble().isEmpty() ? null : e.trouble(),
                e.settledAt().map(Instant::toString).orElse(null));
    }

    private static NoticeView view(NoticeRule rule, @Nullable String secret) {
        return new NoticeView(
                rule.id(),
                rule.target().way(),
                rule.target().text(),
                rule.severity().word(),
                rule.quiet().map(q -> q.from().toString()).orElse(null),
                rule.quiet().map(q -> q.to().toString()).orElse(null),
                rule.who(),
                secret);
    }

    private static Optional<NoticeRule.Quiet> quiet(NoticeRequest given) {
        if (given.quietFrom() == null && given.quietTo() == null) {
            return Optional.empty();
        }
        try {
            return Optional.of(new NoticeRule.Quiet(
                    LocalTime.parse(String.valueOf(given.quietFrom())),
                    LocalTime.parse(String.valueOf(given.quietTo()))));
        } catch (DateTimeException e) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "quiet hours are two times of day, such as from 22:00 to 06:00; not " + given.quietFrom() + " to "
                            + given.quietTo());
        }
    }

    private String secret() {
        var bytes = new byte[32];
        random.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }
}
