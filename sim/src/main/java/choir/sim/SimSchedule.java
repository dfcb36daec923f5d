package choir.sim;

import java.util.BitSet;
import java.util.Map;

/**
 * A schedule as the recorder shows it.
 *
 * @param specialDays for each group of special days the times of day
 */
record SimSchedule(String name, String calendar, BitSet minutes, Map<String, String> specialDays) {
    String xml(String token) {
        return "<tsc:Schedule token=\"" + Xml.escape(token) + "\"><tsc:Name>" + Xml.escape(name)
                + "</tsc:Name><tsc:Standard>" + Xml.escape(calendar) + "</tsc:Standard>"
                + SimDayGroup.entries(specialDays) + "</tsc:Schedule>";
    }
}
