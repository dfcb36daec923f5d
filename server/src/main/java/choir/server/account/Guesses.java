package choir.server.account;

import choir.server.web.Problem;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Makes guessing slow, and lets nobody shut another out by it. Failures are counted by the name that was tried, whether there
 * is such a person or not, and by where they come from: an address, or a browser or client in which that person was signed
 * in before. Who guesses from elsewhere slows themselves down. Over all places where the person never was, a name gets a
 * guess a minute once there were very many.
 *
 * <p>It is kept in memory, bounded; whoever can restart the service need not guess.
 */
@Component
class Guesses {
    private static final int MOST_KEPT = 100_000;
    private static final Duration FORGOTTEN = Duration.ofHours(12);
    private static final Slowness OF_ONE_PLACE = new Slowness(5, Duration.ofMinutes(10));
    private static final Slowness OF_ALL_PLACES = new Slowness(50, Duration.ofMinutes(1));

    /** @param known the person was signed in there before */
    record Place(String text, boolean known) {
        static Place address(String address) {
            return new Place(address, false);
        }
    }

    /**
     * @param free so many failures cost nothing; each further one doubles the time for which nothing is tried
     * @param longest that time
     */
    private record Slowness(int free, Duration longest) {
        Instant until(int failures, Instant now) {
            if (failures < free) {
                // Not now: another that came a moment earlier may be counted after this one.
                return Instant.MIN;
            }
            long seconds = 1L << Math.min(30, failures - free + 1);
            return now.plusSeconds(Math.min(seconds, longest.toSeconds()));
        }
    }

    private record Key(String name, @Nullable Place place) {}

    private record Failures(int count, Instant until) {
        static final Failures NONE = new Failures(0, Instant.MIN);
    }

    private final Cache<Key, Failures> failures = Caffeine.newBuilder()
            .maximumSize(MOST_KEPT)
            .expireAfterAccess(FORGOTTEN)
            .build();
    private final Clock clock;

    Guesses(Clock clock) {
        this.clock = clock;
    }

    /**
     * Counts a failure before anything is tried, so that guesses at the same time count one by one; a right one takes it
     * back.
     *
     * @throws Problem when it is too soon to try again
     */
    void attempt(String name, Place place) {
        var lowered = name.toLowerCase(Locale.ROOT);
        count(new Key(lowered, place), OF_ONE_PLACE);
        if (!place.known()) {
            count(new Key(lowered, null), OF_ALL_PLACES);
        }
    }

    private void count(Key key, Slowness slowness) {
        var now = clock.instant();
        boolean[] tried = new boolean[1];
        var after = failures.asMap().compute(key, (k, kept) -> {
            var before = kept == null ? Failures.NONE : kept;
            // One that comes too soon is not tried, and so does not count.
            tried[0] = !before.until().isAfter(now);
            return tried[0] ? new Failures(before.count() + 1, slowness.until(before.count() + 1, now)) : before;
        });
        if (!tried[0]) {
            long seconds = Duration.between(now, after.until()).toSeconds() + 1;
            throw new Problem(
                    Problem.Kind.TOO_MANY,
                    "too many failed attempts; try again in "
                            + (seconds < 120 ? seconds + " s" : seconds / 60 + " min"));
        }
    }

    /** The password was right. */
    void right(String name, Place place) {
        var lowered = name.toLowerCase(Locale.ROOT);
        failures.invalidate(new Key(lowered, place));
        if (!place.known()) {
            // This one alone: those of others that came before it stay.
            failures.asMap()
                    .computeIfPresent(new Key(lowered, null), (key, all) -> new Failures(all.count() - 1, Instant.MIN));
        }
    }
}
