package choir.motion;

import choir.motion.MotionEvents.Event;
import choir.motion.MotionEvents.Level;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** One setting tried on footage with marks. Where a device has areas with values of their own, each has its own level. */
public final class Trial {
    private static final double HOUR = 3_600;

    /**
     * How motion is told and how much is kept around it.
     *
     * @param threshold a share of the watched picture, over 0 to 1
     * @param before kept from before an event
     * @param after kept after it
     */
    public record Setting(
            Step step, double threshold, Duration onDelay, Duration offDelay, Duration before, Duration after) {
        public Setting {
            if (!(threshold > 0 && threshold <= 1)) {
                throw new IllegalArgumentException("no threshold: " + threshold);
            }
        }

        public Setting with(Step other, double otherThreshold) {
            return new Setting(other, otherThreshold, onDelay, offDelay, before, after);
        }
    }

    /**
     * A mark as the setting sees it.
     *
     * @param area in which it is seen best beside that area's threshold; empty where the picture is one
     * @param strongest the level that lasted there for on-delay within it; a threshold above this loses it
     * @param threshold of that area
     * @param at when that was; missing when there is no picture of it
     * @param over whether it begins motion by itself
     */
    public record Seen(Mark mark, String area, double strongest, double threshold, Optional<Instant> at, boolean over) {
        /** By what factor it is over the threshold. */
        public double ratio() {
            return strongest / threshold;
        }
    }

    /**
     * One area of the picture over time.
     *
     * @param area its name; empty where the picture is one
     * @param levels in the order of their instants
     * @param threshold over 0 to 1
     */
    public record Lane(String area, List<Level> levels, double threshold) {
        /** The same as a device sees it whose levels are so many times those of the model. */
        public Lane times(double factor) {
            return factor == 1
                    ? this
                    : new Lane(
                            area,
                            levels.stream()
                                    .map(l -> new Level(l.at(), Math.min(1, l.value() * factor)))
                                    .toList(),
                            threshold);
        }
    }

    /**
     * @param wanted weakest first
     * @param unwanted strongest first
     * @param falseStarts events that begin in what is unwanted, and those that go on in it without having begun in what is
     *     wanted
     * @param falseMotion for how long motion is on in what is unwanted, by such events
     * @param falseStartsAnHour of what is unwanted; missing when nothing is
     * @param recorded how long would be recorded, with what is kept before and after
     * @param watched how long was looked at
     * @param wantedMargin by what factor the weakest wanted moment is over the threshold; missing without one
     * @param unwantedMargin by what factor the strongest unwanted one is under it; missing without one
     */
    public record Report(
            Setting setting,
            List<Seen> wanted,
            List<Seen> unwanted,
            int falseStarts,
            OptionalDouble falseStartsAnHour,
            Duration falseMotion,
            Duration recorded,
            Duration watched,
            OptionalDouble wantedMargin,
            OptionalDouble unwantedMargin,
            List<Event> events) {
        public List<Seen> missed() {
            return wanted.stream().filter(s -> !s.over()).toList();
        }

        /** The smaller of the two factors; how far the setting is from its first mistake. */
        public OptionalDouble margin() {
            return wantedMargin.isEmpty() || unwantedMargin.isEmpty()
                    ? wantedMargin.isEmpty() ? unwantedMargin : wantedMargin
                    : OptionalDouble.of(Math.min(wantedMargin.getAsDouble(), unwantedMargin.getAsDouble()));
        }

        /** The moment by which it stands or falls. */
        public Optional<Seen> decisive() {
            boolean byWanted = unwantedMargin.isEmpty()
                    || wantedMargin.isPresent() && wantedMargin.getAsDouble() <= unwantedMargin.getAsDouble();
            return (byWanted ? wanted : unwanted).stream().findFirst();
        }
    }

    private Trial() {}

    /**
     * @param levels at the setting's step, in the order of their instants
     * @param marks that agree
     */
    public static Report of(Setting setting, List<Level> levels, List<Mark> marks) {
        return ofAreas(setting, List.of(new Lane("", levels, setting.threshold())), marks);
    }

    /**
     * Motion in any of the areas is motion.
     *
     * @param setting delays and what is kept around; its step and threshold are only told again
     * @param lanes one for each area, of the same pictures
     */
    public static Report ofAreas(Setting setting, List<Lane> lanes, List<Mark> marks) {
        return report(
                setting,
                lanes.stream()
                        .map(l -> new Levels(l.area(), l.levels(), marks, setting.onDelay()).at(l.threshold()))
                        .toList(),
                marks);
    }

    /** Levels of an area at one step with marks; what every threshold makes of them is known once. */
    static final class Levels {
        /** @param lasting the strongest that lasted, within the mark */
        private record Peak(double lasting, Optional<Instant> at) {}

        private final String area;
        private final List<Level> levels;
        private final List<Peak> peaks;

        Levels(String area, List<Level> levels, List<Mark> marks, Duration onDelay) {
            this.area = area;
            this.levels = levels;
            double[] lasting = lasting(levels, onDelay);
            this.peaks = marks.stream().map(m -> peak(m, lasting)).toList();
        }

        private Peak peak(Mark mark, double[] lasting) {
            Optional<Instant> at = Optional.empty();
            double strongest = 0;
            for (int i = 0; i < lasting.length; i++) {
                if (mark.holds(levels.get(i).at()) && (at.isEmpty() || lasting[i] > strongest)) {
                    strongest = lasting[i];
                    at = Optional.of(levels.get(i).at());
                }
            }
            return new Peak(strongest, at);
        }

        Heard at(double threshold) {
            return new Heard(this, threshold);
        }
    }

    /** An area's levels with its threshold. */
    record Heard(Levels levels, double threshold) {
        private Seen seen(Mark mark, int number) {
            var peak = levels.peaks.get(number);
            return new Seen(mark, levels.area, peak.lasting(), threshold, peak.at(), peak.lasting() >= threshold);
        }

        private List<Event> events(Setting setting) {
            return MotionEvents.of(levels.levels, threshold, setting.onDelay(), setting.offDelay());
        }
    }

    /** @param marks for which the levels were made */
    static Report report(Setting setting, List<Heard> areas, List<Mark> marks) {
        List<Seen> seen = new ArrayList<>();
        for (int i = 0; i < marks.size(); i++) {
            int number = i;
            areas.stream()
                    .map(a -> a.seen(marks.get(number), number))
                    .max(Comparator.comparingDouble(Seen::ratio))
                    .ifPresent(seen::add);
        }
        var wanted = of(Mark.Kind.WANTED, seen, Comparator.comparingDouble(Seen::ratio));
        var unwanted = of(
                Mark.Kind.UNWANTED,
                seen,
                Comparator.comparingDouble(Seen::ratio).reversed());
        var levels = areas.getFirst().levels().levels;
        var last = levels.isEmpty() ? Instant.EPOCH : levels.getLast().at();
        var events = areas.size() == 1
                ? areas.getFirst().events(setting)
                : MotionEvents.joined(areas.stream().map(a -> a.events(setting)).toList());
        var falseEvents = events.stream()
                .filter(e -> wanted.stream().noneMatch(w -> w.mark().holds(e.begin())))
                .filter(e -> unwanted.stream()
                        .anyMatch(u ->
                                !overlap(e, u.mark(), last).isZero() || u.mark().holds(e.begin())))
                .toList();
        var falseMotion = falseEvents.stream()
                .flatMap(e -> unwanted.stream().map(u -> overlap(e, u.mark(), last)))
                .reduce(Duration.ZERO, Duration::plus);
        double unwantedSeconds = unwanted.stream()
                .mapToDouble(u -> seconds(u.mark().begin(), u.mark().end()))
                .sum();
        return new Report(
                setting,
                wanted,
                unwanted,
                falseEvents.size(),
                unwantedSeconds > 0
                        ? OptionalDouble.of(falseEvents.size() / unwantedSeconds * HOUR)
                        : OptionalDouble.empty(),
                falseMotion,
                recorded(setting, events, levels),
                levels.isEmpty()
                        ? Duration.ZERO
                        : Duration.between(levels.getFirst().at(), last),
                wanted.isEmpty()
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(wanted.getFirst().ratio()),
                unwanted.isEmpty()
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(
                                unwanted.getFirst().ratio() == 0
                                        ? Double.POSITIVE_INFINITY
                                        : 1 / unwanted.getFirst().ratio()),
                events);
    }

    private static List<Seen> of(Mark.Kind kind, List<Seen> seen, Comparator<Seen> order) {
        return seen.stream().filter(s -> s.mark().kind() == kind).sorted(order).toList();
    }

    private static Duration overlap(Event event, Mark mark, Instant last) {
        var from = latest(event.begin(), mark.begin());
        var end = event.end().orElse(last);
        var until = end.isBefore(mark.end()) ? end : mark.end();
        return until.isAfter(from) ? Duration.between(from, until) : Duration.ZERO;
    }

    private static double seconds(Instant from, Instant until) {
        return Duration.between(from, until).toMillis() / 1000.0;
    }

    /**
     * For each picture the level that lasted until it for at least the delay: motion begins there at every threshold up to
     * this, and at none above it.
     */
    static double[] lasting(List<Level> levels, Duration onDelay) {
        double[] lasting = new double[levels.size()];
        for (int i = 0; i < lasting.length; i++) {
            double least = levels.get(i).value();
            int j = i;
            while (j > 0 && levels.get(j).at().isAfter(levels.get(i).at().minus(onDelay))) {
                j--;
                least = Math.min(least, levels.get(j).value());
            }
            lasting[i] = levels.get(j).at().isAfter(levels.get(i).at().minus(onDelay)) ? 0 : least;
        }
        return lasting;
    }

    private static Duration recorded(Setting setting, List<Event> events, List<Level> levels) {
        if (levels.isEmpty()) {
            return Duration.ZERO;
        }
        var first = levels.getFirst().at();
        var last = levels.getLast().at();
        var total = Duration.ZERO;
        var done = first;
        for (var event : events) {
            var from = latest(event.begin().minus(setting.before()), done);
            var until = event.end().orElse(last).plus(setting.after());
            until = until.isAfter(last) ? last : until;
            if (until.isAfter(from)) {
                total = total.plus(Duration.between(from, until));
                done = until;
            }
        }
        return total;
    }

    private static Instant latest(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }
}
