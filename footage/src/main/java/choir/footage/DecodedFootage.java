package choir.footage;

import choir.motion.Picture;
import java.io.IOException;
import java.time.Duration;
import java.util.Optional;

/** Pictures as the decoder writes them: one after the other, without anything between. */
final class DecodedFootage implements Footage {
    private static final double NANOS = 1e9;

    private final Contained process;
    private final Look look;
    private long number;
    private boolean ended;

    DecodedFootage(Contained process, Look look) {
        this.process = process;
        this.look = look;
    }

    @Override
    public Optional<Moment> next() {
        if (ended) {
            return Optional.empty();
        }
        byte[] pixels;
        try {
            pixels = process.output().readNBytes(look.pixels());
        } catch (IOException e) {
            ended = true;
            process.await();
            return Optional.empty();
        }
        if (pixels.length < look.pixels()) {
            ended = true;
            process.await();
            return Optional.empty();
        }
        var since = Duration.ofNanos(Math.round(number++ / look.perSecond() * NANOS));
        return Optional.of(new Moment(since, new Picture(look.width(), look.height(), pixels)));
    }

    @Override
    public void close() {
        process.close();
    }
}
