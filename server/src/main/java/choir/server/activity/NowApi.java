package choir.server.activity;

import choir.activity.Attribution;
import choir.activity.Attribution.Held;
import choir.activity.DayActivity.Run;
import choir.activity.DayActivity.Why;
import choir.activity.Demand;
import choir.activity.Spans;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Recall;
import choir.link.FootageLink.Stretch;
import choir.link.LinkException;
import choir.server.fleet.StoredRecorder;
import choir.server.reading.FootageDoor;
import choir.server.reading.Lately;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.week.Trigger;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * Which cameras record at this moment, and by what: as their recorders told by themselves, and asked of those that do not,
 * which is then known for a few seconds.
 */
@RestController
class NowApi {
    private static final int MOST_RECORDERS = 64;
    private static final Duration BACK = Duration.ofMinutes(3);
    /** For how long back it must be known to be counted. */
    private static final Duration JUST_NOW = Duration.ofSeconds(5);

    private static final Duration DEADLINE = Duration.ofSeconds(20);

    /**
     * @param records missing when it is not known
     * @param by what started it, as in what was recorded; missing when it does not record or that is not known
     * @param moves whether its detection sees motion; missing when it is not known
     * @param odd {@code records-without-motion}: it records, nothing moves or moved just now, and the policy does not ask
     *     for it; {@code moves-without-recording}: it waits for motion, sees some, and does not record; else missing
     * @param why nothing is known; missing when something is
     */
    record NowView(
            String camera,
            String label,
            String group,
            @Nullable Boolean records,
            @Nullable String by,
            @Nullable Boolean moves,
            @Nullable String odd,
            @Nullable String why) {}

    /**
     * Of recorders that tell by themselves; no recorder is asked.
     *
     * @param known cameras of which it is known whether they record
     * @param records of these
     * @param motionKnown cameras of which it is known whether their detection sees motion
     * @param moves of these
     */
    record NowCounts(int cameras, int known, int records, int motionKnown, int moves) {}

    /** @param recall empty when it has no search */
    private record Told(Instant at, Optional<Recall> recall) {}

    private final FootageDoor footage;
    private final Lately lately;
    private final Then then;
    private final Standings standings;
    private final Clock clock;
    private final Cache<String, CompletableFuture<Told>> asked = Caffeine.newBuilder()
            .maximumSize(10_000)
            .expireAfterWrite(Duration.ofSeconds(5))
            .build();

    NowApi(FootageDoor footage, Lately lately, Then then, Standings standings, Clock clock) {
        this.footage = footage;
        this.lately = lately;
        this.then = then;
        this.standings = standings;
        this.clock = clock;
    }

    @GetMapping("/api/v1/activity/now")
    List<NowView> now(@RequestParam(defaultValue = "") String select) {
        Map<String, List<Standing>> byRecorder = new LinkedHashMap<>();
        standings
                .someOf(select)
                .forEach(s -> byRecorder
                        .computeIfAbsent(s.recorder().name(), r -> new ArrayList<>())
                        .add(s));
        Map<String, CompletableFuture<Told>> answers = new LinkedHashMap<>();
        var at = clock.instant().truncatedTo(ChronoUnit.SECONDS);
        byRecorder
                .keySet()
                .forEach(name -> lately.of(name, at, BACK)
                        .ifPresent(recall -> answers.put(
                                name, CompletableFuture.completedFuture(new Told(at, Optional.of(recall))))));
        int silent = byRecorder.size() - answers.size();
        if (silent > MOST_RECORDERS) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "these cameras are on " + silent + " recorders that do not tell by themselves, of which at most "
                            + MOST_RECORDERS + " are asked at once; choose fewer, such as one group");
        }
        byRecorder.forEach((name, cameras) -> answers.computeIfAbsent(
                name, n -> asked.get(n, asking -> ask(cameras.getFirst().recorder()))));
        long deadline = System.nanoTime() + DEADLINE.toNanos();
        List<NowView> views = new ArrayList<>();
        byRecorder.forEach((name, cameras) ->
                views.addAll(views(cameras, java.util.Objects.requireNonNull(answers.get(name)), deadline)));
        return views;
    }

    /** How many record at this moment, as far as recorders tell without being asked. */
    @GetMapping("/api/v1/activity/now/counts")
    NowCounts counts(@RequestParam(defaultValue = "") String select) {
        var at = clock.instant().truncatedTo(ChronoUnit.SECONDS);
        long last = at.getEpochSecond() - 1;
        Map<String, Optional<Recall>> told = new HashMap<>();
        int known = 0;
        int records = 0;
        int motionKnown = 0;
        int moves = 0;
        var cameras = standings.someOf(select);
        for (var camera : cameras) {
            var history = told.computeIfAbsent(camera.recorder().name(), name -> lately.of(name, at, JUST_NOW))
                    .map(recall ->
                            recall.histories().getFirst().get(camera.camera().channel()));
            var recorded = history.flatMap(History::recorded).map(ActivityRuns::spans);
            var motion = history.flatMap(History::motion).map(ActivityRuns::spans);
            known += recorded.isPresent() ? 1 : 0;
            records += recorded.filter(r -> r.has(last)).isPresent() ? 1 : 0;
            motionKnown += motion.isPresent() ? 1 : 0;
            moves += motion.filter(m -> m.has(last)).isPresent() ? 1 : 0;
        }
        return new NowCounts(cameras.size(), known, records, motionKnown, moves);
    }

    private CompletableFuture<Told> ask(StoredRecorder recorder) {
        var at = clock.instant().truncatedTo(ChronoUnit.SECONDS);
        return footage.recent(recorder, new Stretch(at.minus(BACK), at)).thenApply(recall -> new Told(at, recall));
    }

    private List<NowView> views(List<Standing> cameras, CompletableFuture<Told> answer, long deadline) {
        try {
            var told = answer.get(Math.max(0, deadline - System.nanoTime()), TimeUnit.NANOSECONDS);
            return told.recall().isEmpty()
                    ? notKnown(cameras, "the recorder does not tell")
                    : told(cameras, told.at(), told.recall().get());
        } catch (TimeoutException e) {
            return notKnown(cameras, "the recorder did not answer in time");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while recorders were asked", e);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof LinkException why) {
                return notKnown(cameras, String.valueOf(why.getMessage()));
            }
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        }
    }

    private static List<NowView> notKnown(List<Standing> cameras, String why) {
        return cameras.stream()
                .map(s -> view(s, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), why))
                .toList();
    }

    private List<NowView> told(List<Standing> cameras, Instant at, Recall recall) {
        var recorder = cameras.getFirst().recorder();
        var zone = recorder.zoneId().orElse(ZoneId.from(ZoneOffset.UTC));
        long ahead = recall.clockAhead().toSeconds();
        var past = then.of(
                recorder.name(), cameras.stream().map(Standing::row).toList(), zone, at.minus(BACK), at.plusSeconds(1));
        return cameras.stream()
                .map(s -> {
                    var history = Optional.ofNullable(
                            recall.histories().getFirst().get(s.camera().channel()));
                    var ofCamera =
                            java.util.Objects.requireNonNull(past.get(s.row().id()));
                    return view(s, at, history, ofCamera, ahead);
                })
                .toList();
    }

    private static NowView view(
            Standing camera, Instant at, Optional<History> history, Then.OfCamera past, long ahead) {
        var motion = history.flatMap(History::motion).map(ActivityRuns::spans);
        var recorded = history.flatMap(History::recorded).map(ActivityRuns::spans);
        long last = at.getEpochSecond() - 1;
        var held = past.held().stream()
                .map(h -> new Held(h.plan().byClock(ahead), h.before(), h.after()))
                .toList();
        var run = recorded.flatMap(r -> Attribution.of(r, motion.orElse(Spans.NONE), held).stream()
                .filter(one -> one.span().from() <= last && last < one.span().until())
                .findFirst());
        var records = recorded.map(r -> r.has(last));
        var moves = motion.map(m -> m.has(last));
        return view(
                camera,
                records,
                run.map(Run::why),
                moves,
                odd(records, run.map(Run::why), moves, motion, past.demanded(), last),
                recorded.isEmpty() && motion.isEmpty() ? "the recorder does not tell of it" : null);
    }

    /** Just after motion it is the recording that follows it. */
    private static Optional<String> odd(
            Optional<Boolean> records,
            Optional<Why> why,
            Optional<Boolean> moves,
            Optional<Spans> motion,
            Demand policy,
            long last) {
        if (records.isEmpty() || moves.isEmpty() || !policy.spoken().has(last)) {
            return Optional.empty();
        }
        boolean asksAlways = policy.by(Trigger.CONTINUOUS).has(last);
        boolean asksMotion = policy.by(Trigger.MOTION).has(last);
        boolean byMotion = why.filter(Why.MOTION::equals).isPresent();
        if (records.get()
                && !asksAlways
                && !byMotion
                && motion.orElse(Spans.NONE).isEmpty()) {
            return Optional.of("records-without-motion");
        }
        return moves.get() && !records.get() && (asksMotion || asksAlways)
                ? Optional.of("moves-without-recording")
                : Optional.empty();
    }

    private static NowView view(
            Standing camera,
            Optional<Boolean> records,
            Optional<Why> by,
            Optional<Boolean> moves,
            Optional<String> odd,
            @Nullable String why) {
        return new NowView(
                camera.camera().text(),
                camera.row().label(),
                camera.group().text(),
                records.orElse(null),
                by.map(ActivityViews::word).orElse(null),
                moves.orElse(null),
                odd.orElse(null),
                why);
    }
}
