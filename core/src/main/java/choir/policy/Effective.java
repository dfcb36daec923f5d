package choir.policy;

import choir.area.Shape;
import choir.scale.Sensitivity;
import choir.scale.Threshold;
import choir.week.DayPlan;
import choir.week.TriggerSet;
import choir.week.Week;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

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
