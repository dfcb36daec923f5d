package choir.server.export;

import choir.refusal.Refusal;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;

/** What can be taken out, each a table by day whose columns are those of its record. */
enum Dataset {
    ACTIVITY(ActivityLine.class, true),
    FINDINGS(FindingLine.class, true),
    STANDINGS(StandingLine.class, false),
    FORECASTS(ForecastLine.class, false);

    private final Class<? extends Record> line;
    private final boolean past;

    Dataset(Class<? extends Record> line, boolean past) {
        this.line = line;
        this.past = past;
    }

    Class<? extends Record> line() {
        return line;
    }

    /** Whether it can be told of a day that is past; else it is only known as it is now. */
    boolean ofPast() {
        return past;
    }

    String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    static Dataset of(String word) {
        return Arrays.stream(values())
                .filter(d -> d.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new Refusal("there is no table \"" + word + "\"; expected "
                        + Arrays.stream(values()).map(Dataset::word).collect(Collectors.joining(", "))));
    }
}
