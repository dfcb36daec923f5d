package choir.area;

import choir.refusal.Refusal;
import java.util.BitSet;
import java.util.List;

/** Where an area lies in the picture. Coordinates are 0 to 1 from the top left. */
public sealed interface Shape {
    /** The cells of which this shape covers at least half. */
    CellMask on(CellGrid grid);

    record Point(double x, double y) {
        public Point {
            if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
                throw new Refusal("[" + x + ", " + y + "] is outside the picture; expected 0 to 1 from the top left");
            }
        }
    }

    /** Three corners or more, in order, not closed explicitly, without crossing edges. */
    record Polygon(List<Point> corners) implements Shape {
        private static final int MOST_CORNERS = 500;

        public Polygon {
            corners = List.copyOf(corners);
            requireCorners(corners.size());
            Crossings.refuse(corners);
        }

        /** Refuses a number of corners that no polygon has, before anybody looks at them. */
        public static void requireCorners(int count) {
            if (count < 3 || count > MOST_CORNERS) {
                throw new Refusal("a polygon has 3 to " + MOST_CORNERS + " corners, not " + count);
            }
        }

        @Override
        public CellMask on(CellGrid grid) {
            return Coverage.halfCovered(corners, grid);
        }
    }

    record Rectangle(Point topLeft, Point bottomRight) implements Shape {
        public Rectangle {
            if (topLeft.x() >= bottomRight.x() || topLeft.y() >= bottomRight.y()) {
                throw new Refusal("a rectangle goes from its top left to its bottom right corner");
            }
        }

        @Override
        public CellMask on(CellGrid grid) {
            return Coverage.halfCovered(
                    List.of(
                            topLeft,
                            new Point(bottomRight.x(), topLeft.y()),
                            bottomRight,
                            new Point(topLeft.x(), bottomRight.y())),
                    grid);
        }
    }

    /** Cells on a grid of their own; on another grid a cell counts when at least half of it is covered. */
    record Cells(CellMask mask) implements Shape {
        @Override
        public CellMask on(CellGrid grid) {
            if (grid.equals(mask.grid())) {
                return mask;
            }
            var bits = new BitSet(grid.cells());
            for (int i = 0; i < grid.cells(); i++) {
                bits.set(i, covers(grid, i % grid.columns(), i / grid.columns()));
            }
            return CellMask.of(grid, bits);
        }

        /** Twice the covered part against the whole cell, in units of one over (both columns) by (both rows). */
        private boolean covers(CellGrid grid, int column, int row) {
            var own = mask.grid();
            long covered = 0;
            for (int r = row * own.rows() / grid.rows(); r < own.rows(); r++) {
                long height = overlap(row, grid.rows(), r, own.rows());
                if (height <= 0) {
                    break;
                }
                for (int c = column * own.columns() / grid.columns(); c < own.columns(); c++) {
                    long width = overlap(column, grid.columns(), c, own.columns());
                    if (width <= 0) {
                        break;
                    }
                    covered += mask.watches(c, r) ? width * height : 0;
                }
            }
            return 2 * covered >= (long) own.columns() * own.rows();
        }

        private static long overlap(int i, int of, int j, int ofOther) {
            long from = Math.max((long) i * ofOther, (long) j * of);
            long to = Math.min((i + 1L) * ofOther, (j + 1L) * of);
            return to - from;
        }
    }
}
