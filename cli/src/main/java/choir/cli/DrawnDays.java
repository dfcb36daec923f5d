package choir.cli;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** What was recorded, drawn in letters: C continuous, M motion, A alarm, R analytics, B motion and alarm, ? unexplained. */
final class DrawnDays {
    static final String KEY =
            "C continuous, M motion, A alarm, R analytics rule, B motion+alarm, ? not explained, · nothing, blank not known,"
                    + " ! something is missing";
    private static final String EIGHTHS = "▁▂▃▄▅▆▇█";
    private static final Map<String, Character> LETTERS = Map.of(
            "continuous", 'C',
            "motion", 'M',
            "alarm", 'A',
            "analytics", 'R',
            "motionAndAlarm", 'B',
            "motion+alarm", 'B',
            "unexplained", '?');

    private DrawnDays() {}

    static char letter(String by) {
        return LETTERS.getOrDefault(by, '?');
    }

    /** How much of a day was recorded. */
    static char height(JsonNode day) {
        double share = day.path("known").asLong() == 0
                ? -1
                : (double) day.path("recorded").asLong() / day.path("known").asLong();
        return share < 0 ? ' ' : share == 0 ? '·' : EIGHTHS.charAt(Math.min(7, (int) (share * 8)));
    }

    /** By what most of it was recorded; where something is missing, that. */
    static char main(JsonNode day) {
        if (day.path("known").asLong() == 0) {
            return ' ';
        }
        if (day.path("missing").asLong() > 0) {
            return '!';
        }
        char found = '·';
        long most = 0;
        for (var by : day.path("by").properties()) {
            if (by.getValue().asLong() > most) {
                most = by.getValue().asLong();
                found = letter(by.getKey());
            }
        }
        return found;
    }

    /**
     * Stretches over a line of so many characters.
     *
     * @param drawn with what a character is drawn in which one of them lies
     */
    static void draw(char[] line, Instant begin, Duration length, List<JsonNode> stretches, char drawn) {
        for (var stretch : stretches) {
            int first = place(line, begin, length, Instant.parse(Listing.text(stretch, "from")), false);
            int last = place(line, begin, length, Instant.parse(Listing.text(stretch, "until")), true);
            for (int i = Math.max(0, first); i < Math.min(line.length, Math.max(last, first + 1)); i++) {
                line[i] = drawn == 0 ? letter(Listing.text(stretch, "by")) : drawn;
            }
        }
    }

    private static int place(char[] line, Instant begin, Duration length, Instant at, boolean up) {
        double place = Duration.between(begin, at).toSeconds() * (double) line.length / length.toSeconds();
        return (int) (up ? Math.ceil(place) : Math.floor(place));
    }

    /** As people say it: {@code 4 h}, {@code 3 h 20 min}, {@code 12 min}, {@code 40 s}. */
    static String length(long seconds) {
        long minutes = Math.round(seconds / 60.0);
        if (seconds < 100) {
            return seconds + " s";
        }
        if (minutes < 60) {
            return minutes + " min";
        }
        return minutes % 60 == 0 ? minutes / 60 + " h" : minutes / 60 + " h " + minutes % 60 + " min";
    }
}
