package choir.trial;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.motion.Step;
import choir.motion.Trial.Setting;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.policy.Value;
import choir.survey.Neutral;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a device's motion settings come to on pictures of a size.
 *
 * @param sensitivity 0 to 100; missing where the device adapts by itself
 * @param watched pixels from the top left
 * @param detects false where detection is off, so that nothing ever begins
 * @param assumed in words, what it does not hold or did not tell, and what was taken instead
 */
public record DeviceMotion(
        Setting setting, Optional<BigDecimal> sensitivity, BitSet watched, boolean detects, List<String> assumed) {
    private static final SettingKey ON_DELAY = new SettingKey("motion.on-delay");
    private static final SettingKey OFF_DELAY = new SettingKey("motion.off-delay");
    private static final BigDecimal SENSITIVITY = BigDecimal.valueOf(50);
    private static final BigDecimal PERCENT = BigDecimal.ONE;
    private static final int MINUTES_A_DAY = 1440;

    public DeviceMotion {
        watched = (BitSet) watched.clone();
        assumed = List.copyOf(assumed);
    }

    /** The same with other values. */
    public DeviceMotion with(Optional<BigDecimal> otherSensitivity, double threshold) {
        Step step = otherSensitivity
                .<Step>map(s -> Step.Fixed.ofSensitivity(s.doubleValue()))
                .orElseGet(Step.Adapted::new);
        return new DeviceMotion(setting.with(step, threshold), otherSensitivity, watched, detects, List.of());
    }

    public DeviceMotion with(BitSet otherPixels) {
        return new DeviceMotion(setting, sensitivity, otherPixels, detects, assumed);
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
            var setting = new Setting(
                    sensitivity
                            .<Step>map(s -> Step.Fixed.ofSensitivity(s.doubleValue()))
                            .orElseGet(Step.Adapted::new),
                    threshold().movePointLeft(2).doubleValue(),
                    millis(ON_DELAY, 0),
                    millis(OFF_DELAY, 2_000),
                    seconds(Catalogue.BEFORE_EVENT, 5),
                    seconds(Catalogue.AFTER_EVENT, 10));
            boolean detects = neutral.of(Catalogue.DETECTION)
                    .map(v -> !(v instanceof Value.Flag(boolean on)) || on)
                    .orElse(true);
            return new DeviceMotion(setting, sensitivity, watched(width, height), detects, assumed);
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
