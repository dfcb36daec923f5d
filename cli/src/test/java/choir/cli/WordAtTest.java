package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordAtTest {
    @ParameterizedTest
    @CsvSource({
        "'camera list ', camera, SELECTION, ''",
        "'camera list state:drifted pier', camera, SELECTION, pier",
        "'recorder show ha', recorder, NAME, ha",
        "'use house --on ', '', NODE, ''",
        "'use house --on=pier', '', NODE, pier",
        "'--format json camera list x', , , ",
        "'set pier-1/01 motion', '', KEY=VALUE, motion",
        "'trial run --clip ', trial, CLIP, ''",
        "'finding list --all pier', finding, SELECTION, pier",
        "'finding list --se', finding, SELECTION, --se",
        "'no such ', , , ",
        "'camera li', , , "
    })
    void tellsWhatIsMeant(String line, String noun, String label, String typed) {
        var words = List.of((line + "|").split(" "));
        var root = Main.whole(new Home(Map.of())).getCommandSpec();
        var at = WordAt.of(root, words.stream().map(w -> w.replace("|", "")).toList());
        assertThat(at.map(WordAt::label).orElse(null)).isEqualTo(label);
        assertThat(at.map(WordAt::noun).orElse(null)).isEqualTo(noun);
        assertThat(at.map(WordAt::typed).orElse(null)).isEqualTo(typed);
    }
}
