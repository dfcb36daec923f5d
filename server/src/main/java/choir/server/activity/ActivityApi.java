package choir.server.activity;

import choir.activity.DayActivity;
import choir.activity.Demand;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.server.activity.ActivityViews.ActivitySpan;
import choir.server.activity.ActivityViews.DaySums;
import choir.server.activity.ActivityViews.DemandView;
import choir.server.activity.ActivityViews.GapView;
import choir.server.activity.ActivityViews.RecordedRun;
import choir.server.activity.ActivityViews.TurnView;
import choir.server.db.Database;
import choir.server.reach.Reach;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Dates;
import choir.server.web.Page;
import choir.server.web.Problem;
import choir.server.work.WorkView;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What was recorded, by which trigger, and what was not. */
@RestController
class ActivityApi {
    private static final int MOST_DAYS = 400;
    private static final int MOST_DETAILED = 35;

    /** @param select whose recorders are asked; all when not said */
    record ActivityReadingRequest(@Nullable String select) {}

    /** @param days those of which anything is known, in order */
    record CameraDays(String camera, String label, @Nullable String zone, List<DaySums> days) {}

    /**
     * A camera's days to the second.
     *
     * @param known when the recorder said whether there is footage; what is in none of these is not known
     * @param motionKnown when it said whether its detection saw motion
     * @param motion when that saw motion
     * @param demanded what the policies that were in force asked for
     * @param missing what had to be recorded and was not
     * @param turns what happened that may show in it
     * @param foldedUntil of which days only the sums are kept; missing when there are none
     */
    record TimelineView(
            String camera,
            String label,
            String zone,
            List<DaySums> days,
            List<ActivitySpan> known,
            List<RecordedRun> recorded,
            List<ActivitySpan> motionKnown,
            List<ActivitySpan> motion,
            List<DemandView> demanded,
            List<GapView> missing,
            List<TurnView> turns,
            @Nullable String foldedUntil) {}

    /**
     * @param compared days of which something is known
     * @param gaps the longest first
     */
    record NotRecordedView(
            String camera, String label, @Nullable String zone, int compared, long seconds, List<GapView> gaps) {}

    private final ActivityStore store;
    private final Then then;
    private final Turns turns;
    private final ActivityStarts starts;
    private final Standings standings;
    private final Works works;
    private final Database database;
    private final Clock clock;

    ActivityApi(
            ActivityStore store,
            Then then,
            Turns turns,
            ActivityStarts starts,
            Standings standings,
            Works works,
            Database database,
            Clock clock) {
        this.store = store;
        this.then = then;
        this.turns = turns;
        this.starts = starts;
        this.standings = standings;
        this.works = works;
        this.database = database;
        this.clock = clock;
    }

    /** Has recorders asked for the days that are not known yet. */
    @PostMapping("/api/v1/activity/readings")
    ResponseEntity<WorkView> read(@RequestBody ActivityReadingRequest given, Principal who) {
        var select = Reach.current().narrow(given.select() == null ? "" : given.select());
        long id = database.write(() -> starts.add(select, who.getName()));
        works.submit(id);
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(WorkView.of(works.get(id)));
    }

    /**
     * @param from a date; 30 days before the other when not said
     * @param until included; today when not said
     */
    @GetMapping("/api/v1/activity/calendar")
    Page<CameraDays> calendar(
            @RequestParam(defaultValue = "") String select,
            @RequestParam(required = false) @Nullable String from,
            @RequestParam(required = false) @Nullable String until,
            @RequestParam(required = false) @Nullable String after,
            @RequestParam(defaultValue = "100") int limit) {
        var dates = dates(from, until, MOST_DAYS);
        return page(select, after, limit)
                .map(camera -> new CameraDays(
                        camera.camera().text(),
                        camera.row().label(),
                        camera.recorder().zoneId().map(ZoneId::getId).orElse(null),
                        store.of(camera.row().id(), dates.from(), dates.until(), false).stream()
                                .map(DaySums::of)
                                .toList()));
    }

    private Page<Standing> page(String select, @Nullable String after, int limit) {
        return standings.page(
                Selection.parse(select), Optional.ofNullable(after).map(Node.Camera::parse), limit);
    }

    @GetMapping("/api/v1/cameras/{recorder}/{channel}/activity")
    TimelineView timeline(
            @PathVariable String recorder,
            @PathVariable String channel,
            @RequestParam(required = false) @Nullable String from,
            @RequestParam(required = false) @Nullable String until) {
        var camera = standings.of(Node.Camera.ofSegments(recorder, channel));
        var dates = dates(from, until, MOST_DETAILED);
        var zone = camera.recorder()
                .zoneId()
                .orElseThrow(() -> new Problem(
                        Problem.Kind.CONFLICT,
                        "the zone \"" + camera.recorder().zone() + "\" of " + recorder + " is not known"));
        var days = store.of(camera.row().id(), dates.from(), dates.until(), true);
        var past = past(camera, zone, dates);
        List<GapView> gaps = new ArrayList<>();
        days.forEach(d -> gaps.addAll(gaps(camera, zone, d)));
        return new TimelineView(
                camera.camera().text(),
                camera.row().label(),
                zone.getId(),
                days.stream().map(DaySums::of).toList(),
                details(days).flatMap(d -> ActivitySpan.of(d.known()).stream()).toList(),
                details(days)
                        .flatMap(d -> d.runs().stream())
                        .map(RecordedRun::of)
                        .toList(),
                details(days)
                        .flatMap(d -> ActivitySpan.of(d.motionKnown()).stream())
                        .toList(),
                details(days).flatMap(d -> ActivitySpan.of(d.motion()).stream()).toList(),
                demanded(past.demanded()),
                gaps,
                turns.of(
                        camera.row(),
                        dates.from().atStartOfDay(zone).toInstant(),
                        dates.until().plusDays(1).atStartOfDay(zone).toInstant()),
                days.stream()
                        .filter(d -> d.detail().isEmpty())
                        .map(d -> d.date().toString())
                        .max(String::compareTo)
                        .orElse(null));
    }

    private static java.util.stream.Stream<DayActivity> details(List<ActivityDay> days) {
        return days.stream().flatMap(d -> d.detail().stream());
    }

    private static List<DemandView> demanded(Demand demand) {
        return demand.parts().stream()
                .map(p -> new DemandView(
                        p.span().begin().toString(),
                        p.span().end().toString(),
                        p.triggers().toString()))
                .toList();
    }

    private Then.OfCamera past(Standing camera, ZoneId zone, Between dates) {
        return java.util.Objects.requireNonNull(then.of(
                        camera.recorder().name(),
                        List.of(camera.row()),
                        zone,
                        dates.from().atStartOfDay(zone).toInstant(),
                        dates.until().plusDays(1).atStartOfDay(zone).toInstant())
                .get(camera.row().id()));
    }

    private List<GapView> gaps(Standing camera, ZoneId zone, ActivityDay day) {
        return then.gaps(camera.recorder().name(), camera.row(), zone, day).stream()
                .map(GapView::of)
                .toList();
    }

    /** What had to be recorded and was not: cameras of which something is missing, in order. */
    @GetMapping("/api/v1/recorded")
    Page<NotRecordedView> recorded(
            @RequestParam(defaultValue = "") String select,
            @RequestParam(required = false) @Nullable String from,
            @RequestParam(required = false) @Nullable String until,
            @RequestParam(required = false) @Nullable String after,
            @RequestParam(defaultValue = "100") int limit) {
        var dates = dates(from, until, MOST_DETAILED);
        // Whoever asks whether something is missing must not take a mistyped selection for a good answer.
        standings.recordersOf(select);
        return page(select, after, limit).map(camera -> notRecorded(camera, dates));
    }

    private NotRecordedView notRecorded(Standing camera, Between dates) {
        var zone = camera.recorder().zoneId();
        List<GapView> gaps = new ArrayList<>();
        int compared = 0;
        long seconds = 0;
        for (var day : store.of(camera.row().id(), dates.from(), dates.until(), true)) {
            compared += day.known() > 0 ? 1 : 0;
            seconds += day.missing().orElse(0);
            if (day.missing().orElse(0) > 0) {
                zone.ifPresent(z -> gaps.addAll(gaps(camera, z, day)));
            }
        }
        gaps.sort(java.util.Comparator.comparingLong(GapView::seconds).reversed());
        return new NotRecordedView(
                camera.camera().text(),
                camera.row().label(),
                zone.map(ZoneId::getId).orElse(null),
                compared,
                seconds,
                gaps);
    }

    private record Between(LocalDate from, LocalDate until) {}

    private Between dates(@Nullable String from, @Nullable String until, int most) {
        var last = until == null ? LocalDate.now(clock) : Dates.parse(until);
        var first = from == null ? last.minusDays(Math.min(30, most - 1)) : Dates.parse(from);
        if (first.isAfter(last) || ChronoUnit.DAYS.between(first, last) >= most) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "expected at most " + most + " days from an earlier date to a later one, not " + first + " to "
                            + last);
        }
        return new Between(first, last);
    }
}
