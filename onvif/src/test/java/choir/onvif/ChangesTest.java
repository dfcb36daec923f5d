package choir.onvif;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.Families;
import choir.family.NativeValue;
import choir.link.ChangeLink.Subscription;
import choir.link.ChangeLink.Told;
import choir.link.RecorderAccess;
import choir.link.StateLog.Kind;
import choir.policy.Catalogue;
import choir.sim.Simulator;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Recorders that tell of their changes, by pull-point subscriptions. */
class ChangesTest {
    private final Simulator simulator = Simulator.start(0);
    private final OnvifLink link = new OnvifLink(Patience.ofCall(Duration.ofMinutes(2)));
    private RecorderAccess tern;

    @BeforeEach
    void add() {
        simulator.add("tern-1", "tern", "choir", "harbour", 2);
        simulator.add("petrel-1", "petrel", "choir", "harbour", 1);
        tern = access("tern-1", "tern");
    }

    @AfterEach
    void stop() {
        link.close();
        simulator.close();
    }

    private RecorderAccess access(String name, String family) {
        return new RecorderAccess(
                simulator.address(name), "choir", "harbour", Families.shipped().named(family));
    }

    private void panel(String path) {
        simulator.turn(path);
    }

    private Told told(Subscription subscription) {
        return link.pull(tern, subscription).orElseThrow();
    }

    @Test
    void whatIsChangedAtThePanelIsToldOnceAndNothingElseIs() {
        var subscription = link.subscribe(tern).orElseThrow();
        assertThat(told(subscription).changes()).as("a walker is no change").isEmpty();
        panel("tern-1/01?walker=on");
        assertThat(told(subscription).changes()).isEmpty();
        panel("tern-1/02?sensitivity=13");
        assertThat(told(subscription).changes()).containsExactly("Media/ConfigurationChanged VAC02");
        assertThat(told(subscription).changes()).isEmpty();
        assertThat(told(subscription).left()).isBetween(Duration.ofMinutes(5), Duration.ofMinutes(10));
    }

    private static List<String> turned(Told told) {
        return told.turned().stream()
                .map(t -> t.channel() + " "
                        + (t.edge().kind() == Kind.MOVES
                                ? "moves"
                                : "records by " + t.edge().of().replaceAll(".*=", ""))
                        + " " + t.edge().on())
                .toList();
    }

    @Test
    void howChannelsStandIsToldAtFirstAndThenWhenTheyTurn() {
        // Nothing lives before them, so that what is told is what is done here.
        panel("tern-1/01?scene=none");
        panel("tern-1/02?scene=none");
        panel("tern-1/02?continuous=on&since=PT1H");
        var subscription = link.subscribe(tern).orElseThrow();
        assertThat(subscription.ofChanges()).isTrue();
        assertThat(subscription.channels()).containsValues("01", "02");
        assertThat(turned(told(subscription)))
                .contains("01 moves false", "02 moves false", "02 records by J02c10 true")
                .doesNotContain("01 moves true");
        panel("tern-1/01?walker=on");
        assertThat(turned(told(subscription))).contains("01 moves true");
        panel("tern-1/01?walker=off");
        assertThat(turned(told(subscription))).contains("01 moves false").doesNotContain("02 moves false");
    }

    @Test
    void whatIsToldIsByTheTrueTimeWhateverTheRecordersClockShows() {
        panel("tern-1?clock=PT2H");
        var before = Instant.now().minusSeconds(3);
        var subscription = link.subscribe(tern).orElseThrow();
        assertThat(told(subscription).turned())
                .isNotEmpty()
                .allSatisfy(t -> assertThat(t.edge().at())
                        .isBetween(before, Instant.now().plusSeconds(3)));
    }

    @Test
    void whatIsWrittenIsToldAsWell() {
        var subscription = link.subscribe(tern).orElseThrow();
        assertThat(Writes.to(link, tern, Map.of("01", Map.of(Catalogue.SENSITIVITY, NativeValue.number(33)))))
                .isEmpty();
        assertThat(told(subscription).changes()).containsExactly("Media/ConfigurationChanged");
    }

    @Test
    void aRecorderThatTellsOfNoChangesIsNotSubscribedTo() {
        assertThat(link.subscribe(access("petrel-1", "petrel"))).isEmpty();
    }

    @Test
    void aSubscriptionThatTheRecorderForgotOrGotBackIsSeenToBeGone() {
        var forgotten = link.subscribe(tern).orElseThrow();
        panel("tern-1?restart=1&away=PT0S");
        Writes.to(link, tern, Map.of("01", Map.of(Catalogue.SENSITIVITY, NativeValue.number(33))));
        assertThat(link.pull(tern, forgotten)).isEqualTo(Optional.empty());
        var given = link.subscribe(tern).orElseThrow();
        link.unsubscribe(tern, given);
        link.unsubscribe(tern, given);
        assertThat(link.pull(tern, given)).isEmpty();
    }

    @Test
    void moreThanOneAnswerHoldsIsFetchedToItsEnd() {
        var subscription = link.subscribe(tern).orElseThrow();
        for (int i = 0; i < 230; i++) {
            panel("tern-1/01?sensitivity=" + i % 100);
        }
        panel("tern-1/02?sensitivity=7");
        assertThat(told(subscription).changes())
                .containsExactly("Media/ConfigurationChanged VAC01", "Media/ConfigurationChanged VAC02");
        assertThat(told(subscription).changes()).isEmpty();
    }
}
