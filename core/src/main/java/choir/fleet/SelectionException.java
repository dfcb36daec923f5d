package choir.fleet;

import choir.refusal.Refusal;

/** A selection that cannot be understood, with the place of the character at which it goes wrong. */
public final class SelectionException extends Refusal {
    private final int position;

    SelectionException(String problem, int position) {
        super(Code.SELECTION, "at character " + (position + 1) + " of the selection: " + problem);
        this.position = position;
    }

    /** Counted from 0. */
    public int position() {
        return position;
    }
}
