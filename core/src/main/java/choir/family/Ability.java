package choir.family;

import choir.area.CellGrid;
import choir.scale.CountScale;
import choir.scale.SensitivityScale;
import choir.week.Trigger;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** How a family holds one setting. */
public sealed interface Ability {
    Place place();

    /** The value of a device that nobody ever touched, if the family file states one. */
    Optional<NativeValue> factory();

    record Switch(Place place, Optional<NativeValue> factory) implements Ability {}

    /** @param adapts the device can adapt to the noise of the picture; it then writes {@code auto} */
    record Sense(Place place, SensitivityScale scale, boolean adapts, Optional<NativeValue> factory)
            implements Ability {
        public static final String AUTO = "auto";
    }

    /** A threshold as a count of watched cells. */
    record Cells(Place place, CountScale scale, Optional<NativeValue> factory) implements Ability {}

    /**
     * A threshold as a count of watched pixels at the size of analysis.
     *
     * @param fullWidth of the analysed stream, in pixels
     * @param fullHeight of the analysed stream, in pixels
     */
    record Pixels(Place place, CountScale scale, int fullWidth, int fullHeight, Optional<NativeValue> factory)
            implements Ability {}

    /** @param ignores the device marks the cells that are not watched; a value here always has those that are */
    record Mask(Place place, CellGrid grid, boolean ignores, Optional<NativeValue> factory) implements Ability {}

    /** One schedule for each trigger; a minute may stand in several. */
    record Lanes(Place place, Set<Trigger> lanes, Optional<NativeValue> factory) implements Ability {
        public Lanes {
            lanes = Set.copyOf(lanes);
        }
    }

    /** Whole numbers, either all between the ends or only the listed ones, ascending. */
    record Numbers(Place place, List<Integer> allowed, int min, int max, Optional<NativeValue> factory)
            implements Ability {
        public Numbers {
            allowed = allowed.stream().sorted().toList();
        }
    }

    /** Words of ours with what the device writes for each. */
    record Choice(Place place, Map<String, String> choices, Optional<NativeValue> factory) implements Ability {
        public Choice {
            choices = Collections.unmodifiableMap(new LinkedHashMap<>(choices));
        }
    }

    /** A text that the device takes as it is. */
    record Text(Place place, Optional<NativeValue> factory) implements Ability {}
}
