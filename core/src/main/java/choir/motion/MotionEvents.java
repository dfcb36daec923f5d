package choir.motion;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * When the level was motion: it begins once the level has been at or over the threshold for on-delay, and ends once it has
 * been under it for off-delay.
 */
public final class MotionEvents {
    /** @param end missing while it is still on at the last level */
    public record Event(Instant begin, Optional<Instant> end) {}

    /** @param value the share of watched pixels that count, 0 to 1 */
    public record Level(Instant at, double value) {}

    private MotionEvents() {}

    /**
     * @param levels in the order of their instants
     * @param threshold a share, 0 to 1
     * @throws IllegalArgumentException when the instants go back, or a delay is negative
     */
    public static List<Event> of(List<Level> levels, double threshold, Duration onDelay, Duration offDelay) {
        if (onDelay.isNegative() || offDelay.isNegative()) {
            throw new IllegalArgumentException("delays are not negative: " + onDelay + ", " + offDelay);
        }
        List<Event> events = new ArrayList<>();
        Optional<Instant> firstOver = Optional.empty();
        Optional<Instant> lastOver = Optional.empty();
        Optional<Instant> begun = Optional.empty();
        Instant before = Instant.MIN;
        for (var level : levels) {
            var at = level.at();
            if (at.isBefore(before)) {
                throw new IllegalArgumentException("levels go back from " + before + " to " + at);
            }
            before = at;
            if (level.value() >= threshold) {
                firstOver = firstOver.or(() -> Optional.of(at));
                lastOver = Optional.of(at);
                if (begun.isEmpty() && !at.isBefore(firstOver.get().plus(onDelay))) {
                    begun = Optional.of(at);
                }
            } else {
                firstOver = Optional.empty();
                if (begun.isPresent() && !at.isBefore(lastOver.orElseThrow().plus(offDelay))) {
                    events.add(new Event(begun.get(), Optional.of(at)));
                    begun = Optional.empty();
                }
            }
        }
        begun.ifPresent(begin -> events.add(new Event(begin, Optional.empty())));
        return List.copyOf(events);
    }

    /** Motion in any of several areas. */
    static List<Event> joined(List<List<Event>> areas) {
        var all = areas.stream()
                .flatMap(List::stream)
                .sorted(Comparator.comparing(Event::begin))
                .toList();
        List<Event> joined = new ArrayList<>();
        for (var event : all) {
            if (joined.isEmpty() || endsBefore(joined.getLast(), event.begin())) {
                joined.add(event);
            } else {
                var last = joined.removeLast();
                joined.add(new Event(last.begin(), later(last.end(), event.end())));
            }
        }
        return List.copyOf(joined);
    }

    private static boolean endsBefore(Event event, Instant at) {
        return event.end().isPresent() && event.end().get().isBefore(at);
    }

    /** No end is later than any. */
    private static Optional<Instant> later(Optional<Instant> one, Optional<Instant> other) {
        return one.isEmpty() || other.isEmpty() ? Optional.empty() : one.get().isAfter(other.get()) ? one : other;
    }
}
