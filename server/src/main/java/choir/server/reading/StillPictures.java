package choir.server.reading;

import choir.footage.FootageException;
import choir.footage.Look;
import choir.footage.Source;
import choir.motion.Picture;
import choir.server.fleet.StoredRecorder;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import org.springframework.stereotype.Component;

/** What a camera sees now as a small picture of luminance, decoded by the program apart. */
@Component
public class StillPictures {
    private static final Look LOOK = new Look(160, 90, 1, false);
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final Duration DEADLINE = Duration.ofSeconds(15);

    private final Devices devices;
    private final Decoding decoding;

    StillPictures(Devices devices, Decoding decoding) {
        this.devices = devices;
        this.decoding = decoding;
    }

    /**
     * @return empty where what came is no picture
     * @throws choir.link.LinkException when the recorder gives none
     */
    public Optional<Picture> of(StoredRecorder recorder, String channel) {
        byte[] jpeg = jpeg(recorder, channel);
        // The decoder begins with the second.
        var left = new ArrayDeque<>(List.of(jpeg, jpeg));
        var source = new Source.Stills(1, () -> Optional.ofNullable(left.poll()));
        try (var footage = decoding.decoder().open(source, LOOK, DEADLINE)) {
            return footage.next().map(m -> m.picture());
        } catch (FootageException e) {
            return Optional.empty();
        }
    }

    private byte[] jpeg(StoredRecorder recorder, String channel) {
        try {
            return devices.still(recorder, channel, PATIENCE).get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while a picture was waited for", e);
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        }
    }
}
