package choir.drift;

import static org.assertj.core.api.Assertions.assertThat;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.family.Ability;
import choir.family.Families;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Translation;
import choir.family.Translation.Wish;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.rollout.Changes;
import choir.scale.NativeScalar;
import choir.week.Week;
import choir.week.WeekText;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DriftTest {
    private static final Family TERN = Families.shipped().named("tern").orElseThrow();

    private static Deviation one(
            SettingKey key, NativeValue desired, Optional<NativeConfig> observed, NativeConfig baseline) {
        var wish = new Wish.Wanted(desired, Optional.empty());
        return Drift.compare(new Translation(Map.of(key, wish)), TERN, observed, baseline, Map.of())
                .getFirst();
    }

    private static NativeConfig sensitivity(@Nullable String value) {
        return value == null
                ? NativeConfig.EMPTY
                : new NativeConfig(Map.of(Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read(value))));
    }

    @ParameterizedTest
    @CsvSource({
        "60,60,60,IN_TUNE",
        "60,,60,IN_TUNE",
        "60,60,,UNKNOWN",
        "60,,50,NEVER_TUNED",
        "60,,55,NEVER_GIVEN_OUT",
        "60,60,58,CHANGED_AT_RECORDER",
        "60,55,55,WAITING",
        "60,55,52,CHANGED_ON_BOTH_SIDES"
    })
    void theFirstRowThatFitsIsTheCause(String desired, String baseline, String observed, Cause cause) {
        var found = one(
                Catalogue.SENSITIVITY,
                new NativeValue.Single(NativeScalar.read(desired)),
                Optional.of(sensitivity(observed)),
                sensitivity(baseline));
        assertThat(found.cause()).isEqualTo(cause);
    }

    @Test
    void aWriteThatReadsBackAsBeforeDidNotTake() {
        var asked = new NativeValue.Single(NativeScalar.read("60"));
        var attempt = new Attempt(asked, new NativeValue.Single(NativeScalar.read("50")));
        var found = Drift.compare(
                        new Translation(Map.of(Catalogue.SENSITIVITY, new Wish.Wanted(asked, Optional.empty()))),
                        TERN,
                        Optional.of(sensitivity("50")),
                        sensitivity("60"),
                        Map.of(Catalogue.SENSITIVITY, attempt))
                .getFirst();
        assertThat(found.cause()).isEqualTo(Cause.DID_NOT_TAKE);
    }

    @Test
    void aLowerNumberIsLossInSteps() {
        var found = one(
                Catalogue.SENSITIVITY,
                new NativeValue.Single(NativeScalar.read("60")),
                Optional.of(sensitivity("58")),
                sensitivity("60"));
        assertThat(found.distance()).isEqualTo(Distance.Counted.of(Measure.STEPS, 2, 0));
        assertThat(found.severity()).isEqualTo(Severity.MEDIUM);
        assertThat(found.sentence())
                .isEqualTo("Sensitivity is 2 steps less sensitive than asked (58, ought to be 60); changed at the"
                        + " recorder.");
    }

    private static NativeValue week(String... lines) {
        return new NativeValue.Hours(WeekText.parse(List.of(lines)));
    }

    @Test
    void anErasedSundayIsMinutesWithoutRecording() {
        var found = one(
                Catalogue.WEEK,
                week("daily motion"),
                Optional.of(new NativeConfig(Map.of(Catalogue.WEEK, week("mon-sat motion", "sun none")))),
                new NativeConfig(Map.of(Catalogue.WEEK, week("daily motion"))));
        assertThat(found.cause()).isEqualTo(Cause.CHANGED_AT_RECORDER);
        assertThat(found.distance()).isEqualTo(new Distance.OfWeek(1440, 0, 1440));
        assertThat(found.severity()).isEqualTo(Severity.HIGH);
        assertThat(found.sentence()).contains("records nothing for 24 h a week");
    }

    @Test
    void minutesThatArePolicysNobodyAreNotAuditedAndNotWritten() {
        var wish = new Wish.Wanted(week("mon-fri motion"), Optional.empty());
        var translation = new Translation(Map.of(Catalogue.WEEK, wish));
        var held = new NativeConfig(Map.of(Catalogue.WEEK, week("mon-fri motion", "sat,sun continuous")));
        assertThat(Drift.compare(translation, TERN, Optional.of(held), NativeConfig.EMPTY, Map.of())
                        .getFirst()
                        .cause())
                .isEqualTo(Cause.IN_TUNE);
        assertThat(Changes.between(translation, held)).isEmpty();
        var other = new NativeConfig(Map.of(Catalogue.WEEK, week("daily continuous")));
        var change = Changes.between(translation, other).get(Catalogue.WEEK);
        assertThat(change.after()).isEqualTo(week("mon-fri motion", "sat,sun continuous"));
    }

    @Test
    void detectionOffWhereMotionIsAwaitedIsHigh() {
        var translation = new Translation(Map.of(
                Catalogue.DETECTION, new Wish.Wanted(new NativeValue.Flag(true), Optional.empty()),
                Catalogue.WEEK, new Wish.Wanted(week("daily motion"), Optional.empty())));
        var held = new NativeConfig(
                Map.of(Catalogue.DETECTION, new NativeValue.Flag(false), Catalogue.WEEK, week("daily motion")));
        var found = Drift.compare(translation, TERN, Optional.of(held), held, Map.of()).stream()
                .filter(d -> d.key().equals(Catalogue.DETECTION))
                .findFirst()
                .orElseThrow();
        assertThat(found.severity()).isEqualTo(Severity.HIGH);
        assertThat(found.distance().minutesWithoutRecording()).isEqualTo(Week.MINUTES);
    }

    private static Deviation held(String key, String desired, String observed) {
        return one(
                new SettingKey(key),
                new NativeValue.Single(NativeScalar.read(desired)),
                Optional.of(new NativeConfig(
                        Map.of(new SettingKey(key), new NativeValue.Single(NativeScalar.read(observed))))),
                NativeConfig.EMPTY);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "recording.frame-rate|12|unlimited|NONE|is not as asked (unlimited, ought to be 12)",
                "recording.frame-rate|12|11.6|LOSS|is 0.4 fps lower than asked (11.6, ought to be 12)",
                "recording.frame-rate|12|25|WASTE|is 13 fps higher than asked (25, ought to be 12)",
                "motion.on-delay|250|260|LOSS|is 10 ms longer than asked (260, ought to be 250)",
                "motion.off-delay|4000|3000|LOSS|is 1000 ms shorter than asked (3000, ought to be 4000)",
                "recording.keep-at-most|14|21|WASTE|is 7 d longer than asked (21, ought to be 14)",
                "motion.sensitivity|60|auto|NONE|is not as asked (auto, ought to be 60)",
                "motion.sensitivity|60|7 of 9|NONE|is not as asked (7 of 9, ought to be 60)"
            })
    void aWordWhereANumberBelongsIsNeitherMoreNorLess(
            String key, String desired, String observed, Distance.Direction direction, String words) {
        var found = held(key, desired, observed);
        assertThat(found.distance().direction()).isEqualTo(direction);
        assertThat(found.sentence()).contains(words);
    }

    @Test
    void tenMillisecondsAreASmallLossAndNotALargeOne() {
        var mark = Mark.of(new Deviation(
                new SettingKey("motion.on-delay"),
                Cause.CHANGED_AT_RECORDER,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                held("motion.on-delay", "250", "260").distance(),
                Severity.MEDIUM,
                Optional.empty()));
        assertThat(mark).isEqualTo(new Mark(Mark.Kind.LOSS, 1));
    }

    @Test
    void valuesOfAnotherKindHaveNoDistanceAndBreakNothing() {
        List<NativeValue> values = List.of(
                new NativeValue.Flag(false),
                NativeValue.number(7),
                new NativeValue.PerArea(List.of(NativeScalar.of(1), NativeScalar.of(2))),
                new NativeValue.Mask(CellMask.all(new CellGrid(4, 4))),
                week("daily none"),
                new NativeValue.Zones(List.of()),
                new NativeValue.Levels(Week.silent()),
                new NativeValue.SpecialDays(List.of()));
        for (var key : List.of(Catalogue.SENSITIVITY, Catalogue.AREAS, Catalogue.WEEK, Catalogue.SPECIAL_DAYS)) {
            for (var held : values) {
                var desired = switch (TERN.ability(key).orElseThrow()) {
                    case Ability.OfAreas a -> new NativeValue.Mask(CellMask.all(new CellGrid(22, 18)));
                    case Ability.Lanes l -> week("daily motion");
                    case Ability.SpecialDays d -> new NativeValue.SpecialDays(List.of());
                    default -> NativeValue.number(60);
                };
                var found = one(key, desired, Optional.of(new NativeConfig(Map.of(key, held))), NativeConfig.EMPTY);
                assertThat(found.sentence()).isNotBlank();
                if (!held.getClass().equals(desired.getClass()) && !(held instanceof NativeValue.PerArea)) {
                    assertThat(found.distance()).as("%s for %s", held, desired).isEqualTo(Distance.none());
                }
            }
        }
    }
}
