package choir.week;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ZoneProposalTest {
    @ParameterizedTest
    @CsvSource({
        // The fleet's own rule, nothing to say, and nothing that can be understood.
        "'WET0WEST,M3.5.0/1,M10.5.0', Atlantic/Faroe, Atlantic/Faroe",
        "'', Atlantic/Faroe, Atlantic/Faroe",
        "'nonsense', Atlantic/Faroe, Atlantic/Faroe",
        // Daylight saving left out: the fleet's own place, and the difference is told as such.
        "'WET0', Atlantic/Faroe, Atlantic/Faroe",
        "'CET-1', Europe/Oslo, Europe/Oslo",
        // A plain offset elsewhere names no place, and least of all one on another continent.
        "'CET-1', Atlantic/Faroe, UTC+01:00",
        "'XXX0', Europe/Oslo, UTC",
        "'XXX5:30', Europe/Oslo, UTC-05:30",
        // The fleet's own part of the world before others.
        "'CET-1CEST,M3.5.0,M10.5.0/3', Europe/Lisbon, Europe/Amsterdam",
        "'CET-1CEST,M3.5.0,M10.5.0/3', America/New_York, Africa/Ceuta",
        // No zone goes by it.
        "'AAA-1BBB,M1.1.0,M2.1.0', Europe/Oslo, Europe/Oslo"
    })
    void aRuleProposesAZone(String rule, String own, String proposed) {
        assertThat(ZoneProposal.of(PosixZone.parse(rule), ZoneId.of(own), Instant.parse("2027-01-14T06:00:00Z")))
                .isEqualTo(ZoneId.of(proposed));
    }
}
