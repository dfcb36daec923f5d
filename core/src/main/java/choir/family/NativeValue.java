package choir.family;

import choir.area.CellMask;
import choir.scale.NativeScalar;
import choir.week.TriggerSet;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import java.util.List;

/** One value in a recorder's own units. Equal values are in tune; what people read is made by {@link NativeText}. */
public sealed interface NativeValue {
    record Flag(boolean on) implements NativeValue {}

    /** A number or a word. */
    record Single(NativeScalar scalar) implements NativeValue {}

    /** One number or word for each of the device's areas, in their order; never all the same, which is a {@link Single}. */
    record PerArea(List<NativeScalar> values) implements NativeValue {
        public PerArea {
            values = List.copyOf(values);
        }
    }

    record Mask(CellMask mask) implements NativeValue {}

    record Hours(Week<TriggerSet> week) implements NativeValue {}

    /** Areas as polygons; an empty list watches nothing. */
    record Zones(List<Zone> zones) implements NativeValue {
        public Zones {
            zones = List.copyOf(zones);
        }
    }

    /** Native sensitivities by time; where it is silent the plain one holds. */
    record Levels(Week<NativeScalar> week) implements NativeValue {}

    /** Groups of dates with their plans, in the order in which they count. */
    record SpecialDays(List<SpecialDay> days) implements NativeValue {
        public SpecialDays {
            days = List.copyOf(days);
        }
    }

    static NativeValue number(long number) {
        return new Single(NativeScalar.of(number));
    }

    static NativeValue word(String word) {
        return new Single(new NativeScalar.Word(word));
    }

    /** One for all areas when they agree, else one for each. */
    static NativeValue ofAreas(List<NativeScalar> values) {
        return values.stream().distinct().count() == 1 ? new Single(values.getFirst()) : new PerArea(values);
    }
}
