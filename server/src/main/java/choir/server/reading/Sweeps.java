package choir.server.reading;

import choir.server.db.Database;
import choir.server.fleet.DeviceStore;
import choir.server.fleet.FleetStore;
import choir.server.fleet.PasswordStore;
import choir.server.reading.Devices.Asked;
import choir.server.reading.Devices.Outcome;
import choir.server.work.Work;
import choir.server.work.Works;
import java.time.Clock;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Reading of many recorders. The unit is one recorder: what it holds, what follows from it, and the mark of progress are
 * one transaction, so a restart goes on where it was. Only as many recorders are in memory as are asked at the same time,
 * and one that fails, hangs or is removed meanwhile is one line of the report.
 */
@Component
public class Sweeps {
    private static final Logger LOG = LoggerFactory.getLogger(Sweeps.class);
    private static final int ASKED_AT_ONCE = 64;
    private static final int MOST_LINES = 20;

    /** What follows from one recorder's answer; called within the transaction that stores it. */
    @FunctionalInterface
    public interface Consequence {
        void of(String recorder, Outcome outcome);
    }

    private enum Part {
        WAITING,
        DONE,
        FAILED,
        /** It was removed before its turn. */
        GONE
    }

    private final Devices devices;
    private final FleetStore fleet;
    private final ObservationStore observations;
    private final Identities identities;
    private final PasswordStore passwords;
    private final DeviceStore deviceStore;
    private final List<Followed> followed;
    private final Database database;
    private final Clock clock;

    Sweeps(
            Devices devices,
            FleetStore fleet,
            ObservationStore observations,
            Identities identities,
            PasswordStore passwords,
            DeviceStore deviceStore,
            List<Followed> followed,
            Database database,
            Clock clock) {
        this.identities = identities;
        this.passwords = passwords;
        this.deviceStore = deviceStore;
        this.followed = followed;
        this.devices = devices;
        this.fleet = fleet;
        this.observations = observations;
        this.database = database;
        this.clock = clock;
    }

    /** Notes which recorders the work is about; to be called within the transaction that makes it. */
    public void plan(long work, Collection<String> recorders) {
        for (var recorder : recorders) {
            database.change("""
                            INSERT INTO sweep_part (work, recorder, state, note)
                            VALUES (:work, :recorder, 'WAITING', '')
                            """).param("work", work).param("recorder", recorder).update();
        }
    }

    /** Asks the recorders of the plan that were not asked yet. */
    public void run(Work work, Works.Progress progress, Consequence consequence) {
        Deque<String> waiting = new ArrayDeque<>(of(work, Part.WAITING));
        int failed = count(work, Part.FAILED) + count(work, Part.GONE);
        int done = count(work, Part.DONE) + failed;
        progress.begin(done + waiting.size(), done, failed);
        BlockingQueue<Asked> answers = new LinkedBlockingQueue<>();
        int under = 0;
        try {
            while (!waiting.isEmpty() || under > 0) {
                progress.goOn();
                while (under < ASKED_AT_ONCE && !waiting.isEmpty()) {
                    under += ask(work, waiting.poll(), answers, progress) ? 1 : 0;
                }
                if (under > 0) {
                    var asked = take(answers);
                    under--;
                    settle(work, asked, progress, consequence);
                }
            }
        } finally {
            letGo(answers, under);
        }
    }

    /** @return whether an answer will come; there is none of a recorder that was removed */
    private boolean ask(Work work, String name, BlockingQueue<Asked> answers, Works.Progress progress) {
        var recorder = fleet.find(name);
        if (recorder.isEmpty()) {
            database.write(() -> {
                mark(work, name, Part.GONE, "was removed or called otherwise meanwhile");
                progress.step(true);
            });
            return false;
        }
        // It never completes exceptionally, so there is nothing in the future beside the answer.
        var _ = devices.askHeld(recorder.get()).thenAccept(answers::add);
        return true;
    }

    private static Asked take(BlockingQueue<Asked> answers) {
        try {
            return answers.take();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while waiting for recorders", e);
        }
    }

    private void settle(Work work, Asked asked, Works.Progress progress, Consequence consequence) {
        try {
            if (asked.outcome() instanceof Outcome.Failed) {
                devices.refuseWhenStopping();
            }
            settleWithin(work, asked, progress, consequence);
        } catch (RuntimeException e) {
            devices.refuseWhenStopping();
            LOG.error("work {} broke off at {}", work.id(), asked.recorder(), e);
            database.write(() -> {
                mark(work, asked.recorder(), Part.FAILED, "the service failed at this recorder; its log says more");
                progress.step(true);
            });
        } finally {
            asked.release().run();
        }
    }

    private void settleWithin(Work work, Asked asked, Works.Progress progress, Consequence consequence) {
        database.write(() -> {
            if (fleet.find(asked.recorder()).isEmpty()) {
                mark(work, asked.recorder(), Part.GONE, "was removed or called otherwise meanwhile");
                progress.step(true);
                return;
            }
            var outcome = store(asked.recorder(), asked.outcome());
            consequence.of(asked.recorder(), outcome);
            switch (outcome) {
                case Outcome.Failed(var why) ->
                    mark(work, asked.recorder(), Part.FAILED, String.valueOf(why.getMessage()));
                case Outcome.Reached r -> mark(work, asked.recorder(), Part.DONE, "");
                case Outcome.OnSite o -> mark(work, asked.recorder(), Part.DONE, "");
            }
            progress.step(outcome instanceof Outcome.Failed);
        });
    }

    /**
     * Stores what came of asking a recorder that is held, with all that follows; to be called within a transaction.
     *
     * @return what is to be believed of it; an answer of another device is none
     */
    public Outcome store(String recorder, Outcome said) {
        var outcome = identities.believed(recorder, said);
        storeAlone(recorder, outcome);
        followed.forEach(f -> f.by(recorder, outcome));
        return outcome;
    }

    private void storeAlone(String recorder, Outcome outcome) {
        switch (outcome) {
            case Outcome.Reached(var reading, var taken, var otherRanges) -> {
                observations.read(recorder, reading, clock.instant());
                passwords.settle(recorder, taken);
                otherRanges.ifPresent(others -> deviceStore.otherRanges(recorder, others));
            }
            case Outcome.Failed(var why) ->
                fleet.notReached(recorder, String.valueOf(why.getMessage()), clock.instant());
            case Outcome.OnSite o -> {
                // Nothing was asked and nothing is new.
            }
        }
    }

    /** When the sweep ends early, the recorders that are still being asked are let go as their answers come. */
    private static void letGo(BlockingQueue<Asked> answers, int under) {
        if (under > 0) {
            Thread.ofVirtual().start(() -> {
                for (int i = 0; i < under; i++) {
                    take(answers).release().run();
                }
            });
        }
    }

    private void mark(Work work, String recorder, Part state, String note) {
        database.change("""
                        UPDATE sweep_part SET state = :state, note = :note
                        WHERE work = :work AND recorder = :recorder AND state = 'WAITING'
                        """)
                .param("state", state.name())
                .param("note", note)
                .param("work", work.id())
                .param("recorder", recorder)
                .update();
    }

    private List<String> of(Work work, Part state) {
        return database.query("SELECT recorder FROM sweep_part WHERE work = :work AND state = :state ORDER BY recorder")
                .param("work", work.id())
                .param("state", state.name())
                .query(String.class)
                .list();
    }

    private int count(Work work, Part state) {
        return database.query("SELECT count(*) FROM sweep_part WHERE work = :work AND state = :state")
                .param("work", work.id())
                .param("state", state.name())
                .query(Integer.class)
                .single();
    }

    /** One line for each recorder that could not be read; of very many, the first. */
    public List<String> failures(Work work) {
        List<String> lines = new java.util.ArrayList<>(database.query("""
                        SELECT recorder, note FROM sweep_part WHERE work = :work AND state IN ('FAILED', 'GONE')
                        ORDER BY recorder LIMIT :limit
                        """)
                .param("work", work.id())
                .param("limit", MOST_LINES)
                .query((row, n) -> row.getString("recorder") + ": " + row.getString("note"))
                .list());
        int all = count(work, Part.FAILED) + count(work, Part.GONE);
        if (all > lines.size()) {
            lines.add("and " + (all - lines.size()) + " more");
        }
        return lines;
    }

    /** What may truly be said of a sweep that came to its end: nothing is done where nothing could be read. */
    public Works.Ended ended(Work work, String note) {
        int notRead = count(work, Part.FAILED) + count(work, Part.GONE);
        return notRead == 0
                ? Works.Ended.done(note)
                : count(work, Part.DONE) == 0 ? Works.Ended.failed(note) : Works.Ended.partly(note);
    }

    /** The recorders of the plan whose turn has not come. */
    public List<String> waiting(Work work) {
        return of(work, Part.WAITING);
    }

    /** All recorders of the plan. */
    public List<String> planned(Work work) {
        return database.query("SELECT recorder FROM sweep_part WHERE work = :work ORDER BY recorder")
                .param("work", work.id())
                .query(String.class)
                .list();
    }

    /** With how many it did not come to a good end. */
    public int notDone(Work work) {
        return count(work, Part.FAILED) + count(work, Part.GONE);
    }

    /** A turn was taken; to be called within the transaction that stores what came of it. */
    public void markDone(Work work, String recorder, Optional<String> trouble) {
        mark(work, recorder, trouble.isEmpty() ? Part.DONE : Part.FAILED, trouble.orElse(""));
    }

    /** How many recorders the work was about. */
    public int size(Work work) {
        return database.query("SELECT count(*) FROM sweep_part WHERE work = :work")
                .param("work", work.id())
                .query(Integer.class)
                .single();
    }
}
