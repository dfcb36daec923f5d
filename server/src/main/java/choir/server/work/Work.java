package choir.server.work;

import java.time.Instant;
import java.util.Locale;
import java.util.Optional;

/**
 * Work that outlives a request: a row first, a thread after.
 *
 * @param total how many units it has, once known
 * @param note one sentence for people
 * @param startedAt when it was begun first; empty before
 * @param approvedBy the second person who let it go, where one was asked for
 */
public record Work(
        long id,
        Task task,
        State state,
        String who,
        int total,
        int done,
        int failed,
        String note,
        Instant createdAt,
        Optional<Instant> startedAt,
        Optional<Instant> endedAt,
        Optional<String> approvedBy) {
    public enum State {
        /** It waits for a second person to let it go. */
        ASKED,
        WAITING,
        RUNNING,
        /** Somebody asked it to rest; it is taken up again when somebody says so. */
        PAUSED,
        DONE,
        /** It ran to its end, and some of its units did not come to a good one. */
        PARTLY,
        /** It ended before all was done, by a limit or because somebody asked for it. */
        STOPPED,
        /** It could not go on. */
        FAILED;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }

        public boolean isEnd() {
            return switch (this) {
                case ASKED, WAITING, RUNNING, PAUSED -> false;
                case DONE, PARTLY, STOPPED, FAILED -> true;
            };
        }
    }

    public boolean hasEnded() {
        return state.isEnd();
    }
}
