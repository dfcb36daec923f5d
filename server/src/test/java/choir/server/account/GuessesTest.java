package choir.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.server.account.Guesses.Place;
import choir.server.web.Problem;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class GuessesTest {
    private static final Place HERE = Place.address("10.0.0.7");
    private static final Place ELSEWHERE = Place.address("10.0.0.8");
    private static final Place KNOWN = new Place("ada's browser", true);

    private Instant now = Instant.parse("2027-01-14T06:00:00Z");
    private final Guesses guesses = new Guesses(new Clock() {
        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }
    });

    private int tried(String name, Place place, int times) {
        int tried = 0;
        for (int i = 0; i < times; i++) {
            try {
                guesses.attempt(name, place);
                tried++;
            } catch (Problem e) {
                assertThat(e.kind()).isEqualTo(Problem.Kind.TOO_MANY);
            }
        }
        return tried;
    }

    @Test
    void aFewMistakesCostNothingAndEachFurtherOneTwiceTheTime() {
        assertThat(tried("ada", HERE, 20)).isEqualTo(5);
        assertThatThrownBy(() -> guesses.attempt("ada", HERE)).hasMessageContaining("try again in 3 s");
        now = now.plusSeconds(2);
        assertThat(tried("ada", HERE, 20)).isEqualTo(1);
        assertThatThrownBy(() -> guesses.attempt("ADA", HERE)).hasMessageContaining("try again in 5 s");
        for (int i = 0; i < 20; i++) {
            now = now.plus(Duration.ofMinutes(10));
            assertThat(tried("ada", HERE, 3))
                    .as("never longer than ten minutes")
                    .isEqualTo(1);
        }
    }

    @Test
    void whoGuessesSlowsThemselvesDownAndNobodyElse() {
        tried("ada", HERE, 20);
        assertThatCode(() -> guesses.attempt("ada", ELSEWHERE)).doesNotThrowAnyException();
        assertThatCode(() -> guesses.attempt("bee", HERE)).doesNotThrowAnyException();
        for (int i = 0; i < 1_000; i++) {
            tried("ada", Place.address("10.1.0." + i), 5);
        }
        assertThatThrownBy(() -> guesses.attempt("ada", Place.address("10.2.0.1")))
                .as("a thousand addresses are one guesser")
                .isInstanceOf(Problem.class);
        assertThat(tried("ada", KNOWN, 1)).as("where she was signed in before").isEqualTo(1);
        now = now.plusSeconds(61);
        assertThat(tried("ada", Place.address("10.2.0.1"), 1))
                .as("a guess a minute")
                .isEqualTo(1);
    }

    /** A right one is none; the wrong ones that came before it, from here and elsewhere, stay. */
    @Test
    void aRightOneTakesItselfBack() {
        for (int i = 0; i < 200; i++) {
            assertThat(tried("ada", HERE, 1)).as("the right one number %s", i).isEqualTo(1);
            guesses.right("Ada", HERE);
        }
        for (int i = 0; i < 12; i++) {
            assertThat(tried("ada", HERE, 4))
                    .as("three wrong ones and a right one")
                    .isEqualTo(4);
            guesses.right("ada", HERE);
        }
        // Of the fifty that are free from all places together 36 are used up.
        for (int i = 0; i < 20; i++) {
            tried("ada", Place.address("10.1.0." + i), 1);
        }
        assertThat(tried("ada", ELSEWHERE, 1)).isZero();
    }

    @Test
    void tenThousandAtOnceAreCountedOneByOne() {
        var tried = new AtomicInteger();
        try (var threads = Executors.newFixedThreadPool(16)) {
            for (int i = 0; i < 10_000; i++) {
                threads.execute(() -> tried.addAndGet(tried("ada", HERE, 1)));
            }
        }
        assertThat(tried).hasValue(5);
    }
}
