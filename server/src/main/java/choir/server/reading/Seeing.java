package choir.server.reading;

import choir.footage.Source;
import choir.link.LinkException;
import choir.link.Playing;
import java.time.Instant;
import java.util.Optional;

/** What a camera sees now, for a decoder: its stream, or a series of stills where it has none. */
public sealed interface Seeing extends AutoCloseable permits Seeing.OfStream, StillSeries {
    Source source();

    /** When its first picture was seen; missing until it came. */
    Optional<Instant> begins();

    /** Why it ended before its time; missing while nothing is wrong. */
    Optional<? extends RuntimeException> trouble();

    /** How many pictures a second there are at most, where they are few. */
    Optional<Double> perSecond();

    /** Lets go of the recorder, from any thread and also while it is seen. */
    @Override
    void close();

    record OfStream(Playing playing) implements Seeing {
        @Override
        public Source source() {
            return new Source.Stream(playing.address());
        }

        @Override
        public Optional<Instant> begins() {
            return playing.begins();
        }

        @Override
        public Optional<LinkException> trouble() {
            return playing.trouble();
        }

        @Override
        public Optional<Double> perSecond() {
            return Optional.empty();
        }

        @Override
        public void close() {
            playing.close();
        }
    }
}
