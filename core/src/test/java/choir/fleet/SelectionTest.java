package choir.fleet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SelectionTest {
    private static final CameraFacts PIER = new CameraFacts(
            Node.Camera.parse("haldr-1/07"),
            Node.Group.of("terminals/haldr/quay"),
            "tern",
            "Quay pier head",
            Set.of("outside", "far-view"),
            Set.of("house", "quay-outside"),
            Set.of("drifted"));

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|true",
                "group:terminals/haldr|true",
                "group:fleet/terminals|true",
                "group:terminals/hald|false",
                "recorder:haldr-1|true",
                "recorder:haldr-*|true",
                "camera:haldr-1/07|true",
                "template:quay-outside|true",
                "family:gannet,tern|true",
                "family:gannet,family:tern|true",
                "tag:far-view tag:inside|false",
                "tag:far-view,inside|true",
                "not:tag:far-view|false",
                "not:tag:inside pier|true",
                "state:drifted|true",
                "label:*pier*|true",
                "label:pier|false",
                "PIER|true",
                "\"quay pier\"|true",
                "pier,gangway|true",
                "gangway|false"
            })
    void selects(String text, boolean selected) {
        assertThat(Selection.parse(text).test(PIER)).isEqualTo(selected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "pier grup:x|6|group",
                "state:drited|7|drifted",
                "label:|7|missing",
                "pier \"quay|6|not closed",
                "group:Haldr|7|not a group",
                "pier,|6|missing"
            })
    void errorsPointAtTheCharacter(String text, int character, String expected) {
        var thrown = catchThrowableOfType(SelectionException.class, () -> Selection.parse(text));
        assertThat(thrown).hasMessageContaining(expected).hasMessageContaining("at character " + character);
    }

    @Test
    void anyTextIsUnderstoodOrRefused() {
        var random = new Random(3);
        var letters = "abz:,\"* not:group/tag-0(\\[";
        for (int i = 0; i < 20_000; i++) {
            var text = new StringBuilder();
            for (int k = random.nextInt(24); k > 0; k--) {
                text.append(letters.charAt(random.nextInt(letters.length())));
            }
            try {
                Selection.parse(text.toString()).test(PIER);
            } catch (SelectionException refused) {
                assertThat(refused.position()).isBetween(0, text.length());
            }
        }
    }
}
