package choir.drift;

import java.math.BigDecimal;

/** How far the observed value lies from the desired one, and to which side. */
public sealed interface Distance {
    enum Direction {
        NONE,
        LOSS,
        WASTE,
        BOTH
    }

    /** Equal, or different in a way of which nobody can say that it is more or less. */
    static Distance none() {
        return new None();
    }

    /** How much less is caught or kept than asked; 0 or more. */
    BigDecimal loss();

    /** How much more is caught or kept than asked; 0 or more. */
    BigDecimal waste();

    /** Minutes of the week at which something ought to start recording and nothing can. */
    int minutesWithoutRecording();

    default Direction direction() {
        boolean loses = loss().signum() > 0;
        boolean wastes = waste().signum() > 0;
        return loses && wastes ? Direction.BOTH : loses ? Direction.LOSS : wastes ? Direction.WASTE : Direction.NONE;
    }

    /** True for a distance that is a loss, whatever else it is. */
    default boolean loses() {
        return loss().signum() > 0;
    }

    /** Equal, or different in a way of which nobody can say that it is more or less, such as another word. */
    record None() implements Distance {
        @Override
        public BigDecimal loss() {
            return BigDecimal.ZERO;
        }

        @Override
        public BigDecimal waste() {
            return BigDecimal.ZERO;
        }

        @Override
        public int minutesWithoutRecording() {
            return 0;
        }
    }

    /** @param minutesWithoutRecording on days of calendars; 0 for everything else that is counted */
    record Counted(Measure measure, BigDecimal loss, BigDecimal waste, int minutesWithoutRecording)
            implements Distance {
        static Counted of(Measure measure, long loss, long waste) {
            return new Counted(measure, BigDecimal.valueOf(loss), BigDecimal.valueOf(waste), 0);
        }

        /** @param towardsWaste negative for a loss */
        static Counted signed(Measure measure, BigDecimal towardsWaste) {
            return new Counted(
                    measure, towardsWaste.negate().max(BigDecimal.ZERO), towardsWaste.max(BigDecimal.ZERO), 0);
        }
    }

    /** Minutes of the week. */
    record OfWeek(int minutesOfLoss, int minutesOfWaste, int minutesWithoutRecording) implements Distance {
        @Override
        public BigDecimal loss() {
            return BigDecimal.valueOf(minutesOfLoss);
        }

        @Override
        public BigDecimal waste() {
            return BigDecimal.valueOf(minutesOfWaste);
        }
    }
}
