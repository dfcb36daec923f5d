package choir.server.notice;

import choir.drift.Severity;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Mail with a file, which goes out as notices do. */
@Component
public class Mailings {
    private final OutboxStore outbox;
    private final Clock clock;

    Mailings(OutboxStore outbox, Clock clock) {
        this.outbox = outbox;
        this.clock = clock;
    }

    /** To be called within the transaction of what it tells of. */
    public void add(String to, String kind, String subject, String body, Path attachment) {
        outbox.addMail(to, attachment, new Notice(kind, Severity.LOW, subject, body, Map.of()), clock.instant());
    }
}
