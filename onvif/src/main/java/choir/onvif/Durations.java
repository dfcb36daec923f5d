package choir.onvif;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.util.Date;
import java.util.Optional;
import javax.xml.datatype.DatatypeConfigurationException;
import javax.xml.datatype.DatatypeFactory;

/** Durations of XML Schema in all their forms, such as {@code PT5S}, {@code P0Y0M0DT0H0M5S} and {@code P1M}. */
final class Durations {
    private static final DatatypeFactory FACTORY = factory();
    /** Months and years have no fixed length; they are reckoned from here, where a month has 31 days and a year 365. */
    private static final Date EPOCH = Date.from(Instant.EPOCH);

    /** A fleet says the same few. */
    private static final Cache<String, Optional<Long>> READ =
            Caffeine.newBuilder().maximumSize(1_000).build();

    private Durations() {}

    private static DatatypeFactory factory() {
        try {
            return DatatypeFactory.newInstance();
        } catch (DatatypeConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Whole seconds, rounded down; empty for what is no duration or goes back in time. */
    static Optional<Long> seconds(String text) {
        return READ.get(text.strip(), Durations::read);
    }

    private static Optional<Long> read(String text) {
        try {
            long millis = FACTORY.newDuration(text).getTimeInMillis(EPOCH);
            return millis < 0 ? Optional.empty() : Optional.of(millis / 1000);
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
