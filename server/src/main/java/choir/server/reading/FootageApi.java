package choir.server.reading;

import choir.fleet.Node;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Kept;
import choir.link.FootageLink.Stretch;
import choir.link.RecorderLink;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.web.Instants;
import choir.server.web.Problem;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a recorder has recorded, asked of the recorder itself. */
@RestController
class FootageApi {
    private static final Duration LONGEST = Duration.ofDays(31);

    /**
     * @param told false when the recorder has no search, so that nothing is known
     * @param cameras those that are known of the recorder, with what it says of them
     */
    public record FootageView(String recorder, boolean told, List<FootageOfCamera> cameras) {}

    /**
     * @param from oldest footage, by the true time; missing when it is not known
     * @param until newest
     * @param records whether it records now; missing when it is not known
     */
    public record FootageOfCamera(
            String camera,
            String label,
            @Nullable String from,
            @Nullable String until,
            @Nullable Boolean records) {}

    /**
     * @param recorded stretches with footage; missing when the recorder does not tell
     * @param motion when its detection saw motion; missing when the recorder does not tell
     * @param until up to where this is known
     */
    public record HistoryView(
            String camera,
            String from,
            String until,
            @Nullable List<RecordedSpan> recorded,
            @Nullable List<RecordedSpan> motion) {}

    /** @param until exclusive */
    public record RecordedSpan(String from, String until) {}

    private final FleetStore fleet;
    private final FootageDoor door;
    private final RecorderLink link;
    private final Clock clock;

    FootageApi(FleetStore fleet, FootageDoor door, RecorderLink link, Clock clock) {
        this.fleet = fleet;
        this.door = door;
        this.link = link;
        this.clock = clock;
    }

    @GetMapping("/api/v1/recorders/{name}/footage")
    FootageView footage(@PathVariable String name) {
        var recorder = fleet.recorder(name);
        var kept = door.ask(recorder, link::kept);
        List<FootageOfCamera> cameras = new ArrayList<>();
        for (var camera : fleet.camerasOf(name)) {
            cameras.add(footageOf(
                    camera,
                    kept.flatMap(k -> Optional.ofNullable(k.get(camera.camera().channel())))));
        }
        return new FootageView(name, kept.isPresent(), cameras);
    }

    private static FootageOfCamera footageOf(StoredCamera camera, Optional<Kept> kept) {
        return new FootageOfCamera(
                camera.camera().text(),
                camera.label(),
                kept.flatMap(Kept::from).map(Instant::toString).orElse(null),
                kept.flatMap(Kept::until).map(Instant::toString).orElse(null),
                kept.flatMap(Kept::records).orElse(null));
    }

    /**
     * @param from ISO 8601 with a zone
     * @param until likewise, at most 31 days later; now when it is not said
     */
    @GetMapping("/api/v1/cameras/{recorder}/{channel}/history")
    HistoryView history(
            @PathVariable String recorder,
            @PathVariable String channel,
            @RequestParam String from,
            @RequestParam(required = false) @Nullable String until) {
        var camera = fleet.camera(Node.Camera.ofSegments(recorder, channel)).camera();
        var begin = Instants.parse("from", from);
        var end = until == null ? clock.instant() : Instants.parse("until", until);
        if (!begin.isBefore(end) || Duration.between(begin, end).compareTo(LONGEST) > 0) {
            throw new Problem(Problem.Kind.INVALID, "from has to lie before until, and at most 31 days before it");
        }
        var history = door.history(camera, begin, end)
                .orElseThrow(() -> new Problem(
                        Problem.Kind.RECORDER,
                        camera.recorder() + " does not tell what it recorded of " + camera.channel()));
        return new HistoryView(
                camera.text(),
                begin.toString(),
                history.until().toString(),
                spans(history, History::recorded),
                spans(history, History::motion));
    }

    private static @Nullable List<RecordedSpan> spans(
            History history, Function<History, Optional<List<Stretch>>> which) {
        return which.apply(history)
                .map(all -> all.stream()
                        .map(s ->
                                new RecordedSpan(s.from().toString(), s.until().toString()))
                        .toList())
                .orElse(null);
    }
}
