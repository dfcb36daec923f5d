package choir.storage;

import java.util.Optional;
import java.util.OptionalInt;

/**
 * How long a store keeps what its cameras put on it, beside what is wanted.
 *
 * @param bytesADay of its cameras
 * @param whole false when of some of them nobody knows what they put on it, so that it is more
 * @param size empty when nobody knows it
 * @param wanted the most days that any policy says at least; empty when none says
 */
public record Room(Range bytesADay, boolean whole, Optional<Size> size, OptionalInt wanted) {
    /** Whether footage lives as long as is wanted. */
    public enum Verdict {
        ENOUGH,
        /** Within the range of what is known it may or may not. */
        CLOSE,
        TOO_SHORT,
        NOT_KNOWN,
        NOTHING_WANTED
    }

    /** How many days fit; infinite when nothing is recorded; empty when the size is not known. */
    public Optional<Range> days() {
        return size.map(s -> s.bytes().over(bytesADay));
    }

    public Verdict verdict() {
        if (wanted.isEmpty()) {
            return Verdict.NOTHING_WANTED;
        }
        int least = wanted.getAsInt();
        var days = days();
        if (days.isEmpty()) {
            return Verdict.NOT_KNOWN;
        }
        if (whole && days.get().low() >= least) {
            return Verdict.ENOUGH;
        }
        if (size.get().atLeast()) {
            return Verdict.NOT_KNOWN;
        }
        return days.get().high() < least ? Verdict.TOO_SHORT : whole ? Verdict.CLOSE : Verdict.NOT_KNOWN;
    }

    /** How large a store would hold so many days, in bytes. */
    public Range needed(int days) {
        return bytesADay.times(days);
    }
}
