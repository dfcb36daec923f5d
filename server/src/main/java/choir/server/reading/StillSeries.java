package choir.server.reading;

import choir.footage.Source;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/**
 * A still each second or so. Where one does not come in time the one before it stands for it, so that the times stay true; after
 * several that did not come it ends.
 */
final class StillSeries implements Seeing, Source.Pictures {
    static final Duration APART = Duration.ofSeconds(1);
    private static final double SECOND = 1_000;
    private static final int MOST_MISSING = 5;

    private final Callable<byte[]> camera;
    private final Clock clock;
    private final Duration apart;
    private final CountDownLatch closed = new CountDownLatch(1);
    private volatile Optional<Instant> begins = Optional.empty();
    private volatile Optional<RuntimeException> trouble = Optional.empty();
    private Optional<Instant> due = Optional.empty();
    private byte[] last = new byte[0];
    private int missing;

    /** @param camera gives what it sees now, and fails when it does not within a little while */
    StillSeries(Callable<byte[]> camera, Clock clock, Duration apart) {
        this.apart = apart;
        this.camera = camera;
        this.clock = clock;
    }

    @Override
    public Source source() {
        return new Source.Stills(SECOND / apart.toMillis(), this);
    }

    @Override
    public Optional<byte[]> next() {
        while (!isClosedBefore(due.orElse(clock.instant()))) {
            boolean late =
                    due.filter(d -> d.plus(apart).isBefore(clock.instant())).isPresent();
            due = Optional.of(due.orElse(clock.instant()).plus(apart));
            if (!late || last.length == 0) {
                ask();
            }
            if (missing > MOST_MISSING) {
                return Optional.empty();
            }
            if (last.length > 0) {
                begins = begins.or(() -> Optional.of(clock.instant()));
                return Optional.of(last);
            }
        }
        return Optional.empty();
    }

    private void ask() {
        try {
            last = camera.call();
            missing = 0;
            trouble = Optional.empty();
        } catch (Exception e) {
            missing++;
            trouble = Optional.of(e instanceof RuntimeException r ? r : new IllegalStateException(e));
        }
    }

    private boolean isClosedBefore(Instant at) {
        try {
            return closed.await(
                    Math.max(0, Duration.between(clock.instant(), at).toMillis()), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return true;
        }
    }

    @Override
    public Optional<Instant> begins() {
        return begins;
    }

    @Override
    public Optional<RuntimeException> trouble() {
        return trouble;
    }

    @Override
    public Optional<Double> perSecond() {
        return Optional.of(SECOND / apart.toMillis());
    }

    @Override
    public void close() {
        closed.countDown();
    }
}
