package choir.server.activity;

import choir.activity.DayActivity.Why;
import choir.activity.SpanComparison;
import choir.activity.SpanComparison.ADay;
import choir.server.activity.MeasureStore.Measure;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Dates;
import choir.server.web.Problem;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Two spans of days beside each other: what a change came to. */
@RestController
class ComparisonApi {
    private static final int MOST_CAMERAS = 2_000;
    private static final int MOST_DAYS = 400;
    private static final int NAMED = 10;

    /** Hours a day that were recorded, by what started it. */
    public record HoursView(
            double continuous,
            double motion,
            double alarm,
            double analytics,
            double motionAndAlarm,
            double unexplained) {}

    /**
     * What one day comes to, of all compared cameras together.
     *
     * @param from a date
     * @param until included
     * @param hours recorded
     * @param missingHours that had to be recorded and were not
     */
    public record SpanView(
            String from,
            String until,
            double hours,
            HoursView by,
            double events,
            double movedHours,
            double missingHours,
            double bytes) {}

    /** @param before hours recorded a day */
    public record CameraChange(String camera, String label, double before, double after) {}

    /**
     * @param cameras of which both spans are known, and which alone are counted
     * @param measured of how many of them bytes could be reckoned
     * @param left cameras of which one of the two is not known
     * @param most those whose recording changed the most
     */
    public record ComparisonView(
            SpanView before, SpanView after, int cameras, int measured, int left, List<CameraChange> most) {}

    private record Dated(LocalDate from, LocalDate until) {}

    private final ActivityStore store;
    private final MeasureStore measures;
    private final Standings standings;

    ComparisonApi(ActivityStore store, MeasureStore measures, Standings standings) {
        this.store = store;
        this.measures = measures;
        this.standings = standings;
    }

    /**
     * @param before two dates with two points between, such as {@code 2026-11-01..2026-11-07}; or one date
     * @param after the same
     */
    @GetMapping("/api/v1/activity/comparison")
    ComparisonView comparison(
            @RequestParam(defaultValue = "") String select, @RequestParam String before, @RequestParam String after) {
        var then = dates(before);
        var now = dates(after);
        var cameras = standings.someOf(select);
        if (cameras.size() > MOST_CAMERAS) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "at most " + MOST_CAMERAS + " cameras are compared at once, and these are " + cameras.size()
                            + "; select fewer");
        }
        Map<String, Map<Long, Measure>> measured = new HashMap<>();
        var taking = new SpanComparison.Taking<Standing>();
        for (var camera : cameras) {
            var bits = measured.computeIfAbsent(camera.recorder().name(), measures::ofRecorder)
                    .getOrDefault(camera.row().id(), Measure.NOTHING)
                    .bits()
                    .average();
            taking.take(
                    camera,
                    store.totals(camera.row().id(), then.from(), then.until()),
                    store.totals(camera.row().id(), now.from(), now.until()),
                    bits.isPresent() ? OptionalLong.of(bits.getAsLong()) : OptionalLong.empty());
        }
        var found = taking.taken(NAMED);
        return new ComparisonView(
                view(then, found.before()),
                view(now, found.after()),
                found.cameras(),
                taking.measured(),
                found.onlyOne(),
                found.most().stream()
                        .map(c -> new CameraChange(
                                c.who().camera().text(),
                                c.who().row().label(),
                                rounded(c.before()),
                                rounded(c.after())))
                        .toList());
    }

    private static SpanView view(Dated dates, ADay day) {
        return new SpanView(
                dates.from().toString(),
                dates.until().toString(),
                rounded(day.allHours()),
                new HoursView(
                        hours(day, Why.CONTINUOUS),
                        hours(day, Why.MOTION),
                        hours(day, Why.ALARM),
                        hours(day, Why.ANALYTICS),
                        hours(day, Why.BOTH),
                        hours(day, Why.UNEXPLAINED)),
                rounded(day.events()),
                rounded(day.movedHours()),
                rounded(day.missingHours()),
                Math.rint(day.bytes()));
    }

    private static double hours(ADay day, Why why) {
        return rounded(day.hours().getOrDefault(why, 0.0));
    }

    private static double rounded(double number) {
        return Math.rint(number * 100) / 100;
    }

    private static Dated dates(String text) {
        var sides = text.strip().split("\\.\\.", -1);
        if (sides.length > 2) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "\"" + text + "\" are no days; expected a date, or two such as 2026-11-01..2026-11-07");
        }
        var from = Dates.parse(sides[0].strip());
        var until = sides.length == 1 ? from : Dates.parse(sides[1].strip());
        if (from.isAfter(until) || ChronoUnit.DAYS.between(from, until) >= MOST_DAYS) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "expected at most " + MOST_DAYS + " days from an earlier date to a later one, not " + text);
        }
        return new Dated(from, until);
    }
}
