package choir.motion;

import choir.refusal.Refusal;
import java.time.Duration;
import java.time.Instant;
import java.util.List;

/**
 * What a person says of a stretch of footage.
 *
 * @param until its last instant; the same as from for a moment
 * @param word what is to be seen, such as {@code walker at 70 m}
 */
public record Mark(Kind kind, Instant from, Instant until, String word) {
    /** How far around a single moment is looked for it. */
    public static final Duration AROUND = Duration.ofSeconds(2);

    private static final int LONGEST_WORD = 80;

    public enum Kind {
        /** It must trigger. */
        WANTED,
        /** It must not. */
        UNWANTED
    }

    /** @throws Refusal when it ends before it begins, or says too much */
    public Mark {
        word = word.strip();
        if (until.isBefore(from)) {
            throw new Refusal("a mark does not end before it begins: " + from + " to " + until);
        }
        if (word.length() > LONGEST_WORD) {
            throw new Refusal("a mark takes a word or two, at most " + LONGEST_WORD + " characters");
        }
    }

    /** What is looked at for it. */
    public Instant begin() {
        return from.equals(until) ? from.minus(AROUND) : from;
    }

    public Instant end() {
        return from.equals(until) ? until.plus(AROUND) : until;
    }

    public boolean holds(Instant at) {
        return !at.isBefore(begin()) && !at.isAfter(end());
    }

    private boolean meets(Mark other) {
        return !begin().isAfter(other.end()) && !other.begin().isAfter(end());
    }

    /** @throws Refusal when something is wanted and unwanted at once */
    public static void agree(List<Mark> marks) {
        for (var one : marks) {
            for (var other : marks) {
                if (one.kind() == Kind.WANTED && other.kind() == Kind.UNWANTED && one.meets(other)) {
                    throw new Refusal(
                            "\"" + one.word() + "\" (" + one.from() + ") is wanted and lies in what is unwanted, \""
                                    + other.word() + "\" (" + other.from() + " to " + other.until()
                                    + "); a moment is one or the other: shorten or take back one of the two");
                }
            }
        }
    }
}
