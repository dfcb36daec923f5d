package choir.server.plan;

import java.time.Instant;
import java.util.Optional;

/**
 * Something that is done at set times.
 *
 * @param next when it is due; empty when that is still to be worked out, or never comes
 * @param last when it was done, or tried, the last time
 * @param lastWork what came of that
 * @param trouble why it did not run the last time; empty when it did
 */
record Plan(
        long id,
        PlanTask task,
        Timing timing,
        String who,
        Optional<Instant> next,
        Optional<Instant> last,
        Optional<Long> lastWork,
        Optional<String> trouble) {
    /** What it does and when, in words. */
    String about() {
        return about(task, timing);
    }

    static String about(PlanTask task, Timing timing) {
        return task.word()
                + (task.select().isBlank() ? " of everything " : " of " + task.select() + " ")
                + timing.words();
    }
}
