package choir.server.retention;

import choir.server.ServiceSettings;
import choir.server.db.Database;
import choir.server.journal.Journal;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Lets go each night of what is past its time, a thousand rows at a time, so that whoever writes something meanwhile hardly waits.
 * What people decided, the journal, and what was said and in force at any time stay.
 */
@Component
class Retention {
    private static final Logger LOG = LoggerFactory.getLogger(Retention.class);
    static final int AT_ONCE = 1_000;
    private static final Duration BREATH = Duration.ofMillis(20);
    /** More are not counted by whoever wants to know how much it is. */
    private static final int MOST_COUNTED = 1_000_000;

    /**
     * One kind of row.
     *
     * @param what such as {@code steps of previews}
     * @param past a query for the keys of those that are past {@code :before}, without a limit
     * @param changes what is done about some of them, in order, each with {@code %s} for that query
     */
    private record Kind(String what, int days, boolean inSeconds, String past, List<String> changes) {}

    private final Database database;
    private final Journal journal;
    private final Clock clock;
    private final List<Kind> kinds;
    private volatile boolean stopping;

    Retention(Database database, Journal journal, ServiceSettings settings, Clock clock) {
        this.database = database;
        this.journal = journal;
        this.clock = clock;
        this.kinds = kinds(settings.keep());
    }

    private static List<Kind> kinds(ServiceSettings.Keep keep) {
        return List.of(
                new Kind(
                        "steps of previews",
                        keep.previews(),
                        false,
                        "SELECT s.rowid FROM preview p JOIN preview_step s ON s.preview = p.id WHERE p.created_at < :before",
                        List.of("DELETE FROM preview_step WHERE rowid IN (%s)")),
                new Kind(
                        "previews",
                        keep.previews(),
                        false,
                        "SELECT id FROM preview WHERE created_at < :before",
                        List.of("DELETE FROM preview WHERE id IN (%s)")),
                new Kind(
                        "recorders of audits and readings",
                        keep.works(),
                        false,
                        "SELECT s.work, s.recorder FROM work w JOIN sweep_part s ON s.work = w.id WHERE w.ended_at < :before",
                        List.of("DELETE FROM sweep_part WHERE (work, recorder) IN (%s)")),
                new Kind(
                        "steps of rollouts",
                        keep.rollouts(),
                        false,
                        "SELECT s.id FROM work w JOIN rollout_step s ON s.rollout = w.id WHERE w.ended_at < :before",
                        List.of("DELETE FROM rollout_step WHERE id IN (%s)")),
                new Kind(
                        "ended findings of which nobody decided anything",
                        keep.findings(),
                        false,
                        "SELECT id FROM finding WHERE ended_at < :before AND NOT EXISTS"
                                + " (SELECT 1 FROM finding_decision d WHERE d.finding = finding.id)",
                        List.of(
                                "UPDATE finding SET returns = NULL WHERE returns IN (%s)",
                                "DELETE FROM finding WHERE id IN (%s)")),
                new Kind(
                        "spans in which a camera held something",
                        keep.findings(),
                        true,
                        "SELECT rowid FROM held_then WHERE until < :before",
                        List.of("DELETE FROM held_then WHERE rowid IN (%s)")));
    }

    @Scheduled(cron = "0 50 4 * * *", zone = "${choir.zone}")
    void eachNight() {
        try {
            letGo();
        } catch (RuntimeException e) {
            LOG.error("what is past its time could not be let go of; it is tried again the next night", e);
        }
    }

    /** @return how many rows of each kind went */
    Map<String, Integer> letGo() {
        Map<String, Integer> gone = new LinkedHashMap<>();
        for (var kind : kinds) {
            var before = before(kind, kind.days());
            for (int some = AT_ONCE; some == AT_ONCE && !stopping; breathe()) {
                some = database.write(() -> {
                    int changed = 0;
                    for (var change : kind.changes()) {
                        changed = database.change(change.formatted(kind.past() + " ORDER BY 1 LIMIT " + AT_ONCE))
                                .param("before", before)
                                .update();
                    }
                    return changed;
                });
                if (some > 0) {
                    gone.merge(kind.what(), some, Integer::sum);
                }
            }
        }
        if (!gone.isEmpty()) {
            List<String> words = new ArrayList<>();
            gone.forEach((what, count) -> words.add(count + " " + what));
            journal.add("choir", "let go of what is past its time", "records", String.join(", ", words));
        }
        return gone;
    }

    /**
     * How much would go if it were kept for half as long, as words for people.
     *
     * @return empty when nothing would
     */
    List<String> wouldFree() {
        List<String> words = new ArrayList<>();
        for (var kind : kinds) {
            int half = Math.max(1, kind.days() / 2);
            int count = database.query("SELECT count(*) FROM (" + kind.past() + " LIMIT " + MOST_COUNTED + ")")
                    .param("before", before(kind, half))
                    .query(Integer.class)
                    .single();
            if (count > 0) {
                words.add((count == MOST_COUNTED ? "over " : "") + count + " " + kind.what() + " by " + half + " days");
            }
        }
        return words;
    }

    private Object before(Kind kind, int days) {
        Instant before = clock.instant().minus(Duration.ofDays(days));
        return kind.inSeconds() ? (Object) before.getEpochSecond() : before.toString();
    }

    private static void breathe() {
        try {
            Thread.sleep(BREATH);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @PreDestroy
    void stop() {
        stopping = true;
    }
}
