package choir.onvif;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.Families;
import choir.family.NativeValue;
import choir.link.RecorderAccess;
import choir.link.Writing;
import choir.link.Written;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.sim.Simulator;
import java.time.Duration;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** How long recorders stand still while they are written, by what they say of their jobs. */
class RecordingGapTest {
    private Simulator simulator;
    private OnvifLink link;

    @BeforeEach
    void start() {
        simulator = Simulator.start(0);
        link = new OnvifLink(Patience.ofCall(Duration.ofSeconds(1)));
    }

    @AfterEach
    void stop() {
        link.close();
        simulator.close();
    }

    private RecorderAccess added(String family, String pause) {
        simulator.add(family, family, "choir", "harbour", 2);
        if (!pause.isEmpty()) {
            simulator.turn(family + "?pause=" + pause);
        }
        return new RecorderAccess(
                simulator.address(family),
                "choir",
                "harbour",
                Families.shipped().named(family));
    }

    private Writing give(RecorderAccess access, SettingKey key, NativeValue value) {
        var values = Map.of(key, value);
        var writing = link.write(access, Writes.of(link, access, Map.of("01", values, "02", values)));
        assertThat(writing.channels().values())
                .as("what is seen of recording says nothing of what was written")
                .allMatch(Written.Whole.class::isInstance);
        return writing;
    }

    @Test
    void aRecorderThatStopsOnAllChannelsIsWaitedFor() {
        var gap = give(added("gannet", "PT1.5S"), Catalogue.SENSITIVITY, NativeValue.number(5))
                .gap()
                .orElseThrow();
        assertThat(gap.ended()).isTrue();
        assertThat(gap.length()).isGreaterThanOrEqualTo(Duration.ofMillis(1_500));
    }

    @Test
    void oneThatStaysSilentIsTold() {
        var gap = give(added("gannet", "PT1H"), Catalogue.SENSITIVITY, NativeValue.number(5))
                .gap()
                .orElseThrow();
        assertThat(gap.ended()).isFalse();
        assertThat(gap.length()).isGreaterThanOrEqualTo(Duration.ofSeconds(4));
    }

    @Test
    void whatIsOverBeforeItCanBeSeenIsNoGap() {
        assertThat(give(added("fulmar", "PT0S"), Catalogue.AFTER_EVENT, NativeValue.number(20))
                        .gap())
                .contains(new Writing.Gap(Duration.ZERO, true));
    }

    @Test
    void whereOneChannelStopsItIsTheOneThatIsWritten() {
        var gap = give(added("fulmar", "PT0.7S"), Catalogue.AFTER_EVENT, NativeValue.number(20))
                .gap()
                .orElseThrow();
        assertThat(gap.ended()).isTrue();
        assertThat(gap.length()).isGreaterThanOrEqualTo(Duration.ofMillis(700));
    }

    @Test
    void aRecorderThatIsToldToRecordNothingIsNotWaitedFor() {
        var access = added("fulmar", "");
        assertThat(give(access, Catalogue.SWITCHED_ON, new NativeValue.Flag(false))
                        .gap())
                .isEmpty();
        assertThat(give(access, Catalogue.AFTER_EVENT, NativeValue.number(20)).gap())
                .as("nothing recorded before")
                .isEmpty();
    }

    @Test
    void oneThatGoesOnIsNotAsked() {
        assertThat(give(added("tern", ""), Catalogue.SENSITIVITY, NativeValue.number(20))
                        .gap())
                .isEmpty();
    }
}
