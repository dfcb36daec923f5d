package choir.family;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.area.Enclosure;
import choir.refusal.Refusal;
import choir.scale.CountScale;
import choir.scale.NativeScalar;
import choir.scale.SensitivityScale;
import choir.scale.Threshold;
import choir.week.Trigger;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** How a family holds one setting. */
public sealed interface Ability {
    /** The ways to hold a threshold. */
    sealed interface OfThreshold extends Ability {}

    /** The ways to hold areas. */
    sealed interface OfAreas extends Ability {}

    /** What is held by time. */
    sealed interface OfTime extends Ability {}

    Place place();

    /** The value of a device that nobody ever touched, if the family file states one. */
    Optional<NativeValue> factory();

    record Switch(Place place, Optional<NativeValue> factory) implements Ability {}

    /**
     * @param adapts the device can adapt to the noise of the picture; it then writes {@code auto}
     * @param eachArea every area has a value of its own; values that differ stand one behind the other, in the areas' order
     */
    record Sense(Place place, SensitivityScale scale, boolean adapts, boolean eachArea, Optional<NativeValue> factory)
            implements Ability {
        /** What a device writes that adapts. */
        public static final NativeScalar AUTO = new NativeScalar.Word("auto");
    }

    /** A threshold as a count of watched cells. */
    record Cells(Place place, CountScale scale, Optional<NativeValue> factory) implements OfThreshold {}

    /**
     * A threshold as a count of watched pixels at the size of analysis.
     *
     * @param fullWidth of the analysed stream, in pixels
     * @param fullHeight of the analysed stream, in pixels
     */
    record Pixels(Place place, CountScale scale, int fullWidth, int fullHeight, Optional<NativeValue> factory)
            implements OfThreshold {}

    /** A threshold as whole percent of the picture, or of each area. */
    record Percent(Place place, CountScale scale, boolean eachArea, Optional<NativeValue> factory)
            implements OfThreshold {}

    /**
     * A threshold in numbered steps, the first being 1.
     *
     * @param percents what each step means, ascending
     */
    record Steps(Place place, List<Threshold> percents, Optional<NativeValue> factory) implements OfThreshold {
        public Steps {
            percents = List.copyOf(percents);
            if (percents.isEmpty()) {
                throw new Refusal("a threshold in steps says what each step means");
            }
            for (int i = 1; i < percents.size(); i++) {
                if (percents.get(i).percent().compareTo(percents.get(i - 1).percent()) <= 0) {
                    throw new Refusal("the steps of a threshold ascend");
                }
            }
        }
    }

    /**
     * Areas as a few polygons with a title each.
     *
     * @param most how many there are
     * @param corners how many each may have
     * @param resolution the device's units along each side of the picture
     * @param grid the cells by which two sets of areas are compared
     */
    record Zones(Place place, int most, int corners, int resolution, CellGrid grid, Optional<NativeValue> factory)
            implements OfAreas {
        public Zones {
            if (most < 1 || corners < 4 || resolution % grid.columns() != 0 || resolution % grid.rows() != 0) {
                throw new Refusal("areas of polygons need one or more of at least 4 corners, and a"
                        + " resolution that is a multiple of the grid's columns and rows");
            }
        }

        /** The cells that the areas cover together, on the grid of comparison. */
        public CellMask cells(NativeValue.Zones zones) {
            return zones.zones().stream()
                    .map(z -> Enclosure.cells(z.corners(), grid, resolution))
                    .reduce(CellMask.none(grid), CellMask::union);
        }
    }

    /** @param most how many different values by time the device has beside the plain one */
    record Levels(Place place, SensitivityScale scale, int most, Optional<NativeValue> factory) implements OfTime {}

    /** Groups of dates on which the schedules do something else. */
    record SpecialDays(Place place, int most, Optional<NativeValue> factory) implements OfTime {}

    /** @param ignores the device marks the cells that are not watched; a value here always has those that are */
    record Mask(Place place, CellGrid grid, boolean ignores, Optional<NativeValue> factory) implements OfAreas {}

    /**
     * One schedule for each trigger.
     *
     * @param block the device knows only stretches of that many minutes
     * @param single a block stands in one schedule at most; otherwise a minute may stand in several
     * @param off the device can record nothing for a time
     */
    record Lanes(Place place, Set<Trigger> lanes, int block, boolean single, boolean off, Optional<NativeValue> factory)
            implements OfTime {
        public Lanes {
            lanes = Set.copyOf(lanes);
            if (block < 1 || choir.week.Week.MINUTES % block != 0) {
                throw new Refusal("a block of " + block + " minutes does not divide a week");
            }
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

        /** Our word for what the device holds. */
        public Optional<String> meant(NativeValue held) {
            return choices.entrySet().stream()
                    .filter(c -> held.equals(NativeValue.word(c.getValue())))
                    .map(Map.Entry::getKey)
                    .findFirst();
        }
    }

    /** A text that the device takes as it is. */
    record Text(Place place, Optional<NativeValue> factory) implements Ability {}
}
