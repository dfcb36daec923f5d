package choir.area;

import choir.area.Shape.Point;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.function.ToDoubleFunction;

/**
 * Which cells a polygon covers by at least half. The polygon is clipped against each row of cells and then against each
 * cell (Sutherland and Hodgman 1974); clipping a concave polygon leaves edges on the border that cancel out in the area
 * by the shoelace formula.
 */
final class Coverage {
    /** Room for rounding when an edge runs exactly through the middle of a cell. */
    private static final double EPSILON = 1e-9;

    private record Vertex(double x, double y) {}

    private Coverage() {}

    static CellMask halfCovered(List<Point> corners, CellGrid grid) {
        List<Vertex> polygon = corners.stream()
                .map(p -> new Vertex(p.x() * grid.columns(), p.y() * grid.rows()))
                .toList();
        var bits = new BitSet(grid.cells());
        for (int row = 0; row < grid.rows(); row++) {
            var band = between(polygon, Vertex::y, row);
            if (Math.abs(area(band)) < 0.5 - EPSILON) {
                continue;
            }
            for (int column = 0; column < grid.columns(); column++) {
                bits.set(
                        row * grid.columns() + column,
                        Math.abs(area(between(band, Vertex::x, column))) >= 0.5 - EPSILON);
            }
        }
        return CellMask.of(grid, bits);
    }

    private static List<Vertex> between(List<Vertex> polygon, ToDoubleFunction<Vertex> axis, int from) {
        return clip(clip(polygon, axis, from, 1), axis, from + 1, -1);
    }

    /** The part of the polygon on one side of a line across the axis: above it for +1, below it for -1. */
    private static List<Vertex> clip(List<Vertex> polygon, ToDoubleFunction<Vertex> axis, double limit, int side) {
        List<Vertex> kept = new ArrayList<>(polygon.size() + 4);
        for (int i = 0; i < polygon.size(); i++) {
            var a = polygon.get(i);
            var b = polygon.get((i + 1) % polygon.size());
            double da = side * (axis.applyAsDouble(a) - limit);
            double db = side * (axis.applyAsDouble(b) - limit);
            if (da >= 0) {
                kept.add(a);
            }
            if (da > 0 && db < 0 || da < 0 && db > 0) {
                double t = da / (da - db);
                kept.add(new Vertex(a.x + t * (b.x - a.x), a.y + t * (b.y - a.y)));
            }
        }
        return kept;
    }

    private static double area(List<Vertex> polygon) {
        double twice = 0;
        for (int i = 0; i < polygon.size(); i++) {
            var a = polygon.get(i);
            var b = polygon.get((i + 1) % polygon.size());
            twice += a.x * b.y - b.x * a.y;
        }
        return twice / 2;
    }
}
