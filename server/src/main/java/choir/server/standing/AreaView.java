package choir.server.standing;

import choir.area.CellMask;
import choir.area.Shape;
import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.Effective;
import choir.policy.EffectivePolicy;
import choir.policy.Sourced;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** One area of a camera's policy. */
record AreaView(
        String name,
        String kind,
        @Nullable String shape,
        List<List<Double>> points,
        List<String> cells,
        @Nullable String sensitivity,
        @Nullable String threshold,
        List<OriginView> origins) {
    static List<AreaView> of(Standing s) {
        List<AreaView> views = new ArrayList<>();
        s.policy().areas().ifPresent(areas -> areas.byName().forEach((name, area) -> views.add(area(name, area))));
        return views;
    }

    private static AreaView area(String name, Effective.Area area) {
        var shape = area.shape().map(Sourced::value);
        return new AreaView(
                name,
                area.kindOrWatch().text(),
                shape.map(AreaView::form).orElse(null),
                shape.map(AreaView::points).orElse(List.of()),
                shape.map(AreaView::cells).orElse(List.of()),
                area.sensitivity().map(v -> v.value().toString()).orElse(null),
                area.threshold().map(v -> v.value().toString()).orElse(null),
                Origins.ofArea(area).distinct().map(OriginView::of).toList());
    }

    private static String form(Shape shape) {
        return switch (shape) {
            case Shape.Polygon p -> "polygon";
            case Shape.Rectangle r -> "rectangle";
            case Shape.Cells c -> "cells";
        };
    }

    private static List<List<Double>> points(Shape shape) {
        return switch (shape) {
            case Shape.Polygon p ->
                p.corners().stream().map(c -> List.of(c.x(), c.y())).toList();
            case Shape.Rectangle(var a, var b) -> List.of(List.of(a.x(), a.y()), List.of(b.x(), b.y()));
            case Shape.Cells c -> List.of();
        };
    }

    private static List<String> cells(Shape shape) {
        return shape instanceof Shape.Cells(CellMask mask) ? mask.rows() : List.of();
    }

    static List<String> cells(Family family, Optional<NativeValue> value) {
        return value.map(v -> switch (v) {
                    case NativeValue.Mask m -> m.mask().rows();
                    case NativeValue.Zones z
                    when family.ability(Catalogue.AREAS).orElse(null) instanceof Ability.Zones ability ->
                        ability.cells(z).rows();
                    case NativeValue.Zones z -> List.<String>of();
                    case NativeValue.Flag f -> List.<String>of();
                    case NativeValue.Single o -> List.<String>of();
                    case NativeValue.PerArea p -> List.<String>of();
                    case NativeValue.Hours h -> List.<String>of();
                    case NativeValue.Levels l -> List.<String>of();
                    case NativeValue.SpecialDays d -> List.<String>of();
                })
                .orElse(List.of());
    }

    /** The watched cells of a policy on the grid by which the family's areas are compared. */
    static List<String> asked(Family family, EffectivePolicy policy) {
        var grid = family.ability(Catalogue.AREAS)
                .filter(Ability.OfAreas.class::isInstance)
                .map(a -> switch ((Ability.OfAreas) a) {
                    case Ability.Mask m -> m.grid();
                    case Ability.Zones z -> z.grid();
                });
        return grid.flatMap(g -> policy.areas().map(areas -> areas.watched(g).rows()))
                .orElse(List.of());
    }
}
