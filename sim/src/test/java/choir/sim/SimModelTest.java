package choir.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.BitSet;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What each make takes, holds and refuses, as somebody at the device would find it. */
class SimModelTest {
    private static SimParameter parameter(SimModel model, String path) {
        var names = path.split("\\.");
        return switch (path) {
            case "before" -> model.before();
            case "after" -> model.after();
            default ->
                Stream.concat(model.modules().stream(), model.rules().stream())
                        .filter(p -> p.name().equals(names[0]) && p.parameters().containsKey(names[1]))
                        .map(p -> p.parameters().get(names[1]))
                        .findFirst()
                        .orElseThrow();
        };
    }

    /** Nothing in the last column: it is refused. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "tern   | CellMotion.Sensitivity | 0         | 0",
                "tern   | CellMotion.Sensitivity | 100       | 100",
                "tern   | CellMotion.Sensitivity | 101       |",
                "tern   | CellMotion.Sensitivity | -1        |",
                "tern   | CellMotion.Sensitivity | 50.5      |",
                "tern   | CellMotion.Sensitivity | ''        |",
                "tern   | CellMotion.Sensitivity | 999999999999 |",
                "tern   | Motion.MinCount        | 0         |",
                "tern   | Motion.MinCount        | 396       | 396",
                "tern   | Switch.Enabled         | TRUE      |",
                "tern   | Storage.WhenFull       | Stop      | Stop",
                "tern   | Storage.WhenFull       | loop      |",
                "tern   | before                 | 30        | 30",
                "tern   | before                 | 31        |",
                "gannet | before                 | 3         | 3",
                "gannet | before                 | 4         |",
                "gannet | after                  | 30        | 30",
                "gannet | after                  | 31        |",
                "gannet | Motion.Level           | 6         | 6",
                "gannet | Motion.Level           | 7         |",
                "gannet | Recording.WhenFull     | halt      | halt",
                "petrel | Motion.Sensitivity     | auto      | auto",
                "petrel | Motion.Sensitivity     | 255       | 255",
                "petrel | Motion.Sensitivity     | 300       | 255",
                "petrel | Motion.Sensitivity     | -4        | 0",
                "petrel | Motion.Sensitivity     | high      |",
                "petrel | Motion.Pixels          | 0         | 1",
                "petrel | Motion.PerSecond       | 2         | 2",
                "petrel | Motion.PerSecond       | 3         |",
                "petrel | after                  | 600       | 60",
                "fulmar | Area1.Sensitivity      | 20        | 20",
                "fulmar | Area1.Sensitivity      | 21        |",
                "fulmar | Area1.Threshold        | 0         |",
                "fulmar | before                 | 1         |",
                "fulmar | Area2.Corners          | ''        | ''",
                "fulmar | Area2.Corners          | 0,0 100,0 50,100 | 0,0 100,0 50,100",
                "fulmar | Area2.Corners          | 0,0 100,0 | ",
                "fulmar | Area2.Corners          | 0,0 101,0 50,100 |",
                "fulmar | Area2.Corners          | 0,0 0,0 50,100 |",
                "fulmar | Area2.Corners          | 0,0 1,1 2,2 3,3 4,4 5,5 6,6 7,7 8,8 9,9 10,10 |",
                "plover | Motion.Sensitivity     | medium    | medium",
                "plover | Motion.Sensitivity     | 50        |",
                "plover | before                 | 0         | 0",
                "plover | before                 | 1         |",
                "plover | after                  | 15        | 15",
                "skua   | CellMotion.Sensitivity | 10        | 10",
                "skua   | CellMotion.Sensitivity | 11        |",
            })
    void takesHoldsAndRefuses(String make, String path, String given, String held) {
        var model = SimModel.of(make);
        assertThat(parameter(model, path).held(given, model.clamps(), model.cells()))
                .isEqualTo(Optional.ofNullable(held));
    }

    @ParameterizedTest
    @CsvSource({"tern,22,18", "gannet,16,12", "petrel,32,24", "fulmar,50,50", "plover,1,1", "skua,20,15"})
    void leavesTheFactoryWithWhatItWouldTakeItself(String make, int columns, int rows) {
        var model = SimModel.of(make);
        assertThat(model.cells()).isEqualTo(columns * rows);
        Stream.concat(model.modules().stream(), model.rules().stream()).forEach(part -> {
            var factory = part.factory(model);
            part.parameters()
                    .forEach((name, rule) -> assertThat(rule.held(factory.get(part.key(name)), false, model.cells()))
                            .as("%s %s", make, part.key(name))
                            .contains(factory.get(part.key(name))));
        });
        assertThat(model.before().held(model.before().factory(), false, 1)).isPresent();
        assertThat(model.after().held(model.after().factory(), false, 1)).isPresent();
    }

    @ParameterizedTest
    @CsvSource({"tern", "gannet", "petrel", "skua"})
    void everyMaskOfCellsComesBackAsItWasGiven(String make) {
        int cells = SimModel.of(make).cells();
        for (int step = 1; step < 12; step++) {
            var mask = new BitSet();
            for (int i = 0; i < cells; i += step) {
                mask.set(i);
            }
            assertThat(PackedCells.read(PackedCells.write(mask, cells), cells)).isEqualTo(mask);
        }
    }

    @Test
    void aMakeThatIsNotPlayedIsRefusedByName() {
        assertThatThrownBy(() -> SimModel.of("auk")).hasMessageContaining("auk").hasMessageContaining("tern");
    }

    private static void load(String makes) {
        SimModel.load(new ByteArrayInputStream(makes.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void aMakeFromAFileIsPlayedWithoutRebuilding() {
        load("""
                - {make: knot, maker: Knot, model: KN-2, grid: 8x6, lanes: [continuous], before: [0, 0..5], after: [5, 5|9],
                   frames: 10, habits: [clamps], pause: [all, PT3S]}
                """);
        var knot = SimModel.of("knot");
        assertThat(knot.cells()).isEqualTo(48);
        assertThat(knot.pause().orElseThrow().length()).hasSeconds(3);
        assertThat(knot.after().held("9", false, 0)).contains("9");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'- {make: knot}' | the make knot says no maker",
                "'make: knot' | a file of makes is a list",
                "'- {make: knot, maker: K, model: K, grid: 8, lanes: [continuous], before: [0, 1], after: [0, 1], frames: 1}' | the make knot is not written like",
                "'- [' | the file of makes is no YAML"
            })
    void aFileOfMakesThatIsNoneIsRefusedInWords(String text, String words) {
        assertThatThrownBy(() -> load(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(words);
    }
}
