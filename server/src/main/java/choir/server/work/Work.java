package choir.server.work;

/**
 * Work that outlives a request: a row first, a thread after.
 *
 * @param kind {@code reading}, {@code audit} or {@code rollout}
 * @param state {@code waiting}, {@code running}, {@code done}, {@code stopped} (it ended before all was done) or
 *     {@code failed} (it could not go on)
 * @param total how many units it has, once known
 * @param note one sentence for people
 */
public record Work(
        long id,
        String kind,
        String state,
        String selection,
        String options,
        String who,
        int total,
        int done,
        int failed,
        String note,
        String createdAt,
        @org.jspecify.annotations.Nullable String endedAt) {
    public boolean hasEnded() {
        return !state.equals("waiting") && !state.equals("running");
    }
}
