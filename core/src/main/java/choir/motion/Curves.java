package choir.motion;

import choir.motion.MotionEvents.Level;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * The level of an area over time, at every step.
 *
 * @param instants of the pictures, in order
 * @param differences of the area in each
 */
public record Curves(List<Instant> instants, List<Differences> differences) {
    public Curves {
        instants = List.copyOf(instants);
        differences = List.copyOf(differences);
        if (instants.size() != differences.size()) {
            throw new IllegalArgumentException(differences.size() + " pictures at " + instants.size() + " instants");
        }
    }

    /** @param step of luminance, 1 to 255 */
    public List<Level> levels(int step) {
        List<Level> levels = new ArrayList<>(instants.size());
        for (int i = 0; i < instants.size(); i++) {
            levels.add(new Level(instants.get(i), level(i, step)));
        }
        return levels;
    }

    /** The share of the watched pixels that count in that picture, 0 to 1. */
    public double level(int picture, int step) {
        var found = differences.get(picture);
        return found.watched() == 0 ? 0 : (double) found.counting(step) / found.watched();
    }
}
