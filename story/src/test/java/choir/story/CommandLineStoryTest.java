package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** From a policy to a drifted camera and back, as an administrator types it. */
class CommandLineStoryTest {
    private static Ensemble choir;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    @Test
    void fromAPolicyToADriftedCameraAndBack() throws IOException {
        var tern = choir.played("haldr-1", "tern", 4);
        var gannet = choir.played("haldr-2", "gannet", 2);
        assertThat(choir.choir(0, "recorder", "list").out()).contains("no recorder yet");
        assertThat(choir.choir(
                                0,
                                "recorder",
                                "add",
                                "haldr-1",
                                "--address",
                                tern,
                                "--user",
                                "choir",
                                "--password-file=" + choir.file("secret-of-haldr-1"))
                        .out())
                .contains("of family tern");
        choir.choir(
                0,
                "recorder",
                "add",
                "haldr-2",
                "--address",
                gannet,
                "--user",
                "choir",
                "--password-file=" + choir.file("secret-of-haldr-2"));
        assertThat(choir.choir(0, "recorder", "read").out()).contains("read 2 recorders");
        assertThat(choir.choir(0, "recorder", "list").out())
                .contains("Tern TN-16")
                .contains("answers");
        assertThat(choir.choir(0, "camera", "list").out())
                .contains("haldr-1/04")
                .contains("haldr-2-cam-02");
        assertThat(choir.choir(0, "recorder", "show", "haldr-1").out())
                .containsPattern("Sensitivity +50")
                .contains("daily continuous");

        choir.choir(0, "group", "add", "terminals/haldr/quay");
        choir.choir(
                0,
                "camera",
                "move",
                "haldr-1/01",
                "haldr-1/02",
                "haldr-1/03",
                "haldr-1/04",
                "haldr-2/01",
                "haldr-2/02",
                "--to",
                "terminals/haldr/quay");
        var file = Files.writeString(choir.folder().resolve("quay.yaml"), """
                template: quay
                title: Open quays
                motion:
                  detection: on
                  sensitivity: 70
                  threshold: 0.6%
                recording:
                  week:
                    - daily: motion
                    - mon-fri 05:30-09:30: continuous
                  before-event: 6s
                """);
        choir.choir(0, "template", "new", file.toString());
        assertThat(choir.choir(0, "template", "list").out()).contains("Open quays");
        choir.choir(0, "use", "quay", "--on", "terminals/haldr/quay");
        choir.choir(0, "set", "haldr-1/03", "motion.threshold=0.25%", "--because", "the pier head is 70 m away");

        assertThat(choir.choir(0, "explain", "haldr-1/03").out())
                .contains("Threshold  0.25%")
                .contains("override at haldr-1/03 by ada, because: the pier head is 70 m away")
                .contains("beat 0.6% from template quay (revision 1) at fleet/terminals/haldr/quay")
                .contains("recorder ought to hold: 1\n")
                .contains("recorder holds: 20\n");

        var preview = choir.choir(3, "preview", "group:terminals/haldr").out();
        assertThat(preview)
                .containsPattern("Sensitivity +50 +70")
                .containsPattern("Threshold +20 +1 ")
                .contains("Gannet GD has no place for \"threshold\" (asked 0.6%)")
                .contains("haldr-2 records nothing on any channel while it is written")
                .contains("6 cameras would change");
        var id = number(preview, "--preview (\\d+)");
        assertThat(choir.choir(0, "rollout", "start", "--preview", id, "--waves", "2", "--yes")
                        .out())
                .contains("6 verified");
        assertThat(choir.choir(0, "rollout", "list").out()).contains("6 verified");
        assertThat(choir.choir(0, "status").out()).contains("6 cameras on 2 recorders: 6 in tune");
        assertThat(choir.choir(0, "preview").out()).contains("0 cameras would change");
        assertThat(choir.choir(0, "audit", "run").out()).contains("nothing is out of tune");

        choir.panel("haldr-1/02?sensitivity=67");
        choir.panel("haldr-2/01?erase=sun");
        var audit = choir.choir(3, "audit", "run").out();
        assertThat(audit)
                .contains(
                        "Sensitivity is 3 steps less sensitive than asked (67, ought to be 70); changed at the recorder.")
                .contains("Week records nothing for 24 h a week in which it ought to; changed at the recorder.")
                .contains("6 cameras: 4 in tune, 2 not (2 drifted");
        assertThat(choir.choir(3, "finding", "list", "state:at-risk").out())
                .contains("haldr-2/01")
                .doesNotContain("haldr-1/02");
        var mine = number(choir.choir(0, "audit", "list").out(), "(\\d+) .* " + Ensemble.ADMIN + " +all ");
        assertThat(choir.choir(0, "audit", "show", mine).out())
                .contains("audit " + mine + " of all cameras, by " + Ensemble.ADMIN)
                .contains("2 recorders read")
                .contains("6 cameras: 4 in tune");
        assertThat(choir.choir(1, "audit", "show", "99999").errors()).contains("99999");
        var week = number(audit, "(\\d+) +high +haldr-2/01");
        var sensitivity = number(audit, "(\\d+) +medium +haldr-1/02");
        assertThat(choir.choir(0, "finding", "show", sensitivity).out())
                .contains("ought to hold: 70")
                .contains("holds: 67");

        assertThat(choir.choir(0, "finding", "reapply", week, sensitivity).out())
                .contains("2 verified");
        assertThat(choir.choir(0, "audit", "run").out())
                .contains("nothing is out of tune")
                .contains("6 in tune");
        assertThat(choir.choir(0, "finding", "show", week).out()).contains("given out again");
    }

    private static String number(String text, String pattern) {
        var found = Pattern.compile(pattern).matcher(text);
        assertThat(found.find()).as("%s in %s", pattern, text).isTrue();
        return found.group(1);
    }
}
