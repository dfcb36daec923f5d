package choir.family;

import static org.assertj.core.api.Assertions.assertThat;

import choir.area.CellMask;
import choir.drift.Distance;
import choir.drift.Drift;
import choir.family.Translation.Wish;
import choir.policy.CalendarName;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.scale.NativeScalar;
import choir.week.DateSet;
import choir.week.Week;
import choir.week.WeekText;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Devices that hold polygons, blocks of time, special days and values by time, and what they make of a policy. */
class AreasAndSchedulesTest {
    private static final Families FAMILIES = Families.shipped();
    private static final Calendars CALENDARS =
            new Calendars(Map.of(new CalendarName("holidays"), DateSet.parse("12-25 yearly")));

    private static Translation translation(String family, String settings) {
        return Translator.translate(
                TranslatorTest.policy(settings), FAMILIES.named(family).orElseThrow(), Optional.empty(), CALENDARS);
    }

    private static Wish.Wanted wanted(String family, String settings, SettingKey key) {
        return (Wish.Wanted) translation(family, settings).wishes().get(key);
    }

    private static NativeValue.Zones zones(String settings) {
        return (NativeValue.Zones) wanted("fulmar", settings, Catalogue.AREAS).value();
    }

    private static final String TWO_AREAS = """
            motion:
              sensitivity: 40
              threshold: 4%
              areas:
                - watch: pier
                  polygon: [[0.1, 0.1], [0.5, 0.1], [0.3, 0.6]]
                  sensitivity: 75
                - watch: stairs
                  rectangle: [[0.6, 0.6], [0.9, 0.9]]
                  threshold: 1%
            """;

    @Test
    void aFewPolygonsGoOverAsTheyAreEachWithItsOwnValues() {
        assertThat(zones(TWO_AREAS))
                .hasToString("Zones[zones=[pier 10,10 50,10 30,60, stairs 60,60 90,60 90,90 60,90]]");
        assertThat(wanted("fulmar", TWO_AREAS, Catalogue.SENSITIVITY))
                .isEqualTo(new Wish.Wanted(
                        new NativeValue.PerArea(List.of(NativeScalar.of(15), NativeScalar.of(8))), Optional.empty()));
        assertThat(wanted("fulmar", TWO_AREAS, Catalogue.THRESHOLD).value())
                .isEqualTo(new NativeValue.PerArea(List.of(NativeScalar.of(4), NativeScalar.of(1))));
    }

    @Test
    void aDeviceWithOneMaskGetsTheMergedOneAndTheMostSensitiveValues() {
        var sensitivity = wanted("tern", TWO_AREAS, Catalogue.SENSITIVITY);
        assertThat(sensitivity.value()).isEqualTo(new NativeValue.Single(NativeScalar.read("75")));
        assertThat(sensitivity.approximated()).contains("asked 40, the recorder takes 75");
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern", "fulmar", "petrel"})
    void valuesThatOnlyAreasHaveAreNotDropped(String family) {
        var settings =
                "motion: {areas: [{watch: pier, rectangle: [[0, 0], [0.5, 1]], sensitivity: 100, threshold: 2%}]}";
        assertThat(translation(family, settings).wanted(Catalogue.SENSITIVITY)).isPresent();
        assertThat(translation(family, settings).wanted(Catalogue.THRESHOLD)).isPresent();
    }

    @Test
    void whatIsIgnoredIsLeftOutAndWhatPolygonsCoverBesideIsSaid() {
        var settings = "motion: {areas: [{ignore: sun, rectangle: [[0, 0], [0.2, 0.2]]}]}";
        assertThat(NativeText.of(zones(settings))).isEqualTo("watched 20,0 100,0 100,100 0,100 0,20 20,20");
        assertThat(wanted("fulmar", settings, Catalogue.AREAS).approximated()).isEmpty();
        var hole = "motion: {areas: [{ignore: clock, rectangle: [[0.4, 0.4], [0.6, 0.6]]}]}";
        assertThat(wanted("fulmar", hole, Catalogue.AREAS).approximated().orElseThrow())
                .contains("cover 100 of 2500 cells beside");
    }

    @Test
    void moreAreasThanTheDeviceHasBecomeFewerAndLoseNoCell() {
        var areas = new StringBuilder("motion:\n  sensitivity: 40\n  areas:\n");
        for (int i = 0; i < 7; i++) {
            areas.append("    - {watch: a%d, rectangle: [[%s, %s], [%s, %s]], sensitivity: %d}\n"
                    .formatted(i, 0.1 * i, 0.12 * i, 0.1 * i + 0.05, 0.12 * i + 0.07, 40 + 5 * i));
        }
        var ability = (Ability.Zones)
                FAMILIES.named("fulmar").orElseThrow().ability(Catalogue.AREAS).orElseThrow();
        var zones = zones(areas.toString());
        assertThat(zones.zones()).hasSizeLessThanOrEqualTo(4);
        var asked =
                TranslatorTest.policy(areas.toString()).areas().orElseThrow().watched(ability.grid());
        assertThat(asked.minus(ability.cells(zones))).isEqualTo(CellMask.none(ability.grid()));
        assertThat(wanted("fulmar", areas.toString(), Catalogue.SENSITIVITY).value())
                .isEqualTo(new NativeValue.Single(NativeScalar.read("14")));
    }

    @Test
    void everythingIgnoredWatchesNothing() {
        assertThat(zones("motion: {areas: [{ignore: all, rectangle: [[0, 0], [1, 1]]}]}")
                        .zones())
                .isEmpty();
        assertThat(NativeText.of(zones("motion: {areas: []}"))).isEqualTo("watched 0,0 100,0 100,100 0,100");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                // A block takes the smallest set that covers all its minutes.
                "fulmar|daily none; mon 08:10-08:20 motion|daily none; mon 08:00-08:30 motion",
                "fulmar|daily motion; mon 08:10-10:20 continuous|daily motion; mon 08:00-10:30 continuous",
                "fulmar|daily motion,alarm|daily continuous",
                "fulmar|daily motion+alarm|daily motion",
                "fulmar|daily analytics|daily continuous",
                "plover|daily 22:00-06:00 motion|daily motion",
                "plover|daily none|daily motion",
                "auk|daily alarm|daily continuous",
                "gannet|daily motion+alarm|daily motion"
            })
    void schedulesTakeTheSmallestThatRecordsAsMuch(String family, String asked, String taken) {
        var lines = String.join(
                ", ",
                List.of(asked.split("; ")).stream().map(l -> "\"" + l + "\"").toList());
        var wish = wanted(family, "recording: {week: [" + lines + "]}", Catalogue.WEEK);
        assertThat(NativeText.of(wish.value())).isEqualTo(taken);
        assertThat(wish.approximated()).isPresent();
    }

    @Test
    void aSensorThatOnlyWaitsForMotionCannotRecordAllTheTime() {
        assertThat(translation("plover", "recording: {week: [daily continuous]}")
                        .wishes()
                        .get(Catalogue.WEEK))
                .isInstanceOf(Wish.Cannot.class);
    }

    @ParameterizedTest
    @CsvSource({"0.2%,1", "0.3%,1", "0.35%,1", "0.4%,2", "1.5%,3", "1.6%,4", "3.5%,4", "40%,5"})
    void aThresholdInStepsTakesTheNearestAndHalfWayTheSooner(String asked, String step) {
        assertThat(wanted("auk", "motion: {threshold: " + asked + "}", Catalogue.THRESHOLD)
                        .value())
                .isEqualTo(new NativeValue.Single(NativeScalar.read(step)));
    }

    @Test
    void sensitivityByTimeGoesToTheSecondValueAndMoreThanOneToTheMostSensitive() {
        var one = "motion: {sensitivity-by-time: [\"daily 21:00-05:30 45\"]}";
        assertThat(wanted("tern", one, Catalogue.SENSITIVITY_BY_TIME))
                .isEqualTo(new Wish.Wanted(
                        new NativeValue.Levels(WeekText.parse(List.of("daily 21:00-05:30 45"), NativeScalar::read)),
                        Optional.empty()));
        var two = "motion: {sensitivity-by-time: [\"daily 21:00-05:30 45\", \"sat 12:00-13:00 80\"]}";
        var taken = wanted("tern", two, Catalogue.SENSITIVITY_BY_TIME);
        assertThat(NativeText.of(taken.value())).isEqualTo("daily 21:00-05:30 80; sat 12:00-13:00 80");
        assertThat(taken.approximated()).isPresent();
        assertThat(translation("gannet", one).wishes().get(Catalogue.SENSITIVITY_BY_TIME))
                .isInstanceOf(Wish.Cannot.class);
    }

    @Test
    void specialDaysTakeTheDatesOfTheirCalendarAndADateStandsForItself() {
        var settings = "recording: {special-days: {holidays: daily continuous, 2027-06-19: daily none}}";
        assertThat(NativeText.of(
                        wanted("tern", settings, Catalogue.SPECIAL_DAYS).value()))
                .isEqualTo("holidays (12-25 yearly): daily continuous | 2027-06-19: daily none");
        var unknown = translation("tern", "recording: {special-days: {feasts: daily none}}");
        assertThat(((Wish.Cannot) unknown.wishes().get(Catalogue.SPECIAL_DAYS)).why())
                .contains("no calendar \"feasts\"");
    }

    @Test
    void aPolygonIsTheSameFromWhicheverCornerItIsTold() {
        assertThat(Zone.of("a", "50,50 0,0 50,0")).isEqualTo(Zone.of("a", "0,0 50,0 50,50"));
        assertThat(Zone.of("a", "50,0 0,0 50,50")).isEqualTo(Zone.of("a", "0,0 50,0 50,50"));
    }

    private static choir.drift.Deviation deviation(String family, String settings, SettingKey key, NativeValue held) {
        var f = FAMILIES.named(family).orElseThrow();
        var observed = new NativeConfig(Map.of(key, held));
        return Drift.compare(translation(family, settings), f, Optional.of(observed), NativeConfig.EMPTY, Map.of())
                .stream()
                .filter(d -> d.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatAreasLoseAndValuesByTimeAndSpecialDaysIsCounted() {
        var areas = deviation(
                "fulmar",
                TWO_AREAS,
                Catalogue.AREAS,
                new NativeValue.Zones(List.of(Zone.of("stairs", "60,60 90,60 90,90 60,90"))));
        assertThat(areas.distance().loss().intValue()).isBetween(230, 270);
        assertThat(areas.severity()).isEqualTo(choir.drift.Severity.HIGH);
        var each = deviation(
                "fulmar",
                TWO_AREAS,
                Catalogue.SENSITIVITY,
                new NativeValue.PerArea(List.of(NativeScalar.of(15), NativeScalar.of(3))));
        assertThat(each.distance().loss()).isEqualByComparingTo("5");
        var levels = deviation(
                "tern",
                "motion: {sensitivity: 60, sensitivity-by-time: [\"daily 21:00-05:30 45\"]}",
                Catalogue.SENSITIVITY_BY_TIME,
                new NativeValue.Levels(Week.silent()));
        assertThat(levels.distance()).isEqualTo(new Distance.OfWeek(0, 7 * 510, 0));
        var days = deviation(
                "tern",
                "recording: {special-days: {holidays: daily continuous}}",
                Catalogue.SPECIAL_DAYS,
                new NativeValue.SpecialDays(List.of()));
        assertThat(days.sentence()).contains("Special days lack holidays");
    }
}
