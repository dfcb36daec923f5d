package choir.server.reading;

import choir.fleet.Node;
import choir.link.LinkException;
import choir.server.ServiceSettings;
import choir.server.fleet.FleetStore;
import choir.server.web.Problem;
import com.github.benmanes.caffeine.cache.AsyncCache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.context.request.async.DeferredResult;

/**
 * What cameras see now. Many viewers of a camera are one question to its recorder, a picture is kept for some seconds, and
 * nobody who waits for one holds a thread that others need.
 */
@RestController
class StillApi {
    private static final Duration FRESH = Duration.ofSeconds(10);
    private static final long MOST_KEPT_BYTES = 64 << 20;

    private final FleetStore fleet;
    private final Devices devices;
    private final Duration patience;
    private final AsyncCache<Node.Camera, byte[]> kept = Caffeine.newBuilder()
            .expireAfterWrite(FRESH)
            .maximumWeight(MOST_KEPT_BYTES)
            .<Node.Camera, byte[]>weigher((camera, jpeg) -> jpeg.length)
            .buildAsync();
    /** Questions to recorders; one recorder answers one at a time. */
    private final Places asked = new Places(64, 4);
    /** Requests that have no answer yet. */
    private final Places waiting = new Places(500, 100);

    StillApi(FleetStore fleet, Devices devices, ServiceSettings settings) {
        this.fleet = fleet;
        this.devices = devices;
        this.patience = settings.stillPatience();
    }

    @GetMapping(path = "/api/v1/cameras/{recorder}/{channel}/still", produces = MediaType.IMAGE_JPEG_VALUE)
    DeferredResult<ResponseEntity<byte[]>> still(@PathVariable String recorder, @PathVariable String channel) {
        var camera = fleet.camera(Node.Camera.ofSegments(recorder, channel)).camera();
        var of = camera.recorder().text();
        if (!waiting.take(of)) {
            throw busy(camera);
        }
        var result = new DeferredResult<ResponseEntity<byte[]>>(patience.toMillis());
        var left = new AtomicBoolean();
        result.onCompletion(() -> {
            if (left.compareAndSet(false, true)) {
                waiting.leave(of);
            }
        });
        result.onTimeout(() -> result.setErrorResult(new Problem(
                Problem.Kind.RECORDER,
                camera.recorder() + " gave no picture of " + camera + " within " + patience.toSeconds() + " s")));
        try {
            var _ = fetched(camera).whenComplete((jpeg, failed) -> {
                if (failed == null) {
                    result.setResult(ResponseEntity.ok()
                            .contentType(MediaType.IMAGE_JPEG)
                            .cacheControl(CacheControl.maxAge(FRESH).cachePrivate())
                            .body(jpeg));
                } else {
                    result.setErrorResult(plain(failed));
                }
            });
        } catch (RuntimeException e) {
            waiting.leave(of);
            throw e;
        }
        return result;
    }

    /** The picture that is kept, or the one that is being fetched, or a new one. */
    private CompletableFuture<byte[]> fetched(Node.Camera camera) {
        var recorder = fleet.recorder(camera.recorder().text());
        return kept.get(camera, (c, executor) -> {
            if (!asked.take(recorder.name())) {
                throw busy(camera);
            }
            try {
                return devices.still(recorder, c.channel(), patience)
                        .whenComplete((jpeg, failed) -> asked.leave(recorder.name()));
            } catch (RuntimeException e) {
                asked.leave(recorder.name());
                throw e;
            }
        });
    }

    private static Throwable plain(Throwable failed) {
        var cause = failed instanceof CompletionException && failed.getCause() != null ? failed.getCause() : failed;
        return cause instanceof LinkException || cause instanceof Problem
                ? cause
                : new Problem(Problem.Kind.RECORDER, "the picture could not be fetched: " + cause.getMessage());
    }

    private static Problem busy(Node.Camera camera) {
        return new Problem(
                Problem.Kind.TOO_MANY,
                "many pictures of " + camera.recorder() + " are being fetched; ask again for that of " + camera
                        + " soon");
    }
}
