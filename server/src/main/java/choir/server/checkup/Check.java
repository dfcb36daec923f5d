package choir.server.checkup;

/** One thing about the service that somebody who looks after it wants to know well. */
public interface Check {
    /** How it is. */
    enum State {
        WELL,
        /** Nothing is lost yet, and somebody should look after it. */
        LOOK,
        WRONG,
        NOT_KNOWN
    }

    /**
     * @param words what was seen, in one sentence
     * @param act what to do about it; empty when nothing is to be done
     */
    record Seen(State state, String words, String act) {
        public static Seen well(String words) {
            return new Seen(State.WELL, words, "");
        }

        public static Seen look(String words, String act) {
            return new Seen(State.LOOK, words, act);
        }

        public static Seen wrong(String words, String act) {
            return new Seen(State.WRONG, words, act);
        }
    }

    /** What it is about, in a word or two. */
    String about();

    /** Looks; takes a few seconds at most, however large the fleet is. */
    Seen look();
}
