package choir.cli;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/** Sentences that differ in their numbers alone, said once. */
final class Spread {
    /** A number that stands for itself: none within a name, a date or a time of day. */
    private static final Pattern NUMBER =
            Pattern.compile("(?<![\\p{L}\\d:/.-])-?\\d+(?:\\.\\d+)?(?![\\p{L}\\d:/-]|\\.\\d)");

    private Spread() {}

    /** The sentence with every number taken out, equal for all that {@link #of} can say at once. */
    static String pattern(String sentence) {
        return NUMBER.matcher(sentence).replaceAll("#");
    }

    /**
     * One sentence for all of one {@link #pattern}: a number that they share stands as it is, others as the least and the most.
     *
     * @throws IllegalArgumentException for none, or for sentences of different patterns
     */
    static String of(List<String> sentences) {
        var patterns = sentences.stream().map(Spread::pattern).distinct().toList();
        if (patterns.size() != 1) {
            throw new IllegalArgumentException("not of one pattern: " + patterns);
        }
        var numbers = sentences.stream()
                .map(s -> NUMBER.matcher(s).results().map(MatchResult::group).toList())
                .toList();
        var words = new ArrayList<String>();
        for (int i = 0; i < numbers.getFirst().size(); i++) {
            int at = i;
            var least = numbers.stream().map(n -> n.get(at)).min(Spread::bySize).orElseThrow();
            var most = numbers.stream().map(n -> n.get(at)).max(Spread::bySize).orElseThrow();
            words.add(bySize(least, most) == 0 ? least : least + " to " + most);
        }
        var next = words.iterator();
        return NUMBER.matcher(sentences.getFirst()).replaceAll(found -> next.next());
    }

    private static int bySize(String a, String b) {
        return new BigDecimal(a).compareTo(new BigDecimal(b));
    }
}
