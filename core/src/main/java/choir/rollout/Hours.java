package choir.rollout;

import choir.refusal.Refusal;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.regex.Pattern;

/**
 * The hours of a day in which recorders may be written, on the wall clock of each. From is inclusive, to exclusive; hours
 * whose end is not after their start run over midnight. Where the clock jumps over the start they begin right after the jump.
 */
public record Hours(LocalTime from, LocalTime to) {
    private static final Pattern TEXT = Pattern.compile("(\\d{2}:\\d{2})\\s*-\\s*(\\d{2}:\\d{2})");
    private static final DateTimeFormatter MINUTE = DateTimeFormatter.ofPattern("HH:mm");

    public Hours {
        if (from.equals(to)) {
            throw new Refusal("hours from " + from + " to " + to + " are none; leave them out for the whole day");
        }
    }

    /** @param text such as {@code 22:00-05:00}; {@code 24:00} is an end */
    public static Hours parse(String text) {
        var match = TEXT.matcher(text.strip());
        if (!match.matches()) {
            throw new Refusal("\"" + text + "\" are no hours; expected a form like 22:00-05:00");
        }
        return new Hours(
                time(match.group(1), text),
                match.group(2).equals("24:00") ? LocalTime.MIDNIGHT : time(match.group(2), text));
    }

    private static LocalTime time(String part, String text) {
        try {
            return LocalTime.parse(part);
        } catch (java.time.format.DateTimeParseException e) {
            throw new Refusal("\"" + text + "\" are no hours: there is no " + part);
        }
    }

    private boolean contains(LocalTime time) {
        return from.isBefore(to)
                ? !time.isBefore(from) && time.isBefore(to)
                : !time.isBefore(from) || time.isBefore(to);
    }

    /** The moment itself when it lies in these hours, else the next one at which they begin. */
    public Instant open(Instant moment, ZoneId zone) {
        var there = moment.atZone(zone);
        if (contains(there.toLocalTime())) {
            return moment;
        }
        var begin = there.toLocalDate().atTime(from).atZone(zone);
        return begin.toInstant().isAfter(moment)
                ? begin.toInstant()
                : there.toLocalDate().plusDays(1).atTime(from).atZone(zone).toInstant();
    }

    @Override
    public String toString() {
        return from.format(MINUTE) + "-" + (to.equals(LocalTime.MIDNIGHT) ? "24:00" : to.format(MINUTE));
    }
}
