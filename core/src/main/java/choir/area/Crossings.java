package choir.area;

import choir.area.Shape.Point;
import choir.refusal.Refusal;
import java.util.List;

/** Refuses polygons of which two edges cross; edges that only touch are allowed. */
final class Crossings {
    private Crossings() {}

    static void refuse(List<Point> corners) {
        int n = corners.size();
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                if (cross(corners.get(i), corners.get((i + 1) % n), corners.get(j), corners.get((j + 1) % n))) {
                    throw new Refusal("the edges from corner " + (i + 1) + " and from corner " + (j + 1)
                            + " of the polygon cross each other");
                }
            }
        }
    }

    private static boolean cross(Point a, Point b, Point c, Point d) {
        return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;
    }

    private static double turn(Point a, Point b, Point c) {
        return Math.signum((b.x() - a.x()) * (c.y() - a.y()) - (b.y() - a.y()) * (c.x() - a.x()));
    }
}
