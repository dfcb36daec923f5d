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
}
