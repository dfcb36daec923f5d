package choir.server.inbox;

import choir.server.account.SignedIn;
import choir.server.audit.ChosenFindings;
import choir.server.audit.Finding;
import choir.server.audit.FindingStore;
import choir.server.plan.PlanTroubles;
import choir.server.rollout.SeenRollouts;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** What waits for the person who is signed in. */
@RestController
class InboxApi {
    private static final int MOST_FINDINGS = 200;
    private static final int NEWEST_ROLLOUTS = 100;
    private static final Duration REMEMBERED = Duration.ofDays(7);

    /**
     * @param kind {@code approve}: a rollout of somebody else that waits to be let go; {@code finding}: one that was given
     *     to this person; {@code rollout}: one of theirs that did not end well; {@code plan}: one of theirs that did not run
     * @param since from when on
     * @param work the rollout, where it is about one
     * @param finding where it is about one
     */
    record InboxItem(
            String kind,
            String sentence,
            String since,
            @Nullable Long work,
            @Nullable Long finding,
            @Nullable String camera) {}

    private final Works works;
    private final FindingStore findings;
    private final PlanTroubles plans;
    private final SeenRollouts rollouts;
    private final ChosenFindings chosen;
    private final Clock clock;

    InboxApi(
            Works works,
            FindingStore findings,
            PlanTroubles plans,
            SeenRollouts rollouts,
            ChosenFindings chosen,
            Clock clock) {
        this.rollouts = rollouts;
        this.chosen = chosen;
        this.works = works;
        this.findings = findings;
        this.plans = plans;
        this.clock = clock;
    }

    @GetMapping("/api/v1/inbox")
    List<InboxItem> inbox(Principal signedIn, HttpServletRequest request) {
        var who = signedIn.getName();
        boolean mayApprove = !SignedIn.mayEdit(request).isNowhere();
        var approvals = works.asked().stream()
                .filter(w -> mayApprove && !w.who().equals(who) && rollouts.isSeen(w))
                .map(InboxApi::toApprove);
        var given = chosen.of("", findings.givenTo(who, MOST_FINDINGS)).stream().map(InboxApi::given);
        var ended = works.list(Task.Kind.ROLLOUT, NEWEST_ROLLOUTS).stream()
                .filter(w -> w.who().equals(who) && endedBadly(w))
                .map(InboxApi::ended);
        var troubles = plans.of(who).stream()
                .map(t -> new InboxItem(
                        "plan", t.about() + ": " + t.why(), t.since().toString(), null, null, null));
        return Stream.of(approvals, ended, troubles, given).flatMap(s -> s).toList();
    }

    private boolean endedBadly(Work work) {
        return switch (work.state()) {
            case PARTLY, FAILED ->
                work.endedAt()
                        .filter(at -> at.isAfter(clock.instant().minus(REMEMBERED)))
                        .isPresent();
            case ASKED, WAITING, RUNNING, PAUSED, DONE, STOPPED -> false;
        };
    }

    private static InboxItem toApprove(Work work) {
        return new InboxItem(
                "approve",
                "Rollout " + work.id() + " by " + work.who() + " of "
                        + (work.task().selection().isEmpty()
                                ? "all cameras"
                                : work.task().selection())
                        + " waits for somebody else to let it go",
                work.createdAt().toString(),
                work.id(),
                null,
                null);
    }

    private static InboxItem ended(Work work) {
        return new InboxItem(
                "rollout",
                "Rollout " + work.id() + " ended: " + work.note(),
                work.endedAt().orElse(work.createdAt()).toString(),
                work.id(),
                null,
                null);
    }

    private static InboxItem given(Finding finding) {
        var camera = finding.camera().map(c -> c.text());
        var note = finding.assignment()
                .map(Finding.Assignment::note)
                .filter(n -> !n.isBlank())
                .map(n -> " (" + n + ")")
                .orElse("");
        return new InboxItem(
                "finding",
                camera.orElse(finding.recorder()) + ": " + finding.sentence() + note,
                finding.firstSeen().toString(),
                null,
                finding.id(),
                camera.orElse(null));
    }
}
