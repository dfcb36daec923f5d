package choir.cli;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/**
 * A week in letters, half an hour a letter: C continuous, M motion, A alarm, R analytics rule, a point for nothing, a
 * space where nobody governs. A half hour with two values shows the first of them in lower case.
 */
final class DrawnWeek {
    private static final List<String> DAYS = List.of("mon", "tue", "wed", "thu", "fri", "sat", "sun");
    private static final int SLOT = 30;
    private static final int SLOTS_A_DAY = 48;

    private DrawnWeek() {}

    static List<String> lines(JsonNode week) {
        var asked = slots(week.path("asked"));
        var observed = slots(week.path("observed"));
        List<String> lines = new ArrayList<>();
        lines.add("     0     3     6     9     12    15    18    21    24");
        for (int day = 0; day < DAYS.size(); day++) {
            var wanted = new String(asked, day * SLOTS_A_DAY, SLOTS_A_DAY);
            var held = new String(observed, day * SLOTS_A_DAY, SLOTS_A_DAY);
            lines.add(DAYS.get(day) + "  " + wanted);
            if (!week.path("observed").isEmpty() && differs(wanted, held)) {
                lines.add("     " + held + "  the recorder");
            }
        }
        if (!week.path("asked").isEmpty()) {
            lines.add(origins(week));
        }
        return lines;
    }

    /** What nobody governs is no difference. */
    private static boolean differs(String wanted, String held) {
        for (int i = 0; i < wanted.length(); i++) {
            if (wanted.charAt(i) != ' ' && wanted.charAt(i) != held.charAt(i)) {
                return true;
            }
        }
        return false;
    }

    private static char[] slots(JsonNode runs) {
        var slots = new char[SLOTS_A_DAY * DAYS.size()];
        Arrays.fill(slots, ' ');
        for (var run : runs) {
            int from = run.path("from").asInt();
            int to = run.path("to").asInt();
            char letter = letter(Listing.text(run, "triggers"));
            for (int slot = from / SLOT; slot * SLOT < to; slot++) {
                boolean whole = from <= slot * SLOT && to >= (slot + 1) * SLOT;
                if (whole) {
                    slots[slot] = letter;
                } else if (slots[slot] == ' ') {
                    slots[slot] = Character.toLowerCase(letter);
                }
            }
        }
        return slots;
    }

    private static char letter(String triggers) {
        return switch (triggers.split(",")[0]) {
            case "continuous" -> 'C';
            case "motion" -> 'M';
            case "alarm" -> 'A';
            case "analytics" -> 'R';
            case "motion+alarm" -> 'B';
            default -> '.';
        };
    }

    private static String origins(JsonNode week) {
        var runs = week.path("asked").values();
        var letters = runs.stream()
                .map(r -> letter(Listing.text(r, "triggers")) + " " + Listing.text(r, "triggers"))
                .distinct()
                .collect(Collectors.joining(", "));
        return letters.replace(". none", ". nothing").replace("B motion+alarm", "B both, motion with alarm");
    }
}
