package choir.server.search;

import choir.fleet.Node;
import choir.footage.FootageException;
import choir.footage.Look;
import choir.footage.Source;
import choir.link.FootageLink.Stretch;
import choir.link.LinkException;
import choir.motion.Picture;
import choir.server.reading.Decoding;
import choir.server.reading.FootageDoor;
import choir.server.web.Problem;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The pictures of a stretch that a recorder kept, as fast as it gives them. */
@Component
class RecordedPictures {
    private static final Duration DEADLINE = Duration.ofMinutes(20);

    /** Is shown each picture, but none that is the same as the one before. */
    interface Looker {
        /** @return whether it wants more */
        boolean see(Instant at, Picture picture);
    }

    /**
     * How far it came.
     *
     * @param seenUntil missing when no picture came
     * @param trouble why it ended before its time; missing where it came to its end, or nobody wanted more
     */
    record Played(Optional<Instant> seenUntil, Optional<String> trouble) {}

    private final FootageDoor door;
    private final Decoding decoding;

    RecordedPictures(FootageDoor door, Decoding decoding) {
        this.door = door;
        this.decoding = decoding;
    }

    /** Shows them one after another, in this thread. What cannot be had is said and not thrown, so that one goes on. */
    Played play(Node.Camera camera, Stretch stretch, Look look, Looker looker) {
        Optional<Instant> seen = Optional.empty();
        try (var playing = door.recorded(camera, stretch.from(), stretch.until(), look.keyPictures())) {
            try (var footage = decoding.decoder().open(new Source.Stream(playing.address()), look, DEADLINE)) {
                byte[] before = {};
                for (var next = footage.next(); next.isPresent(); next = footage.next()) {
                    var at = playing.begins()
                            .orElse(stretch.from())
                            .plus(next.get().since());
                    // A decoder fills up to the next picture with the one before, also beyond the end.
                    boolean filled = Arrays.equals(before, next.get().picture().luminance());
                    before = next.get().picture().luminance();
                    if (!filled && at.isBefore(stretch.until())) {
                        seen = Optional.of(at);
                        if (!looker.see(at, next.get().picture())) {
                            return new Played(seen, Optional.empty());
                        }
                    }
                }
            } catch (FootageException e) {
                return new Played(
                        seen,
                        Optional.of(playing.trouble()
                                .map(t -> String.valueOf(t.getMessage()))
                                .orElse(String.valueOf(e.getMessage()))));
            }
            return new Played(
                    seen,
                    seen.isPresent() ? Optional.empty() : Optional.of("its recorder gave no picture of that time"));
        } catch (Problem | LinkException e) {
            return new Played(seen, Optional.of(String.valueOf(e.getMessage())));
        }
    }
}
