package choir.server.journal;

import choir.server.checkup.Check;
import java.util.Locale;
import org.springframework.stereotype.Component;

/** Whether the seals of the journal fit, from its first entry to its last. */
@Component
class JournalCheck implements Check {
    /** So many digits tell a seal from any that somebody could make. */
    private static final int SAID = 24;

    private final Journal journal;

    JournalCheck(Journal journal) {
        this.journal = journal;
    }

    @Override
    public String about() {
        return "journal";
    }

    @Override
    public Seen look() {
        var sealing = journal.sealing();
        if (sealing.broken().isPresent()) {
            return Seen.wrong(
                    "its seals do not fit from entry " + sealing.broken().getAsLong()
                            + " on: that one, or something before it, was changed, added or taken away",
                    "compare it with a backup");
        }
        return Seen.well(String.format(Locale.ROOT, "%,d entries", sealing.entries())
                + ", whose seals fit"
                + sealing.last()
                        .filter(l -> !l.seal().isMissing())
                        .map(l -> "; the last is " + l.entry().id() + ":"
                                + l.seal().text().substring(0, SAID))
                        .orElse(""));
    }
}
