package choir.server.reading;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A recorder that never answers, many who look at it, and all the others. */
class StillApiTest {
    private static final int VIEWERS = 230;
    private final CountDownLatch answered = new CountDownLatch(1);
    private final AtomicInteger questions = new AtomicInteger();
    private TestService service;
    private FakeRecorders.Fake hanging;

    @BeforeEach
    void start() {
        service = TestService.start("--choir.still-patience=3s");
        hanging = service.added("hanging-1");
        for (int i = 0; i < 16; i++) {
            hanging.channel("c" + i, NativeConfig.EMPTY);
        }
        service.added("well-1").channel("c0", NativeConfig.EMPTY);
        service.read("hanging-1", "well-1");
        hanging.beforeRead = () -> {
            questions.incrementAndGet();
            try {
                answered.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        };
    }

    @AfterEach
    void stop() {
        answered.countDown();
        service.close();
    }

    private static String still(String camera) {
        return "/api/v1/cameras/" + camera + "/still";
    }

    @Test
    void whoLooksAtARecorderThatHangsKeepsNobodyElseWaiting() throws Exception {
        List<Future<TestService.Answer>> all = new ArrayList<>();
        try (var viewers = Executors.newVirtualThreadPerTaskExecutor()) {
            for (int i = 0; i < VIEWERS; i++) {
                int camera = i % 16;
                all.add(viewers.submit(() -> service.get(still("hanging-1/c" + camera))));
            }
            while (questions.get() == 0) {
                Thread.onSpinWait();
            }
            // Answered while all of them wait, or already have their refusal; none of these would come otherwise.
            assertThat(service.get("/actuator/health").status()).isEqualTo(200);
            assertThat(service.get("/api/v1/overview").status()).isEqualTo(200);
            assertThat(service.get(still("well-1/c0")).status()).isEqualTo(200);
            assertThat(answered.getCount()).isOne();
        }
        for (var viewer : all) {
            var answer = viewer.get();
            assertThat(answer.status()).as(answer.detail()).isIn(429, 502, 504);
            assertThat(answer.detail()).contains("hanging-1");
        }
        assertThat(questions.get()).isOne();
    }

    @Test
    void manyWhoLookAtOneCameraAreOneQuestion() throws Exception {
        try (var viewers = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<TestService.Answer>> all = new ArrayList<>();
            for (int i = 0; i < 50; i++) {
                all.add(viewers.submit(() -> service.get(still("hanging-1/c3"))));
            }
            while (questions.get() == 0) {
                Thread.onSpinWait();
            }
            answered.countDown();
            for (var viewer : all) {
                assertThat(viewer.get().status()).isEqualTo(200);
            }
        }
        assertThat(questions.get()).isOne();
    }
}
