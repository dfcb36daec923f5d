package choir.week;

import choir.refusal.Refusal;
import java.time.LocalDate;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** The dates of a calendar, sorted, each entry once. */
public record DateSet(List<SpecialDate> dates) {
    private static final int MOST = 1_000;

    public DateSet {
        if (dates.size() > MOST) {
            throw new Refusal("a calendar has at most " + MOST + " entries, not " + dates.size());
        }
        dates = List.copyOf(new TreeSet<>(dates));
    }

    public static DateSet parse(List<String> texts) {
        return new DateSet(texts.stream().map(SpecialDate::parse).toList());
    }

    /** Reads the text form of {@link #toString()}. */
    public static DateSet parse(String text) {
        return parse(text.isBlank() ? List.of() : List.of(text.split("\\s*,\\s*")));
    }

    public boolean includes(LocalDate date) {
        return dates.stream().anyMatch(d -> d.includes(date));
    }

    @Override
    public String toString() {
        return dates.stream().map(SpecialDate::toString).collect(Collectors.joining(", "));
    }
}
