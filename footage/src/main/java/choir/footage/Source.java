package choir.footage;

import java.net.URI;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Optional;

/** Where footage comes from. */
public sealed interface Source {
    /** A stream that is played at the loopback interface by RTSP over TCP. */
    record Stream(URI address) implements Source {
        public Stream {
            if (!"rtsp".equals(address.getScheme()) || !"127.0.0.1".equals(address.getHost())) {
                throw new IllegalArgumentException("not a stream at the loopback interface: " + address);
            }
        }
    }

    /**
     * A file.
     *
     * @param from how much of its beginning is left out
     * @param length how much is read; to its end when missing
     */
    record File(Path path, Duration from, Optional<Duration> length) implements Source {
        public File {
            if (from.isNegative() || length.filter(Duration::isNegative).isPresent()) {
                throw new IllegalArgumentException("a part of a file that is none: " + from + ", " + length);
            }
        }

        public static File whole(Path path) {
            return new File(path, Duration.ZERO, Optional.empty());
        }
    }

    /**
     * Pictures one by one, where there is nothing better.
     *
     * @param perSecond how many come; they are taken as evenly apart
     * @param pictures asked for the next one from a thread of its own
     */
    record Stills(double perSecond, Pictures pictures) implements Source {
        /** The largest picture that is taken. */
        static final int LARGEST = 8 << 20;

        public Stills {
            if (!(perSecond > 0 && perSecond <= 30)) {
                throw new IllegalArgumentException(perSecond + " stills a second");
            }
        }
    }

    /** Where stills come from. */
    interface Pictures {
        /** Waits until the next is due; a JPEG, or empty when no more come. */
        Optional<byte[]> next();
    }
}
