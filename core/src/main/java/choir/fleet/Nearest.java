package choir.fleet;

import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;

/** The known name that lies nearest to a mistyped one. */
public final class Nearest {
    private Nearest() {}

    private static final int FEWEST_LETTERS = 3;

    /**
     * The nearest by edit distance, if it is at most a third of the word away (but two letters in any case); else the only one
     * that begins with the word.
     */
    public static Optional<String> to(String word, Collection<String> known) {
        return byLetters(word, known).or(() -> begun(word, known));
    }

    private static Optional<String> begun(String word, Collection<String> known) {
        var found = known.stream()
                .filter(k -> word.length() >= FEWEST_LETTERS && k.startsWith(word))
                .limit(2)
                .toList();
        return found.size() == 1 ? Optional.of(found.getFirst()) : Optional.empty();
    }

    private static Optional<String> byLetters(String word, Collection<String> known) {
        int limit = Math.max(2, word.length() / 3);
        return known.stream()
                .min(Comparator.comparingInt(k -> distance(word, k)))
                .filter(k -> distance(word, k) <= limit);
    }

    /** A half sentence for the end of a message: {@code ; did you mean "quay"?} */
    public static String hint(String word, Collection<String> known) {
        return to(word, known).map(k -> "; did you mean \"" + k + "\"?").orElse("");
    }

    /** Levenshtein's distance. */
    private static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int substituted = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(substituted, Math.min(row[j], row[j - 1]) + 1);
            }
        }
        return row[b.length()];
    }
}
