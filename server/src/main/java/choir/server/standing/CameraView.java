package choir.server.standing;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.area.Shape;
import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeValue;
import choir.family.Translation.Wish;
import choir.policy.Catalogue;
import choir.policy.Effective;
import choir.policy.EffectivePolicy;
import choir.policy.Origin;
import choir.policy.Setting;
import choir.policy.Sourced;
import choir.scale.Sensitivity;
import choir.week.DayPlan;
import choir.week.TriggerSet;
import choir.week.Week;
import choir.week.WeekDifference;
import choir.week.WeekText;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Everything about one camera: what is asked with where it comes from, what its recorder ought to hold for that, and
 * what it holds.
 *
 * @param readAt when it was last read; missing when it never was
 * @param trouble why the recorder could not be read the last time; empty when it could
 */
record CameraView(
        CameraRow row,
        long version,
        String model,
        String firmware,
        String zone,
        long clockAheadSeconds,
        String trouble,
        @Nullable String readAt,
        List<SettingRow> settings,
        WeekView week,
        List<LevelView> levels,
        List<SpecialDayView> specialDays,
        List<AreaView> areas,
        List<String> wantedCells,
        List<String> observedCells,
        List<BlockedView> blocked) {

    /** One camera in a list. */
    record CameraRow(
            String camera,
            String recorder,
            String channel,
            String label,
            String deviceName,
            String group,
            String family,
            List<String> tags,
            Set<String> states,
            MarkView mark) {
        static CameraRow of(Standing s) {
            var c = s.camera();
            return new CameraRow(
                    c.camera().text(),
                    c.camera().recorder().text(),
                    c.camera().channel(),
                    c.label(),
                    c.deviceName(),
                    c.group().text(),
                    s.family().name(),
                    c.tags().stream().sorted().toList(),
                    s.states(),
                    MarkView.of(s.deviations()));
        }
    }

    record OriginView(
            String text,
            String kind,
            String node,
            @Nullable String template,
            @Nullable String because) {
        static OriginView of(Origin origin) {
            return switch (origin) {
                case Origin.FromTemplate t ->
                    new OriginView(
                            t.text(), "template", t.node().text(), t.template().text(), null);
                case Origin.FromOverride o ->
                    new OriginView(o.text(), "override", o.node().text(), null, o.because());
            };
        }
    }

    record BeatenView(String value, OriginView origin) {}

    /**
     * @param asked in neutral terms; missing when nobody governs the setting
     * @param wanted what the recorder ought to hold, in its own units
     * @param observed what it holds, in its own units
     */
    record SettingRow(
            String key,
            String title,
            String meaning,
            @Nullable String asked,
            List<OriginView> origins,
            boolean fixed,
            List<BeatenView> beaten,
            @Nullable String wanted,
            @Nullable String approximated,
            @Nullable String cannot,
            @Nullable String observed,
            @Nullable String baseline,
            @Nullable String cause,
            @Nullable String severity,
            @Nullable String direction,
            MarkView mark) {}

    /** Minutes of the week from Monday 00:00; {@code to} is exclusive. */
    record RunView(
            int from, int to, String triggers, @Nullable OriginView origin, List<BeatenView> beaten) {}

    record DifferenceView(int from, int to, String when, String wanted, String observed) {}

    /** The week as asked, as the recorder ought to hold it, as it holds it, and where the last two differ. */
    record WeekView(
            List<RunView> asked, List<RunView> wanted, List<RunView> observed, List<DifferenceView> differences) {}

    /** A stretch of the week with a sensitivity of its own. */
    record LevelView(int from, int to, String sensitivity, OriginView origin, List<BeatenView> beaten) {}

    /** What holds on the dates of a calendar, or on one date: its lines with semicolons between. */
    record SpecialDayView(String calendar, String plan, OriginView origin, List<BeatenView> beaten) {}

    record AreaView(
            String name,
            String kind,
            @Nullable String shape,
            List<List<Double>> points,
            List<String> cells,
            @Nullable String sensitivity,
            @Nullable String threshold,
            List<OriginView> origins) {}

    record BlockedView(String key, OriginView origin, OriginView fixedBy) {}

    static CameraView of(Standing s) {
        var recorder = s.recorder();
        return new CameraView(
                CameraRow.of(s),
                s.camera().version(),
                (recorder.manufacturer() + " " + recorder.model()).strip(),
                recorder.firmware(),
                recorder.zone(),
                recorder.clockAheadSeconds(),
                recorder.trouble(),
                s.observation().map(o -> o.readAt()).orElse(null),
                Catalogue.settings().stream()
                        .map(setting -> setting(s, setting))
                        .toList(),
                week(s),
                levels(s),
                specialDays(s),
                areas(s),
                cells(s.family(), s.translation().wanted(Catalogue.AREAS)),
                cells(s.family(), s.held().flatMap(h -> h.get(Catalogue.AREAS))),
                s.policy().blocked().stream()
                        .map(b ->
                                new BlockedView(b.key().text(), OriginView.of(b.origin()), OriginView.of(b.fixedBy())))
                        .toList());
    }

    private static SettingRow setting(Standing s, Setting setting) {
        var effective = s.policy().get(setting.key());
        var wish = Optional.ofNullable(s.translation().wishes().get(setting.key()));
        var wanted = wish.filter(Wish.Wanted.class::isInstance).map(Wish.Wanted.class::cast);
        var cannot = wish.filter(Wish.Cannot.class::isInstance).map(Wish.Cannot.class::cast);
        var deviation = s.deviation(setting.key());
        return new SettingRow(
                setting.key().text(),
                setting.title(),
                setting.meaning(),
                effective.map(CameraView::asked).orElse(null),
                effective.stream()
                        .flatMap(Origins::origins)
                        .distinct()
                        .map(OriginView::of)
                        .toList(),
                effective.map(CameraView::isFixed).orElse(false),
                effective.map(CameraView::beaten).orElse(List.of()),
                wanted.map(w -> w.value().text()).orElse(null),
                wanted.flatMap(Wish.Wanted::approximated).orElse(null),
                cannot.map(Wish.Cannot::why).orElse(null),
                s.held()
                        .flatMap(h -> h.get(setting.key()))
                        .map(NativeValue::text)
                        .orElse(null),
                s.baseline().get(setting.key()).map(NativeValue::text).orElse(null),
                deviation.map(d -> d.cause().words()).orElse(null),
                deviation
                        .filter(d -> d.cause().isDeviation())
                        .map(d -> d.severity().name())
                        .orElse(null),
                deviation.map(d -> d.cost().direction().name()).orElse(null),
                MarkView.of(deviation.stream().toList()));
    }

    private static String asked(Effective effective) {
        return switch (effective) {
            case Effective.Scalar s -> s.value().value().text();
            case Effective.Hours h -> String.join("; ", WeekText.print(h.week()));
            case Effective.Levels l -> String.join("; ", WeekText.print(l.week()));
            case Effective.SpecialDays d ->
                d.byCalendar().entrySet().stream()
                        .map(e -> e.getKey() + ": " + e.getValue().value())
                        .collect(Collectors.joining(" | "));
            case Effective.Areas a -> String.join(", ", a.byName().keySet());
        };
    }

    private static boolean isFixed(Effective effective) {
        return switch (effective) {
            case Effective.Scalar s -> s.value().fixed();
            case Effective.Hours h ->
                h.voices().runs().stream().anyMatch(r -> r.value().fixed());
            case Effective.Levels l ->
                l.voices().runs().stream().anyMatch(r -> r.value().fixed());
            case Effective.SpecialDays d -> d.byCalendar().values().stream().anyMatch(Sourced::fixed);
            case Effective.Areas a -> a.fixed();
        };
    }

    private static List<BeatenView> beaten(Effective effective) {
        return switch (effective) {
            case Effective.Scalar s -> beaten(s.value(), v -> v.text());
            case Effective.Hours h -> List.of();
            case Effective.Levels l -> List.of();
            case Effective.SpecialDays d -> List.of();
            case Effective.Areas a -> List.of();
        };
    }

    private static <T> List<BeatenView> beaten(Sourced<T> sourced, java.util.function.Function<T, String> text) {
        return sourced.beaten().stream()
                .map(b -> new BeatenView(text.apply(b.value()), OriginView.of(b.origin())))
                .toList();
    }

    private static WeekView week(Standing s) {
        List<RunView> asked = new ArrayList<>();
        if (s.policy().get(Catalogue.WEEK).orElse(null) instanceof Effective.Hours hours) {
            hours.voices()
                    .runs()
                    .forEach(r -> asked.add(new RunView(
                            r.from(),
                            r.to(),
                            r.value().value().toString(),
                            OriginView.of(r.value().origin()),
                            beaten(r.value(), TriggerSet::toString))));
        }
        var wanted = hours(s.translation().wanted(Catalogue.WEEK));
        var observed = hours(s.held().flatMap(h -> h.get(Catalogue.WEEK)));
        List<DifferenceView> differences = new ArrayList<>();
        if (wanted.isPresent() && observed.isPresent()) {
            var governed = observed.get().where(wanted.get());
            for (var w : WeekDifference.between(wanted.get(), governed).windows()) {
                differences.add(new DifferenceView(
                        w.from(), w.to(), WeekText.stretch(w.from(), w.to()), words(w.desired()), words(w.observed())));
            }
        }
        return new WeekView(asked, runs(wanted), runs(observed), differences);
    }

    private static List<LevelView> levels(Standing s) {
        return s.policy().get(Catalogue.SENSITIVITY_BY_TIME).orElse(null) instanceof Effective.Levels levels
                ? levels.voices().runs().stream()
                        .map(r -> new LevelView(
                                r.from(),
                                r.to(),
                                r.value().value().toString(),
                                OriginView.of(r.value().origin()),
                                beaten(r.value(), Sensitivity::toString)))
                        .toList()
                : List.of();
    }

    private static List<SpecialDayView> specialDays(Standing s) {
        return s.policy().get(Catalogue.SPECIAL_DAYS).orElse(null) instanceof Effective.SpecialDays days
                ? days.byCalendar().entrySet().stream()
                        .map(e -> new SpecialDayView(
                                e.getKey(),
                                e.getValue().value().toString(),
                                OriginView.of(e.getValue().origin()),
                                beaten(e.getValue(), DayPlan::toString)))
                        .toList()
                : List.of();
    }

    private static String words(Optional<TriggerSet> triggers) {
        return triggers.map(TriggerSet::toString).orElse("none");
    }

    private static Optional<Week<TriggerSet>> hours(Optional<NativeValue> value) {
        return value.filter(NativeValue.Hours.class::isInstance).map(v -> ((NativeValue.Hours) v).week());
    }

    private static List<RunView> runs(Optional<Week<TriggerSet>> week) {
        return week.stream()
                .flatMap(w -> w.runs().stream())
                .map(r -> new RunView(r.from(), r.to(), r.value().toString(), null, List.of()))
                .toList();
    }

    private static List<AreaView> areas(Standing s) {
        List<AreaView> views = new ArrayList<>();
        s.policy().areas().ifPresent(areas -> areas.byName().forEach((name, area) -> views.add(area(name, area))));
        return views;
    }

    private static AreaView area(String name, Effective.Area area) {
        var shape = area.shape().map(Sourced::value);
        return new AreaView(
                name,
                area.kindOrWatch().text(),
                shape.map(CameraView::form).orElse(null),
                shape.map(CameraView::points).orElse(List.of()),
                shape.map(CameraView::cells).orElse(List.of()),
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
                    default -> List.<String>of();
                })
                .orElse(List.of());
    }

    /** The watched cells of a policy on the grid by which the family's areas are compared. */
    static List<String> asked(Family family, EffectivePolicy policy) {
        var grid = family.ability(Catalogue.AREAS).flatMap(a -> switch (a) {
            case Ability.Mask m -> Optional.of(m.grid());
            case Ability.Zones z -> Optional.of(z.grid());
            default -> Optional.<CellGrid>empty();
        });
        return grid.flatMap(g -> policy.areas().map(areas -> areas.watched(g).rows()))
                .orElse(List.of());
    }
}
