package choir.policy;

import java.util.Optional;

/**
 * What an override does where it stands.
 *
 * @param otherwise what would hold there without it; empty when the setting would not be governed
 */
public record OverrideEffect(Kind kind, Optional<Effective> otherwise) {
    /** Only the first of these does anything; the others can be taken back, or wait for something else to be. */
    public enum Kind {
        COUNTS("counts"),
        SAYS_THE_SAME("says what holds anyway"),
        FIXED_ABOVE("has no effect: fixed above"),
        OVERLAID("is overlaid by one with an end date"),
        ENDED("has ended");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
