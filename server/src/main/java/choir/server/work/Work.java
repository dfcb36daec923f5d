package choir.server.work;

import java.time.Instant;
import java.util.Locale;
import java.util.Optional;

/**
 * Work that outlives a request: a row first, a thread after.
 *
 * @param total how many units it has, once known
 * @param note one sentence for people
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
        Optional<Instant> endedAt) {
    public enum State {
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
                case WAITING, RUNNING, PAUSED -> false;
                case DONE, PARTLY, STOPPED, FAILED -> true;
            };
        }
    }

    public boolean hasEnded() {
        return state.isEnd();
    }
}
