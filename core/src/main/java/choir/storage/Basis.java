package choir.storage;

/** How a figure is known. */
public enum Basis {
    /** A person said it. */
    SAID,
    /** Counted, or told by the recorder of what it did. */
    MEASURED,
    /** Follows from what the recorder is set to. */
    CONFIGURED,
    /** Taken for true, since nothing is known. */
    ASSUMED
}
