package choir.server.notice;

import choir.server.checkup.Check;
import java.time.Clock;
import java.time.Duration;
import org.springframework.stereotype.Component;

/** Whether what was to be told got away. */
@Component
class OutboxCheck implements Check {
    private static final Duration LATE = Duration.ofHours(1);
    private static final Duration RECENT = Duration.ofDays(7);
    private static final int MOST = 200;

    private final OutboxStore outbox;
    private final Clock clock;

    OutboxCheck(OutboxStore outbox, Clock clock) {
        this.outbox = outbox;
        this.clock = clock;
    }

    @Override
    public String about() {
        return "notices";
    }

    @Override
    public Seen look() {
        var now = clock.instant();
        var newest = outbox.newest(MOST);
        long late = newest.stream()
                .filter(e -> e.state() == OutboxStore.State.WAITING && e.attempts() > 0)
                .filter(e -> e.createdAt().isBefore(now.minus(LATE)))
                .count();
        long lost = newest.stream()
                .filter(e -> e.state() == OutboxStore.State.GIVEN_UP)
                .filter(e -> e.createdAt().isAfter(now.minus(RECENT)))
                .count();
        return late + lost == 0
                ? Seen.well("none is held up")
                : Seen.look(
                        late + " held up for more than an hour, " + lost + " given up in the last week",
                        "choir notice outbox says why");
    }
}
