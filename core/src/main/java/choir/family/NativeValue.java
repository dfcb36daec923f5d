package choir.family;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.week.TriggerSet;
import choir.week.Week;
import choir.week.WeekText;
import java.util.List;
import java.util.regex.Pattern;

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

    /** The stored form: the kind, a colon, the value. */
    default String stored() {
        return switch (this) {
            case Flag f -> "flag:" + f.text();
            case Item i -> "item:" + i.text();
            case Mask m -> "mask:" + m.mask().grid() + ":" + m.mask().packed();
            case Hours h -> "week:" + h.text();
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
            default -> throw new IllegalArgumentException("\"" + stored + "\" is not a stored native value");
        };
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
