package choir.scale;

import choir.refusal.Refusal;

/** Whether a larger native number reacts to more ({@code UP}) or to less ({@code DOWN}). */
public enum Direction {
    UP,
    DOWN;

    /** Reads {@code up} or {@code down}. */
    public static Direction parse(String text) {
        return switch (text) {
            case "up" -> UP;
            case "down" -> DOWN;
            default -> throw new Refusal("\"" + text + "\" is no direction; expected up or down");
        };
    }
}
