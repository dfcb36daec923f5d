package choir.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.refusal.Refusal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SpecialDaysTest {
    @Test
    void aCalendarIsSortedHasEachEntryOnceAndReadsItsOwnText() {
        var dates = DateSet.parse(List.of("12-25 yearly", "2027-06-28..2027-07-02", "2027-01-01", "2027-01-01"));
        assertThat(dates).hasToString("2027-01-01, 2027-06-28..2027-07-02, 12-25 yearly");
        assertThat(DateSet.parse(dates.toString())).isEqualTo(dates);
        assertThat(DateSet.parse("").dates()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "2027-01-01,true",
        "2027-01-02,false",
        "2027-06-28,true",
        "2027-07-02,true",
        "2027-07-03,false",
        "2031-12-25,true",
        "2028-02-29,true",
        "2027-02-28,false",
        "2027-03-01,false"
    })
    void knowsWhichDatesItHolds(LocalDate date, boolean held) {
        var dates = DateSet.parse("2027-01-01, 2027-06-28..2027-07-02, 12-25 yearly, 02-29 yearly");
        assertThat(dates.includes(date)).isEqualTo(held);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "2027-02-30",
                "tomorrow",
                "13-01 yearly",
                "2027-07-02..2027-06-28",
                "2027-01-01..2027-01-01",
                "2027-01-01..2029-01-01",
                "2027-01-01..",
                "12-25",
                ""
            })
    void whatIsNoDateIsRefused(String text) {
        assertThatThrownBy(() -> SpecialDate.parse(text)).isInstanceOf(Refusal.class);
    }

    @Test
    void theDayOfAPlanIsPaintedLineByLineAndPrintedInAsFewLines() {
        var plan = DayPlan.parse(List.of("daily none", "daily 08:00-12:00 motion", "daily 20:00- continuous"));
        assertThat(plan.lines())
                .containsExactly("daily 00:00-20:00 none", "daily 08:00-12:00 motion", "daily 20:00-24:00 continuous");
        assertThat(DayPlan.parse(plan.lines())).isEqualTo(plan);
        assertThat(DayPlan.parse(List.of("daily continuous"))).hasToString("daily continuous");
        assertThat(DayPlan.parse(List.of("daily motion", "daily 08:00-20:00 continuous", "daily 10:00-11:00 alarm")))
                .hasToString("daily motion; daily 08:00-20:00 continuous; daily 10:00-11:00 alarm");
    }

    /** Whatever somebody wrote, what is printed means the same and is no longer. */
    @Test
    void nobodyWritesAPlanInFewerLines() {
        var random = new Random(7);
        var triggers = List.of("none", "motion", "continuous", "alarm");
        for (int round = 0; round < 2_000; round++) {
            List<String> lines = new ArrayList<>(List.of("daily " + triggers.get(random.nextInt(4))));
            for (int i = random.nextInt(7); i > 0; i--) {
                int from = random.nextInt(23);
                int to = from + 1 + random.nextInt(24 - from);
                lines.add("daily %02d:00-%02d:00 %s".formatted(from, to, triggers.get(random.nextInt(4))));
            }
            var plan = DayPlan.parse(lines);
            assertThat(DayPlan.parse(plan.lines())).as("%s", lines).isEqualTo(plan);
            assertThat(plan.lines()).as("%s", lines).hasSizeLessThanOrEqualTo(lines.size());
        }
    }

    @Test
    void aPlanThatChangesEveryMinuteIsPrintedAllTheSame() {
        Week<TriggerSet> day = Week.silent();
        for (int minute = 0; minute < Week.DAY; minute++) {
            day = day.paint(minute, minute + 1, minute % 2 == 0 ? TriggerSet.MOTION : TriggerSet.NONE);
        }
        assertThat(DayPlan.parse(new DayPlan(day).lines())).isEqualTo(new DayPlan(day));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "daily 22:00-04:00 motion",
                "mon motion",
                "mon-fri motion",
                "daily",
                "daily 08:00-12:00 motion",
                "motion",
                "daily walking"
            })
    void noWindowCrossesMidnightAndEveryMinuteIsSpokenOf(String line) {
        assertThatThrownBy(() -> DayPlan.parse(List.of(line))).isInstanceOf(WeekTextException.class);
    }
}
