package choir.server.work;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Long work as it is shown.
 *
 * @param kind {@code reading}, {@code audit}, {@code rollout} or {@code report}
 * @param state {@code asked}, {@code waiting}, {@code running}, {@code paused}, {@code done}, {@code partly}, {@code stopped} or {@code
 *     failed}
 */
public record WorkView(
        long id,
        String kind,
        String state,
        String selection,
        boolean undo,
        String who,
        int total,
        int done,
        int failed,
        String note,
        String createdAt,
        @Nullable String endedAt,
        @Nullable String approvedBy) {
    public static WorkView of(Work work) {
        return new WorkView(
                work.id(),
                work.task().kind().name().toLowerCase(Locale.ROOT),
                work.state().word(),
                work.task().selection(),
                work.task() instanceof Task.Rollout r && r.undo(),
                work.who(),
                work.total(),
                work.done(),
                work.failed(),
                work.note(),
                work.createdAt().toString(),
                work.endedAt().map(Object::toString).orElse(null),
                work.approvedBy().orElse(null));
    }
}
