package choir.family;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.TriggerSet;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import choir.week.WeekText;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** One value in a recorder's own units. The text form is stored, compared and shown. */
public sealed interface NativeValue {
    String text();

    record Flag(boolean on) implements NativeValue {
        @Override
        public String text() {
            return on ? "on" : "off";
        }
    }

    /** A number or a word as the device writes it. */
    record Item(String text) implements NativeValue {}

    record Mask(CellMask mask) implements NativeValue {
        @Override
        public String text() {
            return mask.toString();
        }
    }

    record Hours(Week<TriggerSet> week) implements NativeValue {
        @Override
        public String text() {
            return String.join("; ", WeekText.print(week));
        }
    }

    /** Areas as polygons; an empty list watches nothing. */
    record Zones(List<Zone> zones) implements NativeValue {
        public Zones {
            zones = List.copyOf(zones);
        }

        @Override
        public String text() {
            return zones.isEmpty()
                    ? "nothing watched"
                    : zones.stream().map(Zone::toString).collect(Collectors.joining("; "));
        }
    }

    /** Native sensitivities by time; where it is silent the plain one holds. */
    record Levels(Week<String> week) implements NativeValue {
        @Override
        public String text() {
            return week.isSilent() ? "off" : String.join("; ", WeekText.print(week));
        }
    }

    /** Groups of dates with their plans, in the order in which they count. */
    record SpecialDays(List<SpecialDay> days) implements NativeValue {
        public SpecialDays {
            days = List.copyOf(days);
        }

        @Override
        public String text() {
            return days.isEmpty()
                    ? "none"
                    : days.stream()
                            .map(d -> d.calendar() + " (" + d.dates() + "): " + d.plan())
                            .collect(Collectors.joining(" | "));
        }
    }

    /** The stored form: the kind, a colon, the value. */
    default String stored() {
        return switch (this) {
            case Flag f -> "flag:" + f.text();
            case Item i -> "item:" + i.text();
            case Mask m -> "mask:" + m.mask().grid() + ":" + m.mask().packed();
            case Hours h -> "week:" + h.text();
            case Zones z -> "zones:" + z.zones().stream().map(Zone::stored).collect(Collectors.joining("|"));
            case Levels l -> "levels:" + String.join("; ", WeekText.print(l.week()));
            case SpecialDays d ->
                "days:"
                        + d.days().stream()
                                .map(s -> String.join(
                                        "^",
                                        s.calendar(),
                                        s.dates().toString(),
                                        s.plan().toString()))
                                .collect(Collectors.joining("|"));
        };
    }

    static NativeValue parse(String stored) {
        int cut = stored.indexOf(':');
        String body = stored.substring(cut + 1);
        return switch (stored.substring(0, Math.max(0, cut))) {
            case "flag" -> new Flag(body.equals("on"));
            case "item" -> new Item(body);
            case "mask" -> mask(body);
            case "week" -> new Hours(body.isEmpty() ? Week.silent() : WeekText.parse(List.of(body.split("; "))));
            case "zones" -> new Zones(parts(body).map(Zone::parse).toList());
            case "levels" ->
                new Levels(body.isEmpty() ? Week.silent() : WeekText.parse(List.of(body.split("; ")), level -> level));
            case "days" -> new SpecialDays(parts(body).map(NativeValue::day).toList());
            default -> throw new IllegalArgumentException("\"" + stored + "\" is not a stored native value");
        };
    }

    private static Stream<String> parts(String body) {
        return body.isEmpty() ? Stream.empty() : Stream.of(body.split("\\|"));
    }

    private static SpecialDay day(String stored) {
        var fields = stored.split("\\^", -1);
        if (fields.length != 3) {
            throw new IllegalArgumentException("\"" + stored + "\" is not a stored special day");
        }
        return new SpecialDay(fields[0], DateSet.parse(fields[1]), DayPlan.parse(List.of(fields[2].split("; "))));
    }

    private static NativeValue mask(String body) {
        var match =
                Pattern.compile("(\\d{1,4})x(\\d{1,4}):(.*)", Pattern.DOTALL).matcher(body);
        if (!match.matches()) {
            throw new IllegalArgumentException("\"" + body + "\" is not a stored mask");
        }
        var grid = new CellGrid(Integer.parseInt(match.group(1)), Integer.parseInt(match.group(2)));
        return new Mask(CellMask.unpack(grid, match.group(3)));
    }
}
