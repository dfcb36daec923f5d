package choir.server.clip;

import choir.fleet.Node;
import choir.footage.FootageException;
import choir.footage.Source;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Stretch;
import choir.motion.Looking;
import choir.motion.MotionEvents.Level;
import choir.server.journal.Journal;
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
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** Stretches of the last days at which it is worth looking, as the recorder tells what moved and has footage of it. */
@Component
class Moments {
    private static final Duration PIECE = Duration.ofMinutes(10);
    private static final Duration LEAD = Duration.ofSeconds(30);
    private static final Duration LOOKED_AT = Duration.ofMinutes(2);
    private static final Duration DEADLINE = Duration.ofSeconds(30);
    private static final int MOST = 8;
    private static final int MOST_DAYS = 14;
    /** A recorder may tell of a hundred thousand; each of these is compared with all. */
    private static final int MOST_BEGINNINGS = 1_000;

    /** By what they are worth it. */
    enum By {
        /** Motion began the most often: swell, grass, rain. */
        STARTS,
        /** Something moved for the longest. */
        LONGEST,
        /** The level was the highest, by our own look at what moved the longest. */
        LEVEL,
        /** At an hour of the day, such as in the dark. */
        HOUR
    }

    /**
     * @param starts how often motion began within it
     * @param moved for how long
     * @param level the highest, 0 to 1; missing where it was not looked for
     * @param at when that was
     */
    record Moment(
            Instant from, Instant until, int starts, Duration moved, OptionalDouble level, Optional<Instant> at) {}

    private final Standings standings;
    private final FootageDoor door;
    private final Clips clips;
    private final Tried tried;
    private final Journal journal;
    private final Clock clock;

    Moments(Standings standings, FootageDoor door, Clips clips, Tried tried, Journal journal, Clock clock) {
        this.standings = standings;
        this.door = door;
        this.clips = clips;
        this.tried = tried;
        this.journal = journal;
        this.clock = clock;
    }

    /**
     * @param hour of the recorder's day, where they are sought by it
     * @return the best first, none overlapping another; at most 8
     */
    List<Moment> of(Node.Camera camera, By by, OptionalInt hour, int days, String who) {
        if (days < 1 || days > MOST_DAYS) {
            throw new Problem(Problem.Kind.INVALID, "the last 1 to " + MOST_DAYS + " days are looked through");
        }
        if (by == By.HOUR && (hour.isEmpty() || hour.getAsInt() < 0 || hour.getAsInt() > 23)) {
            throw new Problem(Problem.Kind.INVALID, "say which hour of the day, 0 to 23");
        }
        var standing = standings.of(camera);
        var until = clock.instant();
        var history = door.history(standing.camera(), until.minus(Duration.ofDays(days)), until)
                .orElseThrow(() -> new Problem(
                        Problem.Kind.RECORDER,
                        camera.recorder() + " does not tell what it recorded and what moved; look at a time of your"
                                + " own choice"));
        var pieces = pieces(history);
        var zone = standing.recorder().zoneId().orElse(ZoneOffset.UTC);
        return switch (by) {
            case STARTS -> best(pieces, Comparator.comparingInt(Moment::starts));
            case LONGEST -> best(pieces, Comparator.comparing(Moment::moved));
            case LEVEL -> levels(standing, history, best(pieces, Comparator.comparing(Moment::moved)), who);
            case HOUR -> best(atHour(history, pieces, zone, hour.getAsInt()), Comparator.comparingInt(Moment::starts));
        };
    }

    /** Of many events some, evenly taken, at which a piece of footage may begin. */
    static List<Stretch> beginnings(List<Stretch> motion) {
        int every = Math.max(1, (motion.size() + MOST_BEGINNINGS - 1) / MOST_BEGINNINGS);
        return IntStream.range(0, motion.size())
                .filter(i -> i % every == 0)
                .mapToObj(motion::get)
                .toList();
    }

    /** One for each event with footage, from shortly before it. */
    private static List<Moment> pieces(History history) {
        var motion = history.motion().orElse(List.of());
        List<Moment> pieces = new ArrayList<>();
        for (var event : beginnings(motion)) {
            footage(history, event.from()).ifPresent(recorded -> {
                var from = latest(recorded.from(), event.from().minus(LEAD));
                pieces.add(piece(motion, from, recorded.until()));
            });
        }
        return pieces;
    }

    private static Moment piece(List<Stretch> motion, Instant from, Instant recorded) {
        var until = earliest(from.plus(PIECE), recorded);
        var moved = Duration.ZERO;
        int starts = 0;
        for (var event : motion) {
            if (event.from().isBefore(until) && event.until().isAfter(from)) {
                moved = moved.plus(Duration.between(latest(event.from(), from), earliest(event.until(), until)));
                starts += event.from().isBefore(from) ? 0 : 1;
            }
        }
        return new Moment(from, until, starts, moved, OptionalDouble.empty(), Optional.empty());
    }

    /** What was recorded around that instant, if it was. */
    static Optional<Stretch> footage(History history, Instant at) {
        return history.recorded().orElse(List.of()).stream()
                .filter(r -> !at.isBefore(r.from()) && at.isBefore(r.until()))
                .findFirst();
    }

    /** Those that begin within that hour, and of each day on which nothing moved then its footage all the same. */
    private static List<Moment> atHour(History history, List<Moment> pieces, ZoneId zone, int hour) {
        List<Moment> found = new ArrayList<>(pieces.stream()
                .filter(m -> m.from().atZone(zone).getHour() == hour)
                .toList());
        for (var recorded : history.recorded().orElse(List.of())) {
            var day = recorded.from().atZone(zone).toLocalDate();
            for (; !day.atStartOfDay(zone).toInstant().isAfter(recorded.until()); day = day.plusDays(1)) {
                var from =
                        latest(recorded.from(), day.atTime(hour, 0).atZone(zone).toInstant());
                if (from.isBefore(recorded.until())
                        && from.atZone(zone).getHour() == hour
                        && from.atZone(zone).toLocalDate().equals(day)) {
                    found.add(piece(history.motion().orElse(List.of()), from, recorded.until()));
                }
            }
        }
        return found;
    }

    private static List<Moment> best(List<Moment> all, Comparator<Moment> by) {
        List<Moment> best = new ArrayList<>();
        for (var moment : all.stream().sorted(by.reversed()).toList()) {
            boolean apart = best.stream()
                    .noneMatch(b ->
                            b.from().isBefore(moment.until()) && moment.from().isBefore(b.until()));
            if (apart && best.size() < MOST) {
                best.add(moment);
            }
        }
        return best;
    }

    /** Looked at around what moved the longest in each. */
    private List<Moment> levels(Standing standing, History history, List<Moment> moments, String who) {
        List<Moment> seen = new ArrayList<>();
        for (var moment : moments) {
            var longest = history.motion().orElse(List.of()).stream()
                    .filter(m -> m.from().isBefore(moment.until()) && m.until().isAfter(moment.from()))
                    .max(Comparator.comparing(m -> Duration.between(m.from(), m.until())))
                    .map(m -> latest(m.from().minusSeconds(10), moment.from()))
                    .orElse(moment.from());
            journal.add(
                    who,
                    "looks at footage",
                    standing.camera().text(),
                    longest + " to " + longest.plus(LOOKED_AT) + ", for the highest level");
            var highest = highest(standing, longest, earliest(longest.plus(LOOKED_AT), moment.until()));
            seen.add(new Moment(
                    moment.from(),
                    moment.until(),
                    moment.starts(),
                    moment.moved(),
                    highest.map(h -> OptionalDouble.of(h.value())).orElse(OptionalDouble.empty()),
                    highest.map(Level::at)));
        }
        seen.sort(Comparator.comparingDouble((Moment m) -> m.level().orElse(-1)).reversed());
        return seen;
    }

    private Optional<Level> highest(Standing standing, Instant from, Instant until) {
        var motion = Tried.now(standing, from);
        var looking = new Looking(
                Passes.WIDTH,
                Passes.HEIGHT,
                motion.areas().stream()
                        .map(a -> new Looking.At(a.step(), a.watched()))
                        .toList());
        try (var playing = door.recorded(standing.camera(), from, until);
                var footage = clips.decoder().open(new Source.Stream(playing.address()), Passes.USUAL, DEADLINE)) {
            for (var next = footage.next(); next.isPresent(); next = footage.next()) {
                looking.take(
                        playing.begins().orElse(from).plus(next.get().since()),
                        next.get().picture());
            }
        } catch (FootageException | Problem e) {
            // What was seen until then is told; footage that cannot be read has no level.
            if (looking.levels().getFirst().isEmpty()) {
                return Optional.empty();
            }
        }
        double factor = tried.factor(standing);
        return IntStream.range(0, motion.areas().size())
                .boxed()
                .flatMap(i -> looking.levels().get(i).stream())
                .map(l -> new Level(l.at(), Math.min(1, l.value() * factor)))
                .max(Comparator.comparingDouble(Level::value));
    }

    static Instant latest(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }

    static Instant earliest(Instant one, Instant other) {
        return one.isBefore(other) ? one : other;
    }
}
