package choir.trial;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.area.Enclosure;
import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Zone;
import choir.motion.MotionEvents.Level;
import choir.motion.Pass;
import choir.motion.Step;
import choir.motion.Trial.Lane;
import choir.motion.Trial.Setting;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.policy.Value;
import choir.refusal.Refusal;
import choir.scale.Sensitivity;
import choir.survey.Neutral;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * What a device's motion settings come to on pictures of a size.
 *
 * @param setting delays and what is kept around; its step and threshold are those of the first area
 * @param areas one that is the picture, or those of a device whose areas have values of their own; never none
 * @param detects false where detection is off, so that nothing ever begins
 * @param assumed in words, what it does not hold or did not tell, and what was taken instead
 */
public record DeviceMotion(Setting setting, List<Area> areas, boolean detects, List<String> assumed) {
    private static final SettingKey ON_DELAY = new SettingKey("motion.on-delay");
    private static final SettingKey OFF_DELAY = new SettingKey("motion.off-delay");
    private static final SettingKey ANALYSES = new SettingKey("motion.analyses-per-second");
    /** What is looked at unless somebody asks for more. */
    private static final BigDecimal USUAL_ANALYSES = BigDecimal.valueOf(2);

    private static final BigDecimal SENSITIVITY = BigDecimal.valueOf(50);
    private static final BigDecimal PERCENT = BigDecimal.ONE;
    private static final int MINUTES_A_DAY = 1440;

    /**
     * What is watched together, and from what on it is motion.
     *
     * @param name empty where the picture is one
     * @param watched pixels from the top left
     * @param sensitivity 0 to 100; missing where the device adapts by itself
     * @param threshold a share of what is watched, over 0 to 1
     */
    public record Area(String name, BitSet watched, Optional<BigDecimal> sensitivity, double threshold) {
        public Area {
            watched = (BitSet) watched.clone();
        }

        @Override
        public BitSet watched() {
            return (BitSet) watched.clone();
        }

        public Step step() {
            return sensitivity
                    .<Step>map(s -> Step.Fixed.ofSensitivity(s.doubleValue()))
                    .orElseGet(Step.Adapted::new);
        }

        Area with(Optional<BigDecimal> otherSensitivity, double otherThreshold) {
            return new Area(name, watched, otherSensitivity, otherThreshold);
        }

        Area without(BitSet pixels) {
            var left = watched();
            left.andNot(pixels);
            return new Area(name, left, sensitivity, threshold);
        }
    }

    public DeviceMotion {
        areas = List.copyOf(areas);
        assumed = List.copyOf(assumed);
        if (areas.isEmpty()) {
            throw new IllegalArgumentException("what watches nothing has an area without pixels");
        }
        setting = setting.with(areas.getFirst().step(), areas.getFirst().threshold());
    }

    /** Of the picture, or of the first area. */
    public Optional<BigDecimal> sensitivity() {
        return areas.getFirst().sensitivity();
    }

    /** Whether its areas have values of their own. */
    public boolean byArea() {
        return !areas.getFirst().name().isEmpty();
    }

    /** All that is watched, in whichever area. */
    public BitSet watched() {
        var all = new BitSet();
        areas.forEach(a -> all.or(a.watched));
        return all;
    }

    /** The same with other values, for every area. */
    public DeviceMotion with(Optional<BigDecimal> sensitivity, double threshold) {
        return new DeviceMotion(
                setting, areas.stream().map(a -> a.with(sensitivity, threshold)).toList(), detects, List.of());
    }

    /**
     * The same with other values for one area.
     *
     * @throws Refusal when there is none of that name
     */
    public DeviceMotion with(String area, Optional<BigDecimal> sensitivity, double threshold) {
        area(area);
        return new DeviceMotion(
                setting,
                areas.stream()
                        .map(a -> a.name().equals(area) ? a.with(sensitivity, threshold) : a)
                        .toList(),
                detects,
                assumed);
    }

    /** @throws Refusal when there is none of that name */
    public Area area(String name) {
        return areas.stream()
                .filter(a -> a.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new Refusal(
                        byArea()
                                ? "\"" + name + "\" is none of its areas; it has "
                                        + areas.stream().map(Area::name).collect(Collectors.joining(", "))
                                : "its areas have no values of their own, so none is tried alone"));
    }

    /** The same with pixels left out. */
    public DeviceMotion without(BitSet pixels) {
        return new DeviceMotion(
                setting, areas.stream().map(a -> a.without(pixels)).toList(), detects, assumed);
    }

    /**
     * The level of each area over time. With detection off nothing is watched.
     *
     * @param factor by which this device's own levels differ from the model's, 1 where they are not known to
     */
    public List<Lane> lanes(Pass pass, double factor) {
        return areas.stream()
                .map(a -> new Lane(a.name, pass.levels(a.step(), detects ? a.watched : new BitSet()), a.threshold)
                        .times(factor))
                .toList();
    }

    /** As {@link #lanes}, of levels that were looked at otherwise, one list for each area. */
    public List<Lane> lanes(List<List<Level>> levels, double factor) {
        return IntStream.range(0, areas.size())
                .mapToObj(i -> new Lane(areas.get(i).name, levels.get(i), areas.get(i).threshold).times(factor))
                .toList();
    }

    /**
     * @param wall the hour that is meant, where a sensitivity differs by time
     * @param width of the pictures
     */
    public static DeviceMotion of(Family family, NativeConfig held, LocalDateTime wall, int width, int height) {
        return new Reader(family, held).motion(wall, width, height);
    }

    private static final class Reader {
        private final Family family;
        private final NativeConfig held;
        private final Neutral neutral;
        private final List<String> assumed = new ArrayList<>();

        Reader(Family family, NativeConfig held) {
            this.family = family;
            this.held = withAreas(family, held);
            this.neutral = new Neutral(family, this.held, Calendars.NONE);
        }

        /** Where its areas are not known, the whole picture is taken; thresholds in cells are counted over it. */
        private static NativeConfig withAreas(Family family, NativeConfig held) {
            return held.get(Catalogue.AREAS).isEmpty()
                            && family.ability(Catalogue.AREAS).orElse(null) instanceof Ability.Mask mask
                    ? held.with(Map.of(Catalogue.AREAS, new NativeValue.Mask(CellMask.all(mask.grid()))))
                    : held;
        }

        DeviceMotion motion(LocalDateTime wall, int width, int height) {
            var sensitivity = sensitivity(wall);
            double threshold = share(threshold());
            var setting = new Setting(
                    new Step.Adapted(),
                    threshold,
                    millis(ON_DELAY, 0),
                    millis(OFF_DELAY, 2_000),
                    seconds(Catalogue.BEFORE_EVENT, 5),
                    seconds(Catalogue.AFTER_EVENT, 10));
            boolean detects = neutral.of(Catalogue.DETECTION)
                    .map(v -> !(v instanceof Value.Flag(boolean on)) || on)
                    .orElse(true);
            amount(ANALYSES)
                    .filter(n -> n.compareTo(USUAL_ANALYSES) != 0)
                    .ifPresent(n -> assumed.add("it analyses " + n.toPlainString()
                            + " pictures a second, and 2 are looked at; try it with so many"));
            var areas = ownAreas(sensitivity, threshold, width, height);
            return new DeviceMotion(
                    setting,
                    areas.isEmpty() ? List.of(new Area("", watched(width, height), sensitivity, threshold)) : areas,
                    detects,
                    assumed);
        }

        /** Those of a device that looks at each of its areas apart. */
        private List<Area> ownAreas(Optional<BigDecimal> sensitivity, double threshold, int width, int height) {
            if (!(family.ability(Catalogue.AREAS).orElse(null) instanceof Ability.Zones ability)
                    || !(held.get(Catalogue.AREAS).orElse(null) instanceof NativeValue.Zones(var zones))
                    || !eachArea()) {
                return List.of();
            }
            var sensitivities = neutral.sensitivities(zones.size());
            var thresholds = neutral.thresholds(zones.size());
            List<Area> areas = new ArrayList<>();
            var titles = zones.stream().map(Zone::title).toList();
            boolean named = titles.stream().noneMatch(String::isEmpty)
                    && Set.copyOf(titles).size() == titles.size();
            for (int i = 0; i < zones.size(); i++) {
                var cells = Enclosure.cells(zones.get(i).corners(), ability.grid(), ability.resolution());
                areas.add(new Area(
                        named ? titles.get(i) : "area " + (i + 1),
                        pixels(cells, width, height),
                        sensitivities.isEmpty()
                                ? sensitivity
                                : sensitivities.get(i).number().map(Sensitivity::value),
                        thresholds.isEmpty()
                                ? threshold
                                : share(thresholds.get(i).percent())));
            }
            return areas;
        }

        private boolean eachArea() {
            return family.ability(Catalogue.THRESHOLD).orElse(null) instanceof Ability.Percent p && p.eachArea()
                    || family.ability(Catalogue.SENSITIVITY).orElse(null) instanceof Ability.Sense s && s.eachArea();
        }

        private static double share(BigDecimal percent) {
            return percent.movePointLeft(2).doubleValue();
        }

        /** Empty when it adapts by itself. */
        private Optional<BigDecimal> sensitivity(LocalDateTime wall) {
            int minute = (wall.getDayOfWeek().getValue() - 1) * MINUTES_A_DAY
                    + wall.toLocalTime().toSecondOfDay() / 60;
            var byTime = neutral.of(Catalogue.SENSITIVITY_BY_TIME)
                    .flatMap(v ->
                            v instanceof Value.Levels levels ? levels.week().at(minute) : Optional.empty());
            if (byTime.isPresent()) {
                return Optional.of(byTime.get().value());
            }
            if (neutral.of(Catalogue.SENSITIVITY).orElse(null) instanceof Value.Sense(var sensing)) {
                return sensing.auto()
                        ? Optional.empty()
                        : Optional.of(sensing.number().orElseThrow().value());
            }
            assumed.add(missing("sensitivity", Catalogue.SENSITIVITY) + " 50 is taken");
            return Optional.of(SENSITIVITY);
        }

        private BigDecimal threshold() {
            if (neutral.of(Catalogue.THRESHOLD).orElse(null) instanceof Value.Share(var threshold)) {
                return threshold.percent();
            }
            assumed.add(missing("threshold", Catalogue.THRESHOLD) + " 1 % is taken");
            return PERCENT;
        }

        private String missing(String what, SettingKey key) {
            return family.ability(key).isPresent()
                    ? "its " + what + " is not known;"
                    : family.title() + " has no " + what + ";";
        }

        private Duration millis(SettingKey key, long otherwise) {
            return amount(key).map(n -> Duration.ofMillis(n.longValue())).orElse(Duration.ofMillis(otherwise));
        }

        private Duration seconds(SettingKey key, long otherwise) {
            return amount(key)
                    .map(n -> Duration.ofMillis(n.movePointRight(3).longValue()))
                    .orElse(Duration.ofSeconds(otherwise));
        }

        private Optional<BigDecimal> amount(SettingKey key) {
            return neutral.of(key)
                    .flatMap(v -> v instanceof Value.Amount a ? Optional.of(a.number()) : Optional.empty());
        }

        private BitSet watched(int width, int height) {
            var mask = held.get(Catalogue.AREAS)
                    .flatMap(v -> switch (v) {
                        case NativeValue.Mask(var cells) -> Optional.of(cells);
                        case NativeValue.Zones zones
                        when family.ability(Catalogue.AREAS).orElse(null) instanceof Ability.Zones ability ->
                            Optional.of(ability.cells(zones));
                        default -> Optional.<CellMask>empty();
                    })
                    .orElseGet(() -> CellMask.all(new CellGrid(1, 1)));
            return pixels(mask, width, height);
        }
    }

    /** The pixels that lie in the cells of a mask. */
    public static BitSet pixels(CellMask mask, int width, int height) {
        var grid = mask.grid();
        var pixels = new BitSet(width * height);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                if (mask.watches(x * grid.columns() / width, y * grid.rows() / height)) {
                    pixels.set(y * width + x);
                }
            }
        }
        return pixels;
    }
}
