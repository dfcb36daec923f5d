package choir.motion;

import choir.motion.MotionEvents.Level;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * The levels of some areas, of pictures that are looked at once and not kept, so that there may be many and they may be
 * large. From one thread, in order.
 */
public final class Looking {
    /** @param watched pixels by their number from the top left */
    public record At(Step step, BitSet watched) {}

    private final Reference reference;
    private final Noise noise;
    private final List<At> areas;
    private final boolean adapts;
    private final List<List<Level>> levels = new ArrayList<>();

    public Looking(int width, int height, List<At> areas) {
        this.reference = new Reference(width, height);
        this.noise = new Noise(width, height);
        this.areas = List.copyOf(areas);
        this.adapts = areas.stream().anyMatch(a -> a.step() instanceof Step.Adapted);
        areas.forEach(a -> levels.add(new ArrayList<>()));
    }

    /** @throws IllegalArgumentException when it is of another size */
    public void take(Instant at, Picture picture) {
        byte[] delta = reference.deltas(picture);
        int[] steps = adapts ? noise.steps(delta) : new int[0];
        for (int i = 0; i < areas.size(); i++) {
            var area = areas.get(i);
            levels.get(i).add(new Level(at, level(area, delta, steps)));
        }
    }

    private double level(At area, byte[] delta, int[] steps) {
        return switch (area.step()) {
            case Step.Fixed(int luminance)
            when area.watched().cardinality() == delta.length ->
                (double) SideBySide.atLeast(delta, luminance) / delta.length;
            case Step.Fixed(int luminance) -> {
                var found = Reference.counted(delta, area.watched());
                yield found.watched() == 0 ? 0 : (double) found.counting(luminance) / found.watched();
            }
            case Step.Adapted _ -> noise.level(delta, area.watched(), steps);
        };
    }

    /** One list for each area. */
    public List<List<Level>> levels() {
        return levels.stream().map(List::copyOf).toList();
    }
}
