package choir.sim;

/** How a simulated recorder can misbehave. */
public enum SimFault {
    NONE,
    /** Takes the connection and closes it without an answer. */
    AWAY,
    /** Answers after the set delay. */
    SLOW,
    /** Takes no password any more. */
    WRONG_PASSWORD,
    /** Answers with something that is not XML. */
    GARBAGE,
    /** Stops in the middle of an answer. */
    CUT_OFF,
    /** Answers a byte every three seconds. */
    DRIPS,
    /** Never stops answering. */
    ENDLESS,
    /** Takes every write and forgets it. */
    FORGETS,
    /** Refuses every write with a fault. */
    REFUSES
}
