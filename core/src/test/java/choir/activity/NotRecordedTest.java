package choir.activity;

import static org.assertj.core.api.Assertions.assertThat;

import choir.Vectors;
import choir.activity.DayActivity.Run;
import choir.activity.DayActivity.Why;
import choir.activity.NotRecorded.Cause;
import choir.activity.NotRecorded.Gap;
import choir.activity.NotRecorded.Past;
import choir.activity.Spans.Span;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.WallClock;
import choir.week.Week;
import choir.week.WeekText;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class NotRecordedTest {
    private static final LocalDate MONDAY = LocalDate.of(2027, 1, 11);
    private static final long BEGIN = MONDAY.atStartOfDay().toEpochSecond(ZoneOffset.UTC);
    private static final ZoneId FAROE = ZoneId.of("Atlantic/Faroe");

    private static Demand demand(WallClock clock, long from, long until) {
        return new Demand(
                clock.between(java.time.Instant.ofEpochSecond(from), java.time.Instant.ofEpochSecond(until)).stream()
                        .map(s -> new Demand.Part(
                                new Span(s.from().getEpochSecond(), s.until().getEpochSecond()), s.triggers()))
                        .toList());
    }

    private static Demand always(long from, long until, TriggerSet triggers) {
        return new Demand(List.of(new Demand.Part(new Span(from, until), triggers)));
    }

    private static DayActivity activity(long from, long until, Spans recorded, Spans motion) {
        return new DayActivity(
                new Span(from, until),
                Spans.of(from, until),
                recorded.list().stream().map(s -> new Run(s, Why.UNEXPLAINED)).toList(),
                Spans.of(from, until),
                motion);
    }

    private static List<Gap> gaps(DayActivity activity, Demand policy) {
        return NotRecorded.of(activity, new Past(policy, policy));
    }

    static Stream<Arguments> missing() {
        return Vectors.cases("missing-footage.json");
    }

    @ParameterizedTest
    @MethodSource("missing")
    void missesWhatTheSlowMethodMisses(int number, JsonNode given) {
        List<Week.Run<TriggerSet>> runs = new ArrayList<>();
        given.path("week")
                .forEach(r -> runs.add(new Week.Run<>(
                        r.get(0).asInt(),
                        r.get(1).asInt(),
                        TriggerSet.parse(r.get(2).asString()))));
        long end = BEGIN + 7 * 86_400;
        var policy = demand(new WallClock(Week.of(runs), List.of(), ZoneOffset.UTC), BEGIN, end);
        List<Span> expected = new ArrayList<>();
        given.path("missing")
                .forEach(s -> expected.add(
                        new Span(BEGIN + s.get(0).asLong(), BEGIN + s.get(1).asLong())));
        List<Span> footage = new ArrayList<>();
        given.path("footage")
                .forEach(s -> footage.add(
                        new Span(BEGIN + s.get(0).asLong(), BEGIN + s.get(1).asLong())));
        var found = gaps(activity(BEGIN, end, Spans.of(footage), Spans.NONE), policy);
        assertThat(found.stream().map(Gap::span)).as("case %d", number).isEqualTo(expected);
    }

    @Test
    void whatIsNotKnownIsNotMissing() {
        var policy = always(0, 1000, TriggerSet.CONTINUOUS);
        var half = new DayActivity(new Span(0, 1000), Spans.of(0, 500), List.of(), Spans.NONE, Spans.NONE);
        assertThat(gaps(half, policy).stream().map(Gap::span)).containsExactly(new Span(0, 500));
        assertThat(gaps(DayActivity.notKnown(new Span(0, 1000)), policy)).isEmpty();
        assertThat(gaps(activity(0, 1000, Spans.NONE, Spans.NONE), Demand.NONE)).isEmpty();
    }

    @Test
    void aPauseExcuses() {
        var policy = always(0, 1000, TriggerSet.CONTINUOUS);
        var found = NotRecorded.of(
                activity(0, 1000, Spans.NONE, Spans.NONE), new Past(policy, policy, Spans.of(100, 1000), policy, 0));
        assertThat(found).containsExactly(new Gap(new Span(0, 100), Trigger.CONTINUOUS, Cause.SET_AND_SILENT));
    }

    @Test
    void anEventWithoutFootageIsMissingHoweverShort() {
        var policy = always(0, 1000, TriggerSet.MOTION);
        var motion = Spans.of(List.of(new Span(10, 13), new Span(100, 120), new Span(200, 220)));
        var recorded = Spans.of(List.of(new Span(104, 130), new Span(190, 230)));
        // The second begins four seconds late, which is how cameras wake up.
        assertThat(gaps(activity(0, 1000, recorded, motion), policy))
                .containsExactly(new Gap(new Span(10, 13), Trigger.MOTION, Cause.SET_AND_SILENT));
    }

    @Test
    void motionThatNobodyWaitsForIsNotMissing() {
        var motion = Spans.of(10, 100);
        assertThat(gaps(activity(0, 1000, Spans.NONE, motion), always(0, 1000, TriggerSet.NONE)))
                .isEmpty();
        assertThat(gaps(activity(0, 1000, Spans.NONE, motion), always(0, 1000, TriggerSet.of(Trigger.ALARM))))
                .isEmpty();
    }

    @Test
    void theCauseIsTold() {
        long end = BEGIN + 86_400;
        var policy = demand(
                new WallClock(WeekText.parse(List.of("daily 05:30-09:30 continuous")), List.of(), ZoneOffset.UTC),
                BEGIN,
                end);
        var slow = -37 * 60L;
        var early = BEGIN + 5 * 3600 + 1800;
        var did = Spans.of(early, early + 4 * 3600).shifted(-slow);
        var found = NotRecorded.of(
                activity(BEGIN, end, did, Spans.NONE), new Past(policy, policy, Spans.NONE, policy, slow));
        assertThat(found).containsExactly(new Gap(new Span(early, early - slow), Trigger.CONTINUOUS, Cause.CLOCK));
        var other = always(BEGIN, end, TriggerSet.MOTION);
        assertThat(NotRecorded.of(activity(BEGIN, end, Spans.NONE, Spans.NONE), new Past(policy, other)))
                .containsExactly(new Gap(new Span(early, early + 4 * 3600), Trigger.CONTINUOUS, Cause.HELD_OTHERWISE));
        assertThat(NotRecorded.of(activity(BEGIN, end, Spans.NONE, Spans.NONE), new Past(policy, Demand.NONE)))
                .extracting(Gap::cause)
                .containsExactly(Cause.NOT_KNOWN);
        // What it cannot do is no fault of the day.
        var gaps = NotRecorded.of(
                activity(BEGIN, end, Spans.NONE, Spans.NONE),
                new Past(policy, policy.between(early + 600, end), Spans.NONE, policy, 0));
        assertThat(gaps)
                .containsExactly(
                        new Gap(new Span(early, early + 600), Trigger.CONTINUOUS, Cause.CANNOT),
                        new Gap(new Span(early + 600, early + 4 * 3600), Trigger.CONTINUOUS, Cause.SET_AND_SILENT));
        assertThat(NotRecorded.seconds(gaps)).isEqualTo(4 * 3600 - 600);
        // In the second half its settings are known.
        var half = always(early + 7200, end, TriggerSet.CONTINUOUS);
        assertThat(NotRecorded.of(activity(BEGIN, end, Spans.NONE, Spans.NONE), new Past(policy, half)))
                .containsExactly(
                        new Gap(new Span(early, early + 7200), Trigger.CONTINUOUS, Cause.NOT_KNOWN),
                        new Gap(new Span(early + 7200, early + 4 * 3600), Trigger.CONTINUOUS, Cause.SET_AND_SILENT));
    }

    /** On the day on which the clock falls back the hour from one to two comes twice, and is demanded twice. */
    @Test
    void theClockThatIsPutBackIsDemandedTwice() {
        var day = LocalDate.of(2026, 10, 25);
        long from = day.atStartOfDay(FAROE).toEpochSecond();
        long until = day.plusDays(1).atStartOfDay(FAROE).toEpochSecond();
        assertThat(until - from).isEqualTo(25 * 3600);
        var policy = demand(
                new WallClock(WeekText.parse(List.of("daily 01:00-02:00 continuous")), List.of(), FAROE), from, until);
        assertThat(gaps(activity(from, until, Spans.NONE, Spans.NONE), policy))
                .extracting(g -> g.span().seconds())
                .containsExactly(7200L);
        var spring = LocalDate.of(2027, 3, 28);
        long begin = spring.atStartOfDay(FAROE).toEpochSecond();
        assertThat(demand(
                                new WallClock(
                                        WeekText.parse(List.of("daily 01:00-02:00 continuous")), List.of(), FAROE),
                                begin,
                                spring.plusDays(1).atStartOfDay(FAROE).toEpochSecond())
                        .parts())
                .isEmpty();
    }

    private static Spans random(RandomGenerator random, int until) {
        List<Span> spans = new ArrayList<>();
        for (int i = random.nextInt(6); i > 0; i--) {
            int from = random.nextInt(until - 1);
            spans.add(new Span(from, from + 1 + random.nextInt(until - from - 1 + 1)));
        }
        return Spans.of(spans).and(0, until);
    }

    /** Sets of seconds against sets of seconds, one by one. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void setsOfSecondsAreSets(long seed) {
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(seed);
        for (int round = 0; round < 200; round++) {
            var a = random(random, 60);
            var b = random(random, 60);
            for (int s = -3; s < 66; s++) {
                assertThat(a.plus(b).has(s)).isEqualTo(a.has(s) || b.has(s));
                assertThat(a.and(b).has(s)).isEqualTo(a.has(s) && b.has(s));
                assertThat(a.minus(b).has(s)).isEqualTo(a.has(s) && !b.has(s));
                assertThat(a.shifted(2).has(s + 2)).isEqualTo(a.has(s));
            }
            assertThat(a.plus(b)).isEqualTo(b.plus(a));
            assertThat(a.and(b).seconds() + a.plus(b).seconds()).isEqualTo(a.seconds() + b.seconds());
            assertThat(Spans.of(a.plus(b).list())).isEqualTo(a.plus(b));
        }
    }
}
