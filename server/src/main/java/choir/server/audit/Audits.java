package choir.server.audit;

import choir.drift.Cause;
import choir.drift.Matter;
import choir.fleet.CameraState;
import choir.fleet.Selection;
import choir.policy.SettingKey;
import choir.server.fleet.StoredRecorder;
import choir.server.policy.NodeStore;
import choir.server.reading.Devices.Outcome;
import choir.server.reading.Sweeps;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/**
 * Reads the recorders of a selection, compares, and keeps what is out of tune. Each recorder is settled by itself, and what
 * could not be looked at is neither well nor wrong: its findings stay as they are.
 */
@Component
class Audits implements Works.Runner {
    private static final String WELL = "in tune again";
    private static final Duration CLOCK_TOLERANCE = Duration.ofSeconds(30);

    private final Standings standings;
    private final Sweeps sweeps;
    private final FindingStore findings;
    private final NodeStore nodes;
    private final ZoneRules zones;
    private final Clock clock;

    Audits(Standings standings, Sweeps sweeps, FindingStore findings, NodeStore nodes, ZoneRules zones, Clock clock) {
        this.standings = standings;
        this.sweeps = sweeps;
        this.findings = findings;
        this.nodes = nodes;
        this.zones = zones;
        this.clock = clock;
    }

    @Override
    public Task.Kind kind() {
        return Task.Kind.AUDIT;
    }

    @Override
    public Works.Ended run(Work work, Works.Progress progress) {
        var selection = Selection.parse(work.task().selection());
        sweeps.run(work, progress, (recorder, outcome) -> take(work.id(), recorder, outcome, selection));
        return sweeps.ended(work, summary(standings.select(selection)));
    }

    /** One recorder's findings; within the transaction that stores what it said. */
    private void take(long audit, String name, Outcome outcome, Selection selection) {
        var cameras = standings.ofRecorder(name).values();
        if (cameras.isEmpty() && !(outcome instanceof Outcome.Failed)) {
            return;
        }
        switch (outcome) {
            case Outcome.Failed(var why) ->
                findings.take(
                        audit,
                        name,
                        List.of(Seen.unread(String.valueOf(why.getMessage()))),
                        matter -> Optional.empty());
            case Outcome.Reached r -> {
                var recorder = cameras.iterator().next().recorder();
                findings.take(audit, name, ofRecorder(recorder), matter -> Optional.of(WELL));
            }
            case Outcome.OnSite o -> {
                // Nobody can tell from here what its clock says.
            }
        }
        var expired = nodes.overridesPast(LocalDate.now(clock), name);
        for (var standing : cameras) {
            if (selection.test(standing) && standing.held().isPresent()) {
                List<Seen> seen = new ArrayList<>(Seen.of(standing));
                expired.stream()
                        .filter(o -> o.node().equals(standing.camera()))
                        .forEach(o -> seen.add(Seen.expired(o)));
                findings.take(audit, standing.row(), seen, ending(standing));
            }
        }
    }

    /** A value that was not in the recorder's answer was not looked at, and one that nobody governs is not well. */
    private static Function<Matter, Optional<String>> ending(Standing standing) {
        Map<SettingKey, Cause> causes = new HashMap<>();
        standing.deviations().forEach(d -> causes.put(d.key(), d.cause()));
        return matter -> {
            if (!(matter instanceof Matter.Value(var key))) {
                return Optional.of(WELL);
            }
            var cause = causes.get(key);
            if (cause == null) {
                return Optional.of("no policy governs it any more");
            }
            return switch (cause) {
                case UNKNOWN -> Optional.empty();
                case CANNOT_HONOUR -> Optional.of("the recorder cannot honour what is asked now");
                case IN_TUNE,
                        DID_NOT_TAKE,
                        NEVER_TUNED,
                        NEVER_GIVEN_OUT,
                        CHANGED_AT_RECORDER,
                        WAITING,
                        CHANGED_ON_BOTH_SIDES -> Optional.of(WELL);
            };
        };
    }

    private List<Seen> ofRecorder(StoredRecorder recorder) {
        List<Seen> seen = new ArrayList<>();
        recorder.clockAhead()
                .filter(ahead -> ahead.abs().compareTo(CLOCK_TOLERANCE) > 0)
                .ifPresent(ahead -> seen.add(Seen.clock(ahead)));
        zones.firstDifference(recorder)
                .ifPresent(from -> seen.add(Seen.zone(recorder.zone(), recorder.posixZone(), from.toString())));
        return seen;
    }

    private static String summary(List<Standing> audited) {
        long astray = audited.stream().filter(Audits::isAstray).count();
        return audited.size() + " cameras: " + (audited.size() - astray) + " in tune, "
                + count(audited, CameraState.DRIFTED) + " drifted, " + count(audited, CameraState.WAITING)
                + " waiting, " + count(audited, CameraState.UNKNOWN) + " not read";
    }

    private static boolean isAstray(Standing camera) {
        return camera.states().contains(CameraState.DRIFTED)
                || camera.states().contains(CameraState.WAITING)
                || camera.states().contains(CameraState.UNKNOWN);
    }

    private static long count(List<Standing> audited, CameraState state) {
        return audited.stream().filter(s -> s.states().contains(state)).count();
    }
}
