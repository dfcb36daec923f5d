package choir.fleet;

import java.util.ArrayList;
import java.util.List;

/**
 * A pattern in which a star stands for any text. Each piece between stars is sought once, from left to right, so that the
 * time grows with the length of the text whatever the pattern holds.
 */
public final class Glob {
    /** What stands between the stars; one piece alone is an exact text. */
    private final List<String> pieces;

    private Glob(List<String> pieces) {
        this.pieces = pieces;
    }

    /** A text as it is, without stars that mean anything. */
    public static Glob exactly(String text) {
        return new Glob(List.of(text));
    }

    /** A text that may stand anywhere. */
    public static Glob containing(Glob inner) {
        List<String> pieces = new ArrayList<>();
        pieces.add("");
        pieces.addAll(inner.pieces);
        pieces.add("");
        return new Glob(withoutEmptyMiddles(pieces));
    }

    /** @param pieces the texts between the stars, in order; one more than there are stars */
    static Glob ofPieces(List<String> pieces) {
        return new Glob(withoutEmptyMiddles(pieces));
    }

    /** Several stars in a row are one. */
    private static List<String> withoutEmptyMiddles(List<String> pieces) {
        List<String> kept = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            if (i == 0 || i == pieces.size() - 1 || !pieces.get(i).isEmpty()) {
                kept.add(pieces.get(i));
            }
        }
        return List.copyOf(kept);
    }

    public boolean matches(String text) {
        var first = pieces.getFirst();
        if (pieces.size() == 1) {
            return text.equals(first);
        }
        var last = pieces.getLast();
        if (text.length() < first.length() + last.length() || !text.startsWith(first) || !text.endsWith(last)) {
            return false;
        }
        int at = first.length();
        int end = text.length() - last.length();
        for (var piece : pieces.subList(1, pieces.size() - 1)) {
            int found = text.indexOf(piece, at);
            if (found < 0 || found + piece.length() > end) {
                return false;
            }
            at = found + piece.length();
        }
        return true;
    }

    /** False only where no text that begins like this can match. */
    public boolean mayMatchFrom(String beginning) {
        var first = pieces.getFirst();
        return first.regionMatches(0, beginning, 0, Math.min(first.length(), beginning.length()));
    }

    /** The longest piece; every text that matches contains it. */
    public String longestPiece() {
        return pieces.stream()
                .max(java.util.Comparator.comparingInt(String::length))
                .orElse("");
    }
}
