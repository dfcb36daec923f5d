package choir.family;

import choir.area.Enclosure.Corner;
import choir.refusal.Refusal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * One polygon of a device, in its own units. Two that name the same corners from another start, or the other way round,
 * are equal.
 *
 * @param corners clockwise from the uppermost, of several the leftmost
 */
public record Zone(String title, List<Corner> corners) {
    public Zone {
        title = title.strip();
        corners = clockwiseFromTheTop(corners);
    }

    private static List<Corner> clockwiseFromTheTop(List<Corner> given) {
        if (given.size() < 3) {
            throw new Refusal("an area has 3 corners or more, not " + given.size());
        }
        List<Corner> corners = new ArrayList<>(given);
        if (twiceArea(corners) < 0) {
            corners = corners.reversed();
        }
        var first = corners.stream()
                .min(Comparator.comparingInt(Corner::y).thenComparingInt(Corner::x))
                .orElseThrow();
        int start = corners.indexOf(first);
        return Stream.concat(corners.subList(start, corners.size()).stream(), corners.subList(0, start).stream())
                .toList();
    }

    private static long twiceArea(List<Corner> corners) {
        long sum = 0;
        for (int i = 0; i < corners.size(); i++) {
            var a = corners.get(i);
            var b = corners.get((i + 1) % corners.size());
            sum += (long) a.x() * b.y() - (long) b.x() * a.y();
        }
        return sum;
    }

    /** The corners as {@code x,y} with spaces between. */
    public String path() {
        return corners.stream().map(c -> c.x() + "," + c.y()).collect(Collectors.joining(" "));
    }

    /**
     * Reads the form of {@link #path()}.
     *
     * @throws Refusal when it is none
     */
    public static Zone of(String title, String path) {
        if (path.length() > 10_000 || !path.strip().matches("\\d{1,5},\\d{1,5}( +\\d{1,5},\\d{1,5})*")) {
            throw new Refusal("\"" + path + "\" are no corners of an area; expected x,y x,y x,y");
        }
        return new Zone(
                title,
                Stream.of(path.strip().split(" +"))
                        .map(c -> c.split(","))
                        .map(c -> new Corner(Integer.parseInt(c[0]), Integer.parseInt(c[1])))
                        .toList());
    }

    @Override
    public String toString() {
        return title + " " + path();
    }
}
