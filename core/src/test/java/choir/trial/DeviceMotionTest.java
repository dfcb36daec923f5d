package choir.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.family.Families;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.motion.Step;
import choir.policy.Catalogue;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What devices hold, as it works on pictures of 160 by 90. */
class DeviceMotionTest {
    private static final LocalDateTime NOON = LocalDateTime.parse("2027-01-14T12:00");

    private static Family family(String name) {
        return Families.shipped().named(name).orElseThrow();
    }

    private static DeviceMotion motion(String family, Map<choir.policy.SettingKey, NativeValue> held) {
        return DeviceMotion.of(family(family), new NativeConfig(held), NOON, 160, 90);
    }

    @Test
    void aThresholdInCellsIsAShareOfThoseThatAreWatched() {
        var grid = new CellGrid(22, 18);
        var left = new java.util.BitSet();
        for (int row = 0; row < 18; row++) {
            left.set(row * 22, row * 22 + 11);
        }
        var motion = motion(
                "tern",
                Map.of(
                        Catalogue.SENSITIVITY,
                        NativeValue.number(70),
                        Catalogue.THRESHOLD,
                        NativeValue.number(2),
                        Catalogue.AREAS,
                        new NativeValue.Mask(CellMask.of(grid, left))));
        assertThat(motion.setting().threshold()).isCloseTo(2.0 / 198, within(0.0006));
        assertThat(motion.setting().step()).isEqualTo(new Step.Fixed(6));
        assertThat(motion.watched().cardinality()).isBetween(80 * 90 - 1, 80 * 90 + 1);
        assertThat(motion.assumed()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"auk, 1, 100", "auk, 9, 0", "petrel, 0, 100", "petrel, 255, 0"})
    void aScaleThatCountsDownIsReadTheRightWayRound(String family, int held, int neutral) {
        var motion = motion(family, Map.of(Catalogue.SENSITIVITY, NativeValue.number(held)));
        assertThat(motion.sensitivity().orElseThrow().doubleValue()).isCloseTo(neutral, within(7.0));
    }

    @Test
    void aDeviceThatAdaptsHasNoStepOfItsOwn() {
        var motion = motion("petrel", Map.of(Catalogue.SENSITIVITY, NativeValue.word("auto")));
        assertThat(motion.setting().step()).isEqualTo(new Step.Adapted());
        assertThat(motion.sensitivity()).isEmpty();
    }

    @Test
    void whatItDoesNotHoldIsSaid() {
        var motion = motion("gannet", Map.of(Catalogue.SENSITIVITY, NativeValue.number(3)));
        assertThat(motion.setting().threshold()).isEqualTo(0.01);
        assertThat(motion.assumed()).singleElement().asString().contains("has no threshold");
        assertThat(motion("tern", Map.of()).assumed()).hasSize(2);
        assertThat(motion("tern", Map.of()).setting().offDelay()).isEqualTo(Duration.ofSeconds(2));
        assertThat(motion("tern", Map.of()).watched().cardinality()).isEqualTo(160 * 90);
    }

    @Test
    void aDeviceThatAnalysesMoreOftenIsSaidTo() {
        var often = motion(
                "petrel", Map.of(new choir.policy.SettingKey("motion.analyses-per-second"), NativeValue.number(5)));
        assertThat(often.assumed()).anyMatch(a -> a.contains("analyses 5 pictures a second"));
        var usual = motion(
                "petrel", Map.of(new choir.policy.SettingKey("motion.analyses-per-second"), NativeValue.number(2)));
        assertThat(usual.assumed()).noneMatch(a -> a.contains("pictures a second"));
    }

    @Test
    void aDeviceThatLooksAtEachAreaByItselfHasAreasOfItsOwn() {
        var door = new choir.family.Zone("door", List.of(corner(0, 0), corner(50, 0), corner(50, 100), corner(0, 100)));
        var gate = new choir.family.Zone(
                "gate", List.of(corner(50, 0), corner(100, 0), corner(100, 100), corner(50, 100)));
        var zones = new NativeValue.Zones(List.of(door, gate));
        var same = motion(
                "fulmar",
                Map.of(
                        Catalogue.AREAS,
                        zones,
                        Catalogue.SENSITIVITY,
                        NativeValue.number(10),
                        Catalogue.THRESHOLD,
                        NativeValue.number(4)));
        // Also where both hold the same, since each looks at its own pixels.
        assertThat(same.byArea()).isTrue();
        assertThat(same.areas()).extracting(DeviceMotion.Area::threshold).containsExactly(.04, .04);
        assertThat(same.areas()).extracting(a -> a.watched().cardinality()).containsExactly(80 * 90, 80 * 90);
        assertThat(same.watched().cardinality()).isEqualTo(160 * 90);
        var tuned = same.with("gate", same.area("gate").sensitivity(), .2);
        assertThat(tuned.areas()).extracting(DeviceMotion.Area::threshold).containsExactly(.04, .2);
        assertThatThrownBy(() -> same.area("window")).hasMessageContaining("door, gate");
        assertThatThrownBy(() -> motion("tern", Map.of()).area("door")).hasMessageContaining("no values of their own");
        // One without a name, or two with the same, are told apart by their number.
        var unnamed = motion(
                "fulmar",
                Map.of(
                        Catalogue.AREAS,
                        new NativeValue.Zones(List.of(new choir.family.Zone("door", gate.corners()), door))));
        assertThat(unnamed.areas()).extracting(DeviceMotion.Area::name).containsExactly("area 1", "area 2");
        assertThat(motion("fulmar", Map.of(Catalogue.AREAS, new NativeValue.Zones(List.of())))
                        .watched()
                        .isEmpty())
                .isTrue();
    }

    private static choir.area.Enclosure.Corner corner(int x, int y) {
        return new choir.area.Enclosure.Corner(x, y);
    }

    @Test
    void detectionThatIsOffIsKnown() {
        assertThat(motion("tern", Map.of(Catalogue.DETECTION, new NativeValue.Flag(false)))
                        .detects())
                .isFalse();
        assertThat(motion("tern", Map.of()).detects()).isTrue();
    }

    @Test
    void aDevicesChoicesAreItsOwnSteps() {
        var tern = DeviceChoices.of(family("tern"), 198);
        assertThat(tern.sensitivities()).hasSize(101);
        assertThat(tern.thresholds()).hasSize(198);
        assertThat(tern.adapts()).isFalse();
        var gannet = DeviceChoices.of(family("gannet"), 1);
        assertThat(gannet.sensitivities()).hasSize(6);
        assertThat(gannet.thresholds()).containsExactly(0.01);
        assertThat(DeviceChoices.of(family("auk"), 1).thresholds()).containsExactly(.002, .005, .01, .02, .05);
        assertThat(DeviceChoices.of(family("fulmar"), 1).thresholds()).hasSize(50);
        assertThat(DeviceChoices.of(family("petrel"), 1).adapts()).isTrue();
        assertThat(DeviceChoices.of(family("plover"), 1).sensitivities()).hasSize(3);
        assertThat(DeviceChoices.grid(family("tern"))).isEqualTo(new CellGrid(22, 18));
    }
}
