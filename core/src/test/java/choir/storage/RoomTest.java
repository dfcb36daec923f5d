package choir.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.refusal.Refusal;
import choir.storage.Room.Verdict;
import choir.storage.Saving.What;
import choir.week.WeekText;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;

class RoomTest {
    private static final Range A_DAY = new Range(80e9, 100e9, 125e9);
    private static final LocalDate MONDAY = LocalDate.of(2027, 1, 11);

    private static Verdict verdict(double bytes, boolean atLeast, int wanted) {
        var size = new Size(Range.exactly(bytes), Basis.SAID, atLeast);
        return new Room(A_DAY, true, Optional.of(size), OptionalInt.of(wanted)).verdict();
    }

    @Test
    void theDaysThatFitComeWithTheirRange() {
        var room = new Room(A_DAY, true, Optional.of(Size.said(1_000_000_000_000L)), OptionalInt.of(14));
        assertThat(room.days()).contains(new Range(8, 10, 12.5));
        assertThat(room.needed(14).likely()).isEqualTo(1_400e9);
        assertThat(new Room(Range.NOTHING, true, room.size(), room.wanted())
                        .days()
                        .orElseThrow()
                        .low())
                .isInfinite();
    }

    @Test
    void onlyWhatTheWholeRangeSaysIsSaid() {
        assertThat(verdict(1e12, false, 8)).isEqualTo(Verdict.ENOUGH);
        assertThat(verdict(1e12, false, 9)).isEqualTo(Verdict.CLOSE);
        assertThat(verdict(1e12, false, 13)).isEqualTo(Verdict.TOO_SHORT);
        assertThat(verdict(1e12, true, 8)).isEqualTo(Verdict.ENOUGH);
        assertThat(verdict(1e12, true, 13)).as("it may hold more").isEqualTo(Verdict.NOT_KNOWN);
        assertThat(new Room(A_DAY, true, Optional.empty(), OptionalInt.of(1)).verdict())
                .isEqualTo(Verdict.NOT_KNOWN);
        assertThat(new Room(A_DAY, true, Optional.empty(), OptionalInt.empty()).verdict())
                .isEqualTo(Verdict.NOTHING_WANTED);
    }

    /** What nobody knows of comes on top, so that only what is too short already is sure. */
    @Test
    void aStoreWithCamerasOfWhichNothingIsKnownIsNeverSaidToBeLongEnough() {
        var size = Optional.of(Size.said(1_000_000_000_000L));
        assertThat(new Room(A_DAY, false, size, OptionalInt.of(2)).verdict()).isEqualTo(Verdict.NOT_KNOWN);
        assertThat(new Room(A_DAY, false, size, OptionalInt.of(10)).verdict()).isEqualTo(Verdict.NOT_KNOWN);
        assertThat(new Room(A_DAY, false, size, OptionalInt.of(13)).verdict()).isEqualTo(Verdict.TOO_SHORT);
    }

    @Test
    void sizesAreReadAsPeopleSayThem() {
        assertThat(Size.parse("8 TB")).isEqualTo(8_000_000_000_000L);
        assertThat(Size.parse("500GB")).isEqualTo(500_000_000_000L);
        assertThat(Size.parse(" 7,5 TiB ")).isEqualTo(8_246_337_208_320L);
        for (var nonsense :
                List.of("", "8", "TB", "-8 TB", "0 TB", "8 tb", "1e9 TB", "999999 PB", "8 TB 9", "8.1234 TB")) {
            assertThatThrownBy(() -> Size.parse(nonsense)).as(nonsense).isInstanceOf(Refusal.class);
        }
    }

    @Test
    void motionInsteadOfContinuousIsOfferedWhereMotionWasCounted() {
        byte[] quiet = new byte[2 * (1 + 2 * Movement.HOURS)];
        var counted = camera("daily continuous", Movement.read(quiet), 25);
        var savings = Saving.of(List.of(counted, camera("daily continuous", Optional.empty(), 25)), MONDAY);
        assertThat(savings)
                .extracting(Saving::what)
                .containsExactly(What.FEWER_PICTURES, What.MOTION_ALWAYS, What.MOTION_AT_NIGHT);
        assertThat(savings).extracting(Saving::cameras).containsExactly(2, 1, 1);
        double all = Usage.of(counted.config(), counted.footing(), MONDAY)
                .orElseThrow()
                .bytesADay()
                .likely();
        assertThat(savings.getFirst().bytesADay()).isCloseTo(2 * all * 13 / 25, within(1.0));
        assertThat(savings.get(1).bytesADay()).isCloseTo(all, within(1.0));
        assertThat(savings.getLast().bytesADay()).isCloseTo(all * 10 / 24, within(1.0));
        assertThat(Saving.of(List.of(camera("daily motion", Movement.read(quiet), 5)), MONDAY))
                .isEmpty();
        assertThat(Saving.of(List.of(), MONDAY)).isEmpty();
    }

    private static Saving.Planned camera(String week, Optional<Movement> movement, int pictures) {
        var config = new NativeConfig(Map.of(
                Catalogue.WEEK,
                new NativeValue.Hours(WeekText.parse(List.of(week))),
                Catalogue.FRAME_RATE,
                NativeValue.number(pictures)));
        return new Saving.Planned(
                config,
                new Footing(
                        Family.unknown("test"),
                        config,
                        movement,
                        OptionalLong.empty(),
                        OptionalLong.empty(),
                        Assumed.USUAL));
    }
}
