package choir.server.reading;

import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.server.fleet.FleetStore;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What cameras see now. A picture is kept for some seconds, so that many viewers are one question to the recorder. */
@RestController
class StillApi {
    private static final Duration FRESH = Duration.ofSeconds(10);
    private static final int MOST_KEPT = 200;

    private record Still(byte[] jpeg, Instant at) {}

    private final FleetStore fleet;
    private final Devices devices;
    private final Clock clock;
    private final LinkedHashMap<Node.Camera, Still> kept = new LinkedHashMap<>();

    StillApi(FleetStore fleet, Devices devices, Clock clock) {
        this.fleet = fleet;
        this.devices = devices;
        this.clock = clock;
    }

    @GetMapping(path = "/api/v1/cameras/{recorder}/{channel}/still", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> still(@PathVariable String recorder, @PathVariable String channel) {
        var camera = fleet.camera(new Node.Camera(new RecorderName(recorder), channel));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(FRESH).cachePrivate())
                .body(fresh(camera.camera()));
    }

    private byte[] fresh(Node.Camera camera) {
        var now = clock.instant();
        synchronized (kept) {
            var still = kept.get(camera);
            if (still != null && still.at().plus(FRESH).isAfter(now)) {
                return still.jpeg();
            }
        }
        var jpeg = devices.still(fleet.recorder(camera.recorder().text()), camera.channel());
        synchronized (kept) {
            kept.remove(camera);
            kept.put(camera, new Still(jpeg, now));
            if (kept.size() > MOST_KEPT) {
                kept.pollFirstEntry();
            }
        }
        return jpeg;
    }
}
