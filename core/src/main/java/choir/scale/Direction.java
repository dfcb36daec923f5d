package choir.scale;

/** Whether a larger native number reacts to more ({@code UP}) or to less ({@code DOWN}). */
public enum Direction {
    UP,
    DOWN
}
