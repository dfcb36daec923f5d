package choir.sim;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.regex.Pattern;

/**
 * A schedule as iCalendar the way a small device does it: weekly events of the year 1970 only, each within one day or
 * over one midnight, local time without a zone. Anything else is refused.
 */
final class SimCalendar {
    private static final List<String> DAYS = List.of("MO", "TU", "WE", "TH", "FR", "SA", "SU");
    private static final DateTimeFormatter LOCAL = DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss");
    private static final Pattern SPAN = Pattern.compile("DTSTART:(\\d{8}T\\d{6})\r\nDTEND:(\\d{8}T\\d{6})");
    private static final int MOST_PERIODS_A_DAY = 24;

    private SimCalendar() {}

    static String write(BitSet minutes, String name) {
        Map<String, TreeSet<Integer>> daysByTimes = new LinkedHashMap<>();
        for (int day = 0; day < 7; day++) {
            int end = (day + 1) * 1440;
            for (int from = minutes.nextSetBit(day * 1440); from >= 0 && from < end; ) {
                int to = Math.min(minutes.nextClearBit(from), end);
                var times = (from - day * 1440) + "-" + (to - day * 1440);
                daysByTimes.computeIfAbsent(times, t -> new TreeSet<>()).add(day);
                from = minutes.nextSetBit(to);
            }
        }
        var text = new StringBuilder("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//simulated recorder//EN\r\n");
        int number = 0;
        for (var entry : daysByTimes.entrySet()) {
            var ends = entry.getKey().split("-");
            int first = entry.getValue().first();
            text.append("BEGIN:VEVENT\r\nSUMMARY:").append(name);
            text.append("\r\nDTSTART:").append(time(first, Integer.parseInt(ends[0])));
            text.append("\r\nDTEND:").append(time(first, Integer.parseInt(ends[1])));
            text.append("\r\nRRULE:FREQ=WEEKLY;BYDAY=");
            text.append(
                    String.join(",", entry.getValue().stream().map(DAYS::get).toList()));
            text.append("\r\nUID:").append(++number).append("@recorder\r\nEND:VEVENT\r\n");
        }
        return text.append("END:VCALENDAR\r\n").toString();
    }

    /** The same week as other devices write it: by day, with durations, in folded lines. */
    static String writeOtherwise(BitSet minutes, String name) {
        return SPAN.matcher(write(minutes, name).replace("FREQ=WEEKLY;BYDAY=", "FREQ=DAILY;INTERVAL=1;\r\n BYDAY="))
                .replaceAll(m -> "DTSTART:" + m.group(1) + "\r\nDURATION:"
                        + Duration.between(
                                LocalDateTime.parse(m.group(1), LOCAL), LocalDateTime.parse(m.group(2), LOCAL)));
    }

    private static String time(int day, int minute) {
        // Monday, 5 January 1970.
        return LocalDateTime.of(1970, 1, 5, 0, 0)
                .plusDays(day)
                .plusMinutes(minute)
                .format(LOCAL);
    }

    static BitSet read(String text) {
        var minutes = new BitSet();
        Map<String, String> event = new LinkedHashMap<>();
        boolean inside = false;
        for (var line : text.replace("\r\n", "\n").replace("\n ", "").split("\n")) {
            int colon = line.indexOf(':');
            if (colon < 0) {
                continue;
            }
            var key = line.substring(0, colon).strip();
            var value = line.substring(colon + 1).strip();
            if (key.equals("BEGIN") && value.equals("VEVENT")) {
                event.clear();
                inside = true;
            } else if (key.equals("END") && value.equals("VEVENT")) {
                inside = false;
                add(minutes, event);
            } else if (inside) {
                event.put(key, value);
            }
        }
        for (int day = 0; day < 7; day++) {
            if (periods(minutes, day) > MOST_PERIODS_A_DAY) {
                throw new SimSoapFault("Sender", "CapabilityViolated", "MaxTimePeriodsPerDay", "Too many periods");
            }
        }
        return minutes;
    }

    private static int periods(BitSet minutes, int day) {
        int periods = 0;
        for (int at = minutes.nextSetBit(day * 1440); at >= 0 && at < (day + 1) * 1440; periods++) {
            at = minutes.nextSetBit(minutes.nextClearBit(at));
        }
        return periods;
    }

    private static void add(BitSet minutes, Map<String, String> event) {
        var rule = event.getOrDefault("RRULE", "");
        if (rule.matches("FREQ=WEEKLY;UNTIL=1970\\d{4}T\\d{6};BYDAY=[A-Z,]+")) {
            return; // it ended long ago
        }
        if (!rule.matches("FREQ=WEEKLY;BYDAY=[A-Z,]+")) {
            throw SimSoapFault.wrongValue("ExtendedRecurrence", "Only weekly events are supported, not " + rule);
        }
        LocalDateTime from;
        LocalDateTime to;
        try {
            from = LocalDateTime.parse(event.getOrDefault("DTSTART", ""), LOCAL);
            to = LocalDateTime.parse(event.getOrDefault("DTEND", ""), LOCAL);
        } catch (DateTimeParseException e) {
            throw SimSoapFault.wrongValue("InvalidSchedule", "Times must be local, such as 19700105T060000");
        }
        if (from.getYear() != 1970 || !to.isAfter(from) || to.isAfter(from.plusDays(1))) {
            throw SimSoapFault.wrongValue("InvalidSchedule", "Events lie in 1970 and last at most a day");
        }
        int start = from.getHour() * 60 + from.getMinute();
        int length = (int) Duration.between(from, to).toMinutes();
        for (var day : rule.substring(rule.lastIndexOf('=') + 1).split(",")) {
            int first = DAYS.indexOf(day) * 1440 + start;
            for (int m = first; m < first + length; m++) {
                minutes.set(m % SimChannel.WEEK);
            }
        }
    }
}
