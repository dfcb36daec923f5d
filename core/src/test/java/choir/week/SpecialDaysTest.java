package choir.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.refusal.Refusal;
import java.time.LocalDate;
import java.util.List;
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
    void theDayOfAPlanIsPaintedLineByLineAndPrintedCanonically() {
        var plan = DayPlan.parse(List.of("daily none", "daily 08:00-12:00 motion", "daily 20:00- continuous"));
        assertThat(plan.lines())
                .containsExactly(
                        "daily 00:00-08:00 none",
                        "daily 08:00-12:00 motion",
                        "daily 12:00-20:00 none",
                        "daily 20:00-24:00 continuous");
        assertThat(DayPlan.parse(plan.lines())).isEqualTo(plan);
        assertThat(DayPlan.parse(List.of("daily continuous"))).hasToString("daily continuous");
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
