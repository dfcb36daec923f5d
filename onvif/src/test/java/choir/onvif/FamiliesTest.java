package choir.onvif;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import choir.family.Families;
import choir.family.Family;
import choir.family.NativeText;
import choir.family.NativeValue;
import choir.family.Zone;
import choir.link.GenericFamily;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderAccess;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.scale.NativeScalar;
import choir.sim.Simulator;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.WallClock.SpecialDay;
import choir.week.WeekText;
import java.io.ByteArrayInputStream;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every family against a simulated recorder of its make. */
class FamiliesTest {
    private static final Families FAMILIES = Families.shipped();
    private Simulator simulator;
    private OnvifLink link;

    @BeforeEach
    void start() {
        simulator = Simulator.start(0);
        link = new OnvifLink(Patience.ofCall(Duration.ofMinutes(2)));
    }

    @AfterEach
    void stop() {
        link.close();
        simulator.close();
    }

    private RecorderAccess recorder(String make, Optional<Family> family) {
        simulator.add(make + "-1", make, "choir", "harbour", 2);
        return new RecorderAccess(simulator.address(make + "-1"), "choir", "harbour", family);
    }

    private RecorderAccess recorder(String make) {
        return recorder(make, FAMILIES.named(make));
    }

    private Map<SettingKey, NativeValue> held(RecorderAccess access, int channel) {
        return link.read(access).channels().get(channel).config().values();
    }

    @Test
    void oneThatSaysEverythingAsNobodyElseDoesIsReadGivenAndReadAgainLikeAnyOther() {
        var plain = recorder("skua", Optional.empty());
        var foreign = recorder("dunlin", Optional.empty());
        var family = GenericFamily.of(link.describe(foreign));
        assertThat(family.abilities())
                .isEqualTo(GenericFamily.of(link.describe(plain)).abilities());
        var access = new RecorderAccess(foreign.address(), "choir", "harbour", Optional.of(family));
        assertThat(held(access, 0))
                .isEqualTo(held(new RecorderAccess(plain.address(), "choir", "harbour", Optional.of(family)), 0));
        Map<SettingKey, NativeValue> wanted = Map.of(
                Catalogue.SENSITIVITY, NativeValue.number(3),
                Catalogue.AFTER_EVENT, NativeValue.number(30),
                Catalogue.FRAME_RATE, NativeValue.number(12),
                Catalogue.WEEK,
                        new NativeValue.Hours(
                                WeekText.parse(List.of("daily motion", "mon-fri 06:30-20:00 continuous"))));
        assertThat(Writes.to(link, access, Map.of("01", wanted))).isEmpty();
        assertThat(held(access, 0)).containsAllEntriesOf(wanted);
        assertThat(held(access, 1)).as("the other channel").isNotEqualTo(held(access, 0));
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern", "gannet", "petrel", "fulmar", "plover"})
    void aRecorderFromTheFactoryHoldsWhatTheFamilyFileSaysAndAgreesWithItsRanges(String make) {
        var access = recorder(make);
        var family = FAMILIES.named(make).orElseThrow();
        var held = held(access, 0);
        assertThat(held.keySet()).isEqualTo(family.abilities().keySet());
        family.abilities()
                .forEach((key, ability) -> ability.factory()
                        .ifPresent(f -> assertThat(held.get(key)).as(key.text()).isEqualTo(f)));
        assertThat(link.disagreements(access)).isEmpty();
        var device = link.read(access).device();
        assertThat(FAMILIES.recognise(device.manufacturer(), device.model())).contains(family);
    }

    @Test
    void aFulmarTakesAreasWithValuesOfTheirOwnAndGivesUpThoseNotWanted() {
        var access = recorder("fulmar");
        Map<SettingKey, NativeValue> three = Map.of(
                Catalogue.AREAS,
                        new NativeValue.Zones(List.of(
                                Zone.of("Pier & head", "0,0 50,0 50,50"),
                                Zone.of("Stairs", "60,60 90,60 90,90 60,90"),
                                Zone.of("Gate", "0,90 10,90 10,100"))),
                Catalogue.SENSITIVITY,
                        new NativeValue.PerArea(List.of(NativeScalar.of(8), NativeScalar.of(15), NativeScalar.of(3))),
                Catalogue.THRESHOLD,
                        new NativeValue.PerArea(List.of(NativeScalar.of(1), NativeScalar.of(1), NativeScalar.of(40))));
        assertThat(Writes.to(link, access, Map.of("02", three))).isEmpty();
        assertThat(held(access, 1)).containsAllEntriesOf(three);

        Map<SettingKey, NativeValue> one = Map.of(
                Catalogue.AREAS, new NativeValue.Zones(List.of(Zone.of("Stairs", "60,60 90,60 90,90 60,90"))),
                Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read("12")));
        assertThat(Writes.to(link, access, Map.of("02", one))).isEmpty();
        assertThat(held(access, 1))
                .containsAllEntriesOf(one)
                .containsEntry(Catalogue.THRESHOLD, new NativeValue.Single(NativeScalar.read("1")));

        Map<SettingKey, NativeValue> none = Map.of(Catalogue.AREAS, new NativeValue.Zones(List.of()));
        assertThat(Writes.to(link, access, Map.of("02", none))).isEmpty();
        assertThat(held(access, 1)).containsAllEntriesOf(none);
    }

    @Test
    void aFulmarHoldsOneTriggerInEachHalfHourAndRoundsTheRest() {
        var access = recorder("fulmar");
        var week = new NativeValue.Hours(
                WeekText.parse(List.of("daily motion", "mon-fri 05:30-09:30 continuous", "sun alarm")));
        assertThat(Writes.to(link, access, Map.of("01", Map.of(Catalogue.WEEK, week))))
                .isEmpty();
        assertThat(held(access, 0)).containsEntry(Catalogue.WEEK, week);
        var odd = new NativeValue.Hours(WeekText.parse(List.of("daily motion", "mon 08:10-10:20 continuous")));
        assertThat(Writes.to(link, access, Map.of("01", Map.of(Catalogue.WEEK, odd))))
                .isEmpty();
        assertThat(NativeText.of(held(access, 0).get(Catalogue.WEEK))).contains("mon 08:00-10:30 continuous");
    }

    @Test
    void aPloverSleepsAndAnswersTheSecondCall() {
        var access = recorder("plover");
        assertThat(held(access, 0))
                .containsEntry(Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read("medium")));
        Map<SettingKey, NativeValue> values = Map.of(
                Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read("high")),
                Catalogue.AFTER_EVENT, new NativeValue.Single(NativeScalar.read("30")),
                Catalogue.SWITCHED_ON, new NativeValue.Flag(false));
        assertThat(Writes.to(link, access, Map.of("01", values))).isEmpty();
        assertThat(held(access, 0)).containsAllEntriesOf(values);
    }

    @Test
    void aFamilyThatDoesNotSleepIsNotCalledTwice() {
        var access = recorder("plover", FAMILIES.named("tern"));
        var thrown = catchThrowableOfType(LinkException.class, () -> link.read(access));
        assertThat(thrown.reason()).isEqualTo(Reason.UNREACHABLE);
    }

    @Test
    void aTernHoldsASecondSensitivityAndSpecialDays() {
        var access = recorder("tern");
        Map<SettingKey, NativeValue> values = Map.of(
                Catalogue.SENSITIVITY_BY_TIME,
                        new NativeValue.Levels(WeekText.parse(List.of("daily 21:00-05:30 45"), NativeScalar::read)),
                Catalogue.SPECIAL_DAYS,
                        new NativeValue.SpecialDays(List.of(
                                new SpecialDay(
                                        "public-holidays",
                                        DateSet.parse("2027-01-01, 12-25 yearly"),
                                        DayPlan.parse(List.of("daily motion", "daily 08:00-12:00 continuous"))),
                                new SpecialDay(
                                        "winter-timetable",
                                        DateSet.parse("2026-11-01..2027-03-01"),
                                        DayPlan.parse(List.of("daily none"))))));
        assertThat(Writes.to(link, access, Map.of("01", values, "02", values))).isEmpty();
        assertThat(held(access, 0)).containsAllEntriesOf(values);
        assertThat(held(access, 1)).containsAllEntriesOf(values);
        // The week of the same schedules can be written without losing them, and they without losing the week.
        var week = new NativeValue.Hours(WeekText.parse(List.of("daily motion")));
        assertThat(Writes.to(link, access, Map.of("01", Map.of(Catalogue.WEEK, week))))
                .isEmpty();
        assertThat(held(access, 0)).containsAllEntriesOf(values).containsEntry(Catalogue.WEEK, week);
        Map<SettingKey, NativeValue> none = Map.of(
                Catalogue.SPECIAL_DAYS, new NativeValue.SpecialDays(List.of()),
                Catalogue.SENSITIVITY_BY_TIME, new NativeValue.Levels(WeekText.parse(List.of(), NativeScalar::read)));
        assertThat(Writes.to(link, access, Map.of("01", none))).isEmpty();
        assertThat(held(access, 0)).containsAllEntriesOf(none).containsEntry(Catalogue.WEEK, week);
    }

    @Test
    void aRecorderOfNoKnownMakeIsReadAndWrittenByWhatItSaysOfItself() {
        var unknown = recorder("skua", Optional.empty());
        var family = GenericFamily.of(link.describe(unknown));
        assertThat(family.name()).isEqualTo("generic-skua-sk-4");
        assertThat(family.abilities().keySet())
                .isEqualTo(Set.of(
                        Catalogue.SENSITIVITY,
                        Catalogue.THRESHOLD,
                        Catalogue.AREAS,
                        new SettingKey("motion.on-delay"),
                        new SettingKey("motion.off-delay"),
                        Catalogue.SWITCHED_ON,
                        Catalogue.WEEK,
                        Catalogue.BEFORE_EVENT,
                        Catalogue.AFTER_EVENT,
                        Catalogue.FRAME_RATE,
                        Catalogue.KEEP_AT_MOST));
        var access = new RecorderAccess(unknown.address(), "choir", "harbour", Optional.of(family));
        Map<SettingKey, NativeValue> values = Map.of(
                Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read("10")),
                Catalogue.WEEK, new NativeValue.Hours(WeekText.parse(List.of("daily motion", "sun none"))));
        assertThat(Writes.to(link, access, Map.of("02", values))).isEmpty();
        assertThat(held(access, 1)).containsAllEntriesOf(values);
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern", "gannet", "plover"})
    void aStillShowsWhatTheCameraSees(String make) throws Exception {
        var access = recorder(make);
        var first = ImageIO.read(new ByteArrayInputStream(link.still(access, "01")));
        var second = ImageIO.read(new ByteArrayInputStream(link.still(access, "02")));
        assertThat(first.getWidth()).isEqualTo(640);
        assertThat(pixels(first)).isNotEqualTo(pixels(second));
        var thrown = catchThrowableOfType(LinkException.class, () -> link.still(access, "77"));
        assertThat(thrown.reason()).isEqualTo(Reason.NOT_SUPPORTED);
    }

    private static List<Integer> pixels(java.awt.image.BufferedImage image) {
        return java.util.Arrays.stream(image.getRGB(0, 40, 640, 320, null, 0, 640))
                .boxed()
                .toList();
    }
}
