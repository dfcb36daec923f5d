package choir.drift;

/**
 * How far the observed value lies from the desired one, and to which side.
 *
 * @param loss how much less is caught or kept than asked, in the unit
 * @param waste how much more
 * @param unit what is counted, such as {@code steps} or {@code minutes a week}
 * @param minutesWithoutRecording minutes of the week at which something ought to start recording and nothing can
 */
public record Cost(int loss, int waste, String unit, int minutesWithoutRecording) {
    public enum Direction {
        NONE,
        LOSS,
        WASTE,
        BOTH
    }

    public static final Cost NONE = new Cost(0, 0, "", 0);

    static Cost signed(int towardsWaste, String unit) {
        return new Cost(Math.max(0, -towardsWaste), Math.max(0, towardsWaste), unit, 0);
    }

    public Direction direction() {
        return loss > 0 && waste > 0
                ? Direction.BOTH
                : loss > 0 ? Direction.LOSS : waste > 0 ? Direction.WASTE : Direction.NONE;
    }
}
