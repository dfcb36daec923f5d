package choir.server.reading;

import static org.assertj.core.api.Assertions.assertThat;

import choir.footage.Source;
import java.time.Clock;
import java.time.Duration;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class StillSeriesTest {
    private static final Duration APART = Duration.ofMillis(40);

    private static StillSeries series(Callable<byte[]> camera) {
        return new StillSeries(camera, Clock.systemUTC(), APART);
    }

    @Test
    void oneFollowsTheOtherUntilItIsClosed() {
        var number = new AtomicInteger();
        var series = series(() -> new byte[] {(byte) number.incrementAndGet()});
        assertThat(series.begins()).isEmpty();
        assertThat(series.next().orElseThrow()).containsExactly(1);
        assertThat(series.next().orElseThrow()[0]).isGreaterThanOrEqualTo((byte) 1);
        assertThat(series.begins()).isPresent();
        assertThat(((Source.Stills) series.source()).perSecond()).isEqualTo(25);
        series.close();
        assertThat(series.next()).isEmpty();
    }

    @Test
    void oneThatDoesNotComeIsStoodForByTheOneBeforeAndSeveralEndIt() {
        var number = new AtomicInteger();
        var series = series(() -> {
            if (number.incrementAndGet() > 2) {
                throw new IllegalStateException("it is away");
            }
            return new byte[] {7};
        });
        int told = 0;
        for (var next = series.next(); next.isPresent(); next = series.next()) {
            assertThat(next.get()).containsExactly(7);
            told++;
        }
        assertThat(told).isGreaterThanOrEqualTo(2 + 5);
        assertThat(series.trouble().orElseThrow()).hasMessage("it is away");
    }

    @Test
    void aCameraThatNeverGivesOneEnds() {
        var series = series(() -> {
            throw new IllegalStateException("it has none");
        });
        assertThat(series.next()).isEmpty();
        assertThat(series.begins()).isEmpty();
        assertThat(series.trouble().orElseThrow()).hasMessage("it has none");
    }

    @Test
    void oneThatIsSlowDoesNotMakeTimeGoSlower() {
        var asked = new AtomicInteger();
        var series = series(() -> {
            asked.incrementAndGet();
            Thread.sleep(APART.multipliedBy(5));
            return new byte[] {1};
        });
        long began = System.nanoTime();
        for (int i = 0; i < 30; i++) {
            assertThat(series.next()).isPresent();
        }
        // Thirty of them are due within thirty times the distance, however few could be asked for.
        assertThat(asked.get()).isLessThan(30);
        assertThat(Duration.ofNanos(System.nanoTime() - began)).isGreaterThanOrEqualTo(APART.multipliedBy(20));
    }
}
