package choir.sim;

import java.time.DateTimeException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What happens at the recorders, and when: a line each, a time from the start (ISO 8601, such as {@code P1DT8H}) and what is
 * turned at a front panel, such as {@code haldr-1/07?sensitivity=40}. A line {@code speed 10080} lets that many seconds
 * pass in one, so that a week takes a minute. Empty lines, and those that begin with {@code #}, are passed over.
 *
 * @param speed at least 1
 * @param acts in the order of their time
 */
record Scenario(int speed, List<Act> acts) {
    private static final int MOST = 10_000;

    /** @param after the start, as the line says it */
    record Act(Duration after, String turn) {}

    /** @throws IllegalArgumentException with the line that cannot be read */
    static Scenario parse(String text) {
        int speed = 1;
        List<Act> acts = new ArrayList<>();
        int number = 0;
        for (var line : text.lines().toList()) {
            number++;
            var words = line.strip().split("\\s+", 2);
            if (words[0].isEmpty() || words[0].startsWith("#")) {
                continue;
            }
            if (words.length < 2 || acts.size() == MOST) {
                throw new IllegalArgumentException("line " + number + ": expected a time and a knob, such as"
                        + " PT8H haldr-1/07?sensitivity=40, and at most " + MOST + " of them");
            }
            try {
                if (words[0].equals("speed")) {
                    speed = Math.max(1, Integer.parseInt(words[1]));
                } else {
                    acts.add(new Act(Duration.parse(words[0]), words[1]));
                }
            } catch (DateTimeException | NumberFormatException e) {
                throw new IllegalArgumentException(
                        "line " + number + ": \"" + words[0] + " " + words[1] + "\" has no time or speed in it", e);
            }
        }
        acts.sort(Comparator.comparing(Act::after));
        return new Scenario(speed, List.copyOf(acts));
    }

    /** How long after the start of playing it an act comes. */
    Duration played(Act act) {
        return act.after().dividedBy(speed);
    }
}
