package choir.server.standing;

import choir.drift.Deviation;
import choir.drift.Mark;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * A tuning mark with its text alternative.
 *
 * @param kind such as {@code in-tune} or {@code loss}
 * @param size 0 to 3
 */
record MarkView(String kind, int size, String text) {
    private static final MarkView NOT_GOVERNED = new MarkView("not-governed", 0, "Not governed by any policy.");

    static MarkView of(Deviation deviation) {
        var mark = Mark.of(deviation);
        return new MarkView(kind(mark), mark.size(), deviation.sentence());
    }

    /** The worst of several, with the words of that one. */
    static MarkView of(List<Deviation> deviations) {
        return deviations.stream()
                .max(Comparator.comparing((Deviation d) -> Mark.of(d).kind())
                        .thenComparing(d -> Mark.of(d).size()))
                .map(d -> Mark.of(d).kind() == Mark.Kind.IN_TUNE ? inTune(deviations) : of(d))
                .orElse(NOT_GOVERNED);
    }

    private static MarkView inTune(List<Deviation> deviations) {
        long cannot = deviations.stream()
                .filter(d -> Mark.of(d).kind() == Mark.Kind.CANNOT)
                .count();
        var rest = cannot == 0
                ? "."
                : "; " + cannot + (cannot == 1 ? " setting" : " settings") + " cannot be honoured by its recorder.";
        return new MarkView("in-tune", 0, "In tune" + rest);
    }

    private static String kind(Mark mark) {
        return mark.kind().name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
