package choir.week;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Two weeks compared minute by minute. A minute at which the observed triggers are below the desired ones is loss, above
 * is waste, neither is both. A minute of which one week says nothing counts as recording nothing.
 */
public record WeekDifference(List<Window> windows) {
    private enum Side {
        LOSS,
        WASTE,
        BOTH
    }

    /** A stretch in which the two differ; an empty side says nothing there. */
    public record Window(int from, int to, Optional<TriggerSet> desired, Optional<TriggerSet> observed) {
        public int minutes() {
            return to - from;
        }

        private Side side() {
            var want = desired.orElse(TriggerSet.NONE);
            var have = observed.orElse(TriggerSet.NONE);
            return have.isBelow(want) ? Side.LOSS : want.isBelow(have) ? Side.WASTE : Side.BOTH;
        }
    }

    public WeekDifference {
        windows = List.copyOf(windows);
    }

    public static WeekDifference between(Week<TriggerSet> desired, Week<TriggerSet> observed) {
        List<Window> windows = new ArrayList<>();
        record Pair(Optional<TriggerSet> desired, Optional<TriggerSet> observed) {}
        Week<Pair> differing = desired.join(
                observed,
                (want, have) -> java.util.Objects.equals(want, have)
                        ? null
                        : new Pair(Optional.ofNullable(want), Optional.ofNullable(have)));
        for (var run : differing.runs()) {
            windows.add(new Window(
                    run.from(), run.to(), run.value().desired(), run.value().observed()));
        }
        return new WeekDifference(windows);
    }

    public boolean isEmpty() {
        return windows.isEmpty();
    }

    public int minutes() {
        return windows.stream().mapToInt(Window::minutes).sum();
    }

    /** Minutes at which less is recorded than asked, or something else than asked. */
    public int minutesOfLoss() {
        return minutes(Side.LOSS) + minutes(Side.BOTH);
    }

    /** Minutes at which more is recorded than asked, or something else than asked. */
    public int minutesOfWaste() {
        return minutes(Side.WASTE) + minutes(Side.BOTH);
    }

    /** Minutes at which something ought to start recording and nothing can. */
    public int minutesWithoutRecording() {
        return windows.stream()
                .filter(w -> records(w.desired()) && !records(w.observed()))
                .mapToInt(Window::minutes)
                .sum();
    }

    /** Minutes at which nothing ought to record and something can. */
    public int minutesOfNeedlessRecording() {
        return windows.stream()
                .filter(w -> !records(w.desired()) && records(w.observed()))
                .mapToInt(Window::minutes)
                .sum();
    }

    private int minutes(Side side) {
        return windows.stream()
                .filter(w -> w.side() == side)
                .mapToInt(Window::minutes)
                .sum();
    }

    private static boolean records(Optional<TriggerSet> triggers) {
        return triggers.isPresent() && !triggers.get().recordsNothing();
    }
}
