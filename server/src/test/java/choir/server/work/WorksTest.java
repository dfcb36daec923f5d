package choir.server.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.refusal.Refusal;
import choir.server.TestService;
import choir.server.db.Database;
import choir.server.db.StorageException;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.function.BiFunction;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Long work of kinds that do what the test says, on the tables of a service whose own kinds are not asked. */
class WorksTest {
    private record Played(Task.Kind kind, BiFunction<Work, Works.Progress, String> what) implements Works.Runner {
        @Override
        public Works.Ended run(Work work, Works.Progress progress) {
            progress.goOn();
            return Works.Ended.done(what.apply(work, progress));
        }
    }

    private TestService service;
    private Database database;
    private final List<Works> all = new ArrayList<>();

    @BeforeEach
    void start() {
        service = TestService.start();
        database = service.bean(Database.class);
    }

    @AfterEach
    void stop() throws InterruptedException {
        for (var works : all) {
            works.stop();
        }
        service.close();
    }

    private Works works(Works.Runner... runners) {
        var works = new Works(
                new WorkRows(database, Clock.systemUTC()),
                database,
                service.bean(WorkWatchers.class),
                List.of(runners),
                List.of());
        all.add(works);
        return works;
    }

    private static Works.Runner audits(BiFunction<Work, Works.Progress, String> what) {
        return new Played(Task.Kind.AUDIT, what);
    }

    private long added(Works works) {
        return added(works, new Task.Audit("state:drifted"));
    }

    private long added(Works works, Task task) {
        long id = database.write(() -> works.add(task, "ada"));
        works.submit(id);
        return id;
    }

    private static Work ended(Works works, long id) throws InterruptedException {
        while (!works.get(id).hasEnded()) {
            Thread.sleep(5);
        }
        return works.get(id);
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted", e);
        }
    }

    @Test
    void whatRunsItSeesItsTaskAndItsNoteIsKept() throws InterruptedException {
        var works = works(audits((work, progress) -> {
            progress.begin(3, 1, 0);
            progress.step(true);
            progress.step(false);
            return work.task().selection() + " for " + work.who();
        }));
        var work = ended(works, added(works));
        assertThat(work.state()).isEqualTo(Work.State.DONE);
        assertThat(work.note()).isEqualTo("state:drifted for ada");
        assertThat(List.of(work.total(), work.done(), work.failed())).containsExactly(3, 3, 1);
    }

    @Test
    void onAFullDiskItRestsAndGoesOnFromWhereItWas() throws Exception {
        int units = 400;
        var refused = new CountDownLatch(1);
        var works = works(audits((work, progress) -> {
            int stored = (int) database.query("SELECT count(*) FROM journal WHERE act = 'a unit'")
                    .query(Integer.class)
                    .single();
            progress.begin(units, stored, 0);
            for (int unit = stored; unit < units; unit++) {
                int number = unit;
                try {
                    database.write(() -> {
                        service.bean(Journal.class).add("ada", "a unit", "unit-" + number, "x".repeat(3_000));
                        progress.step(false);
                    });
                } catch (StorageException e) {
                    refused.countDown();
                    throw e;
                }
            }
            return "all";
        }));
        service.pragma("max_page_count = 1");
        long id = added(works);
        await(refused);
        assertThat(works.get(id).hasEnded()).isFalse();
        service.pragma("max_page_count = 1073741823");
        var work = ended(works, id);
        assertThat(work.state()).isEqualTo(Work.State.DONE);
        assertThat(work.done()).isEqualTo(units);
        assertThat(database.query("SELECT count(DISTINCT subject) FROM journal WHERE act = 'a unit'")
                        .query(Integer.class)
                        .single())
                .as("each unit once")
                .isEqualTo(units);
    }

    @Test
    void everyErrorEndsItInWordsAndTheLaneGoesOn() throws InterruptedException {
        var thrown = new ArrayList<Throwable>(List.of(
                new OutOfMemoryError("heap"),
                new StackOverflowError(),
                new IllegalArgumentException("secret detail"),
                new Problem(Problem.Kind.NOT_FOUND, "there is no group \"yard\""),
                new Refusal("a selection cannot be empty"),
                new Works.Stopped("stopped: two of three failed")));
        var queue = Collections.synchronizedList(new ArrayList<>(thrown));
        var works = works(audits((work, progress) -> {
            switch (queue.removeFirst()) {
                case Error e -> throw e;
                case RuntimeException e -> throw e;
                default -> throw new AssertionError();
            }
        }));
        List<String> notes = new ArrayList<>();
        List<Work.State> states = new ArrayList<>();
        for (int i = 0; i < thrown.size(); i++) {
            var work = ended(works, added(works));
            notes.add(work.note());
            states.add(work.state());
        }
        assertThat(notes.subList(0, 3))
                .allSatisfy(note -> assertThat(note).contains("log says more").doesNotContain("secret"));
        assertThat(notes.subList(3, 6))
                .containsExactly(
                        "there is no group \"yard\"", "a selection cannot be empty", "stopped: two of three failed");
        assertThat(states.subList(0, 5)).containsOnly(Work.State.FAILED);
        assertThat(states.getLast()).isEqualTo(Work.State.STOPPED);
    }

    @Test
    void aLaneThatIsFullHoldsUpNoOther() throws InterruptedException {
        var open = new CountDownLatch(1);
        var works = works(
                audits((work, progress) -> {
                    await(open);
                    return "late";
                }),
                new Played(Task.Kind.READING, (work, progress) -> "at once"));
        List<Long> audits = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            audits.add(added(works));
        }
        assertThat(ended(works, added(works, new Task.Reading(List.of()))).note())
                .isEqualTo("at once");
        assertThat(audits).noneMatch(id -> works.get(id).hasEnded());
        open.countDown();
        for (long id : audits) {
            assertThat(ended(works, id).note()).isEqualTo("late");
        }
    }

    @Test
    void whoAsksItToStopIsNamedAndOnlyTheFirstIsHeard() throws InterruptedException {
        var begun = new CountDownLatch(1);
        var asked = new CountDownLatch(1);
        var works = works(audits((work, progress) -> {
            progress.begin(2, 0, 0);
            progress.step(false);
            begun.countDown();
            await(asked);
            progress.goOn();
            return "never";
        }));
        long id = added(works);
        begun.await();
        works.stop(id, "bo");
        assertThatThrownBy(() -> works.stop(id, "cy")).isInstanceOf(Problem.class);
        asked.countDown();
        var work = ended(works, id);
        assertThat(work.state()).isEqualTo(Work.State.STOPPED);
        assertThat(work.note()).isEqualTo("stopped by bo");
        assertThat(work.done()).isOne();
        assertThatThrownBy(() -> works.stop(id, "cy")).hasMessageContaining("has ended");
        assertThatThrownBy(() -> works.stop(id + 1, "cy")).hasMessageContaining("there is no work");
    }

    @Test
    void whatIsStoppedBeforeItsTurnNeverRuns() throws InterruptedException {
        var open = new CountDownLatch(1);
        var ran = Collections.synchronizedList(new ArrayList<Long>());
        var works = works(audits((work, progress) -> {
            ran.add(work.id());
            await(open);
            return "";
        }));
        added(works);
        added(works);
        long waiting = added(works);
        works.stop(waiting, "bo");
        open.countDown();
        assertThat(ended(works, waiting).state()).isEqualTo(Work.State.STOPPED);
        assertThat(ran).doesNotContain(waiting);
    }

    @Test
    void whatAStopOfTheServiceInterruptsTheNextStartTakesUp() throws InterruptedException {
        var begun = new CountDownLatch(1);
        var first = works(audits((work, progress) -> {
            progress.begin(4, 0, 0);
            progress.step(true);
            begun.countDown();
            await(new CountDownLatch(1));
            return "never";
        }));
        long id = added(first);
        begun.await();
        first.stop();
        assertThat(first.get(id).state()).isEqualTo(Work.State.RUNNING);
        var second = works(audits((work, progress) -> "went on at " + work.done() + " of " + work.total()));
        second.takeUpWhatWasInterrupted();
        assertThat(ended(second, id).note()).isEqualTo("went on at 1 of 4");
        assertThat(second.get(id).failed()).isOne();
    }

    @Test
    void aTaskThatCannotBeUnderstoodFailsInWords() throws InterruptedException {
        var works = works(audits((work, progress) -> "never"));
        long id = database.write(() -> works.add(new Task.Audit(""), "ada"));
        database.write(() -> database.change("UPDATE work SET task = '{\"v\":99}' WHERE id = :id")
                .param("id", id)
                .update());
        works.submit(id);
        while (database.query("SELECT ended_at FROM work WHERE id = :id AND ended_at IS NOT NULL")
                .param("id", id)
                .query(String.class)
                .optional()
                .isEmpty()) {
            Thread.sleep(5);
        }
        assertThat(database.query("SELECT state || ': ' || note FROM work WHERE id = :id")
                        .param("id", id)
                        .query(String.class)
                        .single())
                .startsWith("FAILED: what this work is to do cannot be understood any more");
    }

    @Test
    void pausedWorkRestsUntilItIsTakenUpAgainAndCanBeStoppedThere() throws InterruptedException {
        var begun = new CountDownLatch(1);
        var asked = new CountDownLatch(1);
        var runs = new java.util.concurrent.atomic.AtomicInteger();
        var works = works(audits((work, progress) -> {
            if (runs.incrementAndGet() == 1) {
                begun.countDown();
                await(asked);
                progress.goOn();
            }
            return "through after " + runs.get();
        }));
        long id = added(works);
        await(begun);
        works.pause(id, "ada");
        asked.countDown();
        while (works.get(id).state() != Work.State.PAUSED) {
            Thread.sleep(5);
        }
        assertThat(works.get(id).note()).isEqualTo("paused by ada");
        assertThatThrownBy(() -> works.pause(id, "ada")).isInstanceOf(Problem.class);
        works.resume(id, "ben");
        assertThat(ended(works, id).note()).isEqualTo("through after 2");
        assertThatThrownBy(() -> works.resume(id, "ben")).isInstanceOf(Problem.class);
    }

    @Test
    void aPauseThatIsTakenBackBeforeItBeganChangesNothing() throws InterruptedException {
        var begun = new CountDownLatch(1);
        var asked = new CountDownLatch(1);
        var works = works(audits((work, progress) -> {
            begun.countDown();
            await(asked);
            progress.goOn();
            return "through";
        }));
        long id = added(works);
        await(begun);
        works.pause(id, "ada");
        works.resume(id, "ada");
        asked.countDown();
        assertThat(ended(works, id).state()).isEqualTo(Work.State.DONE);
    }

    @Test
    void whateverIsAskedOfItAtOnceOneThreadAloneIsAtIt() throws InterruptedException {
        var at = new java.util.concurrent.atomic.AtomicInteger();
        var most = new java.util.concurrent.atomic.AtomicInteger();
        var works = works(audits((work, progress) -> {
            most.accumulateAndGet(at.incrementAndGet(), Math::max);
            try {
                Thread.sleep(10);
                progress.goOn();
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            } finally {
                at.decrementAndGet();
            }
            return "through";
        }));
        for (int round = 0; round < 20; round++) {
            long id = added(works);
            try (var people = java.util.concurrent.Executors.newFixedThreadPool(6)) {
                for (int i = 0; i < 6; i++) {
                    int who = i;
                    people.execute(() -> wish(works, id, who));
                }
            }
            // Whoever paused it last, somebody takes it up.
            while (!works.get(id).hasEnded()) {
                wish(works, id, 1);
                Thread.sleep(5);
            }
        }
        assertThat(most.get()).isEqualTo(1);
    }

    private static void wish(Works works, long id, int who) {
        try {
            switch (who % 3) {
                case 0 -> works.pause(id, "ada");
                case 1 -> works.resume(id, "ben");
                default -> works.submit(id);
            }
        } catch (Problem notNow) {
            // It has ended, or is not in a state for it.
        }
    }
}
