package choir.link;

import choir.area.CellGrid;
import choir.week.Trigger;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a recorder says of its own abilities.
 *
 * @param ranges of the parameters of its analytics modules and rules
 * @param grid the cells of its motion detection
 * @param lanes the triggers for which it has a schedule of its own
 * @param buffers whether footage from before and after an event can be set
 * @param keeping whether it can be told how long to keep footage at most
 * @param frameRate whether the frame rate can be set
 */
public record SelfDescription(
        RecorderReading.Device device,
        List<Range> ranges,
        Optional<CellGrid> grid,
        Set<Trigger> lanes,
        boolean buffers,
        boolean keeping,
        boolean frameRate) {
    /** @param kind {@code module} or {@code rule} */
    public record Range(String kind, String type, String name, int min, int max) {}

    public SelfDescription {
        ranges = List.copyOf(ranges);
        lanes = Set.copyOf(lanes);
    }

    public Optional<Range> range(String kind, String type, String name) {
        return ranges.stream()
                .filter(r -> r.kind().equals(kind)
                        && r.type().equals(type)
                        && r.name().equals(name))
                .findFirst();
    }
}
