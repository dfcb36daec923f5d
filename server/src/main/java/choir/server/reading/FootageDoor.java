package choir.server.reading;

import choir.fleet.Node;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Recall;
import choir.link.FootageLink.Stretch;
import choir.link.Playing;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredRecorder;
import choir.server.web.Problem;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Footage of cameras, live and recorded, from their recorders. */
@Component
public class FootageDoor {
    private static final Duration PATIENCE = Duration.ofMinutes(5);
    private static final Duration A_PERSONS_PATIENCE = Duration.ofSeconds(5);

    private final FleetStore fleet;
    private final Devices devices;
    private final RecorderLink link;
    private final Clock clock;
    private final Places asked = new Places(16, 2);

    FootageDoor(FleetStore fleet, Devices devices, RecorderLink link, Clock clock) {
        this.clock = clock;
        this.fleet = fleet;
        this.devices = devices;
        this.link = link;
    }

    /**
     * What a camera sees now; stills where it has no stream.
     *
     * @return to be closed
     */
    public Seeing live(Node.Camera camera) {
        return of(camera, link::playLive).<Seeing>map(Seeing.OfStream::new).orElseGet(() -> stills(camera));
    }

    private StillSeries stills(Node.Camera camera) {
        var recorder = fleet.recorder(camera.recorder().text());
        return new StillSeries(
                () -> {
                    try {
                        return devices.still(recorder, camera.channel(), A_PERSONS_PATIENCE)
                                .get();
                    } catch (ExecutionException e) {
                        throw e.getCause() instanceof RuntimeException r ? r : e;
                    }
                },
                clock,
                StillSeries.APART);
    }

    /** @return to be closed; it ends at the first gap */
    public Playing recorded(Node.Camera camera, Instant from, Instant until) {
        return recorded(camera, from, until, false);
    }

    /**
     * @param keyPictures only those are wanted, which is much faster
     * @return to be closed; it ends at the first gap
     */
    public Playing recorded(Node.Camera camera, Instant from, Instant until, boolean keyPictures) {
        return of(camera, (access, channel) -> link.playRecorded(access, channel, from, until, keyPictures))
                .orElseThrow(() -> new Problem(
                        Problem.Kind.RECORDER,
                        camera.recorder() + " does not play what it recorded of " + camera.channel()
                                + "; a walk test takes what is seen now"));
    }

    /** What was recorded and what moved, as the recorder tells it. */
    public Optional<History> history(Node.Camera camera, Instant from, Instant until) {
        return of(camera, (access, channel) -> link.history(access, channel, from, until));
    }

    /** What a recorder tells of its past, in one conversation; nobody waits for it. Empty when it has no search. */
    public CompletableFuture<Optional<Recall>> recall(StoredRecorder recorder, List<Stretch> stretches) {
        return devices.visit(recorder, PATIENCE, access -> link.recall(access, stretches));
    }

    /** @throws IllegalStateException when the service stops, so that a call that broke off tells nothing of its recorder */
    public void refuseWhenStopping() {
        devices.refuseWhenStopping();
    }

    /** The same of the last minutes, for a person who waits for it. */
    public CompletableFuture<Optional<Recall>> recent(StoredRecorder recorder, Stretch last) {
        return devices.visit(recorder, A_PERSONS_PATIENCE, access -> link.recall(access, List.of(last)));
    }

    private <T> Optional<T> of(Node.Camera camera, BiFunction<RecorderAccess, String, Optional<T>> question) {
        return ask(fleet.recorder(camera.recorder().text()), access -> question.apply(access, camera.channel()));
    }

    /** Few at a time for each recorder, whatever they ask of its footage; the others wait a little. */
    <T> T ask(StoredRecorder recorder, Function<RecorderAccess, T> question) {
        if (!asked.takeWithin(A_PERSONS_PATIENCE, recorder.name())) {
            throw new Problem(
                    Problem.Kind.TOO_MANY, "much is being asked of " + recorder.name() + " already; ask again soon");
        }
        try {
            return devices.answer(recorder, question);
        } finally {
            asked.leave(recorder.name());
        }
    }
}
