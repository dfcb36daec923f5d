package choir.server.clip;

import choir.link.FootageLink.History;
import choir.link.LinkException;
import choir.motion.Mark;
import choir.server.reading.FootageDoor;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.springframework.stereotype.Component;

/**
 * For cameras of which nobody marked anything: a piece of the last night and one of the last day, in which the recorder's own
 * events stand for what is wanted.
 */
@Component
class RecorderEvents {
    private static final Duration BACK = Duration.ofHours(24);
    private static final Duration PIECE = Duration.ofMinutes(5);
    private static final int MOST_CAMERAS = 12;
    private static final int MORNING = 6;
    private static final int EVENING = 21;

    /** @param marks that the recorder's events are; nobody else sees them */
    record Sample(Clip clip, List<Mark> marks) {}

    /** @param untried cameras with why */
    record Samples(List<Sample> samples, List<String> untried) {}

    private final Standings standings;
    private final FootageDoor door;
    private final Clips clips;
    private final Clock clock;

    RecorderEvents(Standings standings, FootageDoor door, Clips clips, Clock clock) {
        this.standings = standings;
        this.door = door;
        this.clips = clips;
        this.clock = clock;
    }

    Samples of(String select, String who) {
        var selected = standings.someOf(select);
        if (selected.size() > MOST_CAMERAS) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "footage of at most " + MOST_CAMERAS + " cameras is taken at once, and these are " + selected.size()
                            + "; select fewer");
        }
        List<Sample> samples = new ArrayList<>();
        List<String> untried = new ArrayList<>();
        for (var standing : selected) {
            try {
                var found = of(standing, who);
                samples.addAll(found);
                if (found.isEmpty()) {
                    untried.add(
                            standing.camera() + ": its recorder saw nothing in the last day of which it has footage");
                }
            } catch (LinkException | Problem e) {
                untried.add(standing.camera() + ": " + e.getMessage());
            }
        }
        return new Samples(samples, untried);
    }

    private List<Sample> of(Standing standing, String who) {
        var until = clock.instant();
        var history = door.history(standing.camera(), until.minus(BACK), until)
                .orElseThrow(() -> new Problem(
                        Problem.Kind.RECORDER, "its recorder does not tell what it recorded and what moved"));
        var zone = standing.recorder().zoneId().orElse(ZoneOffset.UTC);
        List<Sample> samples = new ArrayList<>();
        for (var hours : List.<IntPredicate>of(h -> h < MORNING || h >= EVENING, h -> h >= MORNING && h < EVENING)) {
            busiest(history, zone, hours).ifPresent(from -> samples.add(sample(standing, history, from, who)));
        }
        return samples;
    }

    private Sample sample(Standing standing, History history, Instant from, String who) {
        var clip = clips.take(standing.camera(), from, from.plus(PIECE), who);
        var zone = standing.recorder().zoneId().orElse(ZoneOffset.UTC);
        List<Mark> marks = new ArrayList<>();
        for (var event : history.motion().orElse(List.of())) {
            var begin = Moments.latest(event.from(), clip.begins());
            var end = Moments.earliest(event.until(), clip.ends());
            if (begin.isBefore(end)) {
                marks.add(new Mark(
                        Mark.Kind.WANTED,
                        begin,
                        end,
                        "recorder " + begin.atZone(zone).toLocalTime().withNano(0)));
            }
        }
        return new Sample(clip, marks);
    }

    /** Where a piece with footage from its beginning on has the most events that begin in it. */
    private static Optional<Instant> busiest(History history, ZoneId zone, IntPredicate hours) {
        var motion = history.motion().orElse(List.of());
        Optional<Instant> best = Optional.empty();
        long most = 0;
        for (var event : Moments.beginnings(motion)) {
            var from = Moments.footage(history, event.from())
                    .map(s -> Moments.latest(s.from(), event.from().minusSeconds(10)));
            if (from.isPresent() && hours.test(from.get().atZone(zone).getHour())) {
                var begin = from.get();
                long events = motion.stream()
                        .filter(m -> !m.from().isBefore(begin) && m.from().isBefore(begin.plus(PIECE)))
                        .count();
                if (events > most) {
                    most = events;
                    best = Optional.of(begin);
                }
            }
        }
        return best;
    }
}
