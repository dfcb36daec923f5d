package choir.sim;

import static choir.sim.DeviceServices.join;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.w3c.dom.Element;

/**
 * A group of special days, kept as the client wrote them. Where two groups hold the same date, the one that the schedule
 * names first counts.
 */
record SimDayGroup(String token, String name, String days) {
    private static final int MOST_GROUPS = 16;
    private static final Pattern DATE = Pattern.compile("(DTSTART|DTEND)[^:\\r\\n]*:(\\d{8})");

    static void requireSupport(SimModel model) {
        if (!model.specialDays()) {
            throw new SimSoapFault("Sender", "CapabilityViolated", "SpecialDaysSupported", "No special days here");
        }
    }

    static SimDayGroup read(Element operation, SimRecorder recorder, boolean fresh) {
        var group = Xml.first(operation, "SpecialDayGroup")
                .orElseThrow(() -> SimSoapFault.wrongValue("InvalidGroup", "No group"));
        var given = group.getAttribute("token");
        if (fresh != given.isEmpty() || !fresh && !recorder.dayGroups.containsKey(given)) {
            throw SimSoapFault.wrongValue("NotFound", "No special day group \"" + given + "\"");
        }
        if (fresh && recorder.dayGroups.size() >= MOST_GROUPS) {
            throw new SimSoapFault("Sender", "CapabilityViolated", "MaxSpecialDayGroups", "Too many groups");
        }
        var days = Xml.text(group, "Days").orElse("");
        if (!days.startsWith("BEGIN:VCALENDAR") || !days.endsWith("END:VCALENDAR") || days.contains("FREQ=DAILY")) {
            throw SimSoapFault.wrongValue("InvalidGroup", "The days are no calendar of dates");
        }
        return new SimDayGroup(
                fresh ? "D" + (recorder.dayGroups.size() + 1) : given,
                Xml.text(group, "Name").orElse(""),
                days);
    }

    String xml() {
        return "<tsc:SpecialDayGroup token=\"" + token + "\"><tsc:Name>" + Xml.escape(name) + "</tsc:Name><tsc:Days>"
                + Xml.escape(days) + "</tsc:Days></tsc:SpecialDayGroup>";
    }

    /** The special days of one schedule, from what the channel keeps. */
    static String entries(Map<String, String> timesByGroup) {
        return join(timesByGroup.entrySet().stream()
                .map(e -> "<tsc:SpecialDays><tsc:GroupToken>" + e.getKey() + "</tsc:GroupToken>" + ranges(e.getValue())
                        + "</tsc:SpecialDays>"));
    }

    private static String ranges(String times) {
        return times.isEmpty()
                ? ""
                : List.of(times.split(" ")).stream()
                        .map(t -> t.split("-"))
                        .map(t -> "<tsc:TimeRange><tsc:From>" + time(t[0]) + "</tsc:From>"
                                + (t[1].equals("1440") ? "" : "<tsc:Until>" + time(t[1]) + "</tsc:Until>")
                                + "</tsc:TimeRange>")
                        .collect(Collectors.joining());
    }

    private static String time(String minute) {
        int m = Integer.parseInt(minute);
        return "%02d:%02d:00".formatted(m / 60, m % 60);
    }

    static Map<String, String> readEntries(Element schedule, SimRecorder recorder) {
        Map<String, String> entries = new LinkedHashMap<>();
        for (var special : Xml.all(schedule, "SpecialDays")) {
            requireSupport(recorder.model);
            var token = Xml.text(special, "GroupToken").orElse("");
            if (!recorder.dayGroups.containsKey(token)) {
                throw SimSoapFault.wrongValue("ReferenceNotFound", "No special day group " + token);
            }
            List<String> times = new ArrayList<>();
            for (var range : Xml.all(special, "TimeRange")) {
                times.add(minute(range, "From", 0) + "-" + minute(range, "Until", 1440));
            }
            entries.put(token, String.join(" ", times));
        }
        return entries;
    }

    private static int minute(Element range, String name, int otherwise) {
        return Xml.text(range, name)
                .map(t -> LocalTime.parse(t).toSecondOfDay() / 60)
                .orElse(otherwise);
    }

    /** Dates of one event, the last exclusive. */
    private record Dates(LocalDate first, LocalDate after, boolean yearly) {
        boolean includes(LocalDate date) {
            int years = yearly ? date.getYear() - first.getYear() : 0;
            return !date.isBefore(first.plusYears(years)) && date.isBefore(after.plusYears(years));
        }
    }

    /** What was understood, by the text. */
    private static final Map<String, List<Dates>> UNDERSTOOD = new ConcurrentHashMap<>();

    /** Whether the date is one of its days, of which each is an event of whole days. */
    boolean includes(LocalDate date) {
        return UNDERSTOOD.computeIfAbsent(days, SimDayGroup::dates).stream().anyMatch(d -> d.includes(date));
    }

    private static List<Dates> dates(String days) {
        List<Dates> all = new ArrayList<>();
        for (var event : days.split("BEGIN:VEVENT")) {
            var date = DATE.matcher(event);
            if (!date.find()) {
                continue;
            }
            var first = LocalDate.parse(date.group(2), DateTimeFormatter.BASIC_ISO_DATE);
            var after = first.plusDays(1);
            while (date.find()) {
                if (date.group(1).equals("DTEND")) {
                    after = LocalDate.parse(date.group(2), DateTimeFormatter.BASIC_ISO_DATE);
                }
            }
            all.add(new Dates(first, after, event.contains("FREQ=YEARLY")));
        }
        return all;
    }

    void save(Properties to) {
        to.setProperty("group." + token + ".name", name);
        to.setProperty("group." + token + ".days", days);
    }

    static List<SimDayGroup> load(Properties from) {
        return from.stringPropertyNames().stream()
                .filter(n -> n.startsWith("group.") && n.endsWith(".name"))
                .map(n -> n.substring("group.".length(), n.length() - ".name".length()))
                .map(token -> new SimDayGroup(
                        token,
                        from.getProperty("group." + token + ".name"),
                        from.getProperty("group." + token + ".days")))
                .toList();
    }
}
