package choir.family;

import choir.week.DateSet;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import choir.week.WeekText;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Native values as people read them. Nothing is ever read back from this text. */
public final class NativeText {
    /** More dates than these are looked up where the calendar is. */
    private static final int MOST_DATES = 2;

    private NativeText() {}

    public static String of(NativeValue value) {
        return switch (value) {
            case NativeValue.Flag(boolean on) -> on ? "on" : "off";
            case NativeValue.Single(var scalar) -> scalar.toString();
            case NativeValue.PerArea(var values) ->
                values.stream().map(Object::toString).collect(Collectors.joining(", "));
            case NativeValue.Mask(var mask) -> mask.toString();
            case NativeValue.Hours(var week) -> lines(week, "nothing said");
            case NativeValue.Zones(var zones) ->
                zones.isEmpty()
                        ? "nothing watched"
                        : zones.stream().map(Zone::toString).collect(Collectors.joining("; "));
            case NativeValue.Levels(var week) -> lines(week, "off");
            case NativeValue.SpecialDays(var days) -> days(days, NativeText::few);
        };
    }

    /** With what people look up elsewhere otherwise, for those who have nothing else to go by. */
    public static String inFull(NativeValue value) {
        return value instanceof NativeValue.SpecialDays(var days) ? days(days, DateSet::toString) : of(value);
    }

    /** In full only where it would look the same as another that it is not. */
    public static String beside(NativeValue value, Optional<NativeValue> other) {
        boolean looksTheSame = other.filter(o -> !o.equals(value))
                .filter(o -> of(o).equals(of(value)))
                .isPresent();
        return looksTheSame ? inFull(value) : of(value);
    }

    private static String days(List<SpecialDay> days, Function<DateSet, String> dates) {
        return days.isEmpty()
                ? "none"
                : days.stream()
                        .map(d -> d.calendar()
                                + (d.calendar().equals(d.dates().toString()) ? "" : " (" + dates.apply(d.dates()) + ")")
                                + ": " + d.plan())
                        .collect(Collectors.joining(" | "));
    }

    private static String few(DateSet dates) {
        int count = dates.dates().size();
        return count <= MOST_DATES ? dates.toString() : count + " dates";
    }

    private static String lines(Week<?> week, String silent) {
        return week.isSilent() ? silent : String.join("; ", WeekText.shortest(week));
    }
}
