package choir.fleet;

/** A selection that cannot be understood, with the place of the character at which it goes wrong. */
public final class SelectionException extends IllegalArgumentException {
    private final int position;

    SelectionException(String problem, int position) {
        super("at character " + (position + 1) + " of the selection: " + problem);
        this.position = position;
    }

    /** Counted from 0. */
    public int position() {
        return position;
    }
}
