package choir.motion;

import choir.motion.MotionEvents.Event;
import choir.motion.Trial.Lane;
import choir.motion.Trial.Setting;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How far the model and a recorder's own detection saw the same on the same footage.
 *
 * @param recorder events of the recorder
 * @param model events of the model
 * @param recorderSeen events of the recorder that the model has too
 * @param modelSeen events of the model that the recorder has too
 * @param delay by how much the recorder was usually later, less than 0 when earlier; missing when they share none
 */
public record Agreement(int recorder, int model, int recorderSeen, int modelSeen, Optional<Duration> delay) {
    /** Under this the recorder's own events are the better judge. */
    public static final double ENOUGH = 0.8;

    private static final Duration APART = Duration.ofSeconds(3);

    /** @param until exclusive */
    public record Span(Instant from, Instant until) {}

    /** @param end of the footage, to which an event goes on that has no end */
    public static Agreement of(List<Event> model, List<Span> recorder, Instant end) {
        List<Span> ours = model.stream()
                .map(e -> new Span(e.begin(), e.end().orElse(end)))
                .toList();
        List<Long> delays = new ArrayList<>();
        int recorderSeen = 0;
        for (var theirs : recorder) {
            var met = ours.stream().filter(o -> meet(o, theirs)).findFirst();
            if (met.isPresent()) {
                recorderSeen++;
                delays.add(Duration.between(met.get().from(), theirs.from()).toMillis());
            }
        }
        int modelSeen = (int) ours.stream()
                .filter(o -> recorder.stream().anyMatch(r -> meet(o, r)))
                .count();
        var sorted = delays.stream().sorted().toList();
        return new Agreement(
                recorder.size(),
                ours.size(),
                recorderSeen,
                modelSeen,
                sorted.isEmpty()
                        ? Optional.empty()
                        : Optional.of(Duration.ofMillis(sorted.get((sorted.size() - 1) / 2))));
    }

    /**
     * One stretch of footage that both saw.
     *
     * @param lanes as the model sees them, at what the recorder is set to
     */
    public record Both(Setting setting, List<Lane> lanes, List<Span> recorder, Instant end) {
        private Agreement at(double factor) {
            var report = Trial.ofAreas(
                    setting, lanes.stream().map(l -> l.times(factor)).toList(), List.of());
            return of(report.events(), recorder, end);
        }
    }

    /**
     * A factor on the level that brings model and recorder together.
     *
     * @param before the share of the events of either that both have without it
     * @param after with it
     * @param events of the recorder from which it was found
     */
    public record Factor(double value, double before, double after, int events) {}

    /** So many events of a recorder tell something. */
    private static final int SOME = 5;

    /** Factors are tried in quarters of an octave, three octaves either way. */
    private static final int QUARTERS = 12;

    /**
     * The factor by which levels at recorders of one kind differ from the model's.
     *
     * @return empty where the two agree without one, where none brings them together, or where too little was seen
     */
    public static Optional<Factor> factor(List<Both> seen) {
        int events = seen.stream().mapToInt(b -> b.recorder().size()).sum();
        double before = share(seen, 1);
        if (events < SOME || before >= ENOUGH) {
            return Optional.empty();
        }
        Optional<Factor> best = Optional.empty();
        for (int k = 1; k <= QUARTERS; k++) {
            for (int sign : new int[] {-1, 1}) {
                double value = Math.pow(2, sign * k / 4.0);
                double after = share(seen, value);
                // Of equal ones that which is nearest to none.
                if (after >= ENOUGH && (best.isEmpty() || after > best.get().after())) {
                    best = Optional.of(new Factor(value, before, after, events));
                }
            }
        }
        return best;
    }

    private static double share(List<Both> seen, double factor) {
        int all = 0;
        int both = 0;
        for (var one : seen) {
            var found = one.at(factor);
            all += found.recorder + found.model;
            both += found.recorderSeen + found.modelSeen;
        }
        return all == 0 ? 1 : (double) both / all;
    }

    private static boolean meet(Span one, Span other) {
        return one.from().isBefore(other.until().plus(APART))
                && other.from().isBefore(one.until().plus(APART));
    }

    /** Of all events of either, the share that both have; missing when neither has any. */
    public OptionalDouble share() {
        int all = recorder + model;
        return all == 0 ? OptionalDouble.empty() : OptionalDouble.of((double) (recorderSeen + modelSeen) / all);
    }
}
