package choir.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.fleet.Node;
import choir.refusal.Refusal;
import choir.server.reach.Reach;
import choir.server.web.Problem;
import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class GrantsTest {
    private static Grants grants(String roles, @Nullable Boolean footage, @Nullable Boolean decides) {
        return Grants.of(List.of(roles.split(" ")), footage, decides);
    }

    @ParameterizedTest
    @CsvSource({
        "viewer, SEE, the fleet",
        "viewer, FOOTAGE, ''",
        "technician:a, FOOTAGE, fleet/a",
        "technician:a viewer, SEE, the fleet",
        "technician:a viewer, WORK, fleet/a",
        "editor:a technician:b, WORK, 'fleet/a, fleet/b'",
        "editor:a technician:b, EDIT, fleet/a",
        "editor:a/b editor:a, DECIDE, fleet/a",
        "administrator:a, ADMINISTER, fleet/a",
    })
    void aRightReachesAsFarAsTheRolesThatHaveIt(String roles, Right right, String reach) {
        assertThat(grants(roles, null, null).reach(right)).hasToString(reach);
    }

    @Test
    void footageAndDecidingMayBeGivenAndTakenApart() {
        assertThat(grants("viewer:a", true, null).reach(Right.FOOTAGE)).hasToString("fleet/a");
        assertThat(grants("editor", false, null).reach(Right.FOOTAGE)).isEqualTo(Reach.NOWHERE);
        assertThat(grants("viewer", null, true).reach(Right.DECIDE)).isEqualTo(Reach.EVERYWHERE);
        assertThat(grants("viewer", null, true).reach(Right.EDIT)).isEqualTo(Reach.NOWHERE);
    }

    @Test
    void aTokenThatOnlyLooksShowsNoFootageHoweverMuchItsPersonSees() {
        var looking = grants("viewer technician:a", true, true).atMost(Role.VIEWER);
        assertThat(looking.reach(Right.SEE)).isEqualTo(Reach.EVERYWHERE);
        assertThat(looking.reach(Right.FOOTAGE)).isEqualTo(Reach.NOWHERE);
        assertThat(looking.reach(Right.DECIDE)).isEqualTo(Reach.NOWHERE);
        // What was taken from them it does not give back.
        assertThat(grants("editor", false, false).atMost(Role.TECHNICIAN).reach(Right.FOOTAGE))
                .isEqualTo(Reach.NOWHERE);
    }

    @Test
    void withinAPlaceIsWhatBothHave() {
        var person = grants("viewer editor:a/b technician:c", null, null);
        var within = person.within(Node.Group.of("a")).orElseThrow();
        assertThat(within.reach(Right.SEE)).hasToString("fleet/a");
        assertThat(within.reach(Right.EDIT)).hasToString("fleet/a/b");
        assertThat(grants("editor:a", null, null).within(Node.Group.of("b"))).isEmpty();
        assertThat(grants("editor:a", null, null).within(Node.Group.of("ab"))).isEmpty();
    }

    @Test
    void onlyOneOfTheWholeFleetLooksAfterIt() {
        assertThat(grants("administrator:a", null, null).reach(Right.ADMINISTER).isEverywhere())
                .isFalse();
        assertThat(grants("administrator", null, null).reach(Right.ADMINISTER).isEverywhere())
                .isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "king", "viewer:", "viewer:A b", "viewer:../x", ":a", "viewer:a:b"})
    void whatIsNoRoleIsRefused(String role) {
        assertThatThrownBy(() -> Grants.of(List.of(role), null, null)).isInstanceOf(Refusal.class);
    }

    @Test
    void nobodyHasNoRoleAndNobodyAnEndlessList() {
        assertThatThrownBy(() -> Grants.of(List.of(), null, null)).isInstanceOf(Problem.class);
        assertThatThrownBy(() -> Grants.of(Collections.nCopies(21, "viewer"), null, null))
                .isInstanceOf(Problem.class);
    }
}
