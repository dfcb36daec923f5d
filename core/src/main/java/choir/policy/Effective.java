package choir.policy;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.area.Shape;
import choir.scale.Sensitivity;
import choir.scale.Threshold;
import choir.week.DayPlan;
import choir.week.TriggerSet;
import choir.week.Week;
import choir.week.WeekText;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** What the layers come to for one setting. */
public sealed interface Effective {
    /** The whole of it as one layer would say it, so that nothing farther shows through. */
    default Value asSaid() {
        return switch (this) {
            case Scalar s -> s.value().value();
            case Hours h -> new Value.Hours(h.week(), true);
            case Levels l -> new Value.Levels(l.week(), true);
            case SpecialDays d -> d.asSaidOnly();
            case Areas a ->
                new Value.Areas(a.byName().entrySet().stream()
                        .map(e -> e.getValue().asSaid(e.getKey()))
                        .toList());
        };
    }

    /** The whole of it on one line, for people. */
    default String text() {
        return switch (this) {
            case Scalar s -> s.value().value().text();
            case Hours h -> String.join("; ", WeekText.shortest(h.week()));
            case Levels l -> String.join("; ", WeekText.shortest(l.week()));
            case SpecialDays d ->
                d.byCalendar().entrySet().stream()
                        .map(e -> e.getKey() + ": " + e.getValue().value())
                        .collect(Collectors.joining(" | "));
            case Areas a -> String.join(", ", a.byName().keySet());
        };
    }

    record Scalar(Sourced<Value> value) implements Effective {}

    /** Origin and beaten candidates by the minute. */
    record Hours(Week<Sourced<TriggerSet>> voices) implements Effective {
        public Week<TriggerSet> week() {
            return voices.map(Sourced::value);
        }
    }

    /** Sensitivities by time with origin and beaten candidates by the minute. */
    record Levels(Week<Sourced<Sensitivity>> voices) implements Effective {
        public Week<Sensitivity> week() {
            return voices.map(Sourced::value);
        }
    }

    /** Plans by calendar or date, in the order in which they were first named; the first counts on a clash. */
    record SpecialDays(Map<String, Sourced<DayPlan>> byCalendar) implements Effective {
        public SpecialDays {
            byCalendar = Collections.unmodifiableMap(new LinkedHashMap<>(byCalendar));
        }

        private Value asSaidOnly() {
            Map<String, Optional<DayPlan>> plans = new LinkedHashMap<>();
            byCalendar.forEach((calendar, plan) -> plans.put(calendar, Optional.of(plan.value())));
            return new Value.SpecialDays(plans);
        }
    }

    /** The areas by name, in the order in which they were first named. */
    record Areas(Map<String, Area> byName, boolean fixed) implements Effective {
        public Areas {
            byName = Collections.unmodifiableMap(new LinkedHashMap<>(byName));
        }

        /** Union of the watch areas (all, if there is none) minus the union of the ignore areas. */
        public CellMask watched(CellGrid grid) {
            return union(AreaKind.WATCH, grid)
                    .orElse(CellMask.all(grid))
                    .minus(union(AreaKind.IGNORE, grid).orElse(CellMask.none(grid)));
        }

        /** The cells of all areas of a kind together; empty when there is no such area. */
        public Optional<CellMask> union(AreaKind kind, CellGrid grid) {
            return byName.values().stream()
                    .filter(a -> a.kindOrWatch() == kind)
                    .flatMap(a -> a.shape().stream())
                    .map(s -> s.value().on(grid))
                    .reduce(CellMask::union);
        }
    }

    /** One area with the origin of each field. */
    record Area(
            Optional<Sourced<AreaKind>> kind,
            Optional<Sourced<Shape>> shape,
            Optional<Sourced<Sensing>> sensitivity,
            Optional<Sourced<Threshold>> threshold) {
        static final Area BLANK = new Area(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

        AreaStatement asSaid(String name) {
            return new AreaStatement(
                    name,
                    false,
                    Optional.of(kindOrWatch()),
                    shape.map(Sourced::value),
                    sensitivity.map(Sourced::value),
                    threshold.map(Sourced::value));
        }

        public AreaKind kindOrWatch() {
            return kind.map(Sourced::value).orElse(AreaKind.WATCH);
        }
    }
}
