package choir.scale;

import choir.refusal.Refusal;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.List;
import java.util.OptionalInt;

/** A recorder's own way to state a sensitivity, with the way from the neutral 0 to 100 and back. */
public sealed interface SensitivityScale {
    BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** The nearest native value; half-way between two the more sensitive one. */
    NativeScalar toNative(Sensitivity neutral);

    /**
     * The middle of the neutral values that map to the native one, with the fewest digits that map back.
     *
     * @throws Refusal when the device does not know such a value
     */
    Sensitivity toNeutral(NativeScalar nativeValue);

    /** How many native steps more sensitive (positive) or less (negative) the second value is than the first. */
    int stepsTowardsSensitive(NativeScalar first, NativeScalar second);

    boolean contains(NativeScalar nativeValue);

    /** Whole numbers from {@code min} to at most {@code max} in steps. */
    record Numbers(int min, int max, int step, Direction direction) implements SensitivityScale {
        public Numbers {
            if (step < 1 || max < min + step) {
                throw new Refusal("a scale from " + min + " to " + max + " by " + step + " has no steps");
            }
        }

        @Override
        public NativeScalar toNative(Sensitivity neutral) {
            return NativeScalar.of(nativeNumber(neutral.value()));
        }

        private int nativeNumber(BigDecimal neutral) {
            var span = BigDecimal.valueOf(max - min);
            var share = direction == Direction.UP ? neutral : HUNDRED.subtract(neutral);
            var towardsSensitive = direction == Direction.UP ? RoundingMode.HALF_UP : RoundingMode.HALF_DOWN;
            int nearest = span.multiply(share)
                    .divide(BigDecimal.valueOf(100L * step), 0, towardsSensitive)
                    .intValueExact();
            return min + step * Math.min(nearest, steps());
        }

        private int steps() {
            return (max - min) / step;
        }

        /** The number on this scale; empty for what the device ought not to hold. */
        private OptionalInt on(NativeScalar value) {
            if (!(value instanceof NativeScalar.Number(var number)) || number.scale() > 0) {
                return OptionalInt.empty();
            }
            boolean inside =
                    number.compareTo(BigDecimal.valueOf(min)) >= 0 && number.compareTo(BigDecimal.valueOf(max)) <= 0;
            return inside && (number.intValueExact() - min) % step == 0
                    ? OptionalInt.of(number.intValueExact())
                    : OptionalInt.empty();
        }

        private int require(NativeScalar value) {
            return on(value).orElseThrow(() -> new Refusal(value + " is not on the scale " + min + " to " + max));
        }

        @Override
        public Sensitivity toNeutral(NativeScalar nativeValue) {
            int number = require(nativeValue);
            var half = BigDecimal.valueOf(step).divide(BigDecimal.TWO);
            int inner = direction == Direction.UP ? number - min : max - number;
            var span = BigDecimal.valueOf(max - min);
            var low = BigDecimal.valueOf(inner).subtract(half).max(BigDecimal.ZERO);
            var high = BigDecimal.valueOf(inner).add(half).min(span);
            var middle = low.add(high).multiply(HUNDRED).divide(span.multiply(BigDecimal.TWO), MathContext.DECIMAL64);
            return new Sensitivity(Decimals.shortest(middle, n -> nativeNumber(n.min(HUNDRED)) == number));
        }

        @Override
        public int stepsTowardsSensitive(NativeScalar first, NativeScalar second) {
            int change = (require(second) - require(first)) / step;
            return direction == Direction.UP ? change : -change;
        }

        @Override
        public boolean contains(NativeScalar nativeValue) {
            return on(nativeValue).isPresent();
        }
    }

    /** Words from the least to the most sensitive, each with an equal share of 0 to 100. */
    record Words(List<String> words) implements SensitivityScale {
        public Words {
            words = List.copyOf(words);
            if (words.size() < 2 || words.stream().distinct().count() < words.size()) {
                throw new Refusal("a scale of words needs two or more different words: " + words);
            }
        }

        @Override
        public NativeScalar toNative(Sensitivity neutral) {
            var share = neutral.value().multiply(BigDecimal.valueOf(words.size()));
            return new NativeScalar.Word(words.get(Math.min(
                    words.size() - 1, share.divideToIntegralValue(HUNDRED).intValueExact())));
        }

        @Override
        public Sensitivity toNeutral(NativeScalar nativeValue) {
            int place = place(nativeValue);
            var middle = HUNDRED.multiply(BigDecimal.valueOf(2L * place + 1))
                    .divide(BigDecimal.valueOf(2L * words.size()), MathContext.DECIMAL64);
            return new Sensitivity(
                    Decimals.shortest(middle, n -> toNative(new Sensitivity(n)).equals(nativeValue)));
        }

        private int place(NativeScalar word) {
            int place = words.indexOf(word.toString());
            if (place < 0) {
                throw new Refusal("\"" + word + "\" is none of " + words);
            }
            return place;
        }

        @Override
        public int stepsTowardsSensitive(NativeScalar first, NativeScalar second) {
            return place(second) - place(first);
        }

        @Override
        public boolean contains(NativeScalar nativeValue) {
            return words.contains(nativeValue.toString());
        }
    }
}
