package choir.motion;

import choir.motion.MotionEvents.Event;
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
