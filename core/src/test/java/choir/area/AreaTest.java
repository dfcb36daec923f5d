package choir.area;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.Vectors;
import choir.refusal.Refusal;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class AreaTest {
    static Stream<Arguments> masks() {
        return Vectors.cases("cell-masks.json");
    }

    static Stream<Arguments> polygons() {
        return Vectors.cases("polygon-cells.json");
    }

    @ParameterizedTest
    @MethodSource("masks")
    void packsAndUnpacksAsTheReferenceDoes(int number, JsonNode given) {
        var mask = CellMask.parse(rows(given));
        assertThat(HexFormat.of().formatHex(mask.bits()))
                .isEqualTo(given.get("unpackedHex").asString());
        assertThat(CellMask.unpack(mask.grid(), given.get("onePacking").asString()))
                .isEqualTo(mask);
        assertThat(CellMask.unpack(mask.grid(), mask.packed())).isEqualTo(mask);
    }

    @ParameterizedTest
    @MethodSource("polygons")
    void coversTheCellsThatTheReferenceDoes(int number, JsonNode given) {
        List<Shape.Point> corners = new ArrayList<>();
        given.get("polygon")
                .forEach(p -> corners.add(
                        new Shape.Point(p.get(0).asDouble(), p.get(1).asDouble())));
        var grid = new CellGrid(given.get("columns").asInt(), given.get("rows").asInt());
        assertThat(new Shape.Polygon(corners).on(grid).rows()).isEqualTo(rows(given));
    }

    private static List<String> rows(JsonNode given) {
        List<String> rows = new ArrayList<>();
        given.get("cells").forEach(r -> rows.add(r.asString()));
        return rows;
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "AIDQ", "zg==", "0P8A8A==AA", "gYGBgQ=="})
    void refusesCutOffAndWrongLengthPackings(String packed) {
        assertThatThrownBy(() -> CellMask.unpack(new CellGrid(22, 18), packed)).isInstanceOf(Refusal.class);
    }

    @Test
    void randomBytesEitherUnpackOrAreRefused() {
        var random = new Random(7);
        var grid = new CellGrid(22, 18);
        for (int i = 0; i < 5_000; i++) {
            var bytes = new byte[random.nextInt(80)];
            random.nextBytes(bytes);
            var packed = java.util.Base64.getEncoder().encodeToString(bytes);
            try {
                assertThat(CellMask.unpack(grid, packed).grid()).isEqualTo(grid);
            } catch (Refusal refused) {
                assertThat(refused.getMessage()).isNotBlank();
            }
        }
    }

    @Test
    void aLongerTailOfZerosIsTaken() {
        assertThat(CellMask.unpack(new CellGrid(8, 1), "AP//AA==").count()).isEqualTo(8);
    }

    @Test
    void cellsOnAnotherGridCountFromHalf() {
        var fine = new BitSet();
        fine.set(0);
        fine.set(5);
        var shape = new Shape.Cells(CellMask.of(new CellGrid(4, 4), fine));
        assertThat(shape.on(new CellGrid(2, 2)).rows()).containsExactly("#.", "..");
        assertThat(shape.on(new CellGrid(1, 1)).count()).isZero();
    }

    @Test
    void crossingEdgesAreRefusedWithTheirPlace() {
        var corners =
                List.of(new Shape.Point(0, 0), new Shape.Point(1, 1), new Shape.Point(1, 0), new Shape.Point(0, 1));
        assertThatThrownBy(() -> new Shape.Polygon(corners))
                .hasMessageContaining("corner 1")
                .hasMessageContaining("3");
    }

    @Test
    void differenceCountsLostAndGainedCells() {
        var left = CellMask.parse(List.of("##..", "##.."));
        var middle = CellMask.parse(List.of(".##.", ".##."));
        assertThat(MaskDifference.between(left, middle)).isEqualTo(new MaskDifference(2, 2, 2.0 / 6));
    }
}
