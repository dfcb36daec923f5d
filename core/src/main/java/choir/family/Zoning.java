package choir.family;

import choir.area.CellMask;
import choir.area.Enclosure;
import choir.area.Enclosure.Corner;
import choir.area.Shape;
import choir.policy.AreaKind;
import choir.policy.Effective;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;

/**
 * A policy's areas as a device's few polygons of few corners. No watched cell is lost; what is covered beside is said.
 *
 * @param zones the polygons
 * @param sources for each polygon the watch areas that it stands for; none when the policy names no watch area
 * @param note in words, what is covered beside what was asked
 */
record Zoning(List<Zone> zones, List<List<Effective.Area>> sources, Optional<String> note) {
    private static final int MOST_COMPARED = 100;

    private record Piece(String title, CellMask cells, List<Corner> corners, List<Effective.Area> sources) {}

    static Zoning of(Effective.Areas areas, Ability.Zones ability) {
        var watched = areas.watched(ability.grid());
        var pieces = pieces(areas, ability);
        if (pieces.size() > ability.most()) {
            pieces = merged(areas, watched, ability);
        }
        var covered = pieces.stream()
                .map(p -> Enclosure.cells(p.corners(), ability.grid(), ability.resolution()))
                .reduce(CellMask.none(ability.grid()), CellMask::union);
        int beside = covered.minus(watched).count();
        return new Zoning(
                pieces.stream().map(p -> new Zone(p.title(), p.corners())).toList(),
                pieces.stream().map(Piece::sources).toList(),
                beside == 0
                        ? Optional.empty()
                        : Optional.of("the recorder's " + ability.most() + " areas of " + ability.corners()
                                + " corners cover " + beside + " of "
                                + ability.grid().cells()
                                + " cells beside what was asked"));
    }

    private static List<Piece> pieces(Effective.Areas areas, Ability.Zones ability) {
        var ignored = areas.union(AreaKind.IGNORE, ability.grid()).orElse(CellMask.none(ability.grid()));
        List<Piece> pieces = new ArrayList<>();
        areas.byName().forEach((name, area) -> {
            if (area.kindOrWatch() == AreaKind.WATCH && area.shape().isPresent()) {
                var shape = area.shape().get().value();
                var asked = shape.on(ability.grid());
                var cells = asked.minus(ignored);
                var exact = cells.equals(asked) ? exact(shape, cells, ability) : Optional.<List<Corner>>empty();
                if (exact.isPresent()) {
                    pieces.add(new Piece(name, cells, exact.get(), List.of(area)));
                } else {
                    pieces.addAll(parts(name, cells, List.of(area), ability));
                }
            }
        });
        boolean namesNone = areas.byName().values().stream()
                .noneMatch(a -> a.kindOrWatch() == AreaKind.WATCH && a.shape().isPresent());
        return namesNone ? parts("watched", CellMask.all(ability.grid()).minus(ignored), List.of(), ability) : pieces;
    }

    private static List<Piece> parts(
            String title, CellMask cells, List<Effective.Area> sources, Ability.Zones ability) {
        List<Piece> pieces = new ArrayList<>();
        for (var part : Enclosure.parts(cells)) {
            pieces.add(new Piece(
                    pieces.isEmpty() ? title : title + " " + (pieces.size() + 1),
                    part,
                    Enclosure.of(part, ability.corners(), ability.resolution()),
                    sources));
        }
        return pieces;
    }

    /** The shape's own corners in the device's units, when there are few enough and rounding loses no cell. */
    private static Optional<List<Corner>> exact(Shape shape, CellMask cells, Ability.Zones ability) {
        List<Shape.Point> points = switch (shape) {
            case Shape.Polygon p -> p.corners();
            case Shape.Rectangle r ->
                List.of(
                        r.topLeft(),
                        new Shape.Point(r.bottomRight().x(), r.topLeft().y()),
                        r.bottomRight(),
                        new Shape.Point(r.topLeft().x(), r.bottomRight().y()));
            case Shape.Cells c -> List.of();
        };
        var corners = points.stream()
                .map(p -> new Corner(
                        (int) Math.round(p.x() * ability.resolution()), (int) Math.round(p.y() * ability.resolution())))
                .distinct()
                .toList();
        boolean fits = corners.size() >= 3
                && corners.size() == points.size()
                && corners.size() <= ability.corners()
                && Enclosure.covers(corners, cells, ability.resolution());
        return fits ? Optional.of(corners) : Optional.empty();
    }

    /** All areas as one mask, cut into as few parts as the device has areas; each then has the most sensitive values. */
    private static List<Piece> merged(Effective.Areas areas, CellMask watched, Ability.Zones ability) {
        var all = areas.byName().values().stream()
                .filter(a -> a.kindOrWatch() == AreaKind.WATCH && a.shape().isPresent())
                .toList();
        var groups =
                new ArrayList<>(Enclosure.parts(watched).stream().map(Group::of).toList());
        while (groups.size() > ability.most()) {
            joinNearest(groups);
        }
        var joined = groups.stream().map(Group::cells).reduce(CellMask::union).orElse(CellMask.none(ability.grid()));
        return parts("watched", joined, all, ability);
    }

    /** Parts that share one of the device's areas. */
    private record Group(int left, int top, int right, int bottom, CellMask cells) {
        static Group of(CellMask part) {
            var grid = part.grid();
            int left = grid.columns();
            int right = -1;
            int top = grid.rows();
            int bottom = -1;
            for (int i = 0; i < grid.cells(); i++) {
                int column = i % grid.columns();
                int row = i / grid.columns();
                if (part.watches(column, row)) {
                    left = Math.min(left, column);
                    right = Math.max(right, column);
                    top = Math.min(top, row);
                    bottom = Math.max(bottom, row);
                }
            }
            return new Group(left, top, right, bottom, part);
        }

        /** Cells of the rectangle around both. */
        int around(Group other) {
            return (Math.max(right, other.right) - Math.min(left, other.left) + 1)
                    * (Math.max(bottom, other.bottom) - Math.min(top, other.top) + 1);
        }

        int around() {
            return around(this);
        }

        /** The rectangle around both, all of it watched. */
        Group with(Group other) {
            var grid = cells.grid();
            var bits = new BitSet();
            int from = Math.min(left, other.left);
            int to = Math.max(right, other.right);
            for (int row = Math.min(top, other.top); row <= Math.max(bottom, other.bottom); row++) {
                bits.set(row * grid.columns() + from, row * grid.columns() + to + 1);
            }
            return of(CellMask.of(grid, bits));
        }
    }

    /** Joins the two groups of which the common rectangle adds least; of very many, the first two. */
    private static void joinNearest(List<Group> groups) {
        int best = Integer.MAX_VALUE;
        int left = 0;
        int right = 1;
        for (int i = 0; i < groups.size() && groups.size() <= MOST_COMPARED; i++) {
            for (int j = i + 1; j < groups.size(); j++) {
                int added = groups.get(i).around(groups.get(j))
                        - groups.get(i).around()
                        - groups.get(j).around();
                if (added < best) {
                    best = added;
                    left = i;
                    right = j;
                }
            }
        }
        var joined = groups.get(left).with(groups.get(right));
        groups.remove(right);
        groups.set(left, joined);
    }
}
