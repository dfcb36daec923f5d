package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Mail to a telephone: set by policy, given out, tried by the recorder's own test, and said to have come. */
class ResponseStoryTest {
    private static final String TELEPHONE = "0700123@texts.skerry.example";
    private static Ensemble choir;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("pier-1", "tern", 2);
        choir.recorder("hut-1", "plover", 1);
        choir.load("template: house\nmotion: {detection: on}\nresponse: {mail: " + TELEPHONE + "}\n---\n"
                + "group: fleet\nuse: [house]\n");
        choir.choir(0, "rollout", "start", "--yes");
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    @Test
    void aRecorderWithATestIsTriedAndOneWithoutIsTriedByHand() {
        assertThat(choir.choir(0, "response", "list").out())
                .containsPattern("pier-1/01 +response.mail +" + TELEPHONE + " +recorder +never")
                .containsPattern("hut-1/01 +response.mail +" + TELEPHONE + " +by hand +never");
        var tried =
                choir.choir(0, "response", "try", "pier-1/01", "response.mail").out();
        assertThat(tried).contains("done: Mail " + TELEPHONE).contains("did it come?");
        var number = tried.replaceFirst("(?s).*choir response came (\\d+),.*", "$1");
        assertThat(choir.choir(0, "response", "came", number, "--note", "with its still")
                        .out())
                .contains("came, with its still");
        assertThat(choir.choir(1, "response", "try", "hut-1/01", "response.mail")
                        .errors())
                .contains("has no test of response.mail");
        choir.choir(0, "response", "try", "hut-1/01", "response.mail", "--by-hand");
        assertThat(choir.choir(0, "response", "list", "--format", "csv").out())
                .containsPattern("(?m)^hut-1/01,.*,hand,[^\n]*,false,,$")
                .containsPattern("(?m)^pier-1/01,.*\"with its still\",false,true,ada$");
        assertThat(choir.choir(1, "response", "try", "pier-1/01", "response.sound")
                        .errors())
                .contains("holds no response.sound");
    }
}
