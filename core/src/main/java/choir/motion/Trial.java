package choir.motion;

import choir.motion.MotionEvents.Event;
import choir.motion.MotionEvents.Level;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** One setting tried on footage with marks. */
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
     * @param strongest the level that lasted for on-delay within it; a threshold above this loses it
     * @param at when that was; missing when there is no picture of it
     * @param over whether it begins motion by itself
     */
    public record Seen(Mark mark, double strongest, Optional<Instant> at, boolean over) {}

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
        return new Levels(levels, marks, setting.onDelay()).report(setting);
    }

    /** Levels at one step with marks; what every threshold makes of them is known once. */
    static final class Levels {
        /** @param lasting the strongest that lasted, within the mark */
        private record Peak(Mark mark, double lasting, Optional<Instant> at) {}

        private final List<Level> levels;
        private final List<Peak> wanted;
        private final List<Peak> unwanted;
        private final double unwantedSeconds;

        Levels(List<Level> levels, List<Mark> marks, Duration onDelay) {
            this.levels = levels;
            double[] lasting = lasting(levels, onDelay);
            this.wanted = marks.stream()
                    .filter(m -> m.kind() == Mark.Kind.WANTED)
                    .map(m -> peak(m, lasting))
                    .sorted(Comparator.comparingDouble(Peak::lasting))
                    .toList();
            this.unwanted = marks.stream()
                    .filter(m -> m.kind() == Mark.Kind.UNWANTED)
                    .map(m -> peak(m, lasting))
                    .sorted(Comparator.comparingDouble(Peak::lasting).reversed())
                    .toList();
            this.unwantedSeconds = unwanted.stream()
                    .mapToDouble(u -> seconds(u.mark().begin(), u.mark().end()))
                    .sum();
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
            return new Peak(mark, strongest, at);
        }

        private static List<Seen> seen(List<Peak> peaks, double threshold) {
            return peaks.stream()
                    .map(p -> new Seen(p.mark(), p.lasting(), p.at(), p.lasting() >= threshold))
                    .toList();
        }

        /** @param setting with the delay for which this was made */
        Report report(Setting setting) {
            var events = MotionEvents.of(levels, setting.threshold(), setting.onDelay(), setting.offDelay());
            var last = levels.isEmpty() ? Instant.EPOCH : levels.getLast().at();
            var falseEvents = events.stream()
                    .filter(e -> wanted.stream().noneMatch(w -> w.mark().holds(e.begin())))
                    .filter(e -> unwanted.stream()
                            .anyMatch(u -> !overlap(e, u.mark(), last).isZero()
                                    || u.mark().holds(e.begin())))
                    .toList();
            var falseMotion = falseEvents.stream()
                    .flatMap(e -> unwanted.stream().map(u -> overlap(e, u.mark(), last)))
                    .reduce(Duration.ZERO, Duration::plus);
            return new Report(
                    setting,
                    seen(wanted, setting.threshold()),
                    seen(unwanted, setting.threshold()),
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
                            : OptionalDouble.of(wanted.getFirst().lasting() / setting.threshold()),
                    unwanted.isEmpty()
                            ? OptionalDouble.empty()
                            : OptionalDouble.of(
                                    unwanted.getFirst().lasting() == 0
                                            ? Double.POSITIVE_INFINITY
                                            : setting.threshold()
                                                    / unwanted.getFirst().lasting()),
                    events);
        }
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
