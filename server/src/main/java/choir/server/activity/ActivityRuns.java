package choir.server.activity;

import choir.activity.Attribution;
import choir.activity.Attribution.Held;
import choir.activity.DayActivity;
import choir.activity.NotRecorded;
import choir.activity.Spans;
import choir.activity.Spans.Span;
import choir.link.FootageLink.Bits;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Kept;
import choir.link.FootageLink.Recall;
import choir.link.FootageLink.Stretch;
import choir.link.LinkException;
import choir.server.ServiceSettings;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.fleet.StoredRecorder;
import choir.server.reading.FootageDoor;
import choir.server.reading.Sweeps;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import choir.storage.Movement;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedDeque;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Asks recorders what they recorded and saw moving, for the days of which that is not known yet, compares it with the policy
 * that was in force, and keeps it. The unit is one recorder; its days are asked for a week at a time, so that nobody else
 * waits long for it. Today is asked for as well, as far as it has come.
 */
@Component
class ActivityRuns implements Works.Runner {
    private static final Logger LOG = LoggerFactory.getLogger(ActivityRuns.class);
    private static final int AT_ONCE = 16;
    private static final int FIRST_DAYS = 30;
    private static final int NAMED = 5;
    private static final int DAYS_AT_ONCE = 7;

    /** Recorders that were found to have no search, since the service started. */
    private final Set<String> silent = ConcurrentHashMap.newKeySet();

    private final FleetStore fleet;
    private final FootageDoor footage;
    private final ActivityStore store;
    private final MeasureStore measures;
    private final Pictures pictures;
    private final PictureStore pictureStore;
    private final Then then;
    private final Sweeps sweeps;
    private final List<ActivityFollower> followers;
    private final ServiceSettings settings;
    private final Database database;
    private final Clock clock;

    ActivityRuns(
            FleetStore fleet,
            FootageDoor footage,
            ActivityStore store,
            MeasureStore measures,
            Pictures pictures,
            PictureStore pictureStore,
            Then then,
            Sweeps sweeps,
            List<ActivityFollower> followers,
            ServiceSettings settings,
            Database database,
            Clock clock) {
        this.fleet = fleet;
        this.footage = footage;
        this.store = store;
        this.measures = measures;
        this.pictures = pictures;
        this.pictureStore = pictureStore;
        this.then = then;
        this.sweeps = sweeps;
        this.followers = followers;
        this.settings = settings;
        this.database = database;
        this.clock = clock;
    }

    @Override
    public Task.Kind kind() {
        return Task.Kind.ACTIVITY;
    }

    @Override
    public Works.Ended run(Work work, Works.Progress progress) {
        Deque<String> waiting = new ConcurrentLinkedDeque<>(sweeps.waiting(work));
        int all = sweeps.size(work);
        progress.begin(all, all - waiting.size(), sweeps.notDone(work));
        try (var threads = Executors.newFixedThreadPool(
                AT_ONCE, Thread.ofPlatform().name("activity-", 1).factory())) {
            List<Future<?>> turns = new ArrayList<>();
            for (int i = 0; i < AT_ONCE; i++) {
                turns.add(threads.submit(() -> {
                    for (var name = waiting.poll(); name != null; name = waiting.poll()) {
                        progress.goOn();
                        turn(work, name, progress);
                    }
                }));
            }
            turns.forEach(ActivityRuns::await);
        }
        followers.forEach(f -> f.allTaken(work.id(), work.task().selection()));
        return sweeps.ended(work, note(work, all));
    }

    private String note(Work work, int all) {
        long onSite = sweeps.planned(work).stream()
                .flatMap(name -> fleet.find(name).stream())
                .filter(r -> r.address().isEmpty())
                .count();
        var untold = sweeps.planned(work).stream().filter(silent::contains).toList();
        long read = all - sweeps.notDone(work) - onSite - untold.size();
        List<String> parts = new ArrayList<>();
        if (read > 0) {
            parts.add("what " + read + (read == 1 ? " recorder" : " recorders") + " recorded is known");
        }
        if (onSite > 0) {
            parts.add(onSite + (onSite == 1 ? " has" : " have")
                    + " no network interface, so that nobody can tell from here");
        }
        if (!untold.isEmpty()) {
            var some = String.join(", ", untold.subList(0, Math.min(NAMED, untold.size())));
            parts.add(some
                    + (untold.size() > NAMED ? " and " + (untold.size() - NAMED) + " more" : "")
                    + (untold.size() == 1 ? " does not tell what it recorded" : " do not tell what they recorded"));
        }
        parts.addAll(sweeps.failures(work));
        return String.join("; ", parts);
    }

    private static void await(Future<?> turn) {
        try {
            turn.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while recorders were asked what they recorded", e);
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        }
    }

    private void turn(Work work, String name, Works.Progress progress) {
        var recorder = fleet.find(name);
        Optional<String> trouble;
        try {
            trouble = recorder.isEmpty()
                    ? Optional.of("was removed or called otherwise meanwhile")
                    : ask(work, recorder.get());
        } catch (LinkException e) {
            footage.refuseWhenStopping();
            trouble = Optional.of(String.valueOf(e.getMessage()));
        } catch (RuntimeException e) {
            footage.refuseWhenStopping();
            LOG.error("what {} recorded could not be taken in", name, e);
            trouble = Optional.of("the service failed at this recorder; its log says more");
        }
        var told = trouble;
        database.write(() -> {
            sweeps.markDone(work, name, told);
            progress.step(told.isPresent());
        });
    }

    private Optional<String> ask(Work work, StoredRecorder recorder) {
        var zone = recorder.zoneId();
        if (recorder.address().isEmpty()) {
            return Optional.empty();
        }
        if (zone.isEmpty()) {
            return Optional.of("its zone \"" + recorder.zone() + "\" is not known, so its days are not either");
        }
        var cameras = fleet.camerasOf(recorder.name());
        var days = days(cameras, zone.get());
        Map<String, Bits> bits = new HashMap<>();
        for (int i = 0; i < days.size(); i += DAYS_AT_ONCE) {
            var some = days.subList(i, Math.min(days.size(), i + DAYS_AT_ONCE));
            var now = clock.instant();
            var recall = recall(
                    recorder,
                    some.stream().map(d -> stretch(d, zone.get(), now)).toList());
            if (recall.isEmpty()) {
                silent.add(recorder.name());
                return Optional.empty();
            }
            silent.remove(recorder.name());
            take(recorder, cameras, some, zone.get(), recall.get(), now);
            bits.putAll(recall.get().bits());
        }
        var today = LocalDate.ofInstant(clock.instant(), zone.get());
        var measured = cameras.stream()
                .map(c -> new Measured(
                        c.id(),
                        store.movement(c.id(), today, zone.get()),
                        store.recordedShare(c.id(), today.minusDays(FIRST_DAYS), today),
                        bits.getOrDefault(c.camera().channel(), Bits.NOT_TOLD)))
                .toList();
        var looked = pictures.look(recorder, cameras, today);
        var at = clock.instant();
        database.write(() -> {
            var there = ids(recorder);
            there.stream().filter(c -> !looked.suspicious().contains(c)).forEach(pictureStore::forget);
            looked.featureless().forEach((camera, is) -> {
                if (there.contains(camera)) {
                    pictureStore.put(camera, is, at);
                }
            });
            measured.stream()
                    .filter(m -> there.contains(m.camera()))
                    .forEach(m -> measures.put(m.camera(), m.movement(), m.share(), m.bits()));
            store.fold(
                    cameras.stream().map(StoredCamera::id).toList(),
                    today.minusDays(settings.activityDays()),
                    today.minusDays(settings.activitySumsDays()));
            followers.forEach(f -> f.taken(work.id(), recorder.name()));
        });
        return Optional.empty();
    }

    private Set<Long> ids(StoredRecorder recorder) {
        return fleet.camerasOf(recorder.name()).stream().map(StoredCamera::id).collect(Collectors.toSet());
    }

    /** What the last weeks of a camera come to. */
    private record Measured(long camera, Optional<Movement> movement, OptionalDouble share, Bits bits) {}

    /** Days that are not known to their end; a day in the zone of the recorder. */
    private List<LocalDate> days(List<StoredCamera> cameras, ZoneId zone) {
        var today = LocalDate.ofInstant(clock.instant(), zone);
        var first = today.minusDays(Math.min(FIRST_DAYS, settings.activityDays()));
        var closed = store.closed(cameras.stream().map(StoredCamera::id).toList(), first, today);
        return first.datesUntil(today.plusDays(1))
                .filter(d -> !closed.contains(d))
                .toList();
    }

    private static Stretch stretch(LocalDate day, ZoneId zone, Instant now) {
        var end = day.plusDays(1).atStartOfDay(zone).toInstant();
        return new Stretch(day.atStartOfDay(zone).toInstant(), end.isAfter(now) ? now : end);
    }

    private Optional<Recall> recall(StoredRecorder recorder, List<Stretch> stretches) {
        try {
            return footage.recall(recorder, stretches).get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while " + recorder.name() + " was asked", e);
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        }
    }

    private void take(
            StoredRecorder recorder,
            List<StoredCamera> cameras,
            List<LocalDate> days,
            ZoneId zone,
            Recall recall,
            Instant now) {
        List<ActivityDay> taken = new ArrayList<>();
        for (int i = 0; i < days.size(); i++) {
            var date = days.get(i);
            var from = date.atStartOfDay(zone).toInstant();
            var until = date.plusDays(1).atStartOfDay(zone).toInstant();
            var day = new Span(from.getEpochSecond(), until.getEpochSecond());
            long ahead = recall.clockAhead().toSeconds();
            var past = then.of(recorder.name(), cameras, zone, from, until);
            var excused = then.excused(recorder.name(), zone, from, until);
            for (var camera : cameras) {
                var channel = camera.camera().channel();
                var ofCamera = java.util.Objects.requireNonNull(past.get(camera.id()));
                var activity = activity(
                        day,
                        Optional.ofNullable(recall.histories().get(i).get(channel)),
                        Optional.ofNullable(recall.kept().get(channel)),
                        ofCamera.held().stream()
                                .map(h -> new Held(h.plan().byClock(ahead), h.before(), h.after()))
                                .toList());
                var missing = activity.known().isEmpty()
                        ? OptionalLong.empty()
                        : OptionalLong.of(NotRecorded.seconds(NotRecorded.of(activity, ofCamera.past(excused, ahead))));
                taken.add(ActivityDay.of(camera.id(), date, now, ahead, activity, missing));
            }
        }
        database.write(() -> {
            var there = ids(recorder);
            taken.stream().filter(d -> there.contains(d.camera())).forEach(store::put);
            cameras.stream()
                    .filter(c -> there.contains(c.id()))
                    .forEach(c -> store.kept(
                            c.id(),
                            Optional.ofNullable(recall.kept().get(c.camera().channel()))
                                    .flatMap(Kept::from),
                            now));
        });
    }

    /** Of the time before its oldest footage nobody can tell what was recorded. */
    private static DayActivity activity(Span day, Optional<History> told, Optional<Kept> kept, List<Held> held) {
        if (told.isEmpty()) {
            return DayActivity.notKnown(day);
        }
        long oldest = kept.flatMap(Kept::from)
                .map(Instant::getEpochSecond)
                .map(o -> Math.max(o, day.from()))
                .orElse(day.from());
        var known = Spans.of(oldest, Math.min(day.until(), told.get().until().getEpochSecond()));
        var recorded = told.get().recorded().map(r -> spans(r).and(known));
        var motion = told.get().motion().map(m -> spans(m).and(known));
        return new DayActivity(
                day,
                recorded.isPresent() ? known : Spans.NONE,
                recorded.map(r -> Attribution.of(r, motion.orElse(Spans.NONE), held))
                        .orElse(List.of()),
                motion.isPresent() ? known : Spans.NONE,
                motion.orElse(Spans.NONE));
    }

    /** Whole seconds that are touched. */
    static Spans spans(List<Stretch> stretches) {
        return Spans.of(stretches.stream()
                .map(s -> new Span(
                        s.from().getEpochSecond(),
                        Math.max(
                                s.from().getEpochSecond() + 1,
                                s.until().plus(Duration.ofMillis(999)).getEpochSecond())))
                .toList());
    }
}
