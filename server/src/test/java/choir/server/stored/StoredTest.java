package choir.server.stored;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.drift.Check;
import choir.drift.Distance;
import choir.drift.Matter;
import choir.drift.Measure;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Zone;
import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.policy.TemplateName;
import choir.rollout.Change;
import choir.rollout.Fate;
import choir.rollout.Journalled;
import choir.rollout.Settlement;
import choir.scale.NativeScalar;
import choir.server.Strings;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.TriggerSet;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import choir.week.WeekText;
import java.math.BigDecimal;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is stored reads back equal, whatever a device or a person may have said. */
class StoredTest {
    private static RandomGenerator random(RepetitionInfo repetition) {
        return RandomGeneratorFactory.of("L64X128MixRandom").create(repetition.getCurrentRepetition());
    }

    private static String text(RandomGenerator random, int most) {
        var odd = Strings.odd();
        return random.nextInt(3) == 0
                ? odd.get(random.nextInt(odd.size()))
                : Strings.anyText(random, 1 + random.nextInt(most));
    }

    private static NativeScalar scalar(RandomGenerator random) {
        return switch (random.nextInt(3)) {
            case 0 -> NativeScalar.of(random.nextInt(-1000, 100_000));
            case 1 -> new NativeScalar.Number(BigDecimal.valueOf(random.nextInt(100_000), random.nextInt(5)));
            default -> new NativeScalar.Word(text(random, 60));
        };
    }

    private static Week<TriggerSet> week(RandomGenerator random) {
        var texts = List.of("none", "continuous", "motion", "motion,alarm", "motion+alarm", "analytics");
        Week<TriggerSet> week = Week.silent();
        for (int i = random.nextInt(6); i > 0; i--) {
            int from = random.nextInt(Week.MINUTES - 1);
            week = week.paint(
                    from,
                    from + 1 + random.nextInt(Week.MINUTES - from),
                    TriggerSet.parse(texts.get(random.nextInt(texts.size()))));
        }
        return week;
    }

    private static NativeValue value(RandomGenerator random) {
        return switch (random.nextInt(8)) {
            case 0 -> new NativeValue.Flag(random.nextBoolean());
            case 1 -> new NativeValue.Single(scalar(random));
            case 2 -> new NativeValue.PerArea(List.of(scalar(random), scalar(random), scalar(random)));
            case 3 -> {
                var grid = new CellGrid(1 + random.nextInt(40), 1 + random.nextInt(30));
                var bits = new BitSet();
                for (int i = 0; i < grid.cells(); i++) {
                    bits.set(i, random.nextInt(5) == 0);
                }
                yield new NativeValue.Mask(CellMask.of(grid, bits));
            }
            case 4 -> new NativeValue.Hours(week(random));
            case 5 -> new NativeValue.Zones(List.of(Zone.of(text(random, 30), "0,0 50,0 50,50")));
            case 6 -> {
                Week<NativeScalar> levels = Week.silent();
                yield new NativeValue.Levels(levels.paint(60, 9_000, scalar(random)));
            }
            default ->
                new NativeValue.SpecialDays(List.of(new SpecialDay(
                        text(random, 60),
                        DateSet.parse("12-25 yearly, 2027-06-28..2027-07-02"),
                        new DayPlan(WeekText.parse(List.of("mon none", "mon 08:00-12:00 motion"))))));
        };
    }

    @RepeatedTest(300)
    void valuesConfigurationsAndChangesReadBackEqualAndEqualOnesHaveEqualText(RepetitionInfo repetition) {
        var random = random(repetition);
        Map<SettingKey, NativeValue> values = new TreeMap<>();
        Map<SettingKey, Change> changes = new TreeMap<>();
        for (var setting : Catalogue.settings()) {
            if (random.nextInt(3) == 0) {
                values.put(setting.key(), value(random));
                changes.put(
                        setting.key(),
                        new Change(
                                random.nextBoolean() ? Optional.of(value(random)) : Optional.empty(), value(random)));
            }
        }
        var config = new NativeConfig(values);
        var stored = NativeJson.write(config);
        assertThat(NativeJson.config(stored)).isEqualTo(config);
        assertThat(NativeJson.write(NativeJson.config(stored))).isEqualTo(stored);
        assertThat(ChangesJson.read(ChangesJson.write(changes))).isEqualTo(changes);
        Map<SettingKey, Settlement.Result> results = new TreeMap<>();
        values.forEach((key, value) -> results.put(
                key,
                new Settlement.Result(
                        Fate.values()[random.nextInt(Fate.values().length)],
                        random.nextBoolean() ? Optional.of(value) : Optional.empty())));
        for (var known : List.of(
                Journalled.NOTHING,
                Journalled.sent(Set.of()),
                Journalled.sent(values.keySet()).with(results))) {
            assertThat(JournalledJson.read(JournalledJson.write(known))).isEqualTo(known);
        }
        values.values()
                .forEach(v -> assertThat(NativeJson.value(NativeJson.write(v))).isEqualTo(v));
    }

    @RepeatedTest(100)
    void whatFindingsAreAboutReadsBackEqual(RepetitionInfo repetition) {
        var random = random(repetition);
        var key = Catalogue.settings().get(random.nextInt(28)).key();
        var camera = new Node.Camera(new RecorderName("haldr-1"), text(random, 60));
        for (var matter : List.of(
                new Matter.Value(key),
                new Matter.AreaWithoutShape(text(random, 80)),
                new Matter.Blocked(key, camera, Optional.empty()),
                new Matter.Blocked(key, Node.Group.of("yard"), Optional.of(new TemplateName("house"))),
                new Matter.Expired(key, camera),
                new Matter.Unsound(Check.values()[random.nextInt(Check.values().length)], random.nextBoolean()),
                new Matter.Gone(),
                new Matter.OddAnswer(),
                new Matter.AnotherDevice(),
                new Matter.Firmware(),
                new Matter.NotRead(),
                new Matter.Clock(),
                new Matter.Zone())) {
            assertThat(MatterJson.read(MatterJson.write(matter))).isEqualTo(matter);
        }
        for (var distance : List.of(
                Distance.none(),
                new Distance.OfWeek(random.nextInt(10_080), random.nextInt(10_080), random.nextInt(10_080)),
                new Distance.Counted(
                        Measure.values()[random.nextInt(Measure.values().length)],
                        BigDecimal.valueOf(random.nextInt(1000), random.nextInt(3)),
                        BigDecimal.ZERO,
                        0))) {
            assertThat(DistanceJson.read(DistanceJson.write(distance))).isEqualTo(distance);
        }
    }

    @RepeatedTest(20)
    void listsOfTextsReadBackEqual(RepetitionInfo repetition) {
        var texts = Strings.any(random(repetition), 200);
        assertThat(StringsJson.read(StringsJson.write(texts))).isEqualTo(texts);
        assertThat(StringsJson.write(texts)).matches("\\p{ASCII}*");
    }

    @Test
    void aTextOfTenThousandCharactersIsNoTrouble() {
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(1);
        var longText = List.of(Strings.anyText(random, 10_000));
        assertThat(StringsJson.read(StringsJson.write(longText))).isEqualTo(longText);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "null",
                "[]",
                "{}",
                "not json",
                "{\"v\":2,\"values\":{}}",
                "{\"v\":1}",
                "{\"v\":1,\"values\":{\"motion.areas\":{}}}",
                "{\"v\":1,\"values\":{\"motion.areas\":{\"cells\":{\"columns\":0,\"rows\":1,\"packed\":\"\"}}}}",
                "{\"v\":1,\"values\":{\"recording.week\":{\"week\":[{\"from\":0,\"to\":99999,\"triggers\":[]}]}}}",
                "{\"v\":1,\"values\":{\"recording.week\":{\"week\":[{\"from\":0,\"to\":9,\"triggers\":[\"NEVER\"]}]}}}",
                "motion.sensitivity\titem:50"
            })
    void aTextThatIsNoneOfOursIsSaidToBeUnreadableAndNothingElse(String text) {
        assertThatThrownBy(() -> NativeJson.config(text)).isInstanceOf(Json.UnreadableException.class);
    }
}
