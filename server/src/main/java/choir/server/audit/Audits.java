package choir.server.audit;

import choir.drift.Cause;
import choir.drift.Matter;
import choir.fleet.CameraState;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.server.fleet.DeviceStore;
import choir.server.fleet.StoredRecorder;
import choir.server.policy.NodeStore;
import choir.server.reading.Devices.Outcome;
import choir.server.reading.Sweeps;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import choir.week.PosixZone;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
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
    private final DeviceStore devices;
    private final NodeStore nodes;
    private final ZoneRules zones;
    private final PeerCheck peers;
    private final Clock clock;

    Audits(
            Standings standings,
            Sweeps sweeps,
            FindingStore findings,
            DeviceStore devices,
            NodeStore nodes,
            ZoneRules zones,
            PeerCheck peers,
            Clock clock) {
        this.peers = peers;
        this.standings = standings;
        this.sweeps = sweeps;
        this.findings = findings;
        this.devices = devices;
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
        var audited = standings.select(selection);
        peers.look(work.id(), audited, selection);
        return sweeps.ended(work, summary(audited));
    }

    /** One recorder's findings; within the transaction that stores what it said. */
    private void take(long audit, String name, Outcome outcome, Selection selection) {
        var cameras = standings.ofRecorder(name).values();
        if (cameras.isEmpty() && !(outcome instanceof Outcome.Failed)) {
            return;
        }
        boolean reset = false;
        switch (outcome) {
            case Outcome.Failed(var why) -> {
                var words = String.valueOf(why.getMessage());
                var seen = switch (why.reason()) {
                    case ANOTHER_DEVICE -> Seen.anotherDevice(words);
                    case CERTIFICATE -> Seen.otherCertificate(words);
                    case OTHER_ORDER -> Seen.otherOrder(words);
                    default -> Seen.unread(words);
                };
                findings.take(audit, name, List.of(seen), matter -> unreadEnding(matter, seen.matter()));
            }
            case Outcome.Reached r -> {
                var recorder = cameras.iterator().next().recorder();
                reset = Reset.of(cameras, devices.firmwareBefore(name).isPresent());
                findings.take(audit, name, ofRecorder(recorder, cameras, reset), matter -> ending(recorder, matter));
            }
            case Outcome.OnSite o -> {
                // Nobody can tell from here what its clock says.
            }
        }
        var expired = nodes.overridesPast(LocalDate.now(clock), name);
        for (var standing : cameras) {
            if (selection.test(standing)) {
                findings.take(
                        audit, standing.row(), ofCamera(standing, cameras, expired, reset), ending(standing, reset));
            }
        }
    }

    /** A clock that was not told, or a zone in no rule that can be read, is not seen to be right. */
    private Optional<String> ending(StoredRecorder recorder, Matter matter) {
        boolean seen = switch (matter) {
            case Matter.Clock c -> recorder.clockAhead().isPresent();
            case Matter.OtherRanges o -> devices.otherRanges(recorder.name()).isPresent();
            case Matter.Zone z -> PosixZone.parse(recorder.posixZone()).isPresent();
            default -> true;
        };
        return seen ? Optional.of(WELL) : Optional.empty();
    }

    /** One reason not to know takes the place of the other; everything else stays as it was. */
    private static Optional<String> unreadEnding(Matter open, Matter now) {
        boolean isReason = open instanceof Matter.NotRead
                || open instanceof Matter.AnotherDevice
                || open instanceof Matter.OtherCertificate
                || open instanceof Matter.OtherOrder;
        return isReason && !open.equals(now)
                ? Optional.of("it cannot be read for another reason now")
                : Optional.empty();
    }

    private static List<Seen> ofCamera(
            Standing standing, Collection<Standing> beside, List<PolicyOverride> expired, boolean reset) {
        List<Seen> seen = new ArrayList<>(Seen.asked(standing));
        standing.held().ifPresent(held -> seen.addAll(Seen.held(standing, held, reset)));
        standing.row()
                .goneSince()
                .ifPresent(since -> seen.add(Seen.gone(standing.camera(), samePicture(standing, beside))));
        expired.stream().filter(o -> reaches(o.node(), standing)).forEach(o -> seen.add(Seen.expired(o)));
        return seen;
    }

    /** The one camera beside it that is there and called the same, label and device. */
    private static Optional<Node.Camera> samePicture(Standing gone, Collection<Standing> beside) {
        var alike = beside.stream()
                .filter(s -> s.row().goneSince().isEmpty()
                        && s.row().label().equals(gone.row().label())
                        && s.row().deviceName().equals(gone.row().deviceName()))
                .map(Standing::camera)
                .toList();
        return alike.size() == 1 ? Optional.of(alike.getFirst()) : Optional.empty();
    }

    private static boolean reaches(Node node, Standing standing) {
        return switch (node) {
            case Node.Camera camera -> camera.equals(standing.camera());
            case Node.Group group -> group.contains(standing.group());
        };
    }

    /** A value that was not in the recorder's answer was not looked at, and one that nobody governs is not well. */
    private static Function<Matter, Optional<String>> ending(Standing standing, boolean reset) {
        Map<SettingKey, Cause> causes = new HashMap<>();
        standing.deviations().forEach(d -> causes.put(d.key(), d.cause()));
        boolean read = standing.held().isPresent();
        return matter -> {
            if (matter instanceof Matter.Outlier || matter instanceof Matter.OfActivity) {
                // Its peers are looked at when all are read, and what was recorded when that is asked for.
                return Optional.empty();
            }
            if (!(matter instanceof Matter.Value(var key))) {
                return read || isOfPolicy(matter) ? Optional.of(WELL) : Optional.empty();
            }
            if (!read) {
                return Optional.empty();
            }
            var cause = causes.get(key);
            if (reset && cause != null && cause.isDeviation()) {
                return Optional.of("the recorder was reset, which is a finding of its own");
            }
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

    /** What can be told without asking the recorder. */
    private static boolean isOfPolicy(Matter matter) {
        return switch (matter) {
            case Matter.Blocked b -> true;
            case Matter.Expired e -> true;
            case Matter.AreaWithoutShape a -> true;
            case Matter.Unsound u -> u.asked();
            case Matter.Value v -> false;
            case Matter.Outlier o -> false;
            case Matter.OfActivity a -> false;
            case Matter.Reset r -> false;
            case Matter.OtherOrder o -> false;
            case Matter.Gone g -> false;
            case Matter.OddAnswer a -> false;
            case Matter.AnotherDevice d -> false;
            case Matter.OtherCertificate c -> false;
            case Matter.Firmware f -> false;
            case Matter.NotRead n -> false;
            case Matter.OtherRanges o -> false;
            case Matter.Clock c -> false;
            case Matter.Zone z -> false;
            case Matter.NotUnderstood n -> false;
        };
    }

    private List<Seen> ofRecorder(StoredRecorder recorder, Collection<Standing> cameras, boolean reset) {
        List<Seen> seen = new ArrayList<>();
        if (reset) {
            seen.add(Seen.reset(recorder.name(), cameras.size()));
        }
        devices.firmwareBefore(recorder.name()).ifPresent(before -> {
            if (cameras.stream().anyMatch(Audits::isAstray)) {
                seen.add(Seen.firmware(before, recorder.device().firmware()));
            } else {
                devices.firmwareSettled(recorder.name());
            }
        });
        devices.otherRanges(recorder.name())
                .filter(others -> !others.isEmpty())
                .ifPresent(others -> seen.add(Seen.otherRanges(recorder.family(), others)));
        recorder.clockAhead()
                .filter(ahead -> ahead.abs().compareTo(CLOCK_TOLERANCE) > 0)
                .ifPresent(ahead -> seen.add(Seen.clock(ahead)));
        zones.firstDifference(recorder)
                .ifPresent(from -> seen.add(Seen.zone(recorder.zone(), recorder.posixZone(), from.toString())));
        return seen;
    }

    private static String summary(List<Standing> audited) {
        long astray = audited.stream().filter(Audits::isAstray).count();
        long notGoverned = count(audited, CameraState.NOT_GOVERNED);
        return audited.size() + (audited.size() == 1 ? " camera: " : " cameras: ")
                + count(audited, CameraState.IN_TUNE) + " in tune, " + astray + " not ("
                + count(audited, CameraState.DRIFTED) + " drifted, " + count(audited, CameraState.WAITING)
                + " waiting, " + count(audited, CameraState.UNKNOWN) + " not read)"
                + (notGoverned > 0 ? ", " + notGoverned + " governed by no policy" : "");
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
