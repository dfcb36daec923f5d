package choir.server.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class PlacesTest {
    @Test
    void oneRecorderLeavesPlacesToOthers() {
        var places = new Places(5, 2);
        assertThat(places.take("a")).isTrue();
        assertThat(places.take("a")).isTrue();
        assertThat(places.take("a")).isFalse();
        assertThat(places.take("b")).isTrue();
        assertThat(places.take("b")).isTrue();
        assertThat(places.take("c")).isTrue();
        assertThat(places.take("d")).isFalse();
        places.leave("a");
        assertThat(places.take("d")).isTrue();
    }

    @Test
    void aPlaceIsLeftOnce() {
        var places = new Places(5, 2);
        places.take("a");
        places.leave("a");
        assertThatThrownBy(() -> places.leave("a")).isInstanceOf(IllegalStateException.class);
        assertThatThrownBy(() -> places.leave("b")).isInstanceOf(IllegalStateException.class);
    }

    @Test
    void manyAtOnceNeverHoldMoreThanThereAre() throws InterruptedException {
        var places = new Places(7, 3);
        var held = new AtomicInteger();
        var most = new AtomicInteger();
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            for (int i = 0; i < 200; i++) {
                var recorder = "r" + i % 4;
                threads.submit(() -> {
                    for (int turn = 0; turn < 500; turn++) {
                        if (places.take(recorder)) {
                            most.accumulateAndGet(held.incrementAndGet(), Math::max);
                            Thread.yield();
                            held.decrementAndGet();
                            places.leave(recorder);
                        }
                    }
                    return true;
                });
            }
        }
        assertThat(most.get()).isBetween(1, 7);
        for (int i = 0; i < 3; i++) {
            assertThat(places.take("r0")).isTrue();
        }
    }

    @Test
    void whoWaitsGetsThePlaceOfWhoLeavesAndGoesAwayWhenNobodyDoes() throws Exception {
        var places = new Places(4, 1);
        assertThat(places.take("a")).isTrue();
        assertThat(places.takeWithin(Duration.ofMillis(50), "a")).isFalse();
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            var waiting = threads.submit(() -> places.takeWithin(Duration.ofSeconds(30), "a"));
            // Another recorder's place is of no use to who waits for this one's.
            assertThat(places.take("b")).isTrue();
            places.leave("b");
            assertThat(waiting.isDone()).isFalse();
            places.leave("a");
            assertThat(waiting.get()).isTrue();
        }
        assertThat(places.take("a")).isFalse();
    }
}
