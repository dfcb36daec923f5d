package choir.policy;

import choir.scale.Decimals;
import choir.scale.Sensitivity;
import choir.scale.Threshold;
import choir.week.DayPlan;
import choir.week.TriggerSet;
import choir.week.Week;
import choir.week.WeekText;
import java.math.BigDecimal;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** What a policy says for a setting, in neutral units. The text is the canonical form of policy files. */
public sealed interface Value {
    String text();

    record Flag(boolean on) implements Value {
        @Override
        public String text() {
            return on ? "on" : "off";
        }
    }

    record Sense(Sensing sensing) implements Value {
        @Override
        public String text() {
            return sensing.toString();
        }
    }

    record Share(Threshold threshold) implements Value {
        @Override
        public String text() {
            return threshold.toString();
        }
    }

    /** A word or a line of text. */
    record Word(String text) implements Value {}

    /** A number with its unit, such as {@code 12s} or {@code 21d}. */
    record Amount(BigDecimal number, Unit unit) implements Value {
        public Amount {
            number = Decimals.plain(number);
        }

        @Override
        public String text() {
            return number.toPlainString() + unit;
        }
    }

    /** A week of something, which may be partial, with the lines by which its author said it. */
    sealed interface OfWeek<V> extends Value {
        Week<V> week();

        /** Drop what farther layers say at any minute. */
        boolean replace();

        /** As its author said it; empty where there is none. They are no part of what it means. */
        List<String> said();

        /** The lines by which it is told: its author's, else the fewest that say it. */
        default List<String> lines() {
            return said().isEmpty() ? WeekText.shortest(week()) : said();
        }

        @Override
        default String text() {
            return (replace() ? "replace: " : "") + String.join("; ", lines());
        }

        /** Whether both mean the same, however they were said. */
        static boolean same(OfWeek<?> one, OfWeek<?> other) {
            return one.replace() == other.replace() && one.week().equals(other.week());
        }
    }

    /** What starts recording. */
    record Hours(Week<TriggerSet> week, boolean replace, List<String> said) implements OfWeek<TriggerSet> {
        public Hours {
            said = List.copyOf(said);
        }

        public Hours(Week<TriggerSet> week, boolean replace) {
            this(week, replace, List.of());
        }

        @Override
        public boolean equals(@Nullable Object other) {
            return other instanceof Hours that && OfWeek.same(this, that);
        }

        @Override
        public int hashCode() {
            return Objects.hash(week, replace);
        }
    }

    /** Sensitivities by time; at other times the plain sensitivity holds. */
    record Levels(Week<Sensitivity> week, boolean replace, List<String> said) implements OfWeek<Sensitivity> {
        public Levels {
            said = List.copyOf(said);
        }

        public Levels(Week<Sensitivity> week, boolean replace) {
            this(week, replace, List.of());
        }

        @Override
        public boolean equals(@Nullable Object other) {
            return other instanceof Levels that && OfWeek.same(this, that);
        }

        @Override
        public int hashCode() {
            return Objects.hash(week, replace);
        }
    }

    /** Plans by calendar, or by date, in order; one without a plan is taken away. */
    record SpecialDays(Map<String, Optional<DayPlan>> plans) implements Value {
        public SpecialDays {
            plans = Collections.unmodifiableMap(new LinkedHashMap<>(plans));
        }

        @Override
        public String text() {
            return plans.entrySet().stream()
                    .map(e -> e.getKey() + ": "
                            + e.getValue().map(DayPlan::toString).orElse("remove"))
                    .collect(Collectors.joining(", "));
        }
    }

    record Areas(List<AreaStatement> areas) implements Value {
        public Areas {
            areas = List.copyOf(areas);
        }

        @Override
        public String text() {
            return areas.stream()
                    .map(a -> (a.remove()
                                    ? "remove "
                                    : a.kind().map(k -> k.text() + " ").orElse(""))
                            + a.name())
                    .collect(Collectors.joining(", "));
        }
    }
}
