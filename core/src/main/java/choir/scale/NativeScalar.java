package choir.scale;

import choir.refusal.Refusal;
import java.math.BigDecimal;
import java.util.regex.Pattern;

/** One value as a device counts it: a number, or a word of its own. Its text is what stands on the wire. */
public sealed interface NativeScalar {
    /** Equal numbers are equal values, whatever zeros the device wrote. */
    record Number(BigDecimal value) implements NativeScalar {
        public Number {
            value = Decimals.plain(value);
        }

        @Override
        public String toString() {
            return value.toPlainString();
        }
    }

    /** Whatever else the device wrote, such as {@code low} or {@code unlimited}. */
    record Word(String text) implements NativeScalar {
        public static final int LONGEST = 1_000;

        public Word {
            if (text.length() > LONGEST) {
                throw new Refusal("a value of " + text.length() + " characters; at most " + LONGEST + " are taken");
            }
        }

        @Override
        public String toString() {
            return text;
        }
    }

    /** Numbers of more digits than any device counts are words, so that no arithmetic is done on them. */
    Pattern NUMBER = Pattern.compile("[+-]?\\d{1,12}(?:\\.\\d{0,6})?");

    static NativeScalar of(long number) {
        return new Number(BigDecimal.valueOf(number));
    }

    /** What a device wrote where a number or a word may stand. */
    static NativeScalar read(String text) {
        var trimmed = text.strip();
        return NUMBER.matcher(trimmed).matches() ? new Number(new BigDecimal(trimmed)) : new Word(trimmed);
    }
}
