package choir.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.refusal.Refusal;
import choir.week.WallClock.SpecialDay;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class WallClockTest {
    private static final ZoneId FAROE = ZoneId.of("Atlantic/Faroe");
    private static final Week<TriggerSet> NIGHTS =
            WeekText.parse(List.of("daily motion", "daily 00:00-04:00 continuous"));

    private static SpecialDay special(String calendar, String dates, String... lines) {
        return new SpecialDay(calendar, DateSet.parse(dates), DayPlan.parse(List.of(lines)));
    }

    @Test
    void aNightOnWhichTheClockJumpsForwardIsAnHourShorterAndTheOtherAnHourLonger() {
        var clock = new WallClock(NIGHTS, List.of(), FAROE);
        var spring = clock.durations(LocalDate.of(2027, 3, 28), LocalDate.of(2027, 3, 29));
        assertThat(spring.get(TriggerSet.CONTINUOUS)).isEqualTo(Duration.ofHours(3));
        assertThat(spring.get(TriggerSet.MOTION)).isEqualTo(Duration.ofHours(20));
        var autumn = clock.durations(LocalDate.of(2027, 10, 31), LocalDate.of(2027, 11, 1));
        assertThat(autumn.get(TriggerSet.CONTINUOUS)).isEqualTo(Duration.ofHours(5));
        assertThat(autumn.get(TriggerSet.MOTION)).isEqualTo(Duration.ofHours(20));
    }

    @Test
    void theRepeatedHourRunsTheSamePlanTwice() {
        var week = WeekText.parse(List.of("daily none", "sun 01:00-02:00 continuous"));
        var clock = new WallClock(week, List.of(), FAROE);
        assertThat(clock.at(Instant.parse("2027-10-31T00:30:00Z"))).contains(TriggerSet.CONTINUOUS);
        assertThat(clock.at(Instant.parse("2027-10-31T01:30:00Z"))).contains(TriggerSet.CONTINUOUS);
        assertThat(clock.at(Instant.parse("2027-10-31T02:30:00Z"))).contains(TriggerSet.NONE);
    }

    @Test
    void aSpecialDayTakesItsOwnPlanFromMidnightToMidnightAndTheFirstOfTwoCounts() {
        var clock = new WallClock(
                NIGHTS,
                List.of(
                        special("holidays", "12-25 yearly", "daily none"),
                        special("winter", "2027-12-20..2028-01-05", "daily continuous")),
                FAROE);
        assertThat(clock.at(Instant.parse("2027-12-25T12:00:00Z"))).contains(TriggerSet.NONE);
        assertThat(clock.at(Instant.parse("2027-12-26T12:00:00Z"))).contains(TriggerSet.CONTINUOUS);
        assertThat(clock.at(Instant.parse("2027-12-19T23:59:00Z"))).contains(TriggerSet.MOTION);
        assertThat(clock.at(Instant.parse("2027-12-20T00:00:00Z"))).contains(TriggerSet.CONTINUOUS);
        assertThat(clock.special(LocalDate.of(2027, 12, 25)).orElseThrow().calendar())
                .isEqualTo("holidays");
    }

    @Test
    void minutesOfWhichNothingIsSaidAreNotCounted() {
        var clock = new WallClock(WeekText.parse(List.of("mon 08:00-09:00 motion")), List.of(), FAROE);
        assertThat(clock.at(Instant.parse("2027-06-09T12:00:00Z"))).isEmpty();
        assertThat(clock.durations(LocalDate.of(2027, 6, 7), LocalDate.of(2027, 6, 14)))
                .isEqualTo(Map.of(TriggerSet.MOTION, Duration.ofHours(1)));
        assertThatThrownBy(() -> clock.durations(LocalDate.of(2027, 6, 7), LocalDate.of(2027, 6, 7)))
                .isInstanceOf(Refusal.class);
    }

    /** Against a walk through every real minute of a fortnight around a change of the clock. */
    @RepeatedTest(20)
    void durationsAreThoseOfAWalkThroughEveryMinute(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var zones = List.of(
                "Atlantic/Faroe", "America/St_Johns", "Australia/Lord_Howe", "Asia/Kathmandu", "Africa/Casablanca");
        var zone = ZoneId.of(zones.get(random.nextInt(zones.size())));
        Week<TriggerSet> week = Week.silent();
        for (int i = 0; i < 8; i++) {
            int from = random.nextInt(Week.MINUTES - 1);
            week = week.paint(
                    from,
                    from + 1 + random.nextInt(Math.min(3_000, Week.MINUTES - from)),
                    random.nextBoolean() ? TriggerSet.MOTION : TriggerSet.CONTINUOUS);
        }
        var clock = new WallClock(
                week, List.of(special("x", "2027-04-02..2027-04-04", "daily none", "daily 01:30-02:30 motion")), zone);
        var from = LocalDate.of(2027, random.nextBoolean() ? 3 : 10, 20 + random.nextInt(8));
        var to = from.plusDays(14);
        Map<TriggerSet, Duration> walked = new HashMap<>();
        for (ZonedDateTime at = from.atStartOfDay(zone); at.isBefore(to.atStartOfDay(zone)); at = at.plusMinutes(1)) {
            clock.at(at.toInstant()).ifPresent(t -> walked.merge(t, Duration.ofMinutes(1), Duration::plus));
        }
        assertThat(clock.durations(from, to)).isEqualTo(walked);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "WET0WEST,M3.5.0/1,M10.5.0|Atlantic/Faroe",
                "CET-1CEST,M3.5.0,M10.5.0/3|Europe/Paris",
                "EST5EDT,M3.2.0,M11.1.0|America/New_York",
                "AEST-10AEDT,M10.1.0,M4.1.0/3|Australia/Sydney",
                "<+0545>-5:45|Asia/Kathmandu",
                "<-03>3|America/Sao_Paulo",
                "UTC0|UTC",
                "EST5EDT,J69/2,J311/2|America/New_York",
                "EST5EDT,68/2,310/2|America/New_York"
            })
    void aDevicesRuleIsTheZoneThatItSays(String posix, String zone) {
        var rule = PosixZone.parse(posix).orElseThrow();
        var difference = rule.firstDifference(ZoneId.of(zone), Instant.parse("2026-01-01T00:00:00Z"));
        if (posix.contains("/2,")) {
            // Days of the year drift from the Sunday that is meant; the first year's differ by days, not by the offset.
            assertThat(difference).isPresent();
        } else {
            assertThat(difference).isEmpty();
        }
    }

    @Test
    void aDifferenceIsToldFromWhenItMatters() {
        var rule = PosixZone.parse("UTC0").orElseThrow();
        assertThat(rule.firstDifference(FAROE, Instant.parse("2026-11-25T09:12:00Z")))
                .contains(Instant.parse("2027-03-28T01:00:00Z"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "hello world",
                "CET",
                "CET-1CEST,M13.5.0,M10.5.0",
                "CET-99",
                "CET-1CEST,M3.5.0",
                "C-1",
                "CET-1CEST,M3.9.0,M10.5.0"
            })
    void whatIsNoRuleIsNotGuessed(String posix) {
        assertThat(PosixZone.parse(posix)).isEmpty();
    }
}
