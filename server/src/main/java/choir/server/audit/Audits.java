package choir.server.audit;

import choir.fleet.Node;
import choir.server.db.Database;
import choir.server.fleet.StoredRecorder;
import choir.server.policy.PolicyStore;
import choir.server.reading.Devices;
import choir.server.reading.Devices.Outcome;
import choir.server.standing.Baselines;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.work.Work;
import choir.server.work.Works;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Reads the recorders of a selection, compares, and keeps what is out of tune. */
@Component
class Audits implements Works.Runner {
    static final String KIND = "audit";

    private final Standings standings;
    private final Devices devices;
    private final Baselines baselines;
    private final FindingStore findings;
    private final Database database;
    private final Clock clock;
    private final PolicyStore policies;

    Audits(
            Standings standings,
            Devices devices,
            Baselines baselines,
            FindingStore findings,
            Database database,
            Clock clock,
            PolicyStore policies) {
        this.clock = clock;
        this.policies = policies;
        this.standings = standings;
        this.devices = devices;
        this.baselines = baselines;
        this.findings = findings;
        this.database = database;
    }

    @Override
    public String kind() {
        return KIND;
    }

    /** An audit that was interrupted is run again: it only reads, and takes what it saw in one go at the end. */
    @Override
    public String run(Work work, Works.Progress progress) {
        // Which cameras are meant is decided before the reading; what they hold is compared after it.
        var cameras = standings.someOf(work.selection()).stream()
                .map(s -> s.camera().camera())
                .toList();
        Set<StoredRecorder> recorders = new LinkedHashSet<>();
        cameras.forEach(c -> recorders.add(standings.of(c).recorder()));
        progress.total(recorders.size());
        List<Seen> seen = new ArrayList<>();
        devices.read(List.copyOf(recorders), outcome -> {
            seen.addAll(ofRecorder(outcome, clock.instant()));
            progress.step(outcome instanceof Outcome.Failed);
        });
        baselines.take(cameras.stream().map(standings::of).toList());
        Set<Long> read = new LinkedHashSet<>();
        for (var camera : cameras) {
            var standing = standings.of(camera);
            if (standing.held().isPresent()) {
                read.add(standing.camera().id());
                seen.addAll(Seen.of(standing));
            }
        }
        seen.addAll(expired(read));
        var tried = recorders.stream().map(StoredRecorder::name).collect(Collectors.toSet());
        database.write(() -> findings.take(work.id(), seen, read, tried));
        return summary(cameras.stream().map(standings::of).toList());
    }

    /** Overrides past their last day, on each camera that they were about. */
    private List<Seen> expired(Set<Long> cameras) {
        var today = LocalDate.now(clock);
        var past = policies.overrides().stream().filter(o -> !o.countsOn(today)).toList();
        List<Seen> seen = new ArrayList<>();
        for (var override : past) {
            if (override.node() instanceof Node.Camera camera) {
                standings.all().stream()
                        .filter(s -> s.camera().camera().equals(camera)
                                && cameras.contains(s.camera().id()))
                        .forEach(s -> seen.add(Seen.expired(s, override)));
            }
        }
        return seen;
    }

    private static List<Seen> ofRecorder(Outcome outcome, Instant now) {
        return switch (outcome) {
            case Outcome.Failed f ->
                List.of(Seen.unread(
                        f.recorder().name(),
                        "The recorder could not be read: " + f.why().getMessage() + "."));
            case Outcome.OnSite o -> List.of();
            case Outcome.Reached r ->
                Stream.of(
                                Seen.clock(
                                        r.recorder().name(),
                                        r.reading().clockAhead().toSeconds()),
                                Seen.zone(r.recorder(), r.reading().posixZone(), now))
                        .flatMap(Optional::stream)
                        .toList();
        };
    }

    private static String summary(List<Standing> audited) {
        long unknown = count(audited, "unknown");
        long drifted = count(audited, "drifted");
        long waiting = count(audited, "waiting");
        long astray = audited.stream()
                .map(Standing::states)
                .filter(s -> s.contains("drifted") || s.contains("waiting") || s.contains("unknown"))
                .count();
        return audited.size() + " cameras: " + (audited.size() - astray) + " in tune, " + drifted + " drifted, "
                + waiting + " waiting, " + unknown + " not read";
    }

    private static long count(List<Standing> audited, String state) {
        return audited.stream().filter(s -> s.states().contains(state)).count();
    }
}
