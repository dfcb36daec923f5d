package choir.fleet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SelectionTest {
    private record Seen(
            Node.Camera camera,
            Node.Group group,
            String familyName,
            String loweredLabel,
            String loweredDeviceName,
            Set<String> tags,
            Set<String> templates,
            Set<CameraState> states)
            implements CameraFacts {}

    private static Seen seen(String camera, String label) {
        return new Seen(
                Node.Camera.parse(camera),
                Node.Group.of("terminals/haldr/quay"),
                "tern",
                label.toLowerCase(java.util.Locale.ROOT),
                "dome 7b",
                Set.of("outside", "far-view"),
                Set.of("house", "quay-outside"),
                Set.of(CameraState.DRIFTED));
    }

    private static final CameraFacts PIER = seen("haldr-1/07", "Quay pier head");

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
                "camera:haldr*|true",
                "camera:haldr-1/0*|true",
                "camera:h*7|true",
                "camera:*/07|true",
                "camera:haldr-1*/08|false",
                "camera:haldr-10/07|false",
                "camera:haldr-2*|false",
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
                "haldr-1/07|true",
                "haldr-1/0|false",
                "haldr-1/*|true",
                "haldr-1|false",
                "pier,gangway|true",
                "gangway|false",
                "dome|true",
                "label:dome*|false",
                "label:\"quay*head\"|true",
                "\"quay*head\"|true",
                "\"quay\\*head\"|false"
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
    void aLiteralValueSelectsJustThatCameraWhateverItsTokenHolds() {
        var random = new Random(11);
        var letters = "ab*\\\",: \n\t{}'\u202e\u00e4\u6f22~|^/not:";
        for (int i = 0; i < 5_000; i++) {
            var token = new StringBuilder();
            for (int k = 1 + random.nextInt(20); k > 0; k--) {
                token.append(letters.charAt(random.nextInt(letters.length())));
            }
            var camera = Node.Camera.parse("haldr-1/" + token);
            var selection = Selection.parse(Selection.of(java.util.List.of(camera, Node.Camera.parse("x/1"))));
            assertThat(selection.test(seen(camera.text(), "x")))
                    .as("%s", camera)
                    .isTrue();
            assertThat(selection.test(seen(camera.text() + "z", "x"))).isFalse();
        }
    }

    @Test
    void manyStarsAreMatchedInLinearTime() {
        var label = "a".repeat(256);
        var facts = seen("haldr-1/07", label);
        // Each of these would take longer than the age of the world if every way to place the stars were tried.
        for (var text :
                java.util.List.of("****zq", "*a*a*a*a*a*a*a*a*a*a*a*a*a*a*a*a*a*a*a*a*b", "a*".repeat(1_000) + "b")) {
            assertThat(Selection.parse("label:" + text).test(facts)).isFalse();
        }
        assertThat(Selection.parse("label:" + "a*".repeat(100) + "a").test(facts))
                .isTrue();
    }

    @Test
    void globsMatchAsASlowReferenceDoes() {
        var random = new Random(5);
        for (int i = 0; i < 20_000; i++) {
            var glob = letters(random, "ab*", 6);
            var text = letters(random, "ab", 8);
            boolean expected = text.matches(glob.replace("*", ".*"));
            assertThat(Selection.parse("label:x" + glob).test(seen("r/1", "x" + text)))
                    .as("%s on %s", glob, text)
                    .isEqualTo(expected);
        }
    }

    private static String letters(Random random, String from, int most) {
        var text = new StringBuilder();
        for (int k = random.nextInt(most + 1); k > 0; k--) {
            text.append(from.charAt(random.nextInt(from.length())));
        }
        return text.toString();
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
