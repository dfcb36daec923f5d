package choir.server.backup;

import choir.server.checkup.Check;
import java.time.Clock;
import java.time.Duration;
import org.springframework.stereotype.Component;

/** How much would be lost if the disk broke now. */
@Component
class BackupCheck implements Check {
    private static final Duration OLD = Duration.ofDays(7);

    private final Backups backups;
    private final Clock clock;

    BackupCheck(Backups backups, Clock clock) {
        this.backups = backups;
        this.clock = clock;
    }

    @Override
    public String about() {
        return "backups";
    }

    @Override
    public Seen look() {
        var latest = backups.all().stream().findFirst();
        if (latest.isEmpty()) {
            return Seen.look("there is none here", "choir backup, or choir backup --to a file on another machine");
        }
        long days = Duration.between(latest.get().at(), clock.instant()).toDays();
        var words = "the latest is " + latest.get().name() + ", "
                + (days == 0 ? "not a day old" : days == 1 ? "a day old" : days + " days old");
        return days >= OLD.toDays() ? Seen.look(words, "choir backup") : Seen.well(words);
    }
}
