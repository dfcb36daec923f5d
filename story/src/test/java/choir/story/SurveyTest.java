package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A fleet that nobody wrote a policy for: what is set, and a policy that says just that. */
class SurveyTest {
    private static Ensemble choir;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 12);
        choir.recorder("yard-1", "petrel", 4);
        choir.recorder("hall-1", "gannet", 3);
        choir.panel("haldr-1/05?sensitivity=20&threshold=7&Storage.WhenFull=Stop");
        choir.panel("haldr-1/06?erase=sun&switched-on=off");
        choir.panel("yard-1/02?sensitivity=77&threshold=1234&Response.Sound=bell");
        choir.panel("hall-1/01?sensitivity=6&before=6");
        choir.choir("recorder", "read");
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    @Test
    void tellsTheVariantsTheirShareAndTheOddOnesOut() {
        var said = choir.choir("survey", "family:tern").out();
        assertThat(said)
                .containsPattern("tern +.*Sensitivity +50 +11 +91% +factory")
                .containsPattern(" 20 +1 +8% +odd +haldr-1/05")
                .contains("12 cameras surveyed");
    }

    @Test
    void theProposalLoadedAndAuditedFindsNothingToChange() {
        var folder = choir.folder().resolve("as-found").toString();
        assertThat(choir.choir("survey", "--write", folder).out()).contains("load them with");
        var loaded = choir.choir("policy", "load", folder, "--yes");
        assertThat(loaded.exitCode()).as(loaded.errors()).isZero();
        var audit = choir.choir("audit", "run");
        assertThat(audit.exitCode()).as(audit.out() + audit.errors()).isZero();
        assertThat(audit.out()).contains("nothing is out of tune").contains("19 cameras: 19 in tune");
        assertThat(choir.choir("preview").out()).contains("0 cameras would change");
    }
}
