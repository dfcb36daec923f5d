package choir.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import choir.family.Families;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.refusal.Refusal;
import choir.scale.NativeScalar;
import choir.storage.Usage.By;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.TriggerSet;
import choir.week.WallClock;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import choir.week.WeekText;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import org.junit.jupiter.api.Test;

class UsageTest {
    private static final Assumed ASSUMED = new Assumed(4_000_000, 500_000, 6, 12);

    private static final LocalDate MONDAY = LocalDate.of(2027, 1, 11);
    private static final Map<SettingKey, NativeValue> MAIN = Map.of(Catalogue.STREAM, NativeValue.word("Main"));
    private static final Family FAMILY = Families.shipped().named("tern").orElseThrow();

    private static NativeConfig config(String week, Map<SettingKey, NativeValue> more) {
        Map<SettingKey, NativeValue> values = new HashMap<>(more);
        values.put(Catalogue.WEEK, new NativeValue.Hours(WeekText.parse(List.of(week.split("; ")))));
        return new NativeConfig(values);
    }

    private static Footing footing(Optional<Movement> movement) {
        return new Footing(
                Family.unknown("test"),
                NativeConfig.EMPTY,
                movement,
                OptionalLong.empty(),
                OptionalLong.empty(),
                ASSUMED);
    }

    private static Usage of(String week, Map<SettingKey, NativeValue> more) {
        return of(config(week, more), footing(Optional.empty()));
    }

    private static Usage of(NativeConfig config, Footing footing) {
        return Usage.of(config, footing, MONDAY).orElseThrow();
    }

    private static double seconds(Usage usage) {
        return usage.secondsADay().likely();
    }

    private static double bytes(Usage usage) {
        return usage.bytesADay().likely();
    }

    @Test
    void continuousFillsTheDiskWithTheWholeStream() {
        var all = of("daily continuous", Map.of());
        assertThat(all.secondsADay()).isEqualTo(Range.exactly(86_400));
        assertThat(bytes(all)).isEqualTo(86_400 * 4_000_000.0 / 8);
        assertThat(bytes(of("daily 00:00-06:00 continuous", Map.of()))).isEqualTo(bytes(all) / 4);
    }

    @Test
    void whatIsKnownOfTheStreamMakesTheRangeNarrow() {
        var always = config("daily continuous", Map.of());
        var assumed = of(always, footing(Optional.empty())).rate();
        var capped = footing(OptionalLong.empty(), OptionalLong.of(4_096_000));
        var told = footing(OptionalLong.of(1_800_000), OptionalLong.of(4_096_000));
        assertThat(assumed.basis()).isEqualTo(Basis.ASSUMED);
        assertThat(of(always, capped).rate().bits().high()).isEqualTo(4_096_000);
        assertThat(of(always, capped).rate().basis()).isEqualTo(Basis.CONFIGURED);
        assertThat(of(always, told).rate()).isEqualTo(Rate.measured(1_800_000));
        assertThat(width(of(always, told))).isLessThan(width(of(always, capped)));
        assertThat(width(of(always, capped))).isLessThan(width(of(always, footing(Optional.empty()))));
    }

    private static double width(Usage usage) {
        return usage.bytesADay().high() / usage.bytesADay().low();
    }

    private static Footing footing(OptionalLong average, OptionalLong most) {
        return new Footing(FAMILY, config("daily continuous", MAIN), Optional.empty(), average, most, ASSUMED);
    }

    @Test
    void whatWasToldOfOneStreamSaysNothingOfAnother() {
        var told = footing(OptionalLong.of(1_800_000), OptionalLong.of(4_096_000));
        var small = config("daily continuous", Map.of(Catalogue.STREAM, NativeValue.word("Sub")));
        assertThat(of(small, told).rate()).isEqualTo(Rate.assumed(500_000));
        assertThat(of(config("daily continuous", MAIN), told).rate().basis()).isEqualTo(Basis.MEASURED);
        var half = of(
                config(
                        "daily continuous",
                        Map.of(
                                Catalogue.FRAME_RATE,
                                new NativeValue.Single(new NativeScalar.Number(new BigDecimal("12.5"))))),
                told);
        assertThat(half.rate()).isEqualTo(Rate.measured(900_000));
    }

    @Test
    void fewerPicturesNeedLess() {
        var all = bytes(of("daily continuous", Map.of()));
        assertThat(bytes(of("daily continuous", Map.of(Catalogue.FRAME_RATE, NativeValue.number(5)))))
                .isEqualTo(all / 5);
    }

    @Test
    void whatCannotStartRecordsNothing() {
        var off = new NativeValue.Flag(false);
        assertThat(of("daily motion", Map.of(Catalogue.DETECTION, off)).seconds())
                .isEmpty();
        assertThat(of("daily continuous", Map.of(Catalogue.SWITCHED_ON, off)).seconds())
                .isEmpty();
        assertThat(of("daily none", Map.of()).seconds()).isEmpty();
        assertThat(of("daily motion,alarm", Map.of(Catalogue.DETECTION, off)).seconds())
                .containsOnlyKeys(By.OTHER_EVENTS);
        assertThat(Usage.of(NativeConfig.EMPTY, footing(Optional.empty()), MONDAY))
                .isEmpty();
    }

    @Test
    void longerBuffersRecordMore() {
        Map<SettingKey, NativeValue> shorter = Map.of(Catalogue.AFTER_EVENT, NativeValue.number(10));
        Map<SettingKey, NativeValue> longer = Map.of(Catalogue.AFTER_EVENT, NativeValue.number(60));
        assertThat(seconds(of("daily motion", longer))).isGreaterThan(seconds(of("daily motion", shorter)));
    }

    @Test
    void clipsCountWhereNothingElseRecords() {
        Map<SettingKey, NativeValue> clips = Map.of(Catalogue.CLIP_EVERY, NativeValue.word("15s every 10min"));
        assertThat(of("daily none", clips).seconds()).containsOnlyKeys(By.CLIPS);
        assertThat(seconds(of("daily none", clips))).isCloseTo(86_400 * 15 / 600.0, within(1e-6));
        assertThat(seconds(of("daily 00:00-12:00 continuous", clips)))
                .isCloseTo(43_200 * (1 + 15 / 600.0), within(1e-6));
        assertThat(of("daily continuous", clips).seconds()).containsOnlyKeys(By.CONTINUOUS);
        for (var nonsense : List.of("off", "15s every 0min", "always", "99999s every 1min")) {
            assertThat(seconds(of("daily none", Map.of(Catalogue.CLIP_EVERY, NativeValue.word(nonsense)))))
                    .isBetween(0.0, 86_400.0);
        }
    }

    /** Three of the coming 28 days are special: a Monday, and a Tuesday and Wednesday of the third week. */
    @Test
    void specialDaysCountByTheirOwnPlans() {
        var days = new NativeValue.SpecialDays(List.of(
                new SpecialDay("fair", DateSet.parse("2027-01-11"), DayPlan.parse(List.of("daily continuous"))),
                new SpecialDay(
                        "storm",
                        DateSet.parse("2027-01-26..2027-01-27, 2027-03-01"),
                        DayPlan.parse(List.of("daily none")))));
        var usage = of("daily 08:00-20:00 continuous", Map.of(Catalogue.SPECIAL_DAYS, days));
        assertThat(seconds(usage)).isCloseTo((25 * 43_200 + 86_400) / 28.0, within(1e-6));
        assertThat(seconds(of("daily none", Map.of(Catalogue.SPECIAL_DAYS, days))))
                .isCloseTo(86_400 / 28.0, within(1e-6));
        var beyond = new NativeValue.SpecialDays(
                List.of(new SpecialDay("later", DateSet.parse("2027-02-08"), DayPlan.parse(List.of("daily none")))));
        assertThat(seconds(of("daily continuous", Map.of(Catalogue.SPECIAL_DAYS, beyond))))
                .isEqualTo(86_400);
    }

    /** Weeks at random against a minute by minute walk through the 28 days. */
    @Test
    void theSumIsThatOfAWalkThroughEveryMinute() {
        var random = new Random(28);
        for (int round = 0; round < 50; round++) {
            Week<TriggerSet> week = Week.silent();
            for (int i = 0; i < 6; i++) {
                int from = random.nextInt(Week.MINUTES - 1);
                week = week.paint(
                        from,
                        from + 1 + random.nextInt(Math.min(4_000, Week.MINUTES - from)),
                        random.nextBoolean() ? TriggerSet.CONTINUOUS : TriggerSet.NONE);
            }
            var date = MONDAY.plusDays(random.nextInt(28));
            var plan = DayPlan.parse(List.of(
                    "daily none", "daily 0" + random.nextInt(8) + ":30-1" + random.nextInt(9) + ":15 continuous"));
            var special = new SpecialDay("fair", DateSet.parse(date.toString()), plan);
            var config = NativeConfig.EMPTY.with(Map.of(
                    Catalogue.WEEK,
                    new NativeValue.Hours(week),
                    Catalogue.SPECIAL_DAYS,
                    new NativeValue.SpecialDays(List.of(special))));
            long minutes = 0;
            var clock = new WallClock(week, List.of(special), ZoneOffset.UTC);
            for (long m = 0; m < 28 * 1_440; m++) {
                var at = MONDAY.atStartOfDay(ZoneOffset.UTC).plusMinutes(m).toInstant();
                minutes += clock.at(at).filter(TriggerSet.CONTINUOUS::equals).isPresent() ? 1 : 0;
            }
            assertThat(seconds(of(config, footing(Optional.empty())))).isCloseTo(minutes * 60 / 28.0, within(1e-6));
        }
    }

    /** The formula against events that are thrown at random and counted second by second. */
    @Test
    void theShareIsThatOfEventsThrownAtRandom() {
        var random = new Random(7);
        for (double padding : new double[] {0, 10, 45, 300}) {
            var assumed = new Assumed(1, 1, 30, 20);
            double meanGap = (1 - 30 / 3600.0 * 20) / (30 / 3600.0);
            double time = 0;
            double recorded = 0;
            double recordedTo = 0;
            while (time < 20_000_000) {
                time += -Math.log(1 - random.nextDouble()) * meanGap;
                double to = time + 20 + padding;
                recorded += to - Math.max(time, Math.min(to, recordedTo));
                recordedTo = to;
                time += 20;
            }
            assertThat(assumed.share(padding)).isCloseTo(recorded / time, within(0.005));
        }
    }

    @Test
    void assumptionsThatCannotBeAreRefused() {
        assertThatThrownBy(() -> new Assumed(0, 1, 1, 1)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new Assumed(1, 1, 60, 60)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new Assumed(1, 1, Double.NaN, 1)).isInstanceOf(Refusal.class);
    }
}
