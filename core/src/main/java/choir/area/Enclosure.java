package choir.area;

import choir.refusal.Refusal;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;

/**
 * Polygons of few corners that cover every cell of a mask and as little else as can be found.
 *
 * <p>Each connected part of the mask starts as its outline. Then, until few enough corners are left, the cheapest of two
 * steps is taken: a corner that points inwards is left out, or an edge between two that point outwards is replaced by the
 * point at which its neighbours meet. Both only add area. A step is refused when the polygon would cross itself, leave
 * the picture or, by rounding, lose a cell. When no step is left the part's bounding rectangle takes its place. A part
 * with a very long outline starts as its convex hull, so that the work is bounded whatever the mask.
 */
public final class Enclosure {
    /** A corner in whole units of a device, from the top left. */
    public record Corner(int x, int y) {}

    private static final int LONGEST_OUTLINE = 120;

    private record Step(List<Corner> polygon, long addedTwice) {}

    private final CellMask mask;
    private final int resolution;

    private Enclosure(CellMask mask, int resolution) {
        this.mask = mask;
        this.resolution = resolution;
    }

    /**
     * @param part a connected mask with at least one cell
     * @param most corners that the polygon may have, at least 4
     * @param resolution the device's units along each side, a multiple of the grid's columns and of its rows
     */
    public static List<Corner> of(CellMask part, int most, int resolution) {
        if (most < 4
                || resolution % part.grid().columns() != 0
                || resolution % part.grid().rows() != 0) {
            throw new Refusal(most + " corners in " + resolution + " units cannot enclose cells of " + part.grid());
        }
        return new Enclosure(part, resolution).enclosed(most);
    }

    /** The connected parts of a mask, cells that only touch at a corner apart. */
    public static List<CellMask> parts(CellMask mask) {
        var grid = mask.grid();
        List<CellMask> parts = new ArrayList<>();
        var seen = new BitSet();
        for (int i = 0; i < grid.cells(); i++) {
            if (!seen.get(i) && mask.watches(i % grid.columns(), i / grid.columns())) {
                parts.add(flood(mask, i, seen));
            }
        }
        return parts;
    }

    private static CellMask flood(CellMask mask, int start, BitSet seen) {
        var grid = mask.grid();
        var part = new BitSet();
        var queue = new ArrayDeque<Integer>(List.of(start));
        seen.set(start);
        while (!queue.isEmpty()) {
            int cell = queue.remove();
            part.set(cell);
            int column = cell % grid.columns();
            int row = cell / grid.columns();
            for (var next : new int[][] {{column - 1, row}, {column + 1, row}, {column, row - 1}, {column, row + 1}}) {
                int index = next[1] * grid.columns() + next[0];
                boolean inside = next[0] >= 0 && next[0] < grid.columns() && next[1] >= 0 && next[1] < grid.rows();
                if (inside && !seen.get(index) && mask.watches(next[0], next[1])) {
                    seen.set(index);
                    queue.add(index);
                }
            }
        }
        return CellMask.of(grid, part);
    }

    /** True when the polygon covers every cell of the mask. */
    public static boolean covers(List<Corner> polygon, CellMask mask, int resolution) {
        return mask.minus(cells(polygon, mask.grid(), resolution)).count() == 0;
    }

    /** The cells that a polygon in a device's units covers by at least half. */
    public static CellMask cells(List<Corner> polygon, CellGrid grid, int resolution) {
        return Coverage.halfCovered(points(polygon, resolution), grid);
    }

    private static List<Shape.Point> points(List<Corner> polygon, int resolution) {
        return polygon.stream()
                .map(c -> new Shape.Point((double) c.x() / resolution, (double) c.y() / resolution))
                .toList();
    }

    private List<Corner> enclosed(int most) {
        var outline = outline();
        var polygon = outline.size() > LONGEST_OUTLINE ? hull(outline) : outline;
        while (polygon.size() > most) {
            var next = cheapest(polygon);
            if (next.isEmpty()) {
                return bounds(polygon);
            }
            polygon = next;
        }
        return polygon;
    }

    /** The convex hull, by the monotone chain of Andrew (1979), with the area to the right of the walk. */
    private static List<Corner> hull(List<Corner> corners) {
        var sorted = corners.stream()
                .sorted(Comparator.comparingInt(Corner::x).thenComparingInt(Corner::y))
                .toList();
        List<Corner> hull = new ArrayList<>(chain(sorted));
        hull.addAll(chain(sorted.reversed()));
        return hull;
    }

    private static List<Corner> chain(List<Corner> sorted) {
        List<Corner> chain = new ArrayList<>();
        for (var corner : sorted) {
            while (chain.size() >= 2 && turn(chain.get(chain.size() - 2), chain.getLast(), corner) <= 0) {
                chain.removeLast();
            }
            chain.add(corner);
        }
        chain.removeLast();
        return chain;
    }

    private List<Corner> cheapest(List<Corner> polygon) {
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < polygon.size(); i++) {
            steps.addAll(steps(polygon, i));
        }
        steps.sort(Comparator.comparingLong(Step::addedTwice));
        return steps.stream()
                .map(Step::polygon)
                .filter(this::isSound)
                .findFirst()
                .orElse(List.of());
    }

    private boolean isSound(List<Corner> polygon) {
        try {
            Crossings.refuse(points(polygon, resolution));
        } catch (Refusal crossing) {
            return false;
        }
        return covers(polygon, mask, resolution);
    }

    private List<Step> steps(List<Corner> polygon, int i) {
        int n = polygon.size();
        var before = polygon.get((i + n - 1) % n);
        var here = polygon.get(i);
        var next = polygon.get((i + 1) % n);
        var after = polygon.get((i + 2) % n);
        if (turn(before, here, next) <= 0) {
            List<Corner> without = new ArrayList<>(polygon);
            without.remove(i);
            return List.of(new Step(without, -turn(before, here, next)));
        }
        if (turn(here, next, after) <= 0) {
            return List.of();
        }
        return meeting(before, here, after, next).stream()
                .map(corner -> new Step(replaced(polygon, i, corner), Math.abs(turn(here, corner, next))))
                .toList();
    }

    private static List<Corner> replaced(List<Corner> polygon, int i, Corner corner) {
        List<Corner> replaced = new ArrayList<>(polygon);
        int following = (i + 1) % polygon.size();
        replaced.set(i, corner);
        replaced.remove(following);
        return replaced;
    }

    /** Where the line from a by b meets the one from c by d, in whole units on all four sides of it. */
    private List<Corner> meeting(Corner a, Corner b, Corner c, Corner d) {
        double abx = b.x() - a.x();
        double aby = b.y() - a.y();
        double cdx = d.x() - c.x();
        double cdy = d.y() - c.y();
        double across = abx * cdy - aby * cdx;
        if (across == 0) {
            return List.of();
        }
        double t = ((c.x() - a.x()) * cdy - (c.y() - a.y()) * cdx) / across;
        if (t < 1) {
            return List.of();
        }
        double x = a.x() + t * abx;
        double y = a.y() + t * aby;
        List<Corner> found = new ArrayList<>();
        for (double nearX : new double[] {Math.floor(x), Math.ceil(x)}) {
            for (double nearY : new double[] {Math.floor(y), Math.ceil(y)}) {
                if (nearX >= 0 && nearX <= resolution && nearY >= 0 && nearY <= resolution) {
                    found.add(new Corner((int) nearX, (int) nearY));
                }
            }
        }
        return found.stream().distinct().toList();
    }

    /** Positive where a walk with the area to its right turns right, which is outwards. */
    private static long turn(Corner a, Corner b, Corner c) {
        return (long) (b.x() - a.x()) * (c.y() - a.y()) - (long) (b.y() - a.y()) * (c.x() - a.x());
    }

    private static List<Corner> bounds(List<Corner> polygon) {
        int left = polygon.stream().mapToInt(Corner::x).min().orElseThrow();
        int right = polygon.stream().mapToInt(Corner::x).max().orElseThrow();
        int top = polygon.stream().mapToInt(Corner::y).min().orElseThrow();
        int bottom = polygon.stream().mapToInt(Corner::y).max().orElseThrow();
        return List.of(
                new Corner(left, top), new Corner(right, top), new Corner(right, bottom), new Corner(left, bottom));
    }

    /** A walk around the mask with its cells to the right, from the top left corner of its first cell. */
    private List<Corner> outline() {
        var grid = mask.grid();
        int first = 0;
        while (!mask.watches(first % grid.columns(), first / grid.columns())) {
            first++;
        }
        int x = first % grid.columns();
        int y = first / grid.columns();
        int startX = x;
        int startY = y;
        int dx = 1;
        int dy = 0;
        List<Corner> corners = new ArrayList<>();
        do {
            corners.add(new Corner(x * resolution / grid.columns(), y * resolution / grid.rows()));
            boolean turned = false;
            while (!turned) {
                x += dx;
                y += dy;
                if (!holds(x, y, dx, dy, true)) {
                    int right = dx;
                    dx = -dy;
                    dy = right;
                    turned = true;
                } else if (holds(x, y, dx, dy, false)) {
                    int left = dx;
                    dx = dy;
                    dy = -left;
                    turned = true;
                }
            }
        } while (x != startX || y != startY || dx != 1);
        return corners;
    }

    /** Whether the cell ahead of a walker at a crossing of the grid's lines, to the right or to the left, is one. */
    private boolean holds(int x, int y, int dx, int dy, boolean right) {
        int column = dx != 0 ? (dx > 0 ? x : x - 1) : (dy > 0) == right ? x - 1 : x;
        int row = dy != 0 ? (dy > 0 ? y : y - 1) : (dx > 0) == right ? y : y - 1;
        var grid = mask.grid();
        return column >= 0 && column < grid.columns() && row >= 0 && row < grid.rows() && mask.watches(column, row);
    }
}
