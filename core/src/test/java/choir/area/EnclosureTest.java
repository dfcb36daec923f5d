package choir.area;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.area.Enclosure.Corner;
import java.util.BitSet;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class EnclosureTest {
    private static final CellGrid GRID = new CellGrid(50, 50);

    private static CellMask mask(String... rows) {
        return CellMask.parse(List.of(rows));
    }

    @Test
    void aRectangleKeepsItsFourCorners() {
        assertThat(Enclosure.of(mask("....", ".##.", ".##.", "...."), 10, 100))
                .containsExactly(new Corner(25, 25), new Corner(75, 25), new Corner(75, 75), new Corner(25, 75));
    }

    @Test
    void aStaircaseOfFewCornersIsKeptAsItIs() {
        var stairs = mask("#...", "##..", "###.", "####");
        var polygon = Enclosure.of(stairs, 10, 100);
        assertThat(polygon).hasSizeLessThanOrEqualTo(10);
        assertThat(Enclosure.cells(polygon, stairs.grid(), 100)).isEqualTo(stairs);
    }

    @Test
    void aHoleIsCoveredAndCellsThatTouchAtACornerAreTwoParts() {
        var ring = mask("###", "#.#", "###");
        assertThat(Enclosure.cells(Enclosure.of(ring, 10, 99), ring.grid(), 99).count())
                .isEqualTo(9);
        assertThat(Enclosure.parts(mask("#.", ".#"))).hasSize(2);
    }

    @Test
    void aResolutionThatCutsCellsIsRefused() {
        assertThatThrownBy(() -> Enclosure.of(mask("###"), 10, 100)).hasMessageContaining("cannot enclose");
    }

    /** Walks and rectangles at random, so that outlines of every kind come up, long ones included. */
    private static CellMask shape(Random random) {
        var bits = new BitSet();
        int column = 10 + random.nextInt(30);
        int row = 10 + random.nextInt(30);
        for (int i = 0; i < 40 + random.nextInt(400); i++) {
            int width = random.nextInt(8) == 0 ? random.nextInt(6) : 0;
            for (int c = column; c <= Math.min(49, column + width); c++) {
                bits.set(row * 50 + c);
            }
            boolean sideways = random.nextBoolean();
            column = Math.clamp(column + (sideways ? random.nextInt(3) - 1 : 0), 0, 49);
            row = Math.clamp(row + (sideways ? 0 : random.nextInt(3) - 1), 0, 49);
        }
        return CellMask.of(GRID, bits);
    }

    @RepeatedTest(60)
    void noCellIsLostTheCornersAreFewAndABoundingRectangleIsNeverBetter(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        for (var part : Enclosure.parts(shape(random))) {
            var polygon = Enclosure.of(part, 10, 100);
            assertThat(polygon).hasSizeBetween(3, 10);
            assertThat(Enclosure.covers(polygon, part, 100)).isTrue();
            var covered = Enclosure.cells(polygon, GRID, 100);
            assertThat(covered.count()).isLessThanOrEqualTo(boundingCells(part));
        }
    }

    private static int boundingCells(CellMask part) {
        var columns = new BitSet();
        var rows = new BitSet();
        for (int i = 0; i < GRID.cells(); i++) {
            if (part.watches(i % 50, i / 50)) {
                columns.set(i % 50);
                rows.set(i / 50);
            }
        }
        return (columns.length() - columns.nextSetBit(0)) * (rows.length() - rows.nextSetBit(0));
    }
}
