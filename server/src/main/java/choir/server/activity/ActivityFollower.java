package choir.server.activity;

/** Hears that more is known of what was recorded. */
public interface ActivityFollower {
    /** Of one recorder; within the transaction that stores it. */
    void taken(long work, String recorder);

    /**
     * Of all recorders of a selection that could be asked; after their transactions.
     *
     * @param selection empty for all
     */
    void allTaken(long work, String selection);
}
