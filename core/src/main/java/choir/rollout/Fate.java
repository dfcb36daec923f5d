package choir.rollout;

/** What became of one setting of a step. */
public enum Fate {
    /** It reads back as written. */
    TOOK,
    /** Its call was made, and something else reads back. */
    DID_NOT_TAKE,
    /** Its call was never made. */
    NOT_SENT,
    /** Nobody knows whether its call was made, and something else than the new value is there. */
    LEFT_OPEN,
    /** Its call may have been made, and the recorder did not show it when it was read. */
    NOT_SHOWN
}
