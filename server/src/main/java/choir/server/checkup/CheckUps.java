package choir.server.checkup;

import choir.server.checkup.Check.Seen;
import choir.server.checkup.Check.State;
import io.micrometer.core.instrument.MeterRegistry;
import io.micrometer.core.instrument.MultiGauge;
import io.micrometer.core.instrument.Tags;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Asks every part how it is: when somebody wants to know, and each hour for whoever watches by metrics. */
@Component
class CheckUps {
    private static final Logger LOG = LoggerFactory.getLogger(CheckUps.class);

    record Line(String about, Seen seen) {}

    /** @param lines the worst first */
    record CheckUp(Instant at, List<Line> lines) {
        State worst() {
            return lines.stream()
                    .map(l -> l.seen().state())
                    .max(Comparator.comparingInt(CheckUps::weight))
                    .orElse(State.WELL);
        }
    }

    private final List<Check> checks;
    private final Clock clock;
    private final MultiGauge gauge;

    CheckUps(List<Check> checks, Clock clock, MeterRegistry metrics) {
        this.checks = checks;
        this.clock = clock;
        this.gauge = MultiGauge.builder("choir.check.up")
                .description("0 it is well, 1 somebody should look after it, 2 it is wrong, -1 it is not known")
                .register(metrics);
    }

    private static int weight(State state) {
        return switch (state) {
            case WELL -> 0;
            case NOT_KNOWN -> 1;
            case LOOK -> 2;
            case WRONG -> 3;
        };
    }

    @Scheduled(initialDelay = 5, fixedDelay = 60, timeUnit = TimeUnit.MINUTES)
    void keepTheMetrics() {
        var _ = look();
    }

    CheckUp look() {
        var lines = checks.stream()
                .map(c -> new Line(c.about(), seen(c)))
                .sorted(Comparator.comparingInt((Line l) -> -weight(l.seen().state()))
                        .thenComparing(Line::about))
                .toList();
        gauge.register(
                lines.stream()
                        .map(l -> MultiGauge.Row.of(
                                Tags.of("check", l.about()),
                                switch (l.seen().state()) {
                                    case WELL -> 0;
                                    case LOOK -> 1;
                                    case WRONG -> 2;
                                    case NOT_KNOWN -> -1;
                                }))
                        .toList(),
                true);
        return new CheckUp(clock.instant(), lines);
    }

    /** What cannot be looked at is not well. */
    private static Seen seen(Check check) {
        try {
            return check.look();
        } catch (RuntimeException e) {
            LOG.warn("{} could not be looked at", check.about(), e);
            return new Seen(
                    State.NOT_KNOWN,
                    "it could not be looked at: "
                            + String.valueOf(e.getMessage()).lines().findFirst().orElse(""),
                    "see the service's log");
        }
    }

    static String word(State state) {
        return state.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
