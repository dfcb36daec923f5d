package choir.server.standing;

import choir.activity.Plans;
import choir.document.WeekCalendar;
import choir.fleet.Node;
import choir.server.web.Dates;
import choir.server.web.Problem;
import choir.week.TriggerSet;
import choir.week.WallClock;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** A camera's schedule on the wall clock of its recorder: special days and daylight saving included. */
@RestController
class ClockApi {
    /**
     * @param triggers missing when nothing is said of that moment
     * @param calendar the calendar or date whose plan holds; missing on an ordinary day
     */
    record Moment(
            String instant,
            String wallClock,
            @Nullable String triggers,
            @Nullable String calendar) {}

    /** Several moments have the same wall clock time when the clock falls back, none when it jumps forward. */
    record At(String zone, List<Moment> moments) {}

    record Share(String triggers, long minutes) {}

    /** Real minutes, so that a day on which the clock is put has 23 or 25 hours. */
    record Between(String zone, String from, String to, List<Share> shares) {}

    record WeekFile(String camera, String ical) {}

    private final Standings standings;

    ClockApi(Standings standings) {
        this.standings = standings;
    }

    private WallClock clock(Standing standing) {
        var zone = standing.recorder()
                .zoneId()
                .orElseThrow(() -> new Problem(
                        Problem.Kind.CONFLICT,
                        standing.recorder().name() + " has the zone \""
                                + standing.recorder().zone() + "\", which this service does not know"));
        return Plans.wallClock(standing.policy(), standings.calendars(), zone);
    }

    private Standing standing(String recorder, String channel) {
        return standings.of(Node.Camera.ofSegments(recorder, channel));
    }

    /** @param at an instant such as {@code 2027-03-28T00:30:00Z}, or a time on the recorder's wall clock */
    @GetMapping("/api/v1/cameras/{recorder}/{channel}/clock")
    At at(@PathVariable String recorder, @PathVariable String channel, @RequestParam String at) {
        var clock = clock(standing(recorder, channel));
        var moments =
                instants(at, clock.zone()).stream().map(i -> moment(clock, i)).toList();
        return new At(clock.zone().getId(), moments);
    }

    private static Moment moment(WallClock clock, Instant instant) {
        var local = instant.atZone(clock.zone());
        return new Moment(
                instant.toString(),
                local.toOffsetDateTime().toString(),
                clock.at(instant).map(TriggerSet::toString).orElse(null),
                clock.special(local.toLocalDate()).map(SpecialDay::calendar).orElse(null));
    }

    private static List<Instant> instants(String text, ZoneId zone) {
        try {
            if (text.endsWith("Z")) {
                return List.of(Instant.parse(text));
            }
            var local = LocalDateTime.parse(text);
            return zone.getRules().getValidOffsets(local).stream()
                    .map(offset -> ZonedDateTime.ofInstant(local, offset, zone).toInstant())
                    .toList();
        } catch (DateTimeException e) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "\"" + text + "\" is no time; expected 2027-03-28T01:30 on the recorder's wall clock, or"
                            + " 2027-03-28T01:30:00Z");
        }
    }

    /** How long each trigger set holds from the first date to before the other. */
    @GetMapping("/api/v1/cameras/{recorder}/{channel}/shares")
    Between shares(
            @PathVariable String recorder,
            @PathVariable String channel,
            @RequestParam String from,
            @RequestParam String to) {
        var clock = clock(standing(recorder, channel));
        var shares = clock.durations(Dates.parse(from), Dates.parse(to)).entrySet().stream()
                .map(e -> new Share(e.getKey().toString(), e.getValue().toMinutes()))
                .toList();
        return new Between(clock.zone().getId(), from, to, shares);
    }

    /** The week as iCalendar (RFC 5545) on the recorder's wall clock. */
    @GetMapping("/api/v1/cameras/{recorder}/{channel}/week")
    WeekFile week(@PathVariable String recorder, @PathVariable String channel) {
        var standing = standing(recorder, channel);
        var week = standing.policy().week().orElse(Week.silent());
        return new WeekFile(standing.camera().text(), WeekCalendar.write(week, TriggerSet::toString));
    }
}
