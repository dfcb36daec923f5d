package choir.family;

import static org.assertj.core.api.Assertions.assertThat;

import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.WallClock.SpecialDay;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class NativeTextTest {
    private static NativeValue holidays(String dates) {
        return new NativeValue.SpecialDays(
                List.of(new SpecialDay("holidays", DateSet.parse(dates), DayPlan.parse(List.of("daily continuous")))));
    }

    @Test
    void specialDaysAreToldByTheirNameAndTheirDatesOnlyWhereThatIsWhatDiffers() {
        var held = holidays("2027-01-01, 12-24 yearly, 12-25 yearly");
        var asked = holidays("2027-01-01, 12-24 yearly, 12-26 yearly");
        assertThat(NativeText.of(held)).isEqualTo("holidays (3 dates): daily continuous");
        assertThat(NativeText.beside(held, Optional.of(asked))).contains("12-25 yearly");
        assertThat(NativeText.beside(held, Optional.of(holidays("2027-01-01")))).isEqualTo(NativeText.of(held));
        assertThat(NativeText.beside(held, Optional.of(held))).isEqualTo(NativeText.of(held));
        assertThat(NativeText.beside(held, Optional.empty())).isEqualTo(NativeText.of(held));
        assertThat(NativeText.inFull(held)).contains("2027-01-01", "12-25 yearly");
        assertThat(NativeText.of(holidays("2027-01-01")))
                .as("few are soon said")
                .contains("(2027-01-01)");
    }
}
