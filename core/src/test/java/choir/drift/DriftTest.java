package choir.drift;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.Families;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Translation;
import choir.family.Translation.Wish;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.rollout.Changes;
import choir.week.TriggerSet;
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
                : new NativeConfig(Map.of(Catalogue.SENSITIVITY, new NativeValue.Item(value)));
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
                new NativeValue.Item(desired),
                Optional.of(sensitivity(observed)),
                sensitivity(baseline));
        assertThat(found.cause()).isEqualTo(cause);
    }

    @Test
    void aWriteThatReadsBackAsBeforeDidNotTake() {
        var asked = new NativeValue.Item("60");
        var attempt = new Attempt(asked, new NativeValue.Item("50"));
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
                Catalogue.SENSITIVITY, new NativeValue.Item("60"), Optional.of(sensitivity("58")), sensitivity("60"));
        assertThat(found.cost()).isEqualTo(new Cost(2, 0, "steps", 0));
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
        assertThat(found.cost()).isEqualTo(new Cost(1440, 0, "minutes a week", 1440));
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
        assertThat(found.cost().minutesWithoutRecording()).isEqualTo(choir.week.Week.MINUTES);
    }

    @Test
    void storedFormReadsBackEqual() {
        var config = new NativeConfig(Map.of(
                Catalogue.WEEK, week("mon 22:00-04:00 motion,alarm", "sun none"),
                Catalogue.DETECTION, new NativeValue.Flag(true),
                Catalogue.SENSITIVITY, new NativeValue.Item("60"),
                Catalogue.AREAS, new NativeValue.Mask(choir.area.CellMask.all(new choir.area.CellGrid(22, 18)))));
        assertThat(NativeConfig.parse(config.stored())).isEqualTo(config);
        assertThat(TriggerSet.parse("none")).isEqualTo(TriggerSet.NONE);
    }
}
