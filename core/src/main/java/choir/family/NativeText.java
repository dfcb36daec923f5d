package choir.family;

import choir.week.Week;
import choir.week.WeekText;
import java.util.stream.Collectors;

/** Native values as people read them. Nothing is ever read back from this text. */
public final class NativeText {
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
            case NativeValue.SpecialDays(var days) ->
                days.isEmpty()
                        ? "none"
                        : days.stream()
                                .map(d -> d.calendar() + " (" + d.dates() + "): " + d.plan())
                                .collect(Collectors.joining(" | "));
        };
    }

    private static String lines(Week<?> week, String silent) {
        return week.isSilent() ? silent : String.join("; ", WeekText.shortest(week));
    }
}
